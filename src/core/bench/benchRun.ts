/*
 * The steps of one stage of a job at the bench, in their order: first what it waits for, last its record. Where somebody stands
 * in them is an id; a step that is gone (another route, another coat) is found again by its stage.
 */
import { heldForConservator } from '../case/gate';
import type { JobCase } from '../case/jobCase';
import { worstLevel } from '../job/verdict';
import { type SideWords, sideWords } from '../job/sideWords';
import { type StageId, stageActs } from '../stages/stages';
import { aloud } from './aloud';
import { type BenchStep, SHOW_STAGE } from './benchStep';
import { barsSteps } from './barsSteps';
import { briefSteps } from './briefSteps';
import { clothSteps } from './clothSteps';
import type { NewtonWords } from '../fasten/newtonWords';
import { fastenSteps } from './fastenSteps';
import { handoverSteps } from './handoverSteps';
import { lookSteps } from './lookSteps';
import { primeSteps } from './primeSteps';
import { squareSteps } from './squareSteps';
import { tuneSteps } from './tuneSteps';

const STEPS: Record<StageId, (here: JobCase, say: SideWords, pulls: NewtonWords | null) => BenchStep[]> = {
  look: lookSteps,
  brief: briefSteps,
  bars: barsSteps,
  square: squareSteps,
  cloth: clothSteps,
  fasten: fastenSteps,
  tune: tuneSteps,
  prime: primeSteps,
  handover: handoverSteps,
};

/** Where somebody stands at the bench. */
export interface BenchPlace {
  stage: StageId;
  step: string;
}

/** Quarter turns to the right that a frame lies in. */
export const QUARTERS = [0, 1, 2, 3] as const;
export type Quarter = (typeof QUARTERS)[number];

/**
 * The steps of a stage, at least one.
 *
 * @param here read under the view of whoever stands at the bench
 * @param pulls words for pulls that are worked out; the steps themselves are the same without them
 */
export function benchSteps(here: JobCase, stage: StageId, pulls: NewtonWords | null = null): BenchStep[] {
  const steps = STEPS[stage](here, sideWords(here.viewOf(stage)), pulls);
  return [...conservatorStep(here, stage), ...waitStep(here, stage), ...steps, recordStep(here, stage)];
}

/** Where a conservator stands before any hand tool, that is said before anything else. */
function conservatorStep(here: JobCase, stage: StageId): BenchStep[] {
  const held = heldForConservator(here.verdictsOf(stage));
  if (!held) return [];
  return [
    {
      id: `${stage}/conservator`,
      stage,
      group: 'Care',
      says: 'A conservator first',
      figure: 'stop',
      notes: [held.says, held.doThis],
      aloud: aloud(held.says),
      act: { kind: 'look' },
      show: SHOW_STAGE,
    },
  ];
}

/** What a stage that comes next waits for: glue or a coat that is not ready yet. */
function waitStep({ next }: JobCase, stage: StageId): BenchStep[] {
  const { clock } = next;
  if (next.stage !== stage || next.state !== 'waiting' || !clock) return [];
  return [
    {
      id: `${stage}/wait`,
      stage,
      group: 'Clock',
      says: `Wait: ${clock.what}`,
      figure: '',
      notes: ['Go on before that only with a reason.'],
      aloud: aloud(`Wait for ${clock.what}`),
      act: { kind: 'wait', readyAt: clock.readyAt },
      show: SHOW_STAGE,
    },
  ];
}

/** The record of a stage, with the worst of what is judged about it. */
function recordStep(here: JobCase, stage: StageId): BenchStep {
  const { record, name } = stageActs(stage, here.progress.painted);
  const done = here.progress.done.has(stage);
  const worst = worstLevel(here.verdictsOf(stage));
  const coat = stage === 'prime' ? `/${here.progress.coatsDone}` : '';
  return {
    id: `${stage}${coat}/record`,
    stage,
    group: 'Record',
    says: done ? `${name} is recorded` : record,
    figure: done ? 'done' : worst,
    notes: [here.plan[stage].answer, here.plan[stage].answerNote],
    aloud: aloud(done ? `${name} is recorded.` : `${record}. All said: ${worst}.`),
    act: { kind: 'record' },
    // All fasteners are in.
    show: stage === 'fasten' ? { kind: 'route', order: here.plan.fasten.route.steps.length + 1 } : SHOW_STAGE,
  };
}

/** Where one starts at the bench: the stage that is due, from its first step. */
export const firstPlace = (here: JobCase): BenchPlace => ({ stage: here.progress.now ?? 'handover', step: '' });

/** The place of a step in the steps of its stage; the first where it is not there. */
export const stepIndex = (steps: readonly BenchStep[], id: string): number =>
  Math.max(
    0,
    steps.findIndex((one) => one.id === id),
  );

/** One step on (1) or back (−1), over the ends of a stage; null where there is none. */
export function stepFrom(here: JobCase, place: BenchPlace, by: 1 | -1): BenchPlace | null {
  const steps = benchSteps(here, place.stage);
  const next = steps[stepIndex(steps, place.step) + by];
  if (next) return { stage: place.stage, step: next.id };
  const { run } = here.progress;
  const stage = run[run.indexOf(place.stage) + by];
  if (!stage) return null;
  const there = benchSteps(here, stage);
  return { stage, step: (by === 1 ? there[0]! : there.at(-1)!).id };
}

/** The first step of the next group (1), or of this one and then of the one before (−1). */
export function groupFrom(here: JobCase, place: BenchPlace, by: 1 | -1): BenchPlace | null {
  const steps = benchSteps(here, place.stage);
  const at = stepIndex(steps, place.step);
  const startOf = (index: number) => {
    let first = index;
    while (first > 0 && steps[first - 1]!.group === steps[index]!.group) first -= 1;
    return first;
  };
  if (by === 1) {
    const next = steps.findIndex((one, index) => index > at && one.group !== steps[at]!.group);
    if (next >= 0) return { stage: place.stage, step: steps[next]!.id };
    return stepFrom(here, { stage: place.stage, step: steps.at(-1)!.id }, 1);
  }
  if (startOf(at) < at) return { stage: place.stage, step: steps[startOf(at)]!.id };
  return at > 0 ? { stage: place.stage, step: steps[startOf(at - 1)]!.id } : stepFrom(here, place, -1);
}
