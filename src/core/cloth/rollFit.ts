/** Whether a cut piece lies across a roll, and what it takes of it. */
export interface RollFit {
  /** Size across the roll (along the weft) and along it, mm. */
  acrossMm: number;
  alongMm: number;
  sparesMm: number;
  fits: boolean;
  /** It would fit with the warp along the other side of the face. */
  fitsTurned: boolean;
}

/**
 * Fit of a piece on a roll with its warp running along the roll.
 *
 * @param warp the side of the face that the warp runs along
 * @example rollFit({ widthMm: 1000, heightMm: 800 }, 'width', 1500).sparesMm // 700
 */
export function rollFit(cut: { widthMm: number; heightMm: number }, warp: 'width' | 'height', rollWidthMm: number): RollFit {
  const [acrossMm, alongMm] = warp === 'width' ? [cut.heightMm, cut.widthMm] : [cut.widthMm, cut.heightMm];
  return {
    acrossMm,
    alongMm,
    sparesMm: rollWidthMm - acrossMm,
    fits: acrossMm <= rollWidthMm,
    fitsTurned: alongMm <= rollWidthMm,
  };
}
