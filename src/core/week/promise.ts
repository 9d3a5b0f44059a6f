/*
 * The day that can be promised for canvases not yet taken: planned in behind what stands, run a few hundred times, the first day
 * that nine of ten runs keep; and, if it must be sooner, what that would push.
 */
import { quietly } from '../toEnd';
import { chanceBy, endsOverRuns } from '../schedule/runPlan';
import { type PlanOptions, type WeekPlan, goalOf, onDay } from './weekPlan';
import { searchSchedule } from '../schedule/searchSchedule';
import { type ShopPlan, endsOf } from '../schedule/shop';
import { type WeekFacts, type WeekJob, weekShop } from './weekShop';
import { variationOf } from './variation';
import { dayAfter } from './weekTime';
import { STEPS_A_DAY } from '../schedule/workCalendar';

/** The part of the runs that keep a promise. */
export const PROMISED = 0.9;

export interface Promised {
  /** The first day that nine of ten runs keep, and the part of the runs that keep it. */
  day: string;
  chance: number;
  /** The day the plan itself has it end. */
  planned: string;
  /** Jobs whose date becomes less likely than it was by more than the runs tell apart. */
  hurts: { jobId: string; from: number; to: number }[];
}

export interface Forced {
  chance: number;
  /** Jobs that would end later than they do, in days, and those of them that would be late. */
  pushes: { jobId: string; days: number; late: boolean }[];
}

/** Nothing is promised farther off. */
const FARTHEST_DAYS = 3000;

/** Chances are told from a few hundred runs: two of them differ from here on. */
const DIFFERS = 0.05;

const dayOfStep = (firstDay: string, step: number): string => dayAfter(firstDay, Math.max(0, Math.ceil(step / STEPS_A_DAY) - 1));

type Options = Omit<PlanOptions, 'variation' | 'before' | 'wanted'> & {
  spread: number;
  standing: Pick<WeekPlan, 'firstDay' | 'at' | 'pots' | 'dates'>;
};

/** The earliest day for new canvases, all together, that holds without hurting the others. */
export function* promiseFor(facts: WeekFacts, canvases: readonly WeekJob[], options: Options): Generator<undefined, Promised> {
  const { plan, shop, ends } = yield* plannedWith(facts, canvases, options, null);
  const together = lastOf(canvases, ends);
  const { firstDay } = plan;
  let days = 0;
  while (days < FARTHEST_DAYS && chanceBy(together, (days + 1) * STEPS_A_DAY) < PROMISED) days += 1;
  const planned = Math.max(...canvases.map(({ id }) => endsOf(shop, plan.at).get(id) ?? 0));
  return {
    day: dayAfter(firstDay, days),
    chance: chanceBy(together, (days + 1) * STEPS_A_DAY),
    planned: dayOfStep(firstDay, planned),
    hurts: shop.jobs.flatMap(({ id, due }) => {
      const before = options.standing.dates.get(id)?.chance ?? null;
      if (due === null || before === null) return [];
      const now = chanceBy(ends.get(id)!, due);
      return before - now > DIFFERS ? [{ jobId: id, from: before, to: now }] : [];
    }),
  };
}

/** What it takes to have new canvases by a day all the same: the others give way. */
export function* forcedBy(
  facts: WeekFacts,
  canvases: readonly WeekJob[],
  day: string,
  options: Options,
): Generator<undefined, Forced> {
  const { plan, shop, ends } = yield* plannedWith(facts, canvases, options, day);
  const due = shop.jobs.find(({ id }) => id === canvases[0]!.id)!.due!;
  const before = endsOf(shop, onDay(options.standing, plan.firstDay).at);
  const after = endsOf(shop, plan.at);
  return {
    chance: chanceBy(lastOf(canvases, ends), due),
    pushes: facts.jobs
      .flatMap(({ id }) => {
        const [was, is] = [before.get(id), after.get(id)];
        if (was === undefined || is === undefined || is <= was) return [];
        const wanted = shop.jobs.find((job) => job.id === id)!.due;
        return [{ jobId: id, days: (is - was) / STEPS_A_DAY, late: wanted !== null && is > wanted }];
      })
      .sort((a, b) => b.days - a.days),
  };
}

/** A canvas that must be ready outweighs the others so much. */
const FORCED_WEIGHT = 50;

function* plannedWith(
  facts: WeekFacts,
  canvases: readonly WeekJob[],
  { rounds, runs, random, dice, spread, standing }: Options,
  forced: string | null,
): Generator<
  undefined,
  { plan: ShopPlan & { firstDay: string }; shop: ReturnType<typeof weekShop>['shop']; ends: Map<string, Float64Array> }
> {
  const added = canvases.map((one) => ({ ...one, dueOn: forced }));
  const { shop, firstDay, tasks } = weekShop({ ...facts, jobs: [...facts.jobs, ...added] });
  const own = new Set(canvases.map(({ id }) => id));
  const weighed = {
    ...shop,
    jobs: shop.jobs.map((job) => (forced !== null && own.has(job.id) ? { ...job, weight: FORCED_WEIGHT } : job)),
  };
  const found = yield* quietly(
    searchSchedule(weighed, { goal: goalOf(facts.settings.wanted, true), rounds, random, before: onDay(standing, firstDay) }),
  );
  const ends = yield* endsOverRuns(shop, found, variationOf(tasks, spread), runs, dice);
  return { plan: { at: found.at, pots: found.pots, firstDay }, shop, ends };
}

/** When the last of several canvases ends, by run. */
function lastOf(canvases: readonly WeekJob[], ends: ReadonlyMap<string, Float64Array>): Float64Array {
  const of = canvases.map(({ id }) => ends.get(id)!);
  return Float64Array.from(of[0] ?? [], (_, run) => Math.max(...of.map((one) => one[run]!)));
}
