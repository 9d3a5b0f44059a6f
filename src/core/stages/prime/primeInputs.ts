/* What is typed for the ground. */
import { SYSTEMS } from '../../prime/grounds';
import { LAYERS } from '../../prime/substances';
import { type ShapeOf, flag, oneOf, optional, numberOf } from '../../shape/shape';

export const primeShape = {
  system: oneOf(SYSTEMS, 'acrylic'),
  roomC: numberOf('roomTemperature', 19),
  roomRh: numberOf('roomHumidity', 55),
  /** Where the air of the room comes from: reckoned until somebody measured it. */
  airBy: oneOf(['reckoned', 'measured', 'device', 'simulated']),
  edges: flag(true),
  back: flag(),
  /** The cloth is wetted before the first coat. */
  wetFirst: flag(),
  /** What is on the cloth before the first coat. */
  over: oneOf(LAYERS, 'raw'),
  /** Water to one part in the next coat; null takes the system’s. */
  waterParts: optional(numberOf('waterParts')),
  /** What was mixed for the next coat and what was left of it, ml; null where nobody measured. */
  mixedMl: optional(numberOf('volume')),
  leftMl: optional(numberOf('volume')),
};

export interface PrimeInputs extends ShapeOf<typeof primeShape> {}
