import { randomLcg, randomNormal } from 'd3-random';
import { expect, it } from 'vitest';
import { evenness } from './clothMeasures';
import { expectedUnevenness, heldOf } from './expectedUnevenness';

const standard = randomNormal.source(randomLcg(0.31))(0, 1);

it.each([
  [120, 40],
  [30, 60],
  [-30, 60],
  [-200, 20],
])('a tension of %d ± %d N/m holds what is drawn of it, nothing below 0', (mean, sd) => {
  const held = Array.from({ length: 40_000 }, () => Math.max(0, mean + sd * standard()));
  const meanOf = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const expected = heldOf(mean, sd ** 2);
  expect(Math.abs(expected.mean - meanOf(held))).toBeLessThan(0.02 * sd);
  expect(Math.abs(expected.square - meanOf(held.map((one) => one * one)))).toBeLessThan(0.03 * sd * Math.max(sd, mean));
});

it('what is off at all places alike is not uneven; an edge that is known is as uneven as it is', () => {
  expect(expectedUnevenness([100, 200], [100, 100], 400)).toBeCloseTo(1 / 3, 9);
  expect(expectedUnevenness([100, 200], [100, 100], 200)).toBeGreaterThan(0.334);
  for (const edge of [[100, 300, -50], [5], [80, 80]])
    expect(
      expectedUnevenness(
        edge,
        edge.map(() => 0),
        0,
      ),
    ).toBeCloseTo(evenness(edge).unevenness, 9);
  expect(expectedUnevenness([-3, -4], [0, 0], 0)).toBe(Infinity);
});
