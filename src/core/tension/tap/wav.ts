/*
 * Sound files: RIFF WAVE, whole numbers of 8 to 32 bits or floating point of 32, any number of channels (mixed to one);
 * written as one channel of 16 bits.
 */
export interface Sound {
  /** Between −1 and 1. */
  samples: Float32Array;
  /** Samples a second. */
  rate: number;
}

export type WavReading = { ok: true; sound: Sound } | { ok: false; says: string };

const HEAD = 44;
const FULL_16 = 32767;

/** A file of one channel, 16 bits; what is louder than full scale is cut off. */
export function writeWav({ samples, rate }: Sound): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(HEAD + 2 * samples.length);
  const view = new DataView(bytes.buffer);
  const text = (at: number, word: string) =>
    [...word].forEach((letter, index) => view.setUint8(at + index, letter.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, HEAD - 8 + 2 * samples.length, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, 2 * rate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, 2 * samples.length, true);
  samples.forEach((value, index) =>
    view.setInt16(HEAD + 2 * index, Math.round(FULL_16 * Math.min(1, Math.max(-1, value))), true),
  );
  return bytes;
}

interface Format {
  code: number;
  channels: number;
  rate: number;
  bits: number;
}

/** The sound of a file, or what is wrong with it. */
export function readWav(bytes: Uint8Array): WavReading {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const word = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4));
  if (bytes.length < 12 || word(0) !== 'RIFF' || word(8) !== 'WAVE') return { ok: false, says: 'This is not a WAV file.' };
  let format: Format | null = null;
  for (let at = 12; at + 8 <= bytes.length;) {
    const size = view.getUint32(at + 4, true);
    const from = at + 8;
    if (word(at) === 'fmt ' && from + 16 <= bytes.length) format = formatAt(view, from, size);
    if (word(at) === 'data' && format) return soundOf(view, from, Math.min(size, bytes.length - from), format);
    at = from + size + (size % 2);
  }
  return { ok: false, says: 'This WAV file holds no sound.' };
}

function formatAt(view: DataView, at: number, size: number): Format {
  const code = view.getUint16(at, true);
  return {
    // 0xFFFE: the true code stands further on.
    code: code === 0xfffe && size >= 26 ? view.getUint16(at + 24, true) : code,
    channels: view.getUint16(at + 2, true),
    rate: view.getUint32(at + 4, true),
    bits: view.getUint16(at + 14, true),
  };
}

function soundOf(view: DataView, from: number, size: number, { code, channels, rate, bits }: Format): WavReading {
  const read = sampleReader(view, code, bits);
  if (!read || channels < 1 || rate < 4000 || rate > 384_000)
    return {
      ok: false,
      says: `This WAV file is of a kind that is not read (code ${code}, ${bits} bits, ${rate} samples a second): save it as 16-bit PCM.`,
    };
  const width = bits / 8;
  const count = Math.floor(size / (width * channels));
  const samples = Float32Array.from({ length: count }, (_, index) => {
    let sum = 0;
    for (let channel = 0; channel < channels; channel += 1) sum += read(from + (index * channels + channel) * width);
    return sum / channels;
  });
  return { ok: true, sound: { samples, rate } };
}

function sampleReader(view: DataView, code: number, bits: number): ((at: number) => number) | null {
  if (code === 3 && bits === 32) return (at) => view.getFloat32(at, true);
  if (code !== 1) return null;
  if (bits === 8) return (at) => (view.getUint8(at) - 128) / 128;
  if (bits === 16) return (at) => view.getInt16(at, true) / 32768;
  if (bits === 24) return (at) => ((view.getInt8(at + 2) << 16) | view.getUint16(at, true)) / 8388608;
  if (bits === 32) return (at) => view.getInt32(at, true) / 2147483648;
  return null;
}
