/*
 * How much time there is left until a canvas is wanted: what still takes hands, at the house’s hours a day, and what sets or
 * dries in between. The chain, not the sum of the hands, decides: nobody works at night, though things dry then.
 */
import { effortMinutes } from '../effort/effort';
import { type HouseRules, assumed } from '../house/houseRules';
import type { StageId } from '../stages/stages';
import type { Plan } from './planJob';
import type { Progress } from './progress';

export interface Slack {
  /** Minutes of hands still to come. */
  handsMinutes: number;
  /** Minutes that nothing but time is needed for. */
  waitsMinutes: number;
  /** The latest moment to start, ms since 1970. */
  latestStartMs: number;
  /** Days between now and the latest start; below 0 it is late already. */
  days: number;
}

const DAY_MIN = 1440;
const MINUTE_MS = 60_000;

/** Stages still to do, priming once for each coat that is not on. */
function toDo({ run, done, passed, coatsDone }: Progress, plan: Plan): { stage: StageId; coat: number | null }[] {
  const stages = run.filter((id) => !done.has(id) && !passed.has(id));
  return stages.flatMap((stage): { stage: StageId; coat: number | null }[] =>
    stage === 'prime' && plan.prime.coats.length > 0
      ? plan.prime.coats.map((_coat, coat) => ({ stage, coat })).slice(coatsDone)
      : [{ stage, coat: null }],
  );
}

/** What is still to come of a canvas: minutes of hands, minutes of waiting, and how long both take one after the other, at the house’s hours a day. */
export function chainOf(
  plan: Plan,
  progress: Progress,
  rules: HouseRules,
  nowMs: number,
  runsUntilMs: number | null,
): { left: number; handsMinutes: number; waitsMinutes: number; chainMinutes: number } {
  const left = toDo(progress, plan);
  const handsMinutes = left.reduce(
    (sum, { stage, coat }) => sum + (coat === null ? plan[stage].minutes : effortMinutes(plan.prime.coats[coat]!.effort)),
    0,
  );
  const running = runsUntilMs === null ? 0 : Math.max(0, (runsUntilMs - nowMs) / MINUTE_MS);
  const waits = left.map(({ stage, coat }) =>
    coat === null ? (plan[stage].setsMinutes ?? 0) : (plan.prime.coats[coat]!.dryMinutes?.[1] ?? 0),
  );
  const waitsMinutes = running + waits.reduce((sum, minutes) => sum + minutes, 0);
  const chainMinutes = (handsMinutes * DAY_MIN) / (60 * assumed(rules, 'handsADay')) + waitsMinutes;
  return { left: left.length, handsMinutes, waitsMinutes, chainMinutes };
}

/**
 * What is left of the time until a canvas is wanted; null when nobody waits for it or nothing is left to do.
 *
 * @param dueMs the end of the day it is wanted on, ms since 1970
 * @param runsUntilMs what dries or sets now is ready then; null when nothing does
 */
export function slackOf(
  plan: Plan,
  progress: Progress,
  rules: HouseRules,
  nowMs: number,
  dueMs: number | null,
  runsUntilMs: number | null,
): Slack | null {
  const { left, handsMinutes, waitsMinutes, chainMinutes } = chainOf(plan, progress, rules, nowMs, runsUntilMs);
  if (dueMs === null || left === 0) return null;
  const latestStartMs = dueMs - chainMinutes * MINUTE_MS;
  return { handsMinutes, waitsMinutes, latestStartMs, days: (latestStartMs - nowMs) / (DAY_MIN * MINUTE_MS) };
}

/**
 * Days between now and the latest start, for whoever kept the latest start with nothing running.
 *
 * @param startByMs the latest moment to start if nothing dried or set any more, ms since 1970
 * @param runsUntilMs what dries or sets now is ready then; null when nothing does
 *
 * @example slackDaysAt(10 * 86_400_000, 3 * 86_400_000, 86_400_000) // 7
 */
export const slackDaysAt = (startByMs: number, runsUntilMs: number | null, nowMs: number): number =>
  (startByMs - Math.max(0, (runsUntilMs ?? nowMs) - nowMs) - nowMs) / (DAY_MIN * MINUTE_MS);
