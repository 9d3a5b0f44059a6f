/*
 * The workshop defaults every judgement rests on, stage by stage: value, unit, range and reason. House rules override
 * the values; the ids are what verdicts name.
 */
import { EFFORT_RATES } from '../effort/effortRates';
import { BRIEF_ASSUMPTIONS } from '../stages/brief/briefAssumptions';
import { BARS_ASSUMPTIONS } from '../stages/bars/barsAssumptions';
import { SQUARE_ASSUMPTIONS } from '../stages/square/squareAssumptions';
import { CLOTH_ASSUMPTIONS } from '../stages/cloth/clothAssumptions';
import { FASTEN_ASSUMPTIONS } from '../stages/fasten/fastenAssumptions';
import { TUNE_ASSUMPTIONS } from '../stages/tune/tuneAssumptions';
import { PRIME_ASSUMPTIONS } from '../stages/prime/primeAssumptions';
import { HANDOVER_ASSUMPTIONS } from '../stages/handover/handoverAssumptions';
import type { Assumption } from './assumptionRow';

export type { Assumption };

export const ASSUMPTIONS = [
  ...BRIEF_ASSUMPTIONS,
  ...BARS_ASSUMPTIONS,
  ...SQUARE_ASSUMPTIONS,
  ...CLOTH_ASSUMPTIONS,
  ...FASTEN_ASSUMPTIONS,
  ...TUNE_ASSUMPTIONS,
  ...PRIME_ASSUMPTIONS,
  ...HANDOVER_ASSUMPTIONS,
  ...EFFORT_RATES,
] as const;

export type AssumptionId = (typeof ASSUMPTIONS)[number]['id'];

/** A row of the table by its id. */
export const assumption = (id: AssumptionId): Assumption => ASSUMPTIONS.find((one) => one.id === id)!;
