/* Pouring on to a kitchen scale: when it is enough, and what keeps the ratio when it was too much. Whole grams. */
export type Pour = { state: 'under'; byG: number } | { state: 'right' } | { state: 'over'; byG: number };

/**
 * What a pour still wants.
 *
 * @param rightWithin part of the target within which it is right; a gram is always right
 * @throws RangeError for a target or a weight below 0
 * @example pour(180, 150, 0.02) // { state: 'under', byG: 30 }
 */
export function pour(targetG: number, onScaleG: number, rightWithin: number): Pour {
  if (!(targetG >= 0 && onScaleG >= 0)) throw new RangeError(`grams must be 0 or more, got ${onScaleG} of ${targetG}`);
  const off = onScaleG - targetG;
  if (Math.abs(off) <= Math.max(1, targetG * rightWithin)) return { state: 'right' };
  return off < 0 ? { state: 'under', byG: -off } : { state: 'over', byG: off };
}

/**
 * Grams of the other part that keep the ratio when more of one was poured than was asked for.
 *
 * @param part grams asked for of the part that was poured, above 0, and of the other one
 * @example toMatch(100, { part: 80, other: 40 }) // 50
 */
export function toMatch(pouredG: number, { part, other }: { part: number; other: number }): number {
  if (!(part > 0)) throw new RangeError(`a part is above 0 g, got ${part}`);
  return Math.round((other * pouredG) / part);
}
