/* Where the old fold and the old holes of a painting lie once a face is placed on it. */
import { SIDE_ENDS, type Registration, UNSEEN_MM } from '../cloth/registration';
import type { Barred } from '../fasten/clearPlaces';
import { SIDES, type Side, everySide, isLevel } from '../job/sides';
import type { FoundInputs, OldHoles } from './foundInputs';

/** How far the old fold lies outside the new one at the two ends of a side, mm; below 0 it lies on the face. */
export interface FoldOff {
  firstMm: number;
  secondMm: number;
}

/** A row of which both were read, mm. */
export interface HoleRow {
  firstMm: number;
  apartMm: number;
}

/** The row of holes of a side; null until both its first hole and how far they stand apart are read. */
export const rowOf = ({ first, apart }: OldHoles): HoleRow | null =>
  first && apart ? { firstMm: first.mm, apartMm: apart.mm } : null;

/**
 * The old fold against the new one on each side; null where it was not measured. The new fold is the edge of the face: the
 * image goes round it by so much, and the old fold lies so far outside the image.
 */
export const foldsOff = ({ fold }: FoundInputs, { sides }: Registration): Record<Side, FoldOff | null> =>
  everySide((side) => {
    const old = fold[side];
    if (!old) return null;
    const outside = old.by.mm * (old.within ? -1 : 1);
    return { firstMm: outside + sides[side].firstMm, secondMm: outside + sides[side].secondMm };
  });

/** More holes than this on a side are a slip of the pen. */
const MOST_HOLES = 2000;

/**
 * Old holes of a side along the face, mm from its left or upper end; those beyond its ends left out.
 *
 * @param startMm where the image’s corner lies along the face
 * @param longMm of the side
 * @example holesAlong({ firstMm: 20, apartMm: 40 }, -2, 100) // [18, 58, 98]
 */
export function holesAlong({ firstMm, apartMm }: HoleRow, startMm: number, longMm: number): number[] {
  const from = startMm + firstMm;
  const count = Math.min(MOST_HOLES, Math.max(0, Math.floor((longMm - from) / apartMm + 1e-9) + 1));
  return Array.from({ length: count }, (_, index) => from + index * apartMm).filter((at) => at >= -1e-9);
}

/** The holes of all sides along a face; none where they were not measured. */
export function holesOf(
  { holes }: FoundInputs,
  { corners }: Registration,
  face: { widthMm: number; heightMm: number },
): Record<Side, number[]> {
  return everySide((side) => {
    const row = rowOf(holes[side]);
    if (!row) return [];
    const first = corners[SIDE_ENDS[side][0]];
    return isLevel(side) ? holesAlong(row, first.x, face.widthMm) : holesAlong(row, first.y, face.heightMm);
  });
}

/** Whether a fastener finds room between two holes: else none is kept clear of them, and it is said. */
export const roomBetween = ({ apartMm }: HoleRow, clearMm: number): boolean => apartMm > 2 * clearMm + 1;

/** Stretches of a side that no fastener goes into because of an old hole, mm from its middle. */
export const barredByHoles = (holesMm: readonly number[], longMm: number, clearMm: number): Barred[] =>
  holesMm.map((at) => ({ fromMm: at - longMm / 2 - clearMm, toMm: at - longMm / 2 + clearMm }));

/** A torn stretch of a side along the face, mm from its left or upper end; within it, and null where none of it is. */
export interface TornOnFace {
  side: Side;
  fromMm: number;
  toMm: number;
}

/**
 * The torn stretches as they lie on a face, from one end to the other whichever was typed first.
 *
 * @param registration null while the face is not placed: then the corners of image and face are one
 */
export function tornOnFace(
  { torn }: FoundInputs,
  registration: Registration | null,
  face: { widthMm: number; heightMm: number },
): TornOnFace[] {
  return torn.flatMap(({ side, from, to }): TornOnFace[] => {
    const level = isLevel(side);
    const first = registration?.corners[SIDE_ENDS[side][0]];
    const start = first ? (level ? first.x : first.y) : 0;
    const [least, most] = [Math.min(from.mm, to.mm), Math.max(from.mm, to.mm)].map((mm) =>
      Math.min(level ? face.widthMm : face.heightMm, Math.max(0, start + mm)),
    ) as [number, number];
    return most - least > UNSEEN_MM ? [{ side, fromMm: least, toMm: most }] : [];
  });
}

/** How far outside the painted edge the face is laid on a side, mm, below 0 within it; null: on the paint itself. */
export type FoldLines = Record<Side, number | null>;

/** Fewer old folds than this place no face. */
const LEAST_FOLDS = 2;

/** The old folds that a face is laid on, as far as they are measured; null for fewer than two. */
export function foldLines({ fold }: FoundInputs): FoldLines | null {
  const lines = everySide((side) => {
    const old = fold[side];
    return old && old.by.mm * (old.within ? -1 : 1);
  });
  return SIDES.filter((side) => lines[side] !== null).length < LEAST_FOLDS ? null : lines;
}

/** No face is smaller, mm: folds that leave less between them were misread. */
const LEAST_FACE_MM = 100;

/**
 * The face whose edges are the old folds, by the mean of the image; an edge whose fold is not measured is that of the paint, a
 * width or height without any as the image fills it. Null for fewer than two folds, or where they leave no face.
 *
 * @param image mean sides of the image, mm
 * @param filled the largest face that the image fills, mm
 */
export function faceOnFolds(
  found: FoundInputs,
  image: { widthMm: number; heightMm: number },
  filled: { widthMm: number; heightMm: number },
): { widthMm: number; heightMm: number } | null {
  const lines = foldLines(found);
  if (!lines) return null;
  const between = (near: number | null, far: number | null, painted: number, fills: number) =>
    near === null && far === null ? fills : painted + (near ?? 0) + (far ?? 0);
  const widthMm = between(lines.left, lines.right, image.widthMm, filled.widthMm);
  const heightMm = between(lines.top, lines.bottom, image.heightMm, filled.heightMm);
  return Math.min(widthMm, heightMm) < LEAST_FACE_MM ? null : { widthMm, heightMm };
}
