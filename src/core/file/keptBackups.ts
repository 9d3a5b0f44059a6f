/** How many copies are kept: the last of so many days, weeks and months. */
export const BACKUP_RULE = { days: 7, weeks: 5, months: 12 } as const;

const DAY_MS = 86_400_000;

/**
 * Which of several copies are kept: the newest of each of the last days, weeks and months that have one. The very newest is
 * always among them; so nothing is thrown away for want of newer ones.
 *
 * @param momentsMs when each copy was made, ms since 1970, in any order
 * @returns the moments that are kept
 *
 * @example keptBackups([0, 1, 2].map((hour) => hour * 3_600_000)) // [7200000]
 */
export function keptBackups(
  momentsMs: readonly number[],
  rule: { days: number; weeks: number; months: number } = BACKUP_RULE,
): number[] {
  const newest = [...momentsMs].sort((one, other) => other - one);
  const spans: [of: (ms: number) => string, most: number][] = [
    [(ms) => `day ${Math.floor(ms / DAY_MS)}`, rule.days],
    // 1 January 1970 was a Thursday: weeks begin on Monday.
    [(ms) => `week ${Math.floor((ms / DAY_MS + 3) / 7)}`, rule.weeks],
    [(ms) => `month ${new Date(ms).toISOString().slice(0, 7)}`, rule.months],
  ];
  const kept = spans.flatMap(([of, most]) => {
    const seen = new Map<string, number>();
    for (const ms of newest) if (!seen.has(of(ms))) seen.set(of(ms), ms);
    return [...seen.values()].slice(0, most);
  });
  return [...new Set(kept)].sort((one, other) => one - other);
}
