/*
 * Where taps come from: a stream of sound behind one small interface. The browser’s microphone is the real one; the
 * simulated one makes its taps from the tension that is set, each time a little elsewhere.
 */
import { randomLcg } from 'd3-random';
import type { Pull, Span, TapPlace } from '@/core/tension/tap/membraneTone';
import { ordinaryTap } from '@/core/tension/tap/ordinaryTap';

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
  return { samples: ordinaryTap(place, { span, sigma, pull }, random, RATE), rate: RATE };
}
