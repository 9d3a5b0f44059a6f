/*
 * How uneven an edge is expected to be that is known only so far: the tension at every place a mean and a variance. A fastener pulls
 * or does nothing: what would push holds nothing. So what counts of each place is a normal distribution cut off at 0, whose mean and
 * mean square are known in closed form (the Tobit model's censored moments; Tobin, 1958).
 */

/** Beyond so many standard deviations from 0 nothing is cut off. */
const FAR = 6;

/**
 * Part of a normal distribution that lies below so many standard deviations, to 1e-7 (Abramowitz and Stegun, 26.2.17).
 *
 * @example normalBelow(0).toFixed(6) // '0.500000'
 * @example normalBelow(-1.959964).toFixed(6) // '0.025000'
 */
export function normalBelow(deviations: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(deviations));
  const sum = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const above = density(deviations) * sum;
  return deviations < 0 ? above : 1 - above;
}

const density = (deviations: number): number => Math.exp(-(deviations ** 2) / 2) / Math.sqrt(2 * Math.PI);

/**
 * Mean and mean square of what a place holds whose tension has this mean and variance, nothing below 0.
 *
 * @example heldOf(-40, 0) // { mean: 0, square: 0 }
 * @example heldOf(0, Math.PI * 2).mean.toFixed(4) // '1.0000'
 */
export function heldOf(mean: number, variance: number): { mean: number; square: number } {
  const sd = Math.sqrt(Math.max(0, variance));
  if (mean <= -FAR * sd) return { mean: 0, square: 0 };
  if (mean >= FAR * sd) return { mean, square: mean * mean + variance };
  const [below, at] = [normalBelow(mean / sd), density(mean / sd)];
  return { mean: mean * below + sd * at, square: (mean * mean + variance) * below + mean * sd * at };
}

/**
 * Root of the expected variance over the places, over the mean: what an edge of known tensions is uneven by, where every variance
 * is 0. Where nothing is held, `Infinity`.
 *
 * @param edge mean tension of every place, N/m
 * @param variances of the tension of every place, (N/m)²
 * @param varianceOfSum of the tensions of all places together, (N/m)²
 * @example expectedUnevenness([100, 300, -50], [0, 0, 0], 0).toFixed(3) // '0.935'
 */
export function expectedUnevenness(edge: ArrayLike<number>, variances: ArrayLike<number>, varianceOfSum: number): number {
  const count = edge.length;
  let [sum, squares] = [0, 0];
  for (let at = 0; at < count; at += 1) {
    const { mean, square } = heldOf(edge[at]!, variances[at]!);
    sum += mean;
    squares += square;
  }
  const square = (squares - (sum * sum + varianceOfSum) / count) / count;
  return sum > 0 ? (Math.sqrt(Math.max(0, square)) * count) / sum : Infinity;
}
