/* Weights as typed: kilograms, or pounds and ounces beside an inch tape. */
import type { Tape } from './length';
import { withoutDust } from './numeral';
import { type Parsed, parsed, refused } from './result';

export const KG_PER_POUND = 0.45359237;

/**
 * Reads a weight, kg. A bare number is in pounds beside an inch tape.
 *
 * @example parseMass('4 lb 8 oz', { unit: 'mm' }) // { ok: true, value: 2.0411656… }
 * @example parseMass('1,85', { unit: 'cm' }) // { ok: true, value: 1.85 }
 */
export function parseMass(typed: string, { unit }: Pick<Tape, 'unit'>): Parsed<number> {
  const text = typed.trim().toLowerCase().replace(/,/g, '.');
  const metric = /^(\d*\.?\d+) ?(kg|g)$/.exec(text);
  const pounds = /^(?:(\d*\.?\d+) ?lbs?)?(?: ?(\d*\.?\d+) ?oz)?$/.exec(text);
  if (metric) return parsed(Number(metric[1]) / (metric[2] === 'g' ? 1000 : 1));
  if (/^\d*\.?\d+$/.test(text)) return parsed(withoutDust(Number(text) * (unit === 'in' ? KG_PER_POUND : 1)));
  if (text !== '' && pounds) return parsed((Number(pounds[1] ?? 0) + Number(pounds[2] ?? 0) / 16) * KG_PER_POUND);
  return refused(typed, 'is not a weight', 'Type 1.85 kg, 850 g or 4 lb 2 oz.');
}
