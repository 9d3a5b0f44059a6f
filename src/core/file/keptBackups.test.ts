import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BACKUP_RULE, keptBackups } from './keptBackups';

const DAY = 86_400_000;
const START = Date.parse('2031-01-01T08:00:00Z');

describe('copies that are kept', () => {
  it('of two years of one a day: seven days, five weeks, twelve months, some of them the same', () => {
    const all = Array.from({ length: 730 }, (_, day) => START + day * DAY);
    const kept = keptBackups(all).map((ms) => new Date(ms).toISOString().slice(0, 10));
    expect(kept.slice(-7)).toEqual([
      '2032-12-24',
      '2032-12-25',
      '2032-12-26',
      '2032-12-27',
      '2032-12-28',
      '2032-12-29',
      '2032-12-30',
    ]);
    expect(kept).toContain('2032-12-19');
    expect(kept[0]).toBe('2032-01-31');
    expect(kept.length).toBeLessThanOrEqual(24);
  });

  it('are never more than the rule, have the newest always, and stay kept when nothing newer comes', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 900 * 24 }), { minLength: 1, maxLength: 200 }), (hours) => {
        const all = [...new Set(hours)].map((hour) => START + hour * 3_600_000);
        const kept = keptBackups(all);
        expect(kept.at(-1)).toBe(Math.max(...all));
        expect(kept.length).toBeLessThanOrEqual(BACKUP_RULE.days + BACKUP_RULE.weeks + BACKUP_RULE.months);
        expect(keptBackups(kept)).toEqual(kept);
      }),
      { seed: 1, numRuns: 200 },
    );
  });
});
