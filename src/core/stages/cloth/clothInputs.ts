/* What is typed for the cloth. */
import { CORNER_FOLDS } from '../../cloth/cornerFolds';
import { MARGIN_STYLES } from '../../cloth/marginStyles';
import { SIDES } from '../../job/sides';
import { foundShape } from '../../painting/foundInputs';
import { endsOfSides, paintingShape } from '../../painting/paintingInputs';
import { type ShapeOf, each, flag, lengthOf, oneOf, optional, part, text } from '../../shape/shape';

export const clothShape = {
  /** A cloth of the house: id of its materials. */
  fabric: text(1, 64, 'cottonMedium'),
  rollWidth: lengthOf('rollWidth', 2100),
  marginStyle: oneOf(MARGIN_STYLES, 'covered'),
  /** A margin typed for one side; null follows the style. */
  ownMargin: part('ownMargins', each(SIDES, optional(lengthOf('margin')))),
  grip: oneOf(['hand', 'pliers']),
  /** Which side of the face the warp runs along. */
  warp: oneOf(['width', 'height']),
  /** The piece may lie the other way on the roll, the warp along the other side. */
  mayTurn: flag(),
  /** Flaws stay out of the whole piece, or of its face only. */
  flawRule: oneOf(['piece', 'face'], 'face'),
  washFirst: flag(),
  takeOffStretch: flag(),
  /** The frame was laid on the cloth and looked at again before the cut. */
  laidAgain: flag(),
  corner: oneOf(CORNER_FOLDS, 'single'),
  /** The sides that show the folds' seams. */
  seams: oneOf(['topBottom', 'leftRight']),
  /** Cloth left beyond the image, for painted work. */
  left: endsOfSides,
  painting: part('painting', paintingShape),
  /** Old folds and holes of a cloth that was stretched before. */
  found: part('found', foundShape),
};

export interface ClothInputs extends ShapeOf<typeof clothShape> {}
