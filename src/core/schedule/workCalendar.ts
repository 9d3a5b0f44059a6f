/*
 * When hands work: opening windows by weekday, and days that are closed. Time is counted in steps of a quarter of an hour from
 * midnight at the start of day 0; drying goes on all the while.
 */

/** A stretch of a day from a step to another, the last one not in it. */
export type OpenWindow = readonly [from: number, to: number];

export interface WorkCalendar {
  /** Weekday of day 0: 0 is Sunday, 6 Saturday. */
  firstWeekday: number;
  /** Windows of each weekday, from Sunday. */
  week: readonly (readonly OpenWindow[])[];
  /** Days on which nobody works, counted from day 0. */
  closedDays: readonly number[];
  /** Days with windows of their own, in place of those of the weekday. */
  changes?: readonly (readonly [day: number, windows: readonly OpenWindow[]])[];
}

export const STEPS_A_DAY = 96;

/** Windows of so many days, in steps from the start of day 0, in their order. */
export function windowsOf({ firstWeekday, week, closedDays, changes = [] }: WorkCalendar, days: number): OpenWindow[] {
  const closed = new Set(closedDays);
  const changed = new Map(changes);
  return Array.from({ length: days }, (_, day) => day).flatMap((day) =>
    closed.has(day)
      ? []
      : (changed.get(day) ?? week[(firstWeekday + day) % 7]!).map(([from, to]): OpenWindow => [
          day * STEPS_A_DAY + from,
          day * STEPS_A_DAY + to,
        ]),
  );
}

/**
 * Where work of a length fits into windows, near a moment.
 *
 * @param towards above 0 for no sooner, below for no later, 0 for whichever is nearer
 * @returns the moment itself where it fits nowhere
 *
 * @example fittingStart([[36, 48], [52, 68]], 47, 4, 1) // 52
 * @example fittingStart([[36, 48], [52, 68]], 47, 4, -1) // 44
 */
export function fittingStart(windows: readonly OpenWindow[], at: number, length: number, towards: -1 | 0 | 1): number {
  const fits = windows
    .filter(([from, to]) => to - from >= length)
    .map(([from, to]) => Math.min(Math.max(at, from), to - length))
    .filter((start) => towards === 0 || (towards > 0 ? start >= at : start <= at));
  return fits.reduce((best, start) => (Math.abs(start - at) < Math.abs(best - at) ? start : best), fits[0] ?? at);
}

/** From Sunday, as days are counted. */
export const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const;

/**
 * A step of a day as a clock shows it.
 *
 * @example clockOfStep(37) // '09:15'
 */
export const clockOfStep = (step: number): string =>
  `${String(Math.floor(step / 4)).padStart(2, '0')}:${String((step % 4) * 15).padStart(2, '0')}`;

const whole = (value: number, least: number, most: number) => Number.isInteger(value) && value >= least && value <= most;

/**
 * What is wrong with the windows of one day, as sentences.
 *
 * @example windowViolations('Monday', [[36, 48], [44, 68]]) // ['Monday: 09:00 to 12:00 and 11:00 to 17:00 overlap.']
 */
export const windowViolations = (name: string, windows: readonly OpenWindow[]): string[] =>
  windows.flatMap(([from, to], index) => {
    if (!whole(from, 0, STEPS_A_DAY) || !whole(to, 0, STEPS_A_DAY) || from >= to)
      return [`${name}: ${clockOfStep(from)} to ${clockOfStep(to)} is no window within a day.`];
    const before = windows[index - 1];
    return before && before[1] > from
      ? [
          `${name}: ${clockOfStep(before[0])} to ${clockOfStep(before[1])} and ${clockOfStep(from)} to ${clockOfStep(to)} overlap.`,
        ]
      : [];
  });

/** What is wrong with a calendar, as sentences; none where it can be worked by. A week without a window is nobody’s fault here. */
export function calendarViolations({ firstWeekday, week, closedDays, changes = [] }: WorkCalendar): string[] {
  if (week.length !== 7) return [`A week has seven days, got ${week.length}.`];
  return [
    ...(whole(firstWeekday, 0, 6) ? [] : [`The first weekday is 0 (Sunday) to 6 (Saturday), got ${firstWeekday}.`]),
    ...[...closedDays, ...changes.map(([day]) => day)]
      .filter((day) => !whole(day, 0, 100_000))
      .map((day) => `A day is counted from day 0, got ${day}.`),
    ...week.flatMap((windows, day) => windowViolations(WEEKDAYS[day]!, windows)),
    ...changes.flatMap(([day, windows]) => windowViolations(`Day ${day}`, windows)),
  ];
}
