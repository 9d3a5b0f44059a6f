/* For tests: taps as sound files. */
import { randomLcg } from 'd3-random';
import type { TapPlace } from '@/core/tension/tap/membraneTone';
import { ordinaryTap } from '@/core/tension/tap/ordinaryTap';
import { writeWav } from '@/core/tension/tap/wav';

/** Three taps on the bare cotton of a new job of 600 × 400 mm, as WAV files. */
export function tapWavs(nPerM: number, peak = 0.6): Record<TapPlace, string> {
  const random = randomLcg(0.37);
  const cloth = { span: { a: 0.6, b: 0.4 }, sigma: 0.34, pull: { tx: nPerM, ty: nPerM } };
  const file = (place: TapPlace) =>
    Buffer.from(writeWav({ samples: ordinaryTap(place, cloth, random, RATE, { peak }), rate: RATE })).toString('base64');
  return { C: file('C'), X: file('X'), Y: file('Y') };
}

const RATE = 8000;
