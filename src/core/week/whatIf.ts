/* Changes of the days to be tried before they are taken: somebody away, a longer day, more canvases, a canvas made otherwise. */
import type { JobWork } from '../case/jobWork';
import { calendarOf, type WeekFacts, type WeekJob } from './weekShop';
import type { WeekSettings } from './weekSettings';
import { STEPS_A_DAY } from '../schedule/workCalendar';

export type WhatIf =
  | { kind: 'away'; maker: string; on: string }
  /** The house’s or a maker’s last window of the day goes on for so many hours; on a day without windows there are some from nine. */
  | { kind: 'longer'; maker: string; on: string; hours: number }
  | { kind: 'more'; jobs: WeekJob[] }
  /** A canvas is made otherwise, as the label says. */
  | { kind: 'instead'; jobId: string; label: string; work: JobWork };

/** Windows of a day of a maker, quarters from midnight. */
export const windowsOn = (settings: WeekSettings, maker: string, on: string): readonly (readonly [number, number])[] => {
  const { week, firstWeekday, changes = [] } = calendarOf(settings, maker, on);
  return changes.find(([day]) => day === 0)?.[1] ?? week[firstWeekday]!;
};

/** The settings with a day of a maker as it is told, whatever it was. */
export function withDay(
  settings: WeekSettings,
  maker: string,
  on: string,
  windows: readonly (readonly [number, number])[],
): WeekSettings {
  const others = settings.changes.filter((one) => !(one.maker === maker && one.on === on));
  const rows = windows.length === 0 ? [[0, 0] as const] : windows;
  return { ...settings, changes: [...others, ...rows.map(([from, to]) => ({ on, maker, from, to }))] };
}

const NINE = 36;

/** The windows of a day with so many hours more at its end. */
export function longerDay(windows: readonly (readonly [number, number])[], hours: number): (readonly [number, number])[] {
  const last = windows.at(-1);
  const more = Math.round(hours * 4);
  if (!last) return [[NINE, Math.min(STEPS_A_DAY, NINE + more)]];
  return [...windows.slice(0, -1), [last[0], Math.min(STEPS_A_DAY, last[1] + more)]];
}

/** The facts as they would be. */
export function withChange(facts: WeekFacts, change: WhatIf): WeekFacts {
  switch (change.kind) {
    case 'away':
      return { ...facts, settings: withDay(facts.settings, change.maker, change.on, []) };
    case 'longer': {
      const longer = longerDay(windowsOn(facts.settings, change.maker, change.on), change.hours);
      return { ...facts, settings: withDay(facts.settings, change.maker, change.on, longer) };
    }
    case 'more':
      return { ...facts, jobs: [...facts.jobs, ...change.jobs] };
    case 'instead':
      return { ...facts, jobs: facts.jobs.map((job) => (job.id === change.jobId ? { ...job, work: change.work } : job)) };
  }
}
