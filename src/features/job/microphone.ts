/*
 * Where taps come from: a stream of sound behind one small interface. The browser’s microphone is the real one; the
 * simulated one makes its taps from the tension that is set, each time a little elsewhere.
 */
import { randomLcg } from 'd3-random';
import { MICROPHONE_AT, type Pull, type Span, TAP_PLACES, type TapPlace } from '@/core/tension/tap/membraneTone';
import { gaussian, syntheticTap } from '@/core/tension/tap/syntheticTap';

export interface Microphone {
  rate: number;
  /** What of the browser’s own changes to the sound could not be turned off. */
  warnings: string[];
  close: () => void;
}

/** Opens the microphone with nothing done to its sound, and hands it on piece by piece. */
export async function openMicrophone(onPiece: (samples: Float32Array, rate: number) => void): Promise<Microphone> {
  if (!('mediaDevices' in navigator))
    throw new Error('this browser gives no microphone here: open the page by https or on this computer');
  const plain = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };
  const stream = await navigator.mediaDevices.getUserMedia({ audio: { ...plain, channelCount: 1 } });
  const context = new AudioContext();
  const close = () => {
    stream.getTracks().forEach((track) => track.stop());
    void context.close();
  };
  try {
    await context.audioWorklet.addModule('/tapRecorder.js');
    const recorder = new AudioWorkletNode(context, 'tap-recorder', { numberOfOutputs: 0 });
    recorder.port.onmessage = ({ data }) => onPiece(data as Float32Array, context.sampleRate);
    context.createMediaStreamSource(stream).connect(recorder);
    await context.resume();
  } catch (error) {
    close();
    throw error;
  }
  const settings = stream.getAudioTracks()[0]?.getSettings() ?? {};
  const names = { echoCancellation: 'echo cancellation', noiseSuppression: 'noise suppression', autoGainControl: 'gain control' };
  const on = (Object.keys(names) as (keyof typeof names)[]).filter((key) => settings[key] === true);
  return { rate: context.sampleRate, warnings: on.map((key) => names[key]), close };
}

const RATE = 16_000;

/** A tap of the simulated microphone at a place; the same number makes the same tap. */
export function simulatedTap(
  place: TapPlace,
  span: Span,
  sigma: number,
  pull: Pull,
  number: number,
): { samples: Float32Array; rate: number } {
  const random = randomLcg((number * 0.618034 + 0.137) % 1);
  const near = ([x, y]: readonly [number, number], by: number) =>
    [x * span.a + by * gaussian(random), y * span.b + by * gaussian(random)] as const;
  const samples = syntheticTap(
    {
      span,
      sigma,
      pull,
      q: 9,
      qSlope: 0.1,
      strike: near(TAP_PLACES[place], 0.01),
      microphone: [...near(MICROPHONE_AT, 0.01), 0.035],
      contactMs: 5,
      highPassHz: 12,
      noiseDb: -40,
      rumbleDb: -42,
      humDb: -45,
      humHz: 50,
      peak: 0.6,
      silence: 0.45,
      seconds: 1.65,
      rate: RATE,
    },
    random,
  );
  return { samples, rate: RATE };
}
