import type { Tape } from './length';
import { withoutDust } from './numeral';
import { type Parsed, parsed, refused } from './result';

export const celsiusFromFahrenheit = (fahrenheit: number): number => withoutDust(((fahrenheit - 32) * 5) / 9);
export const fahrenheitFromCelsius = (celsius: number): number => withoutDust((celsius * 9) / 5 + 32);

/**
 * Reads a room or pot temperature in °C; "F" converts, and so does a bare number beside an inch tape.
 *
 * @example parseTemperature('68 F', { unit: 'mm' }) // { ok: true, value: 20 }
 */
export function parseTemperature(typed: string, { unit }: Pick<Tape, 'unit'>): Parsed<number> {
  const match = /^([-−]?\d+(?:[.,]\d+)?)\s*°?\s*([cf])?$/i.exec(typed.trim());
  if (!match) return refused(typed, 'is not a temperature', 'Type degrees such as 18, 18.5 °C or 64 °F.');
  const value = Number(match[1]!.replace(',', '.').replace('−', '-'));
  const fahrenheit = match[2] ? match[2].toLowerCase() === 'f' : unit === 'in';
  const celsius = fahrenheit ? celsiusFromFahrenheit(value) : value;
  return parsed(celsius);
}
