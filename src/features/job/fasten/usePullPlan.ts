'use client';
/* The pulls of a job, worked out in the worker whenever what they depend on changes; the last answer stays until then. */
import { useMemo } from 'react';
import type { HouseLessons } from '@/core/case/jobCase';
import type { Plan } from '@/core/case/planJob';
import type { Hand, HandNoise } from '@/core/fasten/hand';
import { NO_PULLS_TOLD, NO_PULLS_YET, type NewtonWords, newtonWords } from '@/core/fasten/newtonWords';
import type { StapleModel } from '@/core/fasten/membrane/simulateRoute';
import { type HouseRules, assumed } from '@/core/house/houseRules';
import type { JobInputs } from '@/core/job/job';
import { type PullPlan, pullBounds } from '@/core/stages/fasten/pullPlan';
import { clothRefusal } from '@/core/stages/fasten/clothRefusal';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { PullsRequest } from '@/workers/membraneTasks';
import type { MembraneWorker } from '@/workers/membraneWorker';
import { clothKey } from './clothKey';
import { useTaskAnswer } from './useTaskAnswer';

export interface WorkedOut {
  model: StapleModel;
  /** Null where the order stretches nothing. */
  plan: PullPlan | null;
}

export interface PullAnswer {
  /** Of the question that stands; null while it is worked out. */
  answer: WorkedOut | null;
  error: string | null;
}

/** What the worker is asked for the pulls of a job: the same on every screen and print. */
export function pullsRequest(inputs: JobInputs, rules: HouseRules, noise: HandNoise | null): PullsRequest {
  return { inputs, rules, bounds: pullBounds(inputs, rules, noise), levels: Math.round(assumed(rules, 'pullLevels')) };
}

/**
 * @param asked false asks nothing
 * @param noise how much the hands of the house vary, where that was tried
 */
export function usePullPlan(
  worker: () => MembraneWorker,
  asked: boolean,
  inputs: JobInputs,
  rules: HouseRules,
  noise: HandNoise | null,
): PullAnswer {
  // Which way was chosen moves no pull.
  const key = asked ? clothKey({ ...inputs, fasten: { ...inputs.fasten, pulls: 'taught' } }, rules, noise) : null;
  const { answer, fresh, error } = useTaskAnswer<WorkedOut>(key, async (show, signal) =>
    show(await worker().run('pulls', pullsRequest(inputs, rules, noise), { signal })),
  );
  return { answer: fresh ? answer : null, error };
}

export interface JobPulls extends PullAnswer {
  /** The list that the job goes by; null where it goes as taught, or while it is worked out. */
  goesBy: PullPlan | null;
  /** It goes by worked-out pulls, and they are not there yet. */
  waits: boolean;
  /** Words for the pull of each step, where they are worked out. */
  words: NewtonWords | null;
  hand: Hand | null;
  /** The hand that words to work by are for; null where it was tried on the practice scale alone, whose newtons are invented. */
  felt: Hand | null;
}

/**
 * The pulls that a job goes by, with words for the hand of who works.
 *
 * @param looks they are looked at, whichever way the job goes
 */
export function useJobPulls(
  worker: () => MembraneWorker,
  { inputs, plan, lessons }: { inputs: JobInputs; plan: Pick<Plan, 'fasten'>; lessons: HouseLessons },
  looks: boolean,
): JobPulls {
  const { rules, maker } = useWorkshop();
  const told = clothRefusal(plan.fasten.route) === null;
  const worked = told && inputs.fasten.pulls === 'worked';
  const pulls = usePullPlan(worker, told && (worked || looks), inputs, rules, lessons.handNoise);
  const goesBy = worked ? (pulls.answer?.plan ?? null) : null;
  const waits = worked && pulls.answer === null;
  const hand = lessons.hands.find((one) => one.maker === maker) ?? null;
  const felt = hand?.simulated ? null : hand;
  const failed = pulls.error !== null;
  const words = useMemo(() => {
    if (waits) return failed ? NO_PULLS_TOLD : NO_PULLS_YET;
    return goesBy ? newtonWords(goesBy.pulls, felt) : null;
  }, [waits, failed, goesBy, felt]);
  return { ...pulls, goesBy, waits, words, hand, felt };
}
