/* A value with its unit, as the reader with this tape wants it. */
import { type Tape, printFine } from './length';
import { printMass } from './mass';
import { decimal } from './numeral';
import { printTemperature } from './temperature';

/**
 * Lengths, weights and temperatures in the units of the tape, all else with its own.
 *
 * @example printQuantity(1.85, 'kg', { unit: 'in', stepMm: 1 }) // '4.1 lb'
 * @example printQuantity(0.625, '%', { unit: 'mm', stepMm: 1 }) // '0.63 %'
 */
export function printQuantity(value: number, unit: string, tape: Tape): string {
  switch (unit) {
    case 'mm':
      return tape.unit === 'in' ? printFine(value, tape) : `${decimal(value, 2)} mm`;
    case 'kg':
      return printMass(value, tape);
    case '°C':
      return printTemperature(value, tape);
    default:
      return `${decimal(value, 2)} ${unit}`;
  }
}
