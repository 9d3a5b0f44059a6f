/* What is weighed and written when a canvas is handed over. */
import { textOf } from '../../shape/texts';
import { type ShapeOf, oneOf, optional, numberOf } from '../../shape/shape';
import { HANGINGS } from './hangings';

export const handoverShape = { weighedKg: optional(numberOf('mass')), hanging: oneOf(HANGINGS, 'rings'), label: textOf('label') };

export interface HandoverInputs extends ShapeOf<typeof handoverShape> {}
