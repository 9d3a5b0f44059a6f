/*
 * The plan of the days as it stands: where everything lies, how likely each date is. Made again whenever something was recorded,
 * moving as little as it can; a plan anew moves whatever it likes.
 */
import { type Dice, type Variation, chanceBy, endBy, endsOverRuns } from '../schedule/runPlan';
import { type SearchOptions, type Schedule, searchSchedule } from '../schedule/searchSchedule';
import { brokenPins } from '../schedule/pins';
import { type GoalPart, type Shop, type ShopPlan, endsOf } from '../schedule/shop';
import { STEPS_A_DAY } from '../schedule/workCalendar';
import type { WeekShop } from './weekShop';
import type { WantedId } from './weekSettings';
import { daysBetween } from './weekTime';

/** What a plan says of a job’s date. */
export interface DateChance {
  /** When the plan has it end, and by when nine of ten runs ended, steps. */
  end: number;
  nineOfTen: number;
  due: number | null;
  /** The part of the runs that kept the date; null where nobody waits. */
  chance: number | null;
}

export interface WeekPlan extends ShopPlan {
  firstDay: string;
  /** Dates by job. */
  dates: Map<string, DateChance>;
  tardiness: number;
  /** No plan has less lateness than this: each canvas alone. */
  leastTardiness: number;
  setUps: number;
  finish: number;
  datesProven: boolean;
  moved: number;
  /** Tasks whose pins could not be kept. */
  brokenPins: string[];
}

/** Runs that a chance is told from. */
export const RUNS = 240;

export interface PlanOptions {
  wanted: readonly WantedId[];
  variation: Variation;
  rounds: number;
  runs: number;
  random: () => number;
  dice: Dice;
  /** The plan that stands, if what lies near is to stay; its days are counted from its own first day. */
  before?: Pick<WeekPlan, 'firstDay' | 'at' | 'pots'> | null;
}

/** What is wanted, as the search takes it: with a plan that stands, little moved comes right after the dates. */
export const goalOf = (wanted: readonly WantedId[], stands: boolean): GoalPart[] => {
  const parts: GoalPart[] = [...wanted, ...(['dates', 'setUps', 'finish'] as const).filter((one) => !wanted.includes(one))];
  const after = parts.indexOf('dates') + 1;
  return stands ? [...parts.slice(0, after), 'moved', ...parts.slice(after)] : parts;
};

/** Plans the days; yields better and better plans without their chances, and pauses. */
export function* planWeek({ shop, firstDay }: WeekShop, options: PlanOptions): Generator<WeekPlan | undefined, WeekPlan> {
  const before = options.before ? onDay(options.before, firstDay) : null;
  const search: SearchOptions = {
    goal: goalOf(options.wanted, before !== null),
    rounds: options.rounds,
    random: options.random,
    before,
  };
  const steps = searchSchedule(shop, search);
  let step = steps.next();
  while (!step.done) {
    yield step.value && weekPlanOf(shop, firstDay, step.value, new Map());
    step = steps.next();
  }
  return weekPlanOf(shop, firstDay, step.value, yield* datesOf(shop, step.value, options));
}

/** What runs of a plan say of every date. */
export function* datesOf(
  shop: Shop,
  plan: ShopPlan,
  { variation, runs, dice }: Pick<PlanOptions, 'variation' | 'runs' | 'dice'>,
): Generator<undefined, Map<string, DateChance>> {
  const ends = yield* endsOverRuns(shop, plan, variation, runs, dice);
  const planned = endsOf(shop, plan.at);
  return new Map(
    shop.jobs.map(({ id, due }) => {
      const of = ends.get(id)!;
      const chance = due === null ? null : chanceBy(of, due);
      return [id, { end: planned.get(id) ?? 0, nineOfTen: endBy(of, 0.9), due, chance }];
    }),
  );
}

const weekPlanOf = (shop: Shop, firstDay: string, schedule: Schedule, dates: WeekPlan['dates']): WeekPlan => {
  return {
    firstDay,
    at: schedule.at,
    pots: schedule.pots,
    dates,
    tardiness: schedule.tardiness,
    leastTardiness: schedule.bound.tardiness,
    setUps: schedule.setUps,
    finish: schedule.finish,
    datesProven: schedule.datesProven,
    moved: schedule.moved,
    brokenPins: brokenPins(shop, schedule),
  };
};

/** A plan counted from another first day; what lies before it is left out. */
export function onDay({ firstDay, at, pots }: Pick<WeekPlan, 'firstDay' | 'at' | 'pots'>, day: string): ShopPlan {
  const by = -daysBetween(firstDay, day) * STEPS_A_DAY;
  if (by === 0) return { at, pots };
  const shifted = [...at].map(([id, place]) => [id, { ...place, start: place.start + by }] as const);
  return {
    at: new Map(shifted.filter(([, { start }]) => start >= 0)),
    pots: pots.map((pot) => ({ ...pot, from: pot.from + by, to: pot.to + by })),
  };
}
