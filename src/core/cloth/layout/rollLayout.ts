/*
 * Pieces of cloth on a roll, as the layout solver sees them. x runs across the roll from its left usable edge,
 * y along it from its cut end; whole millimetres (sizes are rounded up, flaws outward, before they come here).
 */

/** What a flaw must keep out of: nothing of it, what is seen alone, or the whole piece. */
export type FlawRule = 'face' | 'piece';

export interface ClothPiece {
  id: string;
  /** Across and along the roll as handed over, mm. */
  w: number;
  h: number;
  /** May lie turned by a quarter. */
  mayTurn: boolean;
  flawRule: FlawRule;
  /** Margin around what is seen, mm, as handed over: left, top, right, bottom. Turns clockwise with the piece. */
  margin: readonly [left: number, top: number, right: number, bottom: number];
  /** A place the maker has settled: the solver works round it. */
  pin?: { x: number; y: number; turned: boolean };
}

export interface Flaw {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface ClothSheet {
  /** Usable width, mm. */
  width: number;
  flaws: readonly Flaw[];
  /** Cloth that a tear or cut takes, mm. */
  tear: number;
}

export interface PlacedPiece {
  id: string;
  x: number;
  y: number;
  w: number;
  h: number;
  turned: boolean;
}

export interface RollLayout {
  placed: PlacedPiece[];
  /** Taken off the roll, mm. */
  length: number;
  /** No layout is shorter, mm. */
  bound: number;
  proven: boolean;
}

/** Size across and along the roll, and the margins, of a piece that lies as handed over or turned clockwise. */
export function lying(piece: ClothPiece, turned: boolean): Pick<ClothPiece, 'w' | 'h' | 'margin'> {
  if (!turned) return piece;
  const [left, top, right, bottom] = piece.margin;
  return { w: piece.h, h: piece.w, margin: [bottom, left, top, right] };
}

/** The part of a placed piece that no flaw may touch. */
export function keptClear(piece: ClothPiece, at: PlacedPiece): Flaw {
  if (piece.flawRule === 'piece') return at;
  const [left, top, right, bottom] = lying(piece, at.turned).margin;
  return { x: at.x + left, y: at.y + top, w: at.w - left - right, h: at.h - top - bottom };
}

export const overlap = (a: Flaw, b: Flaw): boolean => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

export const lengthUsed = (placed: readonly PlacedPiece[]): number => Math.max(0, ...placed.map((one) => one.y + one.h));

/** Refuses a problem that cannot be asked. */
export function checkProblem(pieces: readonly ClothPiece[], sheet: ClothSheet): void {
  const whole = (value: number) => Number.isInteger(value);
  if (!(whole(sheet.width) && sheet.width > 0)) throw new RangeError(`roll width must be whole mm above 0, got ${sheet.width}`);
  if (!(whole(sheet.tear) && sheet.tear >= 0)) throw new RangeError(`tear must be whole mm from 0, got ${sheet.tear}`);
  for (const { id, w, h, mayTurn } of pieces) {
    if (!(whole(w) && whole(h) && w > 0 && h > 0))
      throw new RangeError(`piece ${id} must have whole mm above 0, got ${w} × ${h}`);
    if (w > sheet.width && !(mayTurn && h <= sheet.width))
      throw new RangeError(`piece ${id} is ${w} mm across and the roll ${sheet.width} mm`);
  }
}
