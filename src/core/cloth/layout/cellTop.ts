/*
 * Where one piece lies in a cell of cloth that is open towards the end of the roll: as near the start as it can,
 * then as far left, with no flaw in what must be kept clear of them.
 */
import { type ClothPiece, type ClothSheet, type PlacedPiece, keptClear, lying, overlap } from './rollLayout';

/** Left and right end of a cell, and where it begins along the roll. */
export interface Cell {
  x0: number;
  x1: number;
  y0: number;
}

/** The piece at its pin, or as near the start as it can lie; null when the cell has no room for it. */
export function lowestIn(
  piece: ClothPiece,
  turned: boolean,
  cell: Cell,
  { flaws }: Pick<ClothSheet, 'flaws'>,
): PlacedPiece | null {
  const { w, h, margin } = lying(piece, turned);
  if (piece.pin) {
    const { x, y } = piece.pin;
    const at = { id: piece.id, x, y, w, h, turned };
    const inside = turned === piece.pin.turned && x >= cell.x0 && x + w <= cell.x1 && y >= cell.y0;
    return inside && clear(piece, at, flaws) ? at : null;
  }
  if (w > cell.x1 - cell.x0) return null;
  const [left, top] = piece.flawRule === 'piece' ? [0, 0] : margin;
  const xs = placesPast(
    cell.x0,
    cell.x1 - w,
    flaws.map((flaw) => flaw.x + flaw.w - left),
  );
  const ys = placesPast(
    cell.y0,
    Infinity,
    flaws.map((flaw) => flaw.y + flaw.h - top),
  );
  for (const y of ys)
    for (const x of xs) {
      const at = { id: piece.id, x, y, w, h, turned };
      if (clear(piece, at, flaws)) return at;
    }
  return null;
}

const clear = (piece: ClothPiece, at: PlacedPiece, flaws: ClothSheet['flaws']) =>
  !flaws.some((flaw) => overlap(flaw, keptClear(piece, at)));

/** The start, and the places just past a flaw, in order. */
const placesPast = (start: number, end: number, past: readonly number[]): number[] =>
  [start, ...new Set(past.filter((place) => place > start && place <= end))].sort((a, b) => a - b);
