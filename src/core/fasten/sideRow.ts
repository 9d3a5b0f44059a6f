/* The row of fasteners of a side: where it begins, how far apart it goes on, and what waits for the fold. */
import { evenTacks } from '../cloth/marginLeft';
import type { FastenInputs } from '../stages/fasten/fastenInputs';
import { halfRow, starterOffsets } from './fastenerPlaces';

/** Places of a side, from its middle, mm. */
export interface Row {
  outward: number[];
  starters: number[];
  corner: number[];
  pitchMm: number;
}

/** Fold fasteners sit this far from the corner, mm. */
export const FOLD_FASTENER_MM = 14;

export const NO_ROW: Row = { outward: [], starters: [], corner: [], pitchMm: 0 };

/**
 * The row of a side as it is spread from its middle.
 *
 * @param leastMm nearest two fasteners may stand
 * @param folds the fold’s own fasteners go into this side
 */
export function sideRow(
  sideMm: number,
  { spacing, lastFromCorner, starters }: FastenInputs,
  leastMm: number,
  folds: boolean,
): Row {
  // None goes into the hole of another: the row stops short of the fold’s own fastener, and begins from the last of the starters.
  const lastMm = Math.max(lastFromCorner.mm, folds ? FOLD_FASTENER_MM + leastMm : FOLD_FASTENER_MM);
  const corner = sideMm / 2 - FOLD_FASTENER_MM;
  const own = starterOffsets(starters, halfRow(sideMm, spacing.mm, lastMm, leastMm).pitchMm, leastMm);
  const starts = corner >= leastMm ? own.filter((offset) => Math.abs(offset) <= corner - leastMm + 1e-9) : [0];
  const row = starts.length > 0 ? starts : [0];
  const { offsetsMm, pitchMm } = halfRow(sideMm, spacing.mm, lastMm, leastMm, row.at(-1)!);
  return { outward: offsetsMm, starters: row, corner: folds && corner >= leastMm ? [corner] : [], pitchMm };
}

/** Tacks in sight: all of them one row; at the top and the bottom the last ones wait for the fold. */
export function tackRow(sideMm: number, spacingMm: number, foldsHere: boolean): Row {
  const { count, pitchMm } = evenTacks(sideMm, spacingMm);
  const offsets = Array.from({ length: Math.floor(count / 2) }, (_, index) => (index + (count % 2 === 0 ? 0.5 : 1)) * pitchMm);
  const starters = count % 2 === 1 ? [0] : [-pitchMm / 2, pitchMm / 2];
  const rest = count % 2 === 1 ? offsets : offsets.slice(1);
  return {
    outward: foldsHere ? rest.slice(0, -1) : rest,
    starters,
    corner: foldsHere ? rest.slice(-1) : [],
    pitchMm: count > 1 ? pitchMm : 0,
  };
}
