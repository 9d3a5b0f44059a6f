/*
 * What was written by earlier versions, brought to the form of today where it is read; the log itself is never rewritten.
 * A version changed its shape more than once under one number, and versions 1 to 4 did not store their number with a row: so a
 * step goes by what stands there, and what is missing is filled with what version 9 began it with, letter by letter
 * (`begunBy9.ts`), never with what is usual today. Version 10 has one assumption more, which an older reader would refuse;
 * version 11 asks where the edges of a painting are torn, version 12 whether staples go over card; none before them did.
 */
import { upgradeKnown, upgradeQuantity } from '../log/upgradeReading';
import { INPUTS_OF_9, MATERIALS_OF_9, POLICIES_OF_9, TAUGHT_OF_9 } from './begunBy9';
import { SHAPE_VERSION } from './shapeVersion';

/** What rows without a number were written by, at the latest. */
export const UNNUMBERED = 4;

type Plain = Record<string, unknown>;
const isPlain = (value: unknown): value is Plain => typeof value === 'object' && value !== null && !Array.isArray(value);

/** A value with whatever it lacks of another, part by part; what stands in it is kept. */
function filled(value: unknown, from: unknown): unknown {
  if (!isPlain(from)) return value;
  if (value === undefined) return structuredClone(from);
  if (!isPlain(value)) return value;
  const lacking = Object.entries(from).map(([name, part]) => [
    name,
    value[name] === undefined ? structuredClone(part) : filled(value[name], part),
  ]);
  return { ...value, ...Object.fromEntries(lacking) };
}

/** Changes one part of a whole, where it is a part with fields. */
const within = (whole: Plain, name: string, change: (part: Plain) => Plain): Plain =>
  isPlain(whole[name]) ? { ...whole, [name]: change(whole[name]) } : whole;

/** Inputs of a version as those of today; whatever is no inputs at all is left for the check to refuse. */
export function upgradeInputs(inputs: unknown, version: number): unknown {
  if (version >= 12 || !isPlain(inputs) || !isPlain(inputs.brief) || !isPlain(inputs.bars)) return inputs;
  const as11 = version >= 11 ? inputs : filled(readSides(version < 9 ? asOf9(inputs, version) : inputs), ADDED_BY_11);
  return filled(as11, ADDED_BY_12);
}

/** Before version 11 a side or diagonal of 0 was taken for a reading of an image or a rebate: nobody read it. */
function readSides(inputs: unknown): unknown {
  if (!isPlain(inputs)) return inputs;
  const read = (part: Plain): Plain =>
    Object.fromEntries(
      Object.entries(part).map(([name, one]) => [
        name,
        isPlain(one) && typeof one.mm === 'number' && one.mm < 1 && SIDES_AND_DIAGONALS.includes(name) ? null : one,
      ]),
    );
  return within(
    within(inputs, 'cloth', (cloth) => within(cloth, 'painting', read)),
    'brief',
    (brief) => within(brief, 'rebate', read),
  );
}

const SIDES_AND_DIAGONALS = ['top', 'right', 'bottom', 'left', 'down', 'up'];

/** What version 11 asks besides, as nobody had answered it. */
const ADDED_BY_11 = { brief: { notKnown: [] }, cloth: { found: { torn: [] } } };
/** What version 12 asks besides. */
const ADDED_BY_12 = { fasten: { overCard: false } };

function asOf9(inputs: Plain, version: number): unknown {
  const steps = [countedBraces, oneMarginASide, oneOpening, ...(version < 5 ? [feltByDefault] : []), placedWhereMeasured];
  return filled(
    steps.reduce((plain, step) => step(plain), inputs),
    INPUTS_OF_9,
  );
}

/** Version 1 counted braces, spread evenly. */
const countedBraces = (inputs: Plain): Plain =>
  within(inputs, 'bars', (bars) => {
    const places = (count: unknown) =>
      typeof count === 'number' ? Array.from({ length: count }, (_, index) => (index + 1) / (count + 1)) : count;
    return { ...bars, bracesUpright: places(bars.bracesUpright), bracesLevel: places(bars.bracesLevel) };
  });

/** Version 2 had one margin left a side. */
const oneMarginASide = (inputs: Plain): Plain =>
  within(inputs, 'cloth', (cloth) =>
    within(cloth, 'left', (left) =>
      Object.fromEntries(
        Object.entries(left).map(([side, margin]) => [
          side,
          isPlain(margin) && 'first' in margin ? margin : { first: margin, second: null },
        ]),
      ),
    ),
  );

/** Version 3 opened all corners alike. */
const oneOpening = (inputs: Plain): Plain =>
  within(inputs, 'tune', ({ opening, ...tune }) =>
    opening === undefined || 'corners' in tune
      ? tune
      : { ...tune, corners: { topLeft: opening, topRight: opening, bottomRight: opening, bottomLeft: opening } },
  );

/** Version 4 took every canvas for firm: what nobody chose is asked again. */
const feltByDefault = (inputs: Plain): Plain =>
  within(inputs, 'tune', (tune) => (tune.feel === 'firm' ? { ...tune, feel: null } : tune));

/** Version 6 kept what matters in placing a painting with what was measured, and looked at it with one tick. */
function placedWhereMeasured(inputs: Plain): Plain {
  const { brief, cloth } = inputs;
  if (!isPlain(brief) || !isPlain(cloth) || !isPlain(cloth.painting)) return inputs;
  const { fragile, keep, mostWrap, mayBare, way, ...painting } = cloth.painting;
  const chosen = Object.entries({ keep, mostWrap, mayBare, way }).filter(([, one]) => one !== undefined);
  return {
    // Where and why it was called fragile nobody noted.
    ...(fragile === true ? { look: { conditions: [{ kind: 'brittle', at: null, note: '' }] } } : {}),
    ...inputs,
    brief: chosen.length > 0 ? { placing: Object.fromEntries(chosen), ...brief } : brief,
    cloth: { ...cloth, painting },
  };
}

/** House rules of version 1 had no materials of their own, those of version 2 no cloths, those of version 3 no policies, those of version 8 no way to pull. */
export function upgradeRules(rules: unknown): unknown {
  if (!isPlain(rules)) return rules;
  return { ...rules, policies: filled(rules.policies, POLICIES_OF_9), materials: upgradeMaterials(rules.materials) };
}

/** Bars of version 4 had no list of bead strips. */
const upgradeMaterials = (materials: unknown): unknown => {
  const whole = filled(materials, MATERIALS_OF_9);
  if (!isPlain(whole) || !Array.isArray(whole.profiles)) return whole;
  return { ...whole, profiles: whole.profiles.map((row: unknown) => (isPlain(row) ? { beads: [], ...row } : row)) };
};

/** A frozen plan, with the inputs and rules it was made from. Version 4 knew verdicts by their words and kept no lessons; the first of version 5 named the front only. */
export function upgradePlan(plan: unknown, version: number): unknown {
  if (!isPlain(plan)) return plan;
  const verdicts = (list: unknown) =>
    version < 5 && Array.isArray(list)
      ? list.map((one: unknown) => (isPlain(one) ? { id: String(one.about ?? ''), ...one } : one))
      : list;
  return {
    ...(version < 9 ? { view: 'front' } : {}),
    ...plan,
    // Version 7 learned no creep.
    taught: isPlain(plan.taught) ? filled(plan.taught, TAUGHT_OF_9) : TAUGHT_OF_9,
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

/** Remedies by the names that version 4 wrote. */
const REMEDIES_OF_4 = new Map(
  Object.entries({
    'Nothing needed': 'none',
    'Wait, or dry the air': 'air',
    'Take out what lies behind the cloth': 'chip',
    'Dampen the back': 'water',
    'Open the corners': 'keys',
    'Draw the fasteners and stretch again': 'restretch',
    'Ask a conservator': 'conservator',
  }),
);
const REMEDY_OF_4 = /^Remedy: (.+)$/;

/**
 * Kind of an entry and what it is of: version 4 told a remedy by the words of a reading.
 *
 * @example upgradeKind('reading', 'Remedy: Open the corners') // { kind: 'remedy', of: 'keys' }
 */
export function upgradeKind(kind: string, did: string): { kind: string; of: string } {
  const remedy = REMEDIES_OF_4.get(REMEDY_OF_4.exec(did)?.[1] ?? '');
  return kind === 'reading' && remedy ? { kind: 'remedy', of: remedy } : { kind, of: '' };
}

/** A job file of an earlier version as one of today; version 5 did not say at which device an entry was written, version 7 kept no variants and said nowhere where a canvas hangs. */
export function upgradeJobFile(file: unknown): unknown {
  if (!isPlain(file) || !isPlain(file.job) || !Array.isArray(file.log)) return file;
  const { version } = file;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1 || version >= SHAPE_VERSION) return file;
  return {
    ...file,
    version: SHAPE_VERSION,
    variants: file.variants ?? [],
    job: { ...file.job, inputs: upgradeInputs(file.job.inputs, version) },
    materials: upgradeMaterials(file.materials),
    log: file.log.map((entry: unknown) => (isPlain(entry) ? upgradeEntry(entry, version) : entry)),
  };
}

function upgradeEntry(entry: Plain, version: number): Plain {
  const readings = Array.isArray(entry.readings)
    ? entry.readings.map((reading: unknown) => upgradeReading(reading, version))
    : entry.readings;
  return {
    device: '',
    hangs: null,
    ...entry,
    ...(version < 5 ? upgradeKind(String(entry.kind), String(entry.did)) : {}),
    readings,
    plan: upgradePlan(entry.plan, version),
  };
}
