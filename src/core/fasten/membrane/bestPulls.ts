/*
 * How hard to pull at each place of an order, so that the edge ends as even as hands allow. Hands vary by a part σ from pull to
 * pull, each on its own, so the expected square of what is off is `‖F p − t‖² + σ² Σ p² ‖F column‖²`: hand noise is a ridge on the
 * normal equations (Tikhonov). Within the least and the most a hand pulls that is a convex quadratic in a box, solved by going from
 * pull to pull (coordinate descent, converges for a positive definite matrix; Hildreth, 1957). Several guesses of the cloth are
 * summed, so that no pull stands on one of them alone.
 */
import { evenness } from './clothMeasures';
import { expectedUnevenness } from './expectedUnevenness';
import type { Influence } from './influence';

/** What pulls are looked for under. */
export interface PullBounds {
  /** Least and most of a pull, N; one that has nothing to pull against is 0. */
  leastN: number;
  mostN: number;
  /** How much a hand varies from pull to pull, as a part of the pull. */
  noise: number;
  /** What a millimetre that the middle is drawn counts as, of unevenness; not weighed where it is left out. */
  driftPerMm?: number;
}

export interface ExpectedEdge {
  /** Mean tension of the edge, N/m. */
  meanNPerM: number;
  /** Spread over mean for the exact hand, a fastener that would push counted as holding nothing. */
  unevenness: number;
  /** The same as `unevenness`, as it is expected under hand noise. */
  expected: number;
  /** Fasteners that would push: what no fastener does. */
  pushing: number;
}

/**
 * How the edge ends by a list of pulls: by the exact hand, and as is expected of one that varies.
 *
 * @param pullsN one for each column
 */
export function expectedEdge(
  { rows, events, nPerMPerN, laidOn }: Influence,
  pullsN: ArrayLike<number>,
  noise: number,
): ExpectedEdge {
  const [count, columns] = [rows.length, events.length];
  if (count === 0) return { meanNPerM: 0, unevenness: 1, expected: 1, pushing: 0 };
  const edge = rows.map((_at, row) => {
    let sum = 0;
    for (let column = 0; column < columns; column += 1) sum += nPerMPerN[row * columns + column]! * pullsN[column]!;
    return sum;
  });
  const { mean, unevenness, pushing } = evenness(edge);
  if (!(mean > 0)) return { meanNPerM: mean, unevenness: 1, expected: 1, pushing };
  const variances = new Float64Array(count);
  let ofSum = 0;
  for (let column = 0; column < columns; column += 1) {
    if (laidOn[column]) continue;
    const thrown = noise * pullsN[column]!;
    let sum = 0;
    for (let row = 0; row < count; row += 1) {
      const off = thrown * nPerMPerN[row * columns + column]!;
      variances[row]! += off * off;
      sum += off;
    }
    ofSum += sum * sum;
  }
  return { meanNPerM: mean, unevenness, expected: expectedUnevenness(edge, variances, ofSum), pushing };
}

/** Sweeps over all pulls, and the change of a pull, N, below which they are settled. */
const MOST_SWEEPS = 2000;
const SETTLED_N = 1e-4;

/** What the best pulls solve, for a tension of 1 N/m: `Σ FᵀF + σ² diag ‖F column‖²` and the column sums `Σ Fᵀ 1` over the cloths. */
export interface PullEquations {
  columns: number;
  /** Columns that have something to pull against. */
  free: readonly number[];
  matrix: Float64Array;
  side: Float64Array;
}

/** Adds the square of a sum over the pulls, `weight · v vᵀ`, with what hand noise makes of it. */
export function addSquare(matrix: Float64Array, sum: Float64Array, weight: number, noise: number): void {
  const columns = sum.length;
  for (let one = 0; one < columns; one += 1) {
    matrix[one * columns + one]! += weight * (noise * sum[one]!) ** 2;
    for (let other = 0; other < columns; other += 1) matrix[one * columns + other]! += weight * sum[one]! * sum[other]!;
  }
}

/**
 * The equations of an order on several guesses of the cloth; yields between pieces of work.
 *
 * @param cloths the same order on each; the first one is the one that is reckoned with
 * @param noise how much a hand varies, as a part of the pull
 * @param driftNPerM what a millimetre of drift weighs as much as, off at every place, N/m
 * @throws RangeError for no cloth, cloths of different orders, or noise below 0
 */
export function* pullEquations(cloths: readonly Influence[], noise: number, driftNPerM = 0): Generator<undefined, PullEquations> {
  const [first] = cloths;
  if (!first) throw new RangeError('pulls are worked out for one cloth at least');
  const columns = first.events.length;
  if (cloths.some(({ events }) => events.length !== columns)) throw new RangeError('all cloths take the same order');
  if (!(noise >= 0)) throw new RangeError(`hands vary by 0 or more, got ${noise}`);
  const [matrix, side] = [new Float64Array(columns * columns), new Float64Array(columns)];
  for (const { rows, nPerMPerN, middleMmPerN } of cloths) {
    for (const drawn of middleMmPerN ?? []) addSquare(matrix, drawn, rows.length * driftNPerM ** 2, noise);
    for (let row = 0; row < rows.length; row += 1) {
      const line = nPerMPerN.subarray(row * columns, (row + 1) * columns);
      for (let one = 0; one < columns; one += 1) {
        const value = line[one]!;
        if (value === 0) continue;
        side[one]! += value;
        matrix[one * columns + one]! += (noise * value) ** 2;
        for (let other = 0; other < columns; other += 1) matrix[one * columns + other]! += value * line[other]!;
      }
      if (row % 32 === 31) yield;
    }
  }
  const free = [...side.keys()].filter((column) => !first.laidOn[column] && matrix[column * columns + column]! > 0);
  return { columns, free, matrix, side };
}

/**
 * The pulls that leave the edge as even as hands allow at a tension; yields between pieces of work.
 *
 * @param targetNPerM mean tension of the edge, above 0
 * @throws RangeError for bounds that are none, or a target that is not above 0
 */
export function* bestPulls(
  { columns, free, matrix, side }: PullEquations,
  targetNPerM: number,
  { leastN, mostN }: Pick<PullBounds, 'leastN' | 'mostN'>,
): Generator<undefined, Float64Array> {
  if (!(targetNPerM > 0)) throw new RangeError(`a tension is above 0 N/m, got ${targetNPerM}`);
  if (!(leastN >= 0 && mostN > leastN)) throw new RangeError(`no pull lies between ${leastN} and ${mostN} N`);
  const pulls = new Float64Array(columns);
  for (const column of free) pulls[column] = (leastN + mostN) / 2;
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep += 1) {
    let most = 0;
    for (const column of free) {
      let rest = side[column]! * targetNPerM;
      for (let other = 0; other < columns; other += 1)
        if (other !== column) rest -= matrix[column * columns + other]! * pulls[other]!;
      const next = Math.min(mostN, Math.max(leastN, rest / matrix[column * columns + column]!));
      most = Math.max(most, Math.abs(next - pulls[column]!));
      pulls[column] = next;
    }
    if (most < SETTLED_N) break;
    if (sweep % 16 === 15) yield;
  }
  return pulls;
}
