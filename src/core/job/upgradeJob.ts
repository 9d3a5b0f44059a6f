/*
 * What was written by earlier versions, brought to the form of today. Called where something is read from the
 * disk or a file, before it is checked; leaves anything that is not an older form as it is.
 */
import { NO_CHANGES } from '../frame/materials';
import { evenBraces, newInputs } from './job';
import { length } from '../units/length';

type Plain = Record<string, unknown>;
const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Version 1 counted braces, spread evenly; it had no glue, no set square, no tries and no strings. */
export function upgradeInputs(inputs: unknown): unknown {
  if (!isPlain(inputs) || !isPlain(inputs.bars) || !isPlain(inputs.square)) return inputs;
  if ('glue' in inputs.bars && 'trust' in inputs.square) return inputs;
  const fresh = newInputs('', length(1000), length(1000));
  const braces = (value: unknown) => (typeof value === 'number' ? evenBraces(value) : value);
  const { bracesUpright, bracesLevel, ...bars } = inputs.bars;
  return {
    ...inputs,
    bars: { glue: fresh.bars.glue, ...bars, bracesUpright: braces(bracesUpright), bracesLevel: braces(bracesLevel) },
    square: { ...fresh.square, ...inputs.square },
  };
}

/** House rules of version 1 had no materials of their own. */
export const upgradeRules = (rules: unknown): unknown => (isPlain(rules) ? { materials: NO_CHANGES, ...rules } : rules);

/** A frozen plan, with the inputs and rules it was made from. */
export const upgradePlan = (plan: unknown): unknown =>
  isPlain(plan) ? { ...plan, inputs: upgradeInputs(plan.inputs), rules: upgradeRules(plan.rules) } : plan;

/** A job file of version 1 as one of version 2. */
export function upgradeJobFile(file: unknown): unknown {
  if (!isPlain(file) || file.version !== 1 || !isPlain(file.job) || !Array.isArray(file.log)) return file;
  return {
    ...file,
    version: 2,
    job: { ...file.job, inputs: upgradeInputs(file.job.inputs) },
    materials: NO_CHANGES,
    log: file.log.map((entry: unknown) => (isPlain(entry) ? { ...entry, plan: upgradePlan(entry.plan) } : entry)),
  };
}
