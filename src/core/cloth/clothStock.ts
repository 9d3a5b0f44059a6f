/*
 * Rolls and offcuts of the store, and what a recorded cut leaves of them. x runs across from the left usable edge,
 * y along from the cut end, mm.
 */
import { outside } from '../quantities/printed';
import { RECORD_TAPE, printSize } from '../units/length';
import { cutOrder } from './layout/cutOrder';
import type { StockSheet } from './layout/layStock';
import { type ClothPiece, type Flaw, type PlacedPiece, lengthUsed } from './layout/rollLayout';

/** A knot, slub, stain or crease, and where it lies. */
export interface ClothFlaw extends Flaw {
  note: string;
}

export interface StockCloth {
  id: string;
  kind: 'roll' | 'offcut';
  /** A cloth of the house. */
  fabric: string;
  /** What is written on it. */
  tag: string;
  /** Usable, without the selvedges, mm. */
  widthMm: number;
  /** Each of the two, mm; 0 where it is cut off. */
  selvedgeMm: number;
  /** What is left, mm. */
  lengthMm: number;
  flaws: ClothFlaw[];
}

/** A roll or offcut as the layout solver sees it: whole millimetres, less rather than more, flaws outward. */
export const sheetOf = ({ id, widthMm, lengthMm, flaws }: StockCloth, tear: number): StockSheet => ({
  id,
  width: Math.floor(widthMm + 1e-6),
  length: Math.floor(lengthMm + 1e-6),
  tear,
  flaws: flaws.map(({ x, y, w, h }) => ({
    x: Math.floor(x),
    y: Math.floor(y),
    w: Math.ceil(x + w) - Math.floor(x),
    h: Math.ceil(y + h) - Math.floor(y),
  })),
});

/** A piece lies on a cloth that has no flaw; where it has some, only the solver can tell. */
export const liesOn = (
  { w, h, mayTurn }: Pick<ClothPiece, 'w' | 'h' | 'mayTurn'>,
  { widthMm, lengthMm, flaws }: StockCloth,
): boolean => {
  const fits = (across: number, along: number) => across <= widthMm && along <= lengthMm;
  return flaws.length === 0 && (fits(w, h) || (mayTurn && fits(h, w)));
};

export interface CutLeft {
  /** What stays on the roll; null when nothing worth keeping does, or it was an offcut. */
  rest: Pick<StockCloth, 'lengthMm' | 'flaws'> | null;
  /** What goes to the store. */
  offcuts: Pick<StockCloth, 'widthMm' | 'lengthMm' | 'flaws'>[];
}

/**
 * What is left of a roll or an offcut once pieces are cut from it.
 *
 * @param placed passes the check of layouts, and no longer than the cloth
 * @param least size worth keeping both ways, mm
 */
export function leftOf(cloth: StockCloth, placed: readonly PlacedPiece[], tear: number, least: number): CutLeft {
  const used = lengthUsed(placed);
  const width = Math.floor(cloth.widthMm + 1e-6);
  const inside = cutOrder(placed, width, tear, least).offcuts.map((cell) => cutOut(cloth.flaws, cell));
  const from = used + tear;
  const beyond = cutOut(cloth.flaws, { x: 0, y: from, w: cloth.widthMm, h: Math.max(0, cloth.lengthMm - from) });
  if (cloth.kind === 'roll')
    return { rest: beyond.lengthMm > 0 ? { lengthMm: beyond.lengthMm, flaws: beyond.flaws } : null, offcuts: inside };
  const worth = beyond.lengthMm >= least && beyond.widthMm >= least;
  return { rest: null, offcuts: [...inside, ...(worth ? [beyond] : [])] };
}

/** A part of a cloth, with the flaws that reach into it, measured from its own corner. */
function cutOut(flaws: readonly ClothFlaw[], cell: Flaw): CutLeft['offcuts'][number] {
  return {
    widthMm: cell.w,
    lengthMm: cell.h,
    flaws: flaws.flatMap((flaw) => {
      const [x1, y1] = [Math.max(flaw.x, cell.x), Math.max(flaw.y, cell.y)];
      const [x2, y2] = [Math.min(flaw.x + flaw.w, cell.x + cell.w), Math.min(flaw.y + flaw.h, cell.y + cell.h)];
      return x2 > x1 && y2 > y1 ? [{ ...flaw, x: x1 - cell.x, y: y1 - cell.y, w: x2 - x1, h: y2 - y1 }] : [];
    }),
  };
}

/**
 * The next tag of a roll’s offcuts: the roll’s own tag and a number no other has.
 *
 * @example nextTag('L1-2', ['L1', 'L1-1', 'L1-2']) // 'L1-3'
 */
export function nextTag(tag: string, taken: readonly string[]): string {
  const root = /^(.*?)(?:-\d+)?$/.exec(tag)![1]!;
  for (let number = 1; ; number += 1) if (!taken.includes(`${root}-${number}`)) return `${root}-${number}`;
}

/** What is wrong with a roll or an offcut as typed, as sentences; none when it can be laid on. */
export function stockViolations({ tag, widthMm, lengthMm, flaws }: Omit<StockCloth, 'id'>): string[] {
  return [
    ...(tag.trim() === '' ? ['A cloth needs a tag that can be written on it.'] : []),
    ...outside('Usable width', 'stockWidth', widthMm),
    ...outside('Length', 'newRollLength', lengthMm),
    ...flaws
      .filter(({ x, y, w, h }) => !(w > 0 && h > 0 && x >= 0 && y >= 0 && x + w <= widthMm + 1e-6 && y + h <= lengthMm + 1e-6))
      .map(({ x, y, w, h }) => `A flaw of ${printSize(w, h, RECORD_TAPE)} at ${x}, ${y} does not lie on the cloth.`),
  ];
}
