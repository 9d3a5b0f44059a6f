/* What is read and wanted when a canvas is tuned. */
import { CORNERS, type Corner } from '../../frame/square/corners';
import { type ShapeOf, each, lengthOf, listOf, oneOf, optional, part, numberOf } from '../../shape/shape';
import { FEELS } from '../../tension/feel';
import { REMEDIES, REMEDY_SIGNS } from '../../tension/remedies';
import type { Length } from '../../units/length';

const reading = optional(lengthOf('tapeReading'));

/** A weight on a disc in the middle of the cloth: how far it sags under a lighter and a heavier one. */
const weightShape = {
  /** Across the disc. */
  disc: lengthOf('disc', 70),
  lightG: numberOf('testWeight', 100),
  heavyG: numberOf('testWeight', 200),
  lightSag: reading,
  heavySag: reading,
};
export interface WeightReadings extends ShapeOf<typeof weightShape> {}

/** A piece of the same cloth, with the ground it carries, on the scale. */
const pieceShape = {
  width: lengthOf('sampleSide', 100),
  height: lengthOf('sampleSide', 100),
  grams: optional(numberOf('sampleMass')),
};
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
  corners: part('cornerOpenings', each(CORNERS, lengthOf('opening'))),
};

export interface TuneInputs extends ShapeOf<typeof tuneShape> {}
