import { describe, expect, it } from 'vitest';
import { clockKey, inHandFrom, ringing } from './ringing';

const NOON = Date.UTC(2031, 4, 6, 12);
const at = (minutes: number) => new Date(NOON + minutes * 60_000).toISOString();
const clock = (jobId: string, minutes: number) => ({ jobId, readyAt: at(minutes) });

describe('clocks that ring', () => {
  const clocks = [clock('a', -90), clock('b', -10), clock('c', 5)];

  it('are those that ran out since this browser knew of them', () => {
    const ids = (nowMs: number, silenced: string[] = []) =>
      ringing(clocks, new Set(silenced), NOON - 30 * 60_000, nowMs).map(({ jobId }) => jobId);
    expect(ids(NOON)).toEqual(['b']);
    expect(ids(NOON + 4.9 * 60_000)).toEqual(['b']);
    expect(ids(NOON + 5 * 60_000)).toEqual(['b', 'c']);
    // After a night asleep the same ones ring, until they are silenced.
    expect(ids(NOON + 20 * 3_600_000)).toEqual(['b', 'c']);
    expect(ids(NOON + 20 * 3_600_000, [clockKey(clocks[1]!)])).toEqual(['c']);
  });

  it('the next coat of the same job is another clock', () => {
    expect(ringing([clock('b', -1)], new Set([clockKey(clocks[1]!)]), NOON - 3_600_000, NOON)).toHaveLength(1);
  });
});

describe('the working day', () => {
  const local = (hours: number, minutes = 0) => new Date(2031, 4, 6, hours, minutes);

  it('keeps what is ready by day, and lets the night wait for the morning', () => {
    expect(inHandFrom(local(9, 30), 8, 18)).toEqual(local(9, 30));
    expect(inHandFrom(local(3, 10), 8, 18)).toEqual(local(8));
    expect(inHandFrom(local(22), 8.5, 18)).toEqual(new Date(2031, 4, 7, 8, 30));
  });
});
