/* What is found along the edges of a cloth that was stretched before: its old fold, its old holes, where it is torn. */
import { SIDES } from '../job/sides';
import { type ShapeOf, each, flag, lengthOf, listOf, oneOf, optional, part } from '../shape/shape';

/** The old fold off the painted edge: outside it, or within the image. */
const foldShape = { by: lengthOf('foldOffset'), within: flag() };
export interface OldFold extends ShapeOf<typeof foldShape> {}

/** A row of old holes: the first from the left or upper corner of the image, and how far they stand apart, middle to middle. */
const holesShape = { first: optional(lengthOf('firstHole')), apart: optional(lengthOf('holesApart')) };
export interface OldHoles extends ShapeOf<typeof holesShape> {}

/** Most torn stretches of one painting. */
export const MOST_TORN = 12;
/** A stretch of a side whose edge holds nothing, from its left or upper corner. */
const tornShape = { side: oneOf(SIDES), from: lengthOf('tapeReading'), to: lengthOf('tapeReading') };
export interface TornStretch extends ShapeOf<typeof tornShape> {}

export const foundShape = {
  fold: part('oldFolds', each(SIDES, optional(part('oldFold', foldShape)))),
  holes: part('oldHoles', each(SIDES, part('oldHoleRow', holesShape))),
  torn: listOf(part('tornStretch', tornShape), MOST_TORN),
};

export interface FoundInputs extends ShapeOf<typeof foundShape> {}
