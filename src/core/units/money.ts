/*
 * Money as integer minor units (cents), so that sums never drift. The sign of the currency is a house rule.
 */
import { type Parsed, parsed, refused } from './result';

/** Signs of currencies, and their letters: whatever stands before or behind an amount and is no figure. */
const SIGN = /^([^\d\s.,+-]{1,4})?\s*(.*?)\s*([^\d\s.,+-]{1,4})?$/u;

/**
 * Reads an amount into minor units: "12", "12.50", "12,50"; with the sign of the house before or behind it, or with none.
 *
 * @param currency of the house; another one is refused, since amounts are never changed from one into another
 * @example parseMoney('12,50') // { ok: true, value: 1250 }
 * @example parseMoney('€ 9', '€') // { ok: true, value: 900 }
 */
export function parseMoney(typed: string, currency = ''): Parsed<number> {
  const [, before, amount = '', behind] = SIGN.exec(typed.trim()) ?? [];
  const sign = before ?? behind ?? currency;
  if (sign !== currency || (before && behind))
    return refused(typed, currency ? `is not in ${currency}` : 'is not an amount', 'Type an amount such as 12 or 12.50.');
  if (/^\d{1,7}[.,]\d{3,}$/.test(amount))
    return refused(typed, 'has parts of a cent', 'Two decimals are the most, such as 12.50.');
  const match = /^(\d{1,7})(?:[.,](\d{1,2}))?$/.exec(amount);
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
