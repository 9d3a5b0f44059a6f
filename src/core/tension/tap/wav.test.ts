import { describe, expect, it } from 'vitest';
import { readWav, writeWav } from './wav';

const WAVE = [0, 0.5, -0.5, 0.25];

/** A WAV file by hand: any code, width and number of channels, with a chunk that nobody knows before its sound. */
function file(
  code: number,
  bits: number,
  channels: number,
  put: (view: DataView, at: number, value: number) => void,
  extra = 0,
): Uint8Array {
  const width = bits / 8;
  const size = WAVE.length * channels * width;
  const format = 16 + extra;
  const bytes = new Uint8Array(12 + 8 + format + 8 + 3 + 1 + 8 + size);
  const view = new DataView(bytes.buffer);
  const text = (at: number, word: string) =>
    [...word].forEach((letter, index) => view.setUint8(at + index, letter.charCodeAt(0)));
  text(0, 'RIFF');
  text(8, 'WAVEfmt ');
  view.setUint32(16, format, true);
  view.setUint16(20, extra > 0 ? 0xfffe : code, true);
  view.setUint16(22, channels, true);
  view.setUint32(24, 48_000, true);
  view.setUint16(34, bits, true);
  if (extra > 0) view.setUint16(44, code, true);
  let at = 20 + format;
  text(at, 'note');
  view.setUint32(at + 4, 3, true);
  at += 8 + 3 + 1;
  text(at, 'data');
  view.setUint32(at + 4, size, true);
  at += 8;
  for (const value of WAVE)
    for (let channel = 0; channel < channels; channel += 1, at += width) put(view, at, channel === 0 ? value : -value / 2);
  return bytes;
}
const samplesOf = (bytes: Uint8Array): number[] => {
  const read = readWav(bytes);
  if (!read.ok) throw new Error(read.says);
  expect(read.sound.rate).toBe(48_000);
  return [...read.sound.samples];
};

describe('WAV files of others', () => {
  it.each<[string, Uint8Array]>([
    ['8 bits', file(1, 8, 1, (view, at, value) => view.setUint8(at, 128 + 128 * value))],
    ['16 bits', file(1, 16, 1, (view, at, value) => view.setInt16(at, 32768 * value, true))],
    [
      '24 bits',
      file(1, 24, 1, (view, at, value) => {
        view.setUint16(at, (8388608 * value) & 0xffff, true);
        view.setInt8(at + 2, (8388608 * value) >> 16);
      }),
    ],
    ['32 bits', file(1, 32, 1, (view, at, value) => view.setInt32(at, 2147483648 * value, true))],
    ['floating point', file(3, 32, 1, (view, at, value) => view.setFloat32(at, value, true))],
    ['the long head', file(1, 16, 1, (view, at, value) => view.setInt16(at, 32768 * value, true), 24)],
  ])('of %s are read', (_kind, bytes) => expect(samplesOf(bytes)).toEqual(WAVE));

  it('of two channels are mixed to one', () => {
    const mixed = samplesOf(file(3, 32, 2, (view, at, value) => view.setFloat32(at, value, true)));
    mixed.forEach((value, index) => expect(value).toBeCloseTo(WAVE[index]! / 4, 6));
  });

  it('of a kind that is not read say so, with what would do; a torn one gives what it holds', () => {
    expect(readWav(file(6, 8, 1, () => undefined))).toMatchObject({
      ok: false,
      says: expect.stringMatching(/code 6, 8 bits.*16-bit PCM/),
    });
    const whole = writeWav({ samples: Float32Array.from(WAVE), rate: 48_000 });
    expect(samplesOf(whole.subarray(0, whole.length - 3))).toHaveLength(2);
    expect(readWav(new Uint8Array(0)).ok).toBe(false);
  });
});
