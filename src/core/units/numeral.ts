/*
 * Numbers as people write them on a bench: 61.5, 61,5, 24 3/16, 24-3/16, 24½, ½.
 * Comma and point are both decimal signs; "1,200" and "1.200" are 1.2 to some and 1200 to others, and are refused where both
 * could be meant.
 */

const VULGAR: Record<string, number> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};

/** A run of characters that can be one numeral; the unit follows it. */
export const NUMERAL = String.raw`(?:\d+\s*[½⅓⅔¼¾⅛⅜⅝⅞]|[½⅓⅔¼¾⅛⅜⅝⅞]|\d+(?:\s+|-)\d+\s*[/⁄]\s*\d+|\d+\s*[/⁄]\s*\d+|\d*[.,]\d+|\d+)`;

const TWO_WAYS = /(?:^|[^\d.,])([1-9]\d{0,2})[.,](\d{3})(?![\d.,])/;

/**
 * The two ways in which a number with a sign before its last three digits can be read; null where it has none.
 *
 * @example twoWays('1.200') // { decimal: 1.2, thousands: 1200 }
 */
export function twoWays(text: string): { decimal: number; thousands: number } | null {
  const match = TWO_WAYS.exec(text);
  return match && { decimal: Number(`${match[1]}.${match[2]}`), thousands: Number(match[1]! + match[2]!) };
}

/**
 * The value of one numeral, or null when it is none or divides by zero.
 *
 * @example readNumeral('24-3/16') // 24.1875
 */
export function readNumeral(text: string): number | null {
  const trimmed = text.trim();
  const vulgar = /^(\d+)?\s*([½⅓⅔¼¾⅛⅜⅝⅞])$/.exec(trimmed);
  if (vulgar) return Number(vulgar[1] ?? 0) + VULGAR[vulgar[2]!]!;
  const fraction = /^(?:(\d+)(?:\s+|-))?(\d+)\s*[/⁄]\s*(\d+)$/.exec(trimmed);
  if (fraction) {
    const divisor = Number(fraction[3]);
    const part = Number(fraction[2]);
    // A part of an inch is less than one: "24 17/16" is a slip.
    if (divisor === 0 || (fraction[1] !== undefined && part >= divisor)) return null;
    return Number(fraction[1] ?? 0) + part / divisor;
  }
  return /^(\d*[.,]\d+|\d+)$/.test(trimmed) ? Number(trimmed.replace(',', '.')) : null;
}

/** Rounds to a billionth, so that 24.1875 × 25.4 is 614.3625 and not 614.3624999999999. */
export const withoutDust = (value: number): number => Math.round(value * 1e9) / 1e9;

/** A plain decimal without trailing noughts: 4.50 is "4.5", 3.00 is "3". */
export function decimal(value: number, places: number): string {
  const text = value.toFixed(places);
  const trimmed = text.includes('.') ? text.replace(/\.?0+$/, '') : text;
  return trimmed === '-0' ? '0' : trimmed;
}
