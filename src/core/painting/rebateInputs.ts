/* What is measured of the frame that a canvas goes into. */
import { TAPE_NAMES } from '../frame/square/corners';
import { SIDES } from '../job/sides';
import { type ShapeOf, each, lengthOf, oneOf, optional, part } from '../shape/shape';
import { REBATE_FIXINGS } from './rebateFixings';

export const rebateShape = {
  /** The opening between the steps, seen from the front: `down` runs top left to bottom right, `up` bottom left to top right. */
  ...each(TAPE_NAMES, optional(lengthOf('sideReading'))),
  /** From the step to the back of the frame. */
  depth: optional(lengthOf('rebatePart')),
  /** How far the lip reaches over the opening. */
  lip: part('lips', each(SIDES, optional(lengthOf('rebatePart')))),
  /** What holds the canvas in it. */
  fixing: oneOf(REBATE_FIXINGS, 'notKnown'),
};
export interface RebateInputs extends ShapeOf<typeof rebateShape> {}
