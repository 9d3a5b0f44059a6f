/*
 * Where the canvases of a set hang: in rows with one gap, or each at its own place; and which edges meet.
 * As seen from the front; origin at the top left of the whole, x right, y down, mm.
 */
import { RECORD_TAPE } from '../units/length';
import { printed } from '../quantities/printed';
import { byId } from '../house/schools';
import { SET_KINDS, type SetKindId, type SetLayout } from './setShape';

export interface Face {
  widthMm: number;
  heightMm: number;
}

export interface Hung extends Face {
  x: number;
  y: number;
}

const SHARE = { top: 0, middle: 0.5, bottom: 1 } as const;

/**
 * Places of all canvases: rows of `columns`, each column as wide as its widest and each row as high as its highest; or free.
 *
 * @param faces in the order of the set
 * @example arranged([{ widthMm: 400, heightMm: 600 }, { widthMm: 400, heightMm: 600 }], { columns: 2, gap: { mm: 20, unit: 'mm' }, align: 'top', free: [] })[1].x // 420
 */
export function arranged(faces: readonly Face[], { columns, gap, align, free }: SetLayout): Hung[] {
  if (free.length === faces.length && free.length > 0)
    return faces.map((face, index) => ({ ...face, x: free[index]!.x.mm, y: free[index]!.y.mm }));
  const rows = Math.ceil(faces.length / columns);
  const widest = Array.from({ length: columns }, (_, column) =>
    Math.max(0, ...faces.filter((__, index) => index % columns === column).map((face) => face.widthMm)),
  );
  const highest = Array.from({ length: rows }, (_, row) =>
    Math.max(0, ...faces.slice(row * columns, (row + 1) * columns).map((face) => face.heightMm)),
  );
  const startOf = (sizes: readonly number[], place: number) =>
    sizes.slice(0, place).reduce((sum, size) => sum + size + gap.mm, 0);
  return faces.map((face, index) => {
    const [column, row] = [index % columns, Math.floor(index / columns)];
    return {
      ...face,
      x: startOf(widest, column) + (widest[column]! - face.widthMm) / 2,
      y: startOf(highest, row) + (highest[row]! - face.heightMm) * SHARE[align],
    };
  });
}

/** Edges that meet: the right edge of one with the left of another, or the bottom of one with the top of another. */
export interface SetJoint {
  one: number;
  other: number;
  way: 'upright' | 'level';
  gapMm: number;
  /** How far the edges run beside one another, mm. */
  lengthMm: number;
}

/** Edges further apart than this do not meet: the eye does not join them, mm. */
const MEETS_MM = 150;

/**
 * Every two edges that meet across a gap with nothing between them.
 *
 * @example setJoints(arranged([{ widthMm: 400, heightMm: 600 }, { widthMm: 400, heightMm: 600 }], { columns: 2, gap: { mm: 20, unit: 'mm' }, align: 'top', free: [] })) // [{ one: 0, other: 1, way: 'upright', gapMm: 20, lengthMm: 600 }]
 */
export function setJoints(hung: readonly Hung[]): SetJoint[] {
  const joints = hung.flatMap((one, index) =>
    hung.flatMap((other, at): SetJoint[] => {
      if (at === index) return [];
      const beside = overlap(one.y, one.heightMm, other.y, other.heightMm);
      const below = overlap(one.x, one.widthMm, other.x, other.widthMm);
      const right = other.x - one.x - one.widthMm;
      const down = other.y - one.y - one.heightMm;
      return [
        ...(beside > 0 && right >= 0 && right <= MEETS_MM
          ? [{ one: index, other: at, way: 'upright' as const, gapMm: right, lengthMm: beside }]
          : []),
        ...(below > 0 && down >= 0 && down <= MEETS_MM
          ? [{ one: index, other: at, way: 'level' as const, gapMm: down, lengthMm: below }]
          : []),
      ];
    }),
  );
  return joints.filter((joint) => !joints.some((nearer) => standsBetween(nearer, joint, hung)));
}

/** Something narrower than the gap hangs between the two. */
const standsBetween = (nearer: SetJoint, { one, other, way, gapMm }: SetJoint, hung: readonly Hung[]): boolean => {
  if (nearer.one !== one || nearer.way !== way || nearer.gapMm >= gapMm) return false;
  const [between, far] = [hung[nearer.other]!, hung[other]!];
  return way === 'upright'
    ? overlap(between.y, between.heightMm, far.y, far.heightMm) > 0
    : overlap(between.x, between.widthMm, far.x, far.widthMm) > 0;
};

/** How far two stretches lie beside one another; below 0 where they do not. */
const overlap = (from: number, length: number, otherFrom: number, otherLength: number): number =>
  Math.min(from + length, otherFrom + otherLength) - Math.max(from, otherFrom);

/**
 * What is wrong with places of canvases, as sentences that name them by their place from 1; none when all can hang so.
 *
 * @example setViolations([{ x: 0, y: 0, widthMm: 400, heightMm: 300 }, { x: 390, y: 0, widthMm: 400, heightMm: 300 }])[0] // '1 and 2 lie over one another by 10 mm.'
 */
export const setViolations = (hung: readonly Hung[]): string[] =>
  hung.flatMap((one, index) =>
    hung.slice(index + 1).flatMap((other, after) => {
      const over = Math.min(
        overlap(one.x, one.widthMm, other.x, other.widthMm),
        overlap(one.y, one.heightMm, other.y, other.heightMm),
      );
      return over > 0.05
        ? [`${index + 1} and ${index + after + 2} lie over one another by ${printed('misfit', over, RECORD_TAPE)}.`]
        : [];
    }),
  );

/** Width and height of the whole, gaps in. */
export const wholeOf = (hung: readonly Hung[]): Face => ({
  widthMm: Math.max(0, ...hung.map(({ x, widthMm }) => x + widthMm)),
  heightMm: Math.max(0, ...hung.map(({ y, heightMm }) => y + heightMm)),
});

/**
 * How many stand beside one another where nobody said: panels all in a row, others in rows about as wide as a drawing is.
 *
 * @param faces in mm, as typed
 */
export function usualColumns(faces: readonly { width: { mm: number }; height: { mm: number } }[], kind: SetKindId): number {
  if (byId(SET_KINDS, kind).together) return faces.length;
  const { width, height } = faces[0]!;
  return Math.max(1, Math.min(faces.length, Math.round(Math.sqrt((faces.length * 1.7 * height.mm) / width.mm))));
}
