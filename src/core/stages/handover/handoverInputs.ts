/* What is weighed and written when a canvas is handed over. */
import { type ShapeOf, number, oneOf, optional, text } from '../../shape/shape';
import { HANGINGS } from './hangings';

export const handoverShape = { weighedKg: optional(number(0.01, 200)), hanging: oneOf(HANGINGS, 'rings'), label: text(0, 300) };

export interface HandoverInputs extends ShapeOf<typeof handoverShape> {}
