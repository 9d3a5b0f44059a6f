/*
 * The log: what was done and measured. Append-only: a correction is a new entry that points to the old one.
 */
import type { HouseRules } from './houseRules';
import type { JobInputs } from './job';
import type { StageId } from './stages';
import type { Verdict } from './verdict';

/** What somebody measured, with the tool's precision. */
export interface Reading {
  /** Such as "diagonal down" or "relative humidity". */
  quantity: string;
  value: number;
  unit: string;
  /** One standard deviation of the tool in the same unit, or null when unknown. */
  precision: number | null;
  tool: string;
}

/** The plan of a stage as it stood when the step was recorded, and the rules and inputs it came from. */
export interface PlanSnapshot {
  answer: string;
  answerNote: string;
  verdicts: Verdict[];
  inputs: JobInputs;
  rules: HouseRules;
}

export interface LogEntry {
  id: string;
  stage: StageId;
  /** Which coat, from 0, for priming; null for stages of one step. */
  step: number | null;
  /** A rehearsal is a score on the simulated cloth, a reading what was measured or done between the stages: they finish nothing. */
  kind: 'record' | 'withdrawal' | 'rehearsal' | 'reading';
  /** ISO time. */
  at: string;
  maker: string;
  /** What was done, in a sentence. */
  did: string;
  note: string;
  /** Why a stop verdict was overruled, or a record withdrawn; empty otherwise. */
  reason: string;
  /** The entry this one takes back. */
  corrects: string | null;
  /** When what was started dries or sets, ISO, or null. */
  readyAt: string | null;
  readings: Reading[];
  plan: PlanSnapshot | null;
}
