/*
 * Places for fasteners along one side, mm from its middle, positive to the right (or down), seen from the
 * front. One stands at the middle, the last at the corner distance, the rest evenly between, never wider
 * apart than the spacing asked for.
 */

/** Places on one side of the middle, nearest first, mm above 0; the true pitch beside them. */
export interface HalfRow {
  offsetsMm: number[];
  pitchMm: number;
}

/**
 * @param sideMm length of the side, above 0
 * @param spacingMm widest spacing, above 0
 * @param lastFromCornerMm last place from the corner; a side too short for it gets only its middle
 * @param leastMm never nearer to each other than this: rather one fewer
 * @param fromMm the row begins from here: the last of the starters, 0 where one stands at the middle
 * @throws RangeError for a side or spacing of 0 or less
 * @example halfRow(400, 50, 40).offsetsMm // [40, 80, 120, 160]
 */
export function halfRow(sideMm: number, spacingMm: number, lastFromCornerMm: number, leastMm = 0, fromMm = 0): HalfRow {
  if (!(sideMm > 0)) throw new RangeError(`side must be above 0 mm, got ${sideMm}`);
  if (!(spacingMm > 0)) throw new RangeError(`spacing must be above 0 mm, got ${spacingMm}`);
  const reach = sideMm / 2 - lastFromCornerMm - fromMm;
  if (reach <= 0) return { offsetsMm: [], pitchMm: 0 };
  const asked = Math.ceil(reach / spacingMm - 1e-9);
  const count = leastMm > 0 ? Math.min(asked, Math.floor(reach / leastMm + 1e-9)) : asked;
  if (count === 0) return { offsetsMm: [], pitchMm: 0 };
  const pitchMm = reach / count;
  return { offsetsMm: Array.from({ length: count }, (_, index) => fromMm + pitchMm * (index + 1)), pitchMm };
}

/** Starters about the middle: one at it, two or three close together. */
export function starterOffsets(starters: 1 | 2 | 3, pitchMm: number, leastMm = 0): number[] {
  const apart = Math.max(leastMm, Math.min(20, (pitchMm || 20) / 2));
  if (starters === 1) return [0];
  return starters === 2 ? [-apart / 2, apart / 2] : [-apart, 0, apart];
}
