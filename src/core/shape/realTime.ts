/** How a day and a moment are written, of the years 1900 to 2199. */
export const TIMES = {
  day: /^(?:19|2[01])\d{2}-\d{2}-\d{2}$/,
  moment: /^(?:19|2[01])\d{2}-\d{2}-\d{2}T\d{2}:\d{2}:[0-5]\d(?:\.\d{3})?Z$/,
} as const;

/**
 * Whether a text names a day that there is, or a moment of one in UTC, of the years 1900 to 2199.
 *
 * @example isRealTime('2031-02-29', 'day') // false
 * @example isRealTime('2032-02-29T23:59:59Z', 'moment') // true
 */
export function isRealTime(text: string, of: 'day' | 'moment'): boolean {
  if (!TIMES[of].test(text)) return false;
  const at = new Date(of === 'day' ? `${text}T00:00:00Z` : text);
  // A day that there is not, such as the 31st of February, is carried on into another month.
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text.slice(0, 19));
}
