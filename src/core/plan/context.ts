import type { HouseRules } from '../job/houseRules';
import type { Reading } from '../job/logEntry';
import type { Verdict } from '../job/verdict';
import type { Tape } from '../units/length';

/** What every plan is made under: the rules of the house and the tape its sentences are printed for. */
export interface PlanContext {
  rules: HouseRules;
  tape: Tape;
  /** How long fastening took against what was reckoned, over the last records; left out where nobody noted it. */
  pace?: Pace | undefined;
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
