/** Records that what a house assumes weighs as much as. */
const ASSUMED_RECORDS = 4;

/**
 * How much hands differ from what was reckoned, as a standard deviation of the logarithm: what the house assumes, drawn towards
 * what its records show, and wider by what so few records leave open.
 *
 * @param assumed part of the time, above 0
 * @param ratios what work took over what was reckoned
 *
 * @example learnedSpread(0.25, []) // 0.25
 */
export function learnedSpread(assumed: number, ratios: readonly number[]): number {
  const logs = ratios.filter((one) => one > 0).map(Math.log);
  if (logs.length < 2) return assumed;
  const mean = logs.reduce((sum, one) => sum + one, 0) / logs.length;
  const squares = logs.reduce((sum, one) => sum + (one - mean) ** 2, 0);
  const drawn = (ASSUMED_RECORDS * assumed ** 2 + squares) / (ASSUMED_RECORDS + logs.length - 1);
  return Math.sqrt(drawn * (1 + 1 / logs.length));
}
