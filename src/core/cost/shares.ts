/* An amount of money dealt out so that no cent is lost: by the largest remainder (Hamilton’s method). */

/**
 * Whole parts of a whole amount, in proportion to weights; they add up to it. What is left by rounding down goes to the largest
 * remainders, the first among equals.
 *
 * @param minor whole minor units
 * @param weights each at least 0, one at least above it
 * @throws RangeError for an amount that is not whole, or weights of which none is above 0
 * @example sharesByWeight(100, [1, 1, 1]) // [34, 33, 33]
 */
export function sharesByWeight(minor: number, weights: readonly number[]): number[] {
  const whole = weights.reduce((sum, one) => sum + one, 0);
  if (!Number.isSafeInteger(minor)) throw new RangeError(`an amount is whole minor units, got ${minor}`);
  if (!(whole > 0) || weights.some((one) => !(one >= 0)))
    throw new RangeError(`weights are 0 or more and not all 0, got ${weights.join(', ')}`);
  const exact = weights.map((one) => (minor * one) / whole);
  const shares = exact.map(Math.floor);
  const left = minor - shares.reduce((sum, one) => sum + one, 0);
  const order = exact
    .map((one, index) => ({ index, rest: one - Math.floor(one) }))
    .sort((a, b) => b.rest - a.rest || a.index - b.index);
  for (const { index } of order.slice(0, left)) shares[index]! += 1;
  return shares;
}
