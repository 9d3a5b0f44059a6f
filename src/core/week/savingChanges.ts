import { type WeekFacts, type WeekJob } from './weekShop';
import { dayAfter, dayOfMoment, daysBetween } from './weekTime';
import { type WhatIf, windowsOn } from './whatIf';

/** Days before a date that are looked at, and hours that a maker comes for on a day she is not there. */
const DAYS = 6;
const HOURS_MORE = 2;
const A_DAY = 8;

/** What may be tried to save the date of a canvas with hands alone: a longer day, or somebody who comes on a day off. */
export function savingChanges({ settings, makers, nowMs }: WeekFacts, { dueOn }: Pick<WeekJob, 'dueOn'>): WhatIf[] {
  const today = dayOfMoment(nowMs);
  const left = dueOn === null ? DAYS : Math.max(0, daysBetween(today, dueOn));
  const days = Array.from({ length: Math.min(DAYS, left + 1) }, (_, index) => dayAfter(today, Math.min(left, DAYS - 1) - index));
  return days.flatMap((on) =>
    makers.flatMap((maker): WhatIf[] => {
      const open = windowsOn(settings, maker, on).length > 0;
      return [{ kind: 'longer', maker, on, hours: open ? HOURS_MORE : A_DAY }];
    }),
  );
}
