/* What is weighed and written when a canvas is handed over. */
import { type ShapeOf, oneOf, optional, text, numberOf } from '../../shape/shape';
import { HANGINGS } from './hangings';

export const handoverShape = { weighedKg: optional(numberOf('mass')), hanging: oneOf(HANGINGS, 'rings'), label: text(0, 300) };

export interface HandoverInputs extends ShapeOf<typeof handoverShape> {}
