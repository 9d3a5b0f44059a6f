import { toEnd } from '@/core/toEnd';
import { namedPlan } from '@/core/week/namedPlan';
import { variationOf } from '@/core/week/variation';
import { planWeek } from '@/core/week/weekPlan';
import { weekShop } from '@/core/week/weekShop';
import type { TestWorkshop } from '../testWorkshop';
import type { RequestOf } from '../write/write';
import { type takePlan, weekDice, weekFacts, weekWord } from './weekWrites';

/** A plan of the days as a screen would find it. */
export function plannedWeek(workshop: TestWorkshop): RequestOf<typeof takePlan> {
  const { facts, spread } = weekFacts(workshop);
  const week = weekShop(facts);
  const plan = toEnd(
    planWeek(week, {
      wanted: facts.settings.wanted,
      variation: variationOf(week.tasks, spread),
      rounds: 20,
      runs: 0,
      ...weekDice(),
    }),
  );
  const { at, pots } = namedPlan(week.shop, plan);
  return {
    madeFor: weekWord(facts, spread),
    seenMs: facts.nowMs,
    at: at.map(([task, start, maker, place]) => ({ task, start, maker, place })),
    pots,
  };
}
