/*
 * Cloth weights. Inside: g/m². Numbered duck: the ounces of a piece 22 × 36 in are 19 less the number.
 */
import { decimal, readNumeral, twoWays } from './numeral';
import { type Parsed, parsed, refused } from './result';

const GRAMS_PER_OUNCE = 28.349523125;
const SQUARE_METRES_PER_SQUARE_YARD = 0.83612736;
const GSM_PER_OZ_YD2 = GRAMS_PER_OUNCE / SQUARE_METRES_PER_SQUARE_YARD;
const DUCK_SAMPLE_M2 = 22 * 36 * 0.0254 * 0.0254;
const WOULD_DO = 'Type a weight such as 340, 340 g/m², 10 oz or no. 10 duck.';

export const gsmFromOuncesPerSquareYard = (ounces: number): number => ounces * GSM_PER_OZ_YD2;
export const ouncesPerSquareYardFromGsm = (gsm: number): number => gsm / GSM_PER_OZ_YD2;

/**
 * The weight of numbered duck in g/m²; number 1 to 12, the higher the lighter.
 *
 * @throws RangeError when the number is not a whole one from 1 to 12
 * @example gsmFromDuckNumber(10) // 499.33…
 */
export function gsmFromDuckNumber(number: number): number {
  if (!Number.isInteger(number) || number < 1 || number > 12) {
    throw new RangeError(`duck number must be a whole number from 1 to 12, got ${number}`);
  }
  return ((19 - number) * GRAMS_PER_OUNCE) / DUCK_SAMPLE_M2;
}

/**
 * Reads a cloth weight in g/m² from grams, ounces per square yard or a duck number.
 *
 * @example parseClothWeight('10 oz') // { ok: true, value: 339.05… }
 */
export function parseClothWeight(typed: string): Parsed<number> {
  const text = typed.trim().toLowerCase();
  if (twoWays(text)) return refused(typed, 'can be read two ways', WOULD_DO);
  const duck = /^(?:#|no\.?\s*|number\s*)(\d+)(?:\s*duck)?$/.exec(text);
  if (duck) {
    const number = Number(duck[1]);
    if (number < 1 || number > 12) return refused(typed, 'is no numbered duck', 'Numbers run from 1 to 12.');
    return parsed(gsmFromDuckNumber(number));
  }
  const match = /^([\d.,\s/½¼¾]+?)\s*(g\/m²|g\/m2|gsm|g|oz\/yd²|oz\/yd2|oz)?$/.exec(text);
  const value = match && readNumeral(match[1]!);
  if (!match || value === null) return refused(typed, 'is not a cloth weight', WOULD_DO);
  const gsm = match[2]?.startsWith('oz') ? gsmFromOuncesPerSquareYard(value) : value;
  return parsed(gsm);
}

/** "340 g/m² (10 oz)". */
export const printClothWeight = (gsm: number): string =>
  `${Math.round(gsm)} g/m² (${decimal(ouncesPerSquareYardFromGsm(gsm), 1)} oz)`;

/**
 * The nearest numbered duck of a weight, or null where there is none: numbers run from 1 to 12.
 *
 * @example nearestDuckNumber(500) // 10
 */
export function nearestDuckNumber(gsm: number): number | null {
  const number = Math.round(19 - (gsm * DUCK_SAMPLE_M2) / GRAMS_PER_OUNCE);
  return number >= 1 && number <= 12 ? number : null;
}
