/* What is found along the edges of a cloth that was stretched before: the line of its old fold, the row of its old holes. */
import { SIDES } from '../job/sides';
import { type ShapeOf, each, flag, lengthOf, optional, part } from '../shape/shape';

/** The old fold off the painted edge: outside it, or within the image. */
const foldShape = { by: lengthOf('foldOffset'), within: flag() };
export interface OldFold extends ShapeOf<typeof foldShape> {}

/** A row of old holes: the first from the left or upper corner of the image, and how far they stand apart, middle to middle. */
const holesShape = { first: optional(lengthOf('firstHole')), apart: optional(lengthOf('holesApart')) };
export interface OldHoles extends ShapeOf<typeof holesShape> {}

export const foundShape = {
  fold: part('oldFolds', each(SIDES, optional(part('oldFold', foldShape)))),
  holes: part('oldHoles', each(SIDES, part('oldHoleRow', holesShape))),
};

export interface FoundInputs extends ShapeOf<typeof foundShape> {}
