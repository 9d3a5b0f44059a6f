/*
 * What was written by earlier versions, brought to the form of today where it is read; the log itself is never rewritten.
 * A chain of numbered steps: what was written by version n takes the steps after n. Versions 1 to 4 did not store their
 * number with a row, so the first link of the chain (`toVersion4`) tells them by what they hold; from 4 on the number decides.
 */
import { SHAPE_VERSION } from './shapeVersion';
import { NO_CHANGES } from '../house/materials';
import { USUAL_POLICIES } from '../house/houseRules';
import { newInputs } from '../job/job';
import { NOTHING_TAUGHT } from '../log/logEntry';
import { upgradeKnown, upgradeQuantity } from '../log/upgradeReading';
import { evenBraces } from '../stages/bars/barsInputs';
import { alikeCorners } from '../stages/tune/tuneInputs';
import { REMEDIES } from '../tension/remedies';
import { type Length, length } from '../units/length';

/** What rows without a number were written by, at the latest. */
export const UNNUMBERED = 4;

type Plain = Record<string, unknown>;
const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Inputs of a version as those of today; whatever is no inputs at all is left for the check to refuse. */
export function upgradeInputs(inputs: unknown, version: number): unknown {
  if (!isPlain(inputs)) return inputs;
  const four = version > 4 ? inputs : toVersion4(inputs);
  const five = version >= 5 ? four : toVersion5(four);
  const six = version >= 6 ? five : toVersion6(five);
  const seven = version >= 7 ? six : toVersion7(six);
  return version >= 9 ? seven : toVersion9(seven);
}

/** Version 8 did not ask what holds a canvas in its frame; every pull was as taught, and none was told by the scale. */
function toVersion9(inputs: unknown): unknown {
  if (!isPlain(inputs) || !isPlain(inputs.brief) || !isPlain(inputs.fasten)) return inputs;
  const { brief, fasten } = inputs;
  const fresh = newInputs('', length(1000), length(1000));
  const rebate = isPlain(brief.rebate) ? { fixing: fresh.brief.rebate.fixing, ...brief.rebate } : brief.rebate;
  const asDone = isPlain(fasten.asDone) ? { pulls: [], ...fasten.asDone } : fasten.asDone;
  return {
    ...inputs,
    brief: { ...brief, ...defined({ rebate }) },
    fasten: { pulls: fresh.fasten.pulls, ...fasten, ...defined({ asDone }) },
  };
}

/** Version 6 looked at no painting but for one tick, found no old fold or hole, and kept what matters in placing it with what was measured. */
function toVersion7(inputs: unknown): unknown {
  if (!isPlain(inputs) || !isPlain(inputs.brief) || !isPlain(inputs.cloth) || !isPlain(inputs.cloth.painting)) return inputs;
  if ('placing' in inputs.brief) return inputs;
  const fresh = newInputs('', length(1000), length(1000));
  const { fragile, keep, mostWrap, mayBare, way, ...painting } = inputs.cloth.painting;
  return {
    ...inputs,
    // Where and why it was called fragile nobody noted.
    look: { ...fresh.look, conditions: fragile === true ? [{ kind: 'brittle', at: null, note: '' }] : [] },
    brief: { placing: { ...fresh.brief.placing, ...defined({ keep, mostWrap, mayBare, way }) }, ...inputs.brief },
    cloth: { found: fresh.cloth.found, ...inputs.cloth, painting },
  };
}

const defined = (of: Plain): Plain => Object.fromEntries(Object.entries(of).filter(([, one]) => one !== undefined));

/** Version 5 measured no frame that a canvas goes into. */
function toVersion6(inputs: unknown): unknown {
  if (!isPlain(inputs) || !isPlain(inputs.brief)) return inputs;
  const { rebate } = newInputs('', length(1000), length(1000)).brief;
  return { ...inputs, brief: { rebate, ...inputs.brief } };
}

function toVersion4(inputs: Plain): Plain {
  if (!isPlain(inputs.bars) || !isPlain(inputs.square)) return inputs;
  return upgradeTuning(upgradeCloth(upgradeFrame(inputs, inputs.bars, inputs.square)));
}

/** Version 4 took every canvas for firm and every room for read; what nobody chose is asked again. It held braces by the joint. */
function toVersion5(inputs: Plain): Plain {
  const { bars, tune, prime } = inputs;
  if (!isPlain(bars) || !isPlain(tune) || !isPlain(prime)) return inputs;
  return {
    ...inputs,
    bars: { ...bars, braceFixing: 'asJoint' },
    tune: { ...tune, feel: tune.feel === 'firm' ? null : tune.feel },
    prime: { ...prime, airBy: 'reckoned' },
  };
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

/** House rules of version 1 had no materials of their own, those of version 2 no cloths, those of version 3 no policies, those of version 8 no way to pull. */
export function upgradeRules(rules: unknown): unknown {
  if (!isPlain(rules)) return rules;
  const policies = isPlain(rules.policies) ? { ...USUAL_POLICIES, ...rules.policies } : (rules.policies ?? USUAL_POLICIES);
  return { ...rules, policies, materials: upgradeMaterials(rules.materials) };
}

const upgradeMaterials = (materials: unknown): unknown =>
  materials === undefined
    ? NO_CHANGES
    : isPlain(materials)
      ? { ...NO_CHANGES, ...materials, profiles: withBeads(materials.profiles ?? []) }
      : materials;

/** Bars of version 4 had no list of bead strips. */
const withBeads = (profiles: unknown): unknown =>
  Array.isArray(profiles) ? profiles.map((row: unknown) => (isPlain(row) ? { beads: [], ...row } : row)) : profiles;

/** A frozen plan, with the inputs and rules it was made from. Version 4 knew verdicts by their words, kept no lessons and named the front. */
export function upgradePlan(plan: unknown, version: number): unknown {
  if (!isPlain(plan)) return plan;
  const verdicts = (list: unknown) =>
    version < 5 && Array.isArray(list)
      ? list.map((one: unknown) => (isPlain(one) ? { id: String(one.about ?? ''), ...one } : one))
      : list;
  return {
    ...(version < 5 ? { view: 'front' } : {}),
    ...plan,
    // Version 7 learned no creep.
    taught: { ...NOTHING_TAUGHT, ...(isPlain(plan.taught) ? plan.taught : {}) },
    verdicts: verdicts(plan.verdicts),
    inputs: upgradeInputs(plan.inputs, version),
    rules: upgradeRules(plan.rules),
  };
}

/** A reading: version 4 knew it by a phrase, and did not say how it was known. */
export function upgradeReading(reading: unknown, version: number): unknown {
  if (version >= 5 || !isPlain(reading) || typeof reading.quantity !== 'string') return reading;
  return { ...reading, ...upgradeQuantity(reading.quantity), known: upgradeKnown(String(reading.tool)) };
}

/**
 * Kind of an entry and what it is of: version 4 told a remedy by the words of a reading.
 *
 * @example upgradeKind('reading', 'Remedy: Open the corners') // { kind: 'remedy', of: 'keys' }
 */
export function upgradeKind(kind: string, did: string): { kind: string; of: string } {
  const remedy = REMEDIES.find(({ name }) => did === `Remedy: ${name}`);
  return kind === 'reading' && remedy ? { kind: 'remedy', of: remedy.id } : { kind, of: '' };
}

/** A job file of an earlier version as one of today; version 5 did not say at which device an entry was written, version 7 kept no variants and said nowhere where a canvas hangs. */
export function upgradeJobFile(file: unknown): unknown {
  if (!isPlain(file) || ![1, 2, 3, 4, 5, 6, 7].includes(file.version as number) || !isPlain(file.job) || !Array.isArray(file.log))
    return file;
  const placed = file.log.map((entry: unknown) => (isPlain(entry) ? { device: '', hangs: null, ...entry } : entry));
  const version = file.version as number;
  if (version >= 5)
    return {
      ...file,
      version: SHAPE_VERSION,
      variants: [],
      job: { ...file.job, inputs: upgradeInputs(file.job.inputs, version) },
      log: placed.map((entry: unknown) => (isPlain(entry) ? { ...entry, plan: upgradePlan(entry.plan, version) } : entry)),
    };
  return {
    ...file,
    version: SHAPE_VERSION,
    variants: [],
    job: { ...file.job, inputs: upgradeInputs(file.job.inputs, UNNUMBERED) },
    materials: upgradeMaterials(file.materials),
    log: placed.map((entry: unknown) => (isPlain(entry) ? upgradeEntry(entry) : entry)),
  };
}

const upgradeEntry = (entry: Plain): Plain => ({
  ...entry,
  ...upgradeKind(String(entry.kind), String(entry.did)),
  readings: Array.isArray(entry.readings)
    ? entry.readings.map((reading: unknown) => upgradeReading(reading, UNNUMBERED))
    : entry.readings,
  plan: upgradePlan(entry.plan, UNNUMBERED),
});
