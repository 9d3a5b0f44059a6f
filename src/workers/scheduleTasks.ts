/* What the schedule worker does: plans of the days, what a change would do to them, and what can be promised. */
import { randomLcg, randomNormal } from 'd3-random';
import { type Forced, type Promised, forcedBy, promiseFor } from '@/core/week/promise';
import { variationOf } from '@/core/week/variation';
import { RUNS, type WeekPlan, planWeek } from '@/core/week/weekPlan';
import { type WeekFacts, type WeekJob, weekShop } from '@/core/week/weekShop';
import { type WhatIf, withChange } from '@/core/week/whatIf';
import { quietly } from '@/core/toEnd';

export interface WeekGround {
  facts: WeekFacts;
  /** How much hands differ from what was reckoned. */
  spread: number;
  /** The plan that stands. */
  standing: WeekPlan;
  seed: number;
}

const chance = (seed: number) => {
  const even = randomLcg(seed);
  return { random: randomLcg(seed / 2), dice: { even, normal: randomNormal.source(even)() } };
};

/** Lists tried for a change that is only tried out, and for a promise. */
const TRIED = (facts: WeekFacts): number => Math.round(Math.min(300, Math.max(40, 2000 / (facts.jobs.length + 1))));

export const SCHEDULE_TASKS = {
  /** A plan anew, that moves whatever it likes: better and better ones on the way. */
  *search({
    facts,
    spread,
    seed,
    rounds,
  }: Omit<WeekGround, 'standing'> & { rounds: number }): Generator<WeekPlan | undefined, WeekPlan> {
    const week = weekShop(facts);
    return yield* planWeek(week, {
      wanted: facts.settings.wanted,
      variation: variationOf(week.tasks, spread),
      rounds,
      runs: RUNS,
      ...chance(seed),
    });
  },

  /** What a change would do: the plan that would stand then. */
  *tryOut({ facts, spread, standing, seed, change }: WeekGround & { change: WhatIf }): Generator<undefined, WeekPlan> {
    return yield* quietly(plannedWith(withChange(facts, change), { spread, standing, seed }));
  },

  /** How likely the date of a job would be with each of several changes; each as it is known. */
  *saves({
    changes,
    jobId,
    ...ground
  }: WeekGround & { changes: WhatIf[]; jobId: string }): Generator<{ index: number; chance: number } | undefined, number[]> {
    const chances: number[] = [];
    for (const [index, change] of changes.entries()) {
      const plan = yield* quietly(plannedWith(withChange(ground.facts, change), ground));
      chances.push(plan.dates.get(jobId)?.chance ?? 0);
      yield { index, chance: chances.at(-1)! };
    }
    return chances;
  },

  *promise({ canvases, ...ground }: WeekGround & { canvases: WeekJob[] }): Generator<undefined, Promised> {
    return yield* promiseFor(ground.facts, canvases, optionsOf(ground));
  },

  *forced({ canvases, day, ...ground }: WeekGround & { canvases: WeekJob[]; day: string }): Generator<undefined, Forced> {
    const options = optionsOf(ground);
    // What must give way is found after more tries than what may stay.
    return yield* forcedBy(ground.facts, canvases, day, { ...options, rounds: 8 * options.rounds });
  },
};

const optionsOf = ({ facts, spread, standing, seed }: WeekGround) => ({
  spread,
  standing,
  rounds: TRIED(facts),
  runs: RUNS,
  ...chance(seed),
});

function plannedWith(
  facts: WeekFacts,
  { spread, standing, seed }: Omit<WeekGround, 'facts'>,
): Generator<WeekPlan | undefined, WeekPlan> {
  const week = weekShop(facts);
  return planWeek(week, {
    wanted: facts.settings.wanted,
    variation: variationOf(week.tasks, spread),
    rounds: TRIED(facts),
    runs: RUNS,
    ...chance(seed),
    before: standing,
  });
}
