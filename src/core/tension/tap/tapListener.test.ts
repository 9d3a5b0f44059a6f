import { normal } from '../../normal';
import { randomLcg } from 'd3-random';
import { expect, it } from 'vitest';
import { type SyntheticTap, syntheticTap } from './syntheticTap';
import { TapListener } from './tapListener';

const RATE = 8000;
const tap: SyntheticTap = {
  span: { a: 0.5, b: 0.4 },
  sigma: 0.5,
  pull: { tx: 200, ty: 180 },
  q: 9,
  qSlope: 0,
  strike: [0.25, 0.2],
  microphone: [0.15, 0.12, 0.03],
  contactMs: 5,
  highPassHz: 15,
  noiseDb: -44,
  rumbleDb: -50,
  humDb: -60,
  humHz: 50,
  peak: 0.5,
  silence: 0.5,
  seconds: 1.8,
  rate: RATE,
};

/** What was heard of a stream, piece by piece, without the levels between. */
function heard(...sounds: Float32Array[]): string[] {
  const listener = new TapListener(RATE);
  const stream = sounds.flatMap((sound) => [...sound]);
  const piece = Math.round(0.04 * RATE);
  return Array.from({ length: Math.floor(stream.length / piece) }, (_, index) =>
    listener.hear(Float32Array.from(stream.slice(index * piece, (index + 1) * piece))),
  ).flatMap((one) => (one.kind === 'level' ? [] : [one.kind === 'tap' ? 'tap' : one.check.why]));
}

const noise = (seconds: number, level: number) => {
  const random = randomLcg(0.2);
  return Float32Array.from({ length: seconds * RATE }, () => level * normal(random));
};

it('hears one tap after the other in a stream, and nothing in the room between', () => {
  const [one, other] = [0.1, 0.8].map((seed) => syntheticTap(tap, randomLcg(seed))) as [Float32Array, Float32Array];
  expect(heard(noise(1, 0.003), one, noise(2, 0.003), other, noise(1, 0.003))).toEqual(['tap', 'tap']);
  expect(heard(noise(6, 0.003))).toEqual([]);
});

it('tells what was loud and no tap, and goes on listening', () => {
  const clipped = syntheticTap({ ...tap, peak: 4 }, randomLcg(0.3));
  expect(heard(noise(1, 0.003), clipped, noise(1, 0.003), syntheticTap(tap, randomLcg(0.3)))).toEqual(['clipped', 'tap']);
  expect(heard(noise(1, 0.003), noise(2, 0.2), noise(1, 0.003))[0]).toBe('notShort');
});
