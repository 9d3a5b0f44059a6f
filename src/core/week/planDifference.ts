/* Two plans of the same days against one another: what a maker would notice. */
import { type DateStanding, dateStanding } from './dateVerdicts';
import type { DateChance, WeekPlan } from './weekPlan';
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

/** A date that a plan keeps more seldom than another one. */
export interface DateFall {
  jobId: string;
  chanceFrom: number;
  chanceTo: number;
}

/** Told apart from the chance of the runs by so many standard deviations; less than this part of all runs is nothing. */
const APART = 2;
const LEAST_FALL = 0.02;

/**
 * Dates whose chance falls by more than the noise of the runs it was told from, the deepest fall first.
 *
 * @param runs that each chance was told from, above 0
 * @example dateFalls({ dates: new Map([['a', { due: 9, chance: 0.9 }]]) }, { dates: new Map([['a', { due: 9, chance: 0.13 }]]) }, 240).length // 1
 */
export function dateFalls(
  before: { dates: ReadonlyMap<string, Pick<DateChance, 'due' | 'chance'>> },
  after: { dates: ReadonlyMap<string, Pick<DateChance, 'due' | 'chance'>> },
  runs: number,
): DateFall[] {
  const variance = (chance: number) => (chance * (1 - chance)) / runs;
  return [...after.dates]
    .flatMap(([jobId, { chance: chanceTo }]): DateFall[] => {
      const chanceFrom = before.dates.get(jobId)?.chance ?? null;
      if (chanceFrom === null || chanceTo === null) return [];
      const noise = Math.max(LEAST_FALL, APART * Math.sqrt(variance(chanceFrom) + variance(chanceTo)));
      return chanceFrom - chanceTo > noise ? [{ jobId, chanceFrom, chanceTo }] : [];
    })
    .sort((a, b) => b.chanceFrom - b.chanceTo - (a.chanceFrom - a.chanceTo));
}
