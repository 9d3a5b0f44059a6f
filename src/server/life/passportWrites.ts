/* Passports: given away with a canvas, and read in as a canvas that was made elsewhere. */
import { logViolations } from '@/core/case/logViolations';
import { GOES_ALONG, type Passport, passportOf, passportShape } from '@/core/life/passport';
import { materialViolations } from '@/core/house/materials';
import { inputsViolations } from '@/core/job/job';
import { type LogEntry } from '@/core/log/logEntry';
import { reading } from '@/core/log/reading';
import { upgradeInputs } from '@/core/file/upgradeJob';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import type { Tape } from '@/core/units/length';
import { broughtAs, insertLogEntry } from '@/db/logEntries';
import { findJob, insertJob, nextNumber } from '@/db/jobs';
import { readRules, writeRules } from '@/db/workshops';
import { checked } from '../write/checked';
import { type TakenIn, addedMaterials, takenIn, unknownMaterial, takenInAgain } from '../job/jobWrites';
import { caseOfJob, houseOf, inputsTrouble, openJob } from '../job/jobReading';
import { type Outcome, done, refuse } from '../write/outcome';
import { readJson } from '../write/readJson';
import { EMPTY_ENTRY } from '../job/writeDown';
import { type Workshop, deviceName } from '../workshop';
import { write } from '../write/write';
import { text } from '@/core/shape/shape';
import { maker } from '../write/asked';

/** The passport of a canvas as it stands; a sentence where it has none. */
export function passport(workshop: Workshop, id: string, unit: Tape['unit'] = 'mm'): Passport | string {
  const found = openJob(workshop, id);
  if (!found) return 'No such canvas.';
  const here = caseOfJob(workshop, found, { unit, view: 'front' });
  if (!here.progress.done.has('fasten')) return 'It is not stretched yet: a passport goes with a canvas that is.';
  return passportOf(here, found.log, found.job, readRules(workshop.database).rules.materials);
}

/** Versions whose passports are read. */
const FIRST_VERSION = 8;

function upgraded(plain: unknown): unknown {
  if (typeof plain !== 'object' || plain === null || Array.isArray(plain)) return plain;
  const { version, inputs } = plain as { version?: unknown; inputs?: unknown };
  if (typeof version !== 'number' || version < FIRST_VERSION || version >= SHAPE_VERSION) return plain;
  return { ...plain, version: SHAPE_VERSION, inputs: upgradeInputs(inputs, version) };
}

/** Takes in a passport: all of it or nothing. A canvas that was made here, or came already, is refused with its number. */
export const takePassport = write({
  asks: { text: text(1, 5_000_000), maker },
  act(workshop: Workshop, { text, maker }): Outcome<TakenIn> {
    const { database, now, newId } = workshop;
    const read = readJson(text);
    if (!read.ok) return read;
    const file = checked(passportShape, 'passport', upgraded(read.value));
    if (!file.ok) return file;
    const { made, inputs, materials, dryGroundGPerM2, life } = file.value as Passport;
    const brought: LogEntry = {
      ...EMPTY_ENTRY,
      id: newId(),
      stage: 'handover',
      kind: 'brought',
      of: made.id,
      at: made.at,
      maker,
      device: deviceName(workshop),
      did: `Made elsewhere: ${made.workshop || 'another workshop'}, No. ${made.number}; taken in ${now().toISOString().slice(0, 10)}`,
      readings:
        dryGroundGPerM2 > 0
          ? [
              reading('dryGround', dryGroundGPerM2, 'g/m²', {
                precision: 0.2 * dryGroundGPerM2,
                tool: 'passport',
                known: 'reckoned',
              }),
            ]
          : [],
    };
    const ids = new Map(life.map(({ id }) => [id, newId()]));
    const log = [brought, ...life.map((entry) => ({ ...entry, id: ids.get(entry.id)!, corrects: null, plan: null }))];
    const [wrong] = [
      ...inputsViolations(inputs),
      ...materialViolations(materials).map((says) => ({ field: 'materials', says })),
      ...life.flatMap(({ kind }, index) =>
        GOES_ALONG.includes(kind) ? [] : [{ field: `life.${index}`, says: `a ${kind} does not go along with a canvas` }],
      ),
      ...logViolations(inputs, log).map(({ index, says }) => ({ field: `life.${index - 1}`, says })),
    ];
    if (wrong) return { ok: false, kind: 'invalid', errors: [wrong] };
    const take = database.transaction((): Outcome<TakenIn> => {
      const here = findJob(database, made.id);
      if (here) return refuse(`This canvas was made here: it is No. ${here.number}.`);
      const before = broughtAs(database, made.id);
      if (before !== null) return refuse(`This canvas was imported already: it is No. ${before}.`);
      const { rules, revision } = readRules(database);
      const added = addedMaterials(rules, materials);
      const unknown = unknownMaterial(inputs, added ?? rules);
      if (unknown) return unknown;
      const trouble = inputsTrouble(() => inputs, { ...houseOf({ database }), rules: added ?? rules });
      if (trouble) return refuse(`This canvas cannot be worked with: ${trouble}.`);
      if (added) writeRules(database, added, revision);
      const at = now().toISOString();
      const stored = insertJob(database, { id: newId(), number: nextNumber(database), createdAt: made.at, inputs }, at);
      for (const entry of log) insertLogEntry(database, stored.id, entry, true);
      return done(takenIn(stored, added ?? rules, materials));
    });
    return take.immediate();
  },
  ...takenInAgain,
});
