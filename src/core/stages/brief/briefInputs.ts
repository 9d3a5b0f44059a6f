/* What is typed for the brief. */
import { textOf } from '../../shape/texts';
import { EDGES, HANGS, MEDIUMS, USES } from '../../house/schools';
import { placingShape } from '../../painting/paintingInputs';
import { rebateShape } from '../../painting/rebateInputs';
import { type ShapeOf, lengthOf, listOf, oneOf, optional, part, day } from '../../shape/shape';

/** What may not be known of a canvas that was made elsewhere. */
export const NOT_KNOWN = ['bars', 'cloth', 'ground'] as const;

export const faceLength = lengthOf('faceLength');
export const titleText = textOf('title');

export const briefShape = {
  title: titleText,
  width: faceLength,
  height: faceLength,
  use: oneOf(USES, 'new'),
  edges: oneOf(EDGES, 'unframed'),
  /** Room between canvas and rebate, in all, across each way. */
  rebateClearance: lengthOf('clearance', 4),
  /** The frame it goes into, as measured. */
  rebate: part('rebate', rebateShape),
  /** How the frame lies on the image of painted work. */
  placing: part('placing', placingShape),
  medium: oneOf(MEDIUMS, 'undecided'),
  hangs: oneOf(HANGS, 'thisWay'),
  /** yyyy-mm-dd, or null when nobody waits. */
  dueOn: optional(day()),
  note: textOf('note'),
  /** Of a canvas that was made elsewhere: what nobody knows of it. What stands for it is only reckoned with, and told nowhere. */
  notKnown: listOf(oneOf(NOT_KNOWN), NOT_KNOWN.length, [], { unique: true }),
};

export interface BriefInputs extends ShapeOf<typeof briefShape> {}
