import type { Variation } from '../schedule/runPlan';
import type { WeekTask } from './weekShop';

/** How tasks vary: hands by a spread, glue and coats within their range. */
export const variationOf = (tasks: ReadonlyMap<string, WeekTask>, spread: number): Variation => ({
  hands: spread,
  waits: new Map(
    [...tasks.values()].flatMap(({ id, is, step }) =>
      is === 'wait' && step?.wait ? [[id, step.wait.minutes[0] / step.wait.minutes[1]]] : [],
    ),
  ),
});
