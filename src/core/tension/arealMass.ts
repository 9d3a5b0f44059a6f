/*
 * Mass of cloth and ground, kg/m², with its spread: weighed on a piece of the same cloth, or from the fabric’s weight and
 * what was brushed on.
 */
export interface ArealMass {
  kgPerM2: number;
  /** One standard deviation, as a part. */
  spread: number;
  source: 'piece' | 'fabric';
}

/** A kitchen scale on a small piece, and how well its sides are cut. */
const PIECE_SPREAD = 0.02;
/** Ground that was reckoned, not weighed, as a part of it. */
const GROUND_SPREAD = 0.2;

/**
 * Mass of a square metre of what is stretched.
 *
 * @param piece sides in mm, weight in g; null where none was weighed
 * @param fabric g/m² of the bare or primed cloth as it was bought, spread as a part, and what was added, g/m²
 * @throws RangeError for a piece without a size
 * @example arealMass({ widthMm: 100, heightMm: 200, grams: 9 }, { gsm: 340, spread: 0.05, groundGsm: 0 }).kgPerM2 // 0.45
 */
export function arealMass(
  piece: { widthMm: number; heightMm: number; grams: number } | null,
  fabric: { gsm: number; spread: number; groundGsm: number },
): ArealMass {
  if (piece) {
    if (!(piece.widthMm > 0 && piece.heightMm > 0))
      throw new RangeError(`a piece has a size, got ${piece.widthMm} × ${piece.heightMm} mm`);
    return { kgPerM2: (piece.grams / (piece.widthMm * piece.heightMm)) * 1000, spread: PIECE_SPREAD, source: 'piece' };
  }
  const whole = fabric.gsm + fabric.groundGsm;
  return {
    kgPerM2: whole / 1000,
    spread: Math.hypot(fabric.gsm * fabric.spread, fabric.groundGsm * GROUND_SPREAD) / whole,
    source: 'fabric',
  };
}
