/*
 * What was written by earlier versions, brought to the form of today. Called where something is read from the
 * disk or a file, before it is checked; leaves anything that is not an older form as it is.
 */
import { USUAL_POLICIES } from './houseRules';
import { NO_CHANGES } from './materials';
import { alikeCorners, evenBraces, newInputs } from './job';
import { type Length, length } from '../units/length';

type Plain = Record<string, unknown>;
const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Inputs of any version as those of today. */
export function upgradeInputs(inputs: unknown): unknown {
  if (!isPlain(inputs) || !isPlain(inputs.bars) || !isPlain(inputs.square)) return inputs;
  return upgradeTuning(upgradeCloth(upgradeFrame(inputs, inputs.bars, inputs.square)));
}

/** Version 1 counted braces, spread evenly; it had no glue, no set square, no tries and no strings. */
function upgradeFrame(inputs: Plain, bars: Plain, square: Plain): Plain {
  if ('glue' in bars && 'trust' in square) return inputs;
  const fresh = newInputs('', length(1000), length(1000));
  const braces = (value: unknown) => (typeof value === 'number' ? evenBraces(value) : value);
  const { bracesUpright, bracesLevel, ...rest } = bars;
  return {
    ...inputs,
    bars: { glue: fresh.bars.glue, ...rest, bracesUpright: braces(bracesUpright), bracesLevel: braces(bracesLevel) },
    square: { ...fresh.square, ...square },
  };
}

/** Version 2 had one margin left a side, no corner, no image to be placed, no margins laid, no pull, no weight. */
function upgradeCloth(inputs: Plain): Plain {
  const { cloth, fasten, tune } = inputs;
  if (!isPlain(cloth) || !isPlain(fasten) || !isPlain(tune) || 'painting' in cloth) return inputs;
  const fresh = newInputs('', length(1000), length(1000));
  const left = isPlain(cloth.left)
    ? Object.fromEntries(Object.entries(cloth.left).map(([side, first]) => [side, { first, second: null }]))
    : cloth.left;
  return {
    ...inputs,
    cloth: { ...fresh.cloth, ...cloth, left },
    fasten: { ...fresh.fasten, ...fasten },
    tune: { ...fresh.tune, ...tune },
  };
}

/** Version 3 opened all corners alike; it weighed no piece, saw no signs and measured no pot. */
function upgradeTuning(inputs: Plain): Plain {
  const { tune, prime } = inputs;
  if (!isPlain(tune) || !isPlain(prime) || 'corners' in tune) return inputs;
  const fresh = newInputs('', length(1000), length(1000));
  const { opening, ...rest } = tune;
  const corners = opening === undefined ? fresh.tune.corners : alikeCorners(opening as Length);
  return { ...inputs, tune: { ...fresh.tune, ...rest, corners }, prime: { ...fresh.prime, ...prime } };
}

/** House rules of version 1 had no materials of their own, those of version 2 no cloths, those of version 3 no policies. */
export function upgradeRules(rules: unknown): unknown {
  if (!isPlain(rules)) return rules;
  return { policies: USUAL_POLICIES, ...rules, materials: upgradeMaterials(rules.materials) };
}

const upgradeMaterials = (materials: unknown): unknown =>
  materials === undefined ? NO_CHANGES : isPlain(materials) ? { ...NO_CHANGES, ...materials } : materials;

/** A frozen plan, with the inputs and rules it was made from. */
export const upgradePlan = (plan: unknown): unknown =>
  isPlain(plan) ? { ...plan, inputs: upgradeInputs(plan.inputs), rules: upgradeRules(plan.rules) } : plan;

/** A job file of an earlier version as one of version 4. */
export function upgradeJobFile(file: unknown): unknown {
  if (!isPlain(file) || ![1, 2, 3].includes(file.version as number) || !isPlain(file.job) || !Array.isArray(file.log))
    return file;
  return {
    ...file,
    version: 4,
    job: { ...file.job, inputs: upgradeInputs(file.job.inputs) },
    materials: upgradeMaterials(file.materials),
    log: file.log.map((entry: unknown) => (isPlain(entry) ? { ...entry, plan: upgradePlan(entry.plan) } : entry)),
  };
}
