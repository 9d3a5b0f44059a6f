import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { changedSpans, withSpan, withoutSpan } from './changedDays';

const away = (from: string, until: string, maker = 'Ida') => ({ from, until, maker, windows: [] });

describe('days unlike others', () => {
  it('are a fortnight in one line: over the end of a month, for one maker, each day away', () => {
    const changes = withSpan([], away('2031-05-26', '2031-06-08'));
    expect(changes).toHaveLength(14);
    expect(changes.every(({ from, to }) => from === 0 && to === 0)).toBe(true);
    expect(changedSpans(changes)).toEqual([away('2031-05-26', '2031-06-08')]);
    expect(withoutSpan(changes, away('2031-05-26', '2031-06-08'))).toEqual([]);
  });

  it('lie over what was said of the same maker, and leave the others and everybody alone', () => {
    const first = withSpan(withSpan([], away('2031-05-05', '2031-05-09')), away('2031-05-07', '2031-05-07', ''));
    const half = { from: '2031-05-07', until: '2031-05-07', maker: 'Ida', windows: [[36, 48]] as [number, number][] };
    expect(changedSpans(withSpan(first, half))).toEqual([
      away('2031-05-05', '2031-05-06'),
      away('2031-05-07', '2031-05-07', ''),
      half,
      away('2031-05-08', '2031-05-09'),
    ]);
  });

  it('go round: spans of any changes, laid anew, are the same changes', () => {
    const random = randomLcg(0.31);
    const upTo = (most: number) => Math.floor(most * random());
    for (let turn = 0; turn < 200; turn += 1) {
      let changes = withSpan([], away('2031-05-01', '2031-05-01'));
      for (let more = upTo(6); more > 0; more -= 1) {
        const day = 1 + upTo(20);
        const until = Math.min(28, day + upTo(8));
        const on = (of: number) => `2031-05-${String(of).padStart(2, '0')}`;
        const windows: [number, number][] = random() < 0.5 ? [] : [[30 + upTo(4), 40 + upTo(4)]];
        changes = withSpan(changes, { from: on(day), until: on(until), maker: ['Ida', 'Tove', ''][upTo(3)]!, windows });
      }
      const again = changedSpans(changes).reduce<typeof changes>((all, span) => withSpan(all, span), []);
      const sorted = (of: typeof changes) => of.map((one) => JSON.stringify(one)).sort();
      expect(sorted(again)).toEqual(sorted(changes));
    }
  });

  it('that end before they begin, or last for ever, are a slip of the hand', () => {
    expect(() => withSpan([], away('2031-05-05', '2031-05-04'))).toThrow(/1 to 92 days/);
    expect(() => withSpan([], away('2031-05-05', '2032-05-05'))).toThrow(/1 to 92 days/);
  });
});
