import type { StageEffort } from '../effort/effort';
import type { HouseRules } from '../house/houseRules';
import type { View } from '../job/sideWords';
import type { Verdict } from '../job/verdict';
import type { JobHistory } from '../log/jobHistory';
import type { Reading, Taught } from '../log/logEntry';
import type { Tape } from '../units/length';

/** What every plan is made under: the rules of the house and the tape its sentences are printed for. */
export interface PlanContext {
  /** The size of the face is recorded: no other is proposed. */
  faceSettled?: boolean | undefined;
  rules: HouseRules;
  tape: Tape;
  /** Where the reader looks from: words name left and right as they are seen. From the front where it is left out. */
  view?: View | undefined;
  /** What records taught about pace and cloth; left out where nothing is known of records. */
  taught?: Taught | undefined;
  /** What the job’s own log tells; left out where a plan is made without one. */
  history?: JobHistory | undefined;
}

/** What every stage answers: one big answer, why, what to check, and what was read. */
export interface StagePlan {
  answer: string;
  answerNote: string;
  verdicts: Verdict[];
  /** What was measured, felt or told: never what was only planned. */
  readings: Reading[];
  /** What hands take of it; of a canvas done by itself in `minutes`. */
  effort: StageEffort;
  minutes: number;
  /** Minutes that what is recorded here goes on drying or setting; null when nothing does. */
  setsMinutes: number | null;
}
