/*
 * Money as integer minor units (cents), so that sums never drift. The sign of the currency is a house rule.
 */
import { type Parsed, parsed, refused } from './result';

/**
 * Reads an amount into minor units: "12", "12.50", "12,50".
 *
 * @example parseMoney('12,50') // { ok: true, value: 1250 }
 */
export function parseMoney(typed: string): Parsed<number> {
  const match = /^(\d{1,7})(?:[.,](\d{1,2}))?$/.exec(typed.trim());
  if (!match) return refused(typed, 'is not an amount', 'Type an amount such as 12 or 12.50.');
  return parsed(Number(match[1]) * 100 + Number((match[2] ?? '').padEnd(2, '0')));
}

/**
 * Prints minor units with two decimals and the currency sign before them.
 *
 * @throws RangeError when the amount is not a whole number of minor units
 * @example printMoney(1250, '€') // '€12.50'
 */
export function printMoney(minor: number, currency: string): string {
  if (!Number.isInteger(minor)) throw new RangeError(`money is whole minor units, got ${minor}`);
  const sign = minor < 0 ? '-' : '';
  const amount = Math.abs(minor);
  return `${sign}${currency}${Math.floor(amount / 100)}.${String(amount % 100).padStart(2, '0')}`;
}

/**
 * The sum of prices in minor units; null when one of them is not known.
 *
 * @example totalMinor([120, 30]) // 150
 */
export const totalMinor = (prices: readonly (number | null)[]): number | null =>
  prices.reduce<number | null>((sum, one) => (sum === null || one === null ? null : sum + one), 0);
