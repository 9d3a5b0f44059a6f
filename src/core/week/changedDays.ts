/* Exceptions as they are typed and read: from a day until another, for one maker or for everybody. */
import type { WeekSettings } from './weekSettings';
import { dayAfter, daysBetween } from './weekTime';

type Changes = WeekSettings['changes'];

/** Days on end that are alike: none of the windows for a day away. */
export interface ChangedSpan {
  from: string;
  until: string;
  maker: string;
  windows: readonly (readonly [from: number, to: number])[];
}

/** No absence is longer than this, days. */
export const MOST_CHANGED_DAYS = 92;

/**
 * The changes with a span laid over them: what was said of these days for the same maker goes.
 *
 * @throws RangeError for a span that ends before it begins or is longer than `MOST_CHANGED_DAYS`
 * @example withSpan([], { from: '2031-05-01', until: '2031-05-02', maker: 'Ida', windows: [] }).map(({ on }) => on) // ['2031-05-01', '2031-05-02']
 */
export function withSpan(changes: Changes, span: ChangedSpan): Changes {
  const days = daysBetween(span.from, span.until) + 1;
  if (!(days >= 1 && days <= MOST_CHANGED_DAYS))
    throw new RangeError(`a span has 1 to ${MOST_CHANGED_DAYS} days, got ${span.from} to ${span.until}`);
  const rows = span.windows.length === 0 ? [[0, 0] as const] : span.windows;
  return [
    ...withoutSpan(changes, span),
    ...Array.from({ length: days }, (_, index) => dayAfter(span.from, index)).flatMap((on) =>
      rows.map(([from, to]) => ({ on, maker: span.maker, from, to })),
    ),
  ];
}

/** The changes without those of a span. */
export const withoutSpan = (changes: Changes, { from, until, maker }: Pick<ChangedSpan, 'from' | 'until' | 'maker'>): Changes =>
  changes.filter((one) => one.maker !== maker || one.on < from || one.on > until);

/** Changes as spans, by day: days on end of one maker with the same hours are one. */
export function changedSpans(changes: Changes): ChangedSpan[] {
  const keys = [...new Set(changes.map(({ maker, on }) => `${maker}\n${on}`))].sort();
  const spans: ChangedSpan[] = [];
  for (const key of keys) {
    const [maker, on] = key.split('\n') as [string, string];
    const windows = changes
      .filter((one) => one.maker === maker && one.on === on && one.from < one.to)
      .map(({ from, to }) => [from, to] as const)
      .sort((a, b) => a[0] - b[0]);
    const last = spans.at(-1);
    const goesOn =
      last?.maker === maker && dayAfter(last.until, 1) === on && JSON.stringify(last.windows) === JSON.stringify(windows);
    if (goesOn) last.until = on;
    else spans.push({ from: on, until: on, maker, windows });
  }
  return spans.sort((a, b) => a.from.localeCompare(b.from) || a.maker.localeCompare(b.maker));
}
