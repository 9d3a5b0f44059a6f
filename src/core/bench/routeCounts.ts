/* What a maker counts along a route: staples to the next refill, fasteners to the next look, to a change of hand, minutes left. */
import { FASTENERS } from '../fasten/fasteners';
import { checksBefore } from '../fasten/routeChecks';
import type { RouteStep } from '../fasten/routeSteps';
import { byId } from '../house/schools';
import { type HouseRules, assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import type { FastenPlan } from '../stages/fasten/planFasten';

export interface RouteCounts {
  /** Staples left in the stapler; null where nothing is stapled. */
  toRefill: number | null;
  /** Fasteners until something is looked at; null when there is no look left. */
  toLook: number | null;
  /** Squeezes until the other hand takes over; null where nothing is squeezed. */
  toOtherHand: number | null;
  minutesLeft: number;
}

/** So many steps tell a pace of their own. */
const STEPS_FOR_PACE = 8;

/**
 * The counts as the step `order` is about to be done.
 *
 * @param filledAt the step before which the stapler was filled last; 1 where it was full from the start
 * @param stamps moments of the last steps on, ms since 1970, oldest first: with eight of them the pace is their own
 */
export function routeCounts(
  { route, seen, hands }: Pick<FastenPlan, 'route' | 'seen' | 'hands'>,
  { fasten }: Pick<JobInputs, 'fasten'>,
  rules: HouseRules,
  order: number,
  { filledAt, stamps }: { filledAt: number; stamps: readonly number[] },
): RouteCounts {
  const { steps } = route;
  const { squeezed } = byId(FASTENERS, fasten.fastener);
  const isSqueeze = (step: RouteStep) =>
    squeezed && step.act !== 'takeOut' && step.with !== 'clamps' && !seen.includes(step.side);
  const squeezes = (from: number, to: number) => steps.slice(from - 1, to - 1).filter(isSqueeze).length;
  const any = steps.some(isSqueeze);
  const magazine = Math.round(assumed(rules, 'magazine'));
  const hand = Math.round(assumed(rules, 'handChange'));
  const looks = [...checksBefore(route, fasten.route).keys()].filter((one) => one > order);
  const left = steps.length - order + 1;
  return {
    toRefill: any ? magazine - (squeezes(filledAt, order) % magazine) : null,
    toLook: looks.length > 0 ? Math.min(...looks) - order : null,
    toOtherHand: any ? hand - (squeezes(1, order) % hand) : null,
    minutesLeft: (left * (ownSeconds(stamps) ?? (hands.minutes * 60) / Math.max(1, steps.length))) / 60,
  };
}

/** Nobody pulls and fastens faster than this, s: what came sooner was leafed through. */
const LEAST_SECONDS = 2;

/** Seconds a step by the middle one of the last steps; a pause in between does not slow it. Null for too few. */
function ownSeconds(stamps: readonly number[]): number | null {
  const gaps = stamps.slice(1).map((at, index) => (at - stamps[index]!) / 1000);
  const worked = gaps.filter((gap) => gap >= LEAST_SECONDS).sort((a, b) => a - b);
  return worked.length < STEPS_FOR_PACE ? null : worked[Math.floor(worked.length / 2)]!;
}
