/* What is typed for the brief. */
import { EDGES, HANGS, MEDIUMS, USES } from '../../house/schools';
import { type ShapeOf, lengthOf, oneOf, optional, text } from '../../shape/shape';

/** Faces smaller or larger than this are typing errors, mm. */
export const FACE_RANGE_MM = { least: 100, most: 4000 };
export const faceLength = lengthOf(FACE_RANGE_MM.least, FACE_RANGE_MM.most);
export const titleText = text(1, 120);

export const briefShape = {
  title: titleText,
  width: faceLength,
  height: faceLength,
  use: oneOf(USES, 'new'),
  edges: oneOf(EDGES, 'unframed'),
  /** Room between canvas and rebate, in all, across each way. */
  rebateClearance: lengthOf(0, 60, 4),
  medium: oneOf(MEDIUMS, 'undecided'),
  hangs: oneOf(HANGS, 'thisWay'),
  /** yyyy-mm-dd, or null when nobody waits. */
  dueOn: optional(text(10, 10, '', /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)),
  note: text(0, 2000),
};

export interface BriefInputs extends ShapeOf<typeof briefShape> {}
