/* What a piece costs off the roll: the whole width of the roll is paid for, for the length that is taken. */
import type { Fabric } from './fabrics';

/**
 * Price of a length off a roll, in minor units, or null when the house knows no price for a roll of this width.
 *
 * @param alongMm taken of the roll’s length, at least 0
 * @param rollWidthMm usable width; the roll that is sold is the narrowest at least as wide
 */
export function rollPrice(fabric: Fabric, rollWidthMm: number, alongMm: number): number | null {
  const sold = fabric.rolls.filter(({ mm }) => mm >= rollWidthMm - 1e-9).sort((a, b) => a.mm - b.mm)[0];
  return sold ? Math.round((sold.priceMinor * alongMm) / 1000) : null;
}
