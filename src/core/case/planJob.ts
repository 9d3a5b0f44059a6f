/*
 * The plan of a job: everything the core works out from what was typed. Derived at every keystroke, never
 * stored as truth; a stage's part is frozen when its step is recorded.
 */
import type { JobInputs } from '../job/job';
import { onDemand } from '../onDemand';
import { type BarsPlan, planBars } from '../stages/bars/planBars';
import { type BriefPlan, planBrief } from '../stages/brief/planBrief';
import { type ClothPlan, planCloth } from '../stages/cloth/planCloth';
import { type FastenPlan, planFasten } from '../stages/fasten/planFasten';
import { type HandoverPlan, planHandover } from '../stages/handover/planHandover';
import type { PlanContext, StagePlan } from '../stages/planContext';
import { type PrimePlan, planPrime } from '../stages/prime/planPrime';
import { type SquarePlan, planSquare } from '../stages/square/planSquare';
import { type LookPlan, planLook } from '../stages/look/planLook';
import type { StageId } from '../stages/stages';
import { type TunePlan, planTune } from '../stages/tune/planTune';
import { type KitLine, kitList } from './kit';

export interface Plan extends Record<StageId, StagePlan> {
  look: LookPlan;
  brief: BriefPlan;
  bars: BarsPlan;
  square: SquarePlan;
  cloth: ClothPlan;
  fasten: FastenPlan;
  tune: TunePlan;
  prime: PrimePlan;
  handover: HandoverPlan;
  kit: KitLine[];
}

/** What a stage is planned from: a recorded one from what it was recorded with, the others from what stands now. */
export interface StageGround {
  inputs: JobInputs;
  context: PlanContext;
}

/**
 * The plan of all stages, each from its own ground; a stage builds on those before it as they are planned here. A stage is
 * planned when it is asked for.
 *
 * @param coatsDone coats recorded so far, so that the next one is answered
 * @throws RangeError, where a stage is asked for, when an id or a length breaks the contract of the model (checked at the edge)
 */
export function planStages(groundOf: (stage: StageId) => StageGround, now: StageGround, coatsDone: number): Plan {
  const on = <T>(stage: StageId, plan: (inputs: JobInputs, context: PlanContext) => T): T => {
    const { inputs, context } = groundOf(stage);
    return plan(inputs, context);
  };
  const plan: Plan = onDemand<Plan>({
    look: () => on('look', planLook),
    brief: () => on('brief', (inputs, context) => planBrief(inputs, context, plan.cloth)),
    bars: () => on('bars', planBars),
    square: () => on('square', planSquare),
    cloth: () => on('cloth', planCloth),
    fasten: () => on('fasten', (inputs, context) => planFasten(inputs, context, plan.cloth)),
    tune: () => on('tune', (inputs, context) => planTune(inputs, context, plan.bars)),
    prime: () => on('prime', (inputs, context) => planPrime(inputs, context, coatsDone, plan.bars)),
    handover: () => on('handover', (inputs, context) => planHandover(inputs, context, plan.bars, plan.cloth.cut, plan.prime)),
    kit: () => kitList(now.inputs, plan, now.context),
  });
  return plan;
}

/**
 * The whole plan of a job of which nothing is recorded.
 *
 * @example planJob(newInputs('Study', length(400), length(300)), context, 0).cloth.answer // '559 × 459 mm'
 */
export const planJob = (inputs: JobInputs, context: PlanContext, coatsDone: number): Plan => {
  const now = { inputs, context };
  return planStages(() => now, now, coatsDone);
};
