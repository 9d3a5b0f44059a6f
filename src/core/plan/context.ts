import type { AssumptionId } from '../job/assumptions';
import type { HouseRules } from '../job/houseRules';
import type { Reading } from '../job/logEntry';
import type { Verdict } from '../job/verdict';
import type { Tape } from '../units/length';
import type { JobHistory } from './jobHistory';

/** What every plan is made under: the rules of the house and the tape its sentences are printed for. */
export interface PlanContext {
  rules: HouseRules;
  tape: Tape;
  /** How long fastening took against what was reckoned, over the last records; left out where nobody noted it. */
  pace?: Pace | undefined;
  /** What earlier records of this cloth taught; left out where nothing was measured. */
  learned?: Learned | undefined;
  /** What the job’s own log tells; left out where a plan is made without one. */
  history?: JobHistory | undefined;
}

/** A value that the house’s own records gave, and how many of them. */
export interface LearnedValue {
  value: number;
  records: number;
}

export interface Learned {
  /** How stiff this cloth turned out, in parts of its table. */
  stiffness?: LearnedValue | undefined;
  /** ml/m² that this cloth took up, by the assumption it takes the place of. */
  absorption: Partial<Record<AssumptionId, LearnedValue>>;
}

export interface Pace {
  /** Middle one of the records: 1 is as reckoned. */
  factor: number;
  records: number;
}

/** What every stage answers: one big answer, why, what to check, and what was read. */
export interface StagePlan {
  answer: string;
  answerNote: string;
  verdicts: Verdict[];
  readings: Reading[];
  /** Minutes that what is recorded here goes on drying or setting; null when nothing does. */
  setsMinutes: number | null;
}
