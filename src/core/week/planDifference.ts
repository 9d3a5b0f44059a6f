/* Two plans of the same days against one another: what a maker would notice. */
import { type DateStanding, dateStanding } from './dateVerdicts';
import type { WeekPlan } from './weekPlan';
import type { WantedId } from './weekSettings';
import { STEPS_A_DAY } from '../schedule/workCalendar';

export interface PlanDifference {
  /** Jobs whose date stands otherwise, and jobs without a date, or with one that stands as before, that end on another day. */
  dates: { jobId: string; from: DateStanding; to: DateStanding; chanceFrom: number; chanceTo: number }[];
  ends: { jobId: string; days: number }[];
  /** Above 0 for more than before. */
  setUps: number;
  tardinessSteps: number;
  finishSteps: number;
  /** Work of hands that lies elsewhere. */
  moved: number;
}

/** Chances from a few hundred runs differ from here on. */
const DIFFERS = 0.05;

export function planDifference(before: WeekPlan, after: WeekPlan): PlanDifference {
  const jobs = [...after.dates].filter(([id]) => before.dates.has(id));
  const moved = [...after.at].filter(([id, { start, maker }]) => {
    const was = before.at.get(id);
    return maker !== null && was !== undefined && (was.start !== start || was.maker !== maker);
  });
  return {
    dates: jobs.flatMap(([jobId, date]) => {
      const was = before.dates.get(jobId)!;
      const [from, to] = [dateStanding(was), dateStanding(date)];
      if (from === null || to === null) return [];
      const differs = from !== to || Math.abs(was.chance! - date.chance!) > DIFFERS;
      return differs ? [{ jobId, from, to, chanceFrom: was.chance!, chanceTo: date.chance! }] : [];
    }),
    ends: jobs
      .map(([jobId, { end }]) => ({ jobId, days: Math.round((end - before.dates.get(jobId)!.end) / STEPS_A_DAY) }))
      .filter(({ days }) => days !== 0),
    setUps: after.setUps - before.setUps,
    tardinessSteps: after.tardiness - before.tardiness,
    finishSteps: after.finish - before.finish,
    moved: moved.length,
  };
}

/** Whether a plan is better in what is wanted first, or alike in that and better in what follows. */
export function isBetter(
  after: Pick<WeekPlan, 'tardiness' | 'setUps' | 'finish'>,
  before: Pick<WeekPlan, 'tardiness' | 'setUps' | 'finish'>,
  wanted: readonly WantedId[],
): boolean {
  const value = (plan: typeof after, one: WantedId) => ({ dates: plan.tardiness, setUps: plan.setUps, finish: plan.finish })[one];
  for (const one of wanted) {
    const gain = value(before, one) - value(after, one);
    // A quarter of an hour of mean end is nothing that is seen.
    if (Math.abs(gain) > (one === 'finish' ? 1 : 1e-6)) return gain > 0;
  }
  return false;
}
