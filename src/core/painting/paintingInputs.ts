/* What is measured of a painted image that is not a true rectangle, and what matters when the frame is placed on it. */
import { TAPE_NAMES } from '../frame/square/corners';
import { SIDES } from '../job/sides';
import { type ShapeOf, each, flag, lengthOf, listOf, oneOf, optional, part } from '../shape/shape';

/** A margin measured near both ends of a side: the left and the right end, or the upper and the lower one. */
const sideEndsShape = each(['first', 'second'], optional(lengthOf('tapeReading')));
export interface SideEnds extends ShapeOf<typeof sideEndsShape> {}
export const endsOfSides = part('endsOfSides', each(SIDES, part('sideEnds', sideEndsShape)));

/** How far a painted edge stands off a string from corner to corner, at its middle. */
const edgeBowShape = { by: lengthOf('edgeBow'), outward: flag() };
export interface EdgeBow extends ShapeOf<typeof edgeBowShape> {}

export const paintingShape = {
  /** Sides and diagonals of the image: `down` runs top left to bottom right, `up` bottom left to top right. */
  ...each(TAPE_NAMES, optional(lengthOf('sideReading'))),
  bow: part('edgeBows', each(SIDES, optional(part('edgeBow', edgeBowShape)))),
};

export interface PaintingInputs extends ShapeOf<typeof paintingShape> {}

/** What matters when the frame is placed on the image. */
export const placingShape = {
  /** Edges that must lie parallel to the bar; the others take the error. */
  keep: listOf(oneOf(SIDES), 4, ['top', 'left', 'right'], { unique: true }),
  /** Most of the image that may go round the edge, on any side. */
  mostWrap: lengthOf('wrap', 6),
  /** Bare cloth may show on the face. */
  mayBare: flag(),
  /** All edges together as little off as can be, or the worst place as little as can be. */
  way: oneOf(['leastSquares', 'leastMost']),
  /** Where all four old folds are measured, the face lies on them as well as it can. */
  onFolds: flag(true),
};

export interface PlacingInputs extends ShapeOf<typeof placingShape> {}
