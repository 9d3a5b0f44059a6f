/*
 * Opening the corners of a stretcher. Each bar steps out by g at each of its corners, so width and height
 * both grow by 2g when all four are alike; the gap across a mitre is g √2. Strain is growth over length,
 * tension rises by stiffness × strain (linear cloth, no slip at the fasteners: an upper estimate).
 */
export interface CornerOpening {
  growthMm: number;
  mitreGapMm: number;
  strainWidth: number;
  strainHeight: number;
  riseWidthNPerM: number;
  riseHeightNPerM: number;
}

/**
 * What an equal opening of all four corners does.
 *
 * @param openingMm 0 or more, how far each bar steps out at a corner
 * @param stiffnessKNPerM cloth, 5 to 60
 * @throws RangeError for a negative opening or a face of 0
 * @example cornerOpening(0.5, { widthMm: 1000, heightMm: 500 }, 20).riseWidthNPerM // 20
 */
export function cornerOpening(
  openingMm: number,
  face: { widthMm: number; heightMm: number },
  stiffnessKNPerM: number,
): CornerOpening {
  if (!(openingMm >= 0)) throw new RangeError(`opening must be 0 mm or more, got ${openingMm}`);
  if (!(face.widthMm > 0 && face.heightMm > 0))
    throw new RangeError(`face must be above 0, got ${face.widthMm} × ${face.heightMm} mm`);
  const growthMm = 2 * openingMm;
  const strainWidth = growthMm / face.widthMm;
  const strainHeight = growthMm / face.heightMm;
  return {
    growthMm,
    mitreGapMm: openingMm * Math.SQRT2,
    strainWidth,
    strainHeight,
    riseWidthNPerM: stiffnessKNPerM * 1000 * strainWidth,
    riseHeightNPerM: stiffnessKNPerM * 1000 * strainHeight,
  };
}
