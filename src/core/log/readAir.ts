/* The air that a tension was read in: part of the reading, for without it what the weather did cannot be taken off later. */
import { type ShapeOf, numberOf, optional, part } from '../shape/shape';
import type { Reading } from './logEntry';
import { reading } from './reading';

/** Null where it was not read: nothing stands for it. */
const readAirShape = { celsius: optional(numberOf('temperature')), rh: optional(numberOf('humidity')) };
export interface ReadAir extends ShapeOf<typeof readAirShape> {}

/** The air as it is asked for with a reading; null where nobody read it. */
export const readAir = optional(part('readAir', readAirShape));

/** Where a value of the air comes from, as it is written down. */
export const HYGROMETER = { measured: 'hygrometer, read', device: 'hygrometer', simulated: 'simulated hygrometer' } as const;

/**
 * The air as readings, as somebody or a hygrometer read it.
 *
 * @example airReadings({ celsius: null, rh: 62 }, 'measured').map(({ value, unit }) => `${value} ${unit}`) // ['62 % RH']
 */
export function airReadings({ celsius, rh }: ReadAir, known: keyof typeof HYGROMETER): Reading[] {
  const by = { tool: HYGROMETER[known], known };
  return [
    ...(celsius === null ? [] : [reading('roomTemperature', celsius, '°C', { precision: 0.5, ...by })]),
    ...(rh === null ? [] : [reading('roomHumidity', rh, '% RH', { precision: 3, ...by })]),
  ];
}
