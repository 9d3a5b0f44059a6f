/*
 * The plan of a job: everything the core works out from what was typed. Derived at every keystroke, never
 * stored as truth; a stage's part is frozen when its step is recorded.
 */
import type { JobInputs } from '../job/job';
import type { StageId } from '../job/stages';
import type { PlanContext, StagePlan } from './context';
import { type KitLine, kitList } from './kit';
import { type BarsPlan, planBars } from './planBars';
import { planBrief } from './planBrief';
import { type ClothPlan, planCloth } from './planCloth';
import { type FastenPlan, planFasten } from './planFasten';
import { type HandoverPlan, planHandover } from './planHandover';
import { type PrimePlan, planPrime } from './planPrime';
import { type SquarePlan, planSquare } from './planSquare';
import { type TunePlan, planTune } from './planTune';

export interface Plan extends Record<StageId, StagePlan> {
  brief: StagePlan;
  bars: BarsPlan;
  square: SquarePlan;
  cloth: ClothPlan;
  fasten: FastenPlan;
  tune: TunePlan;
  prime: PrimePlan;
  handover: HandoverPlan;
  kit: KitLine[];
}

/**
 * The whole plan of a job.
 *
 * @param coatsDone coats recorded so far, so that the next one is answered
 * @throws RangeError when an id or a length breaks the contract of the model (checked at the edge)
 * @example planJob(newInputs('Study', length(400), length(300)), context, 0).cloth.answer // '559 × 459 mm'
 */
export function planJob(inputs: JobInputs, context: PlanContext, coatsDone: number): Plan {
  const bars = planBars(inputs, context);
  const cloth = planCloth(inputs, context);
  const fasten = planFasten(inputs, context, cloth);
  const prime = planPrime(inputs, context, coatsDone, bars);
  return {
    brief: planBrief(inputs, context),
    bars,
    square: planSquare(inputs, context),
    cloth,
    fasten,
    tune: planTune(inputs, context),
    prime,
    handover: planHandover(inputs, context, bars, cloth.cut, prime),
    kit: kitList(inputs, { bars, cloth, fasten, prime }, context),
  };
}
