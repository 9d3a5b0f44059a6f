/* What is read and wanted when a canvas is tuned. */
import { CORNERS, type Corner } from '../../frame/square/corners';
import { type ShapeOf, each, lengthOf, listOf, number, oneOf, optional, part } from '../../shape/shape';
import { FEELS } from '../../tension/feel';
import { REMEDIES, REMEDY_SIGNS } from '../../tension/remedies';
import type { Length } from '../../units/length';

const reading = optional(lengthOf(0, 100_000));

/** A weight on a disc in the middle of the cloth: how far it sags under a lighter and a heavier one. */
const weightShape = {
  /** Across the disc. */
  disc: lengthOf(5, 100_000, 70),
  lightG: number(5, 5000, 100),
  heavyG: number(5, 5000, 200),
  lightSag: reading,
  heavySag: reading,
};
export interface WeightReadings extends ShapeOf<typeof weightShape> {}

/** A piece of the same cloth, with the ground it carries, on the scale. */
const pieceShape = { width: lengthOf(5, 100_000, 100), height: lengthOf(5, 100_000, 100), grams: optional(number(0.1, 5000)) };
export interface WeighedPiece extends ShapeOf<typeof pieceShape> {}

/** No joint opens further, by far, mm. */
export const MOST_OPENING_MM = 30;

/** The same opening at every corner. */
export const alikeCorners = (one: Length): Record<Corner, Length> => ({
  topLeft: one,
  topRight: one,
  bottomRight: one,
  bottomLeft: one,
});

export const tuneShape = {
  /** How it feels under the hand; null until somebody felt it. */
  feel: optional(oneOf(FEELS)),
  weight: part('weight', weightShape),
  piece: part('piece', pieceShape),
  /** What is seen on the cloth. */
  signs: listOf(oneOf(REMEDY_SIGNS), REMEDY_SIGNS.length, [], { unique: true }),
  remedy: oneOf(REMEDIES, 'none'),
  /** How far each bar is to step out at each corner, from closed. */
  corners: part('cornerOpenings', each(CORNERS, lengthOf(0, MOST_OPENING_MM))),
};

export interface TuneInputs extends ShapeOf<typeof tuneShape> {}
