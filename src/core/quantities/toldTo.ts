/* Sentences of tables that hold a length or a temperature, told in the units of who reads them. */
import type { Tape } from '../units/length';
import { printedRange } from './printed';

const KIND = { mm: 'rowGap', '°C': 'temperature' } as const;
const HELD = /\{([\d.]+)(?: to ([\d.]+))? (mm|°C)\}/g;

/**
 * A sentence whose lengths and temperatures stand in braces, told to a tape.
 *
 * @example toldTo('Keep it under {65 °C}.', { unit: 'in', stepMm: 25.4 / 16 }) // 'Keep it under 149 °F.'
 * @example toldTo('{35 to 50 mm} apart', { unit: 'mm', stepMm: 1 }) // '35 to 50 mm apart'
 */
export const toldTo = (sentence: string, tape: Tape): string =>
  sentence.replace(HELD, (_held, from: string, to: string | undefined, unit: keyof typeof KIND) =>
    printedRange(KIND[unit], Number(from), Number(to ?? from), tape),
  );
