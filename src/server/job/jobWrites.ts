/*
 * What can be done with jobs. Each write is one transaction; a refusal changes nothing.
 */
import { isDeepStrictEqual } from 'node:util';
import { type Materials, materialViolations, materialsUnlike, fabricsOf, profilesOf, speciesOf } from '@/core/house/materials';
import { inputsViolations, type JobInputs, newInputs, idText, jobInputsShape } from '@/core/job/job';
import { isPractice } from '@/core/job/practice';
import { recordOf } from '@/core/case/recordOf';
import type { LogEntry } from '@/core/log/logEntry';
import { readAir } from '@/core/log/readAir';
import { type StageId, stageActs, STAGE_IDS } from '@/core/stages/stages';
import type { HouseRules } from '@/core/house/houseRules';
import type { Length } from '@/core/units/length';
import { type JobFile, jobFileShape } from '@/core/file/jobFile';
import { differences } from '@/core/job/differences';
import { upgradeJobFile } from '@/core/file/upgradeJob';
import { paintedStart } from '@/core/painting/paintedStart';
import { withRecommendedBars } from '@/core/stages/bars/planBars';
import type { CoatPlan } from '@/core/stages/prime/CoatPlan';
import { standingEntries } from '@/core/log/jobHistory';
import { type Progress, lockedChanges, missingBefore, progressOf } from '@/core/case/progress';
import { isTakenDown, logViolations } from '@/core/case/logViolations';
import { worstLevel } from '@/core/job/verdict';
import { cutOfJob } from '@/db/clothSheets';
import { isSawn } from '@/db/rackBars';
import { type StoredJob, deleteJob, findJob, insertJob, isArchived, nextNumber, numberTaken, updateInputs } from '@/db/jobs';
import { insertVariant } from '@/db/jobVariants';
import { entryExists, insertLogEntry, logOfJob } from '@/db/logEntries';
import { readRules, writeRules } from '@/db/workshops';
import { airThen } from '../air/airThen';
import { checked } from '../write/checked';
import { readJson } from '../write/readJson';
import { cutOne } from '../cloth/clothWrites';
import { LOOKS_ON, looksOn } from '../network/asking';
import { heldForConservator } from '@/core/case/gate';
import { type JobWithLog, brokenJob, caseOfJob, houseOf, inputsTrouble, openJob } from './jobReading';
import { putGroundBack, takeFromStock } from '../ground/groundTaking';
import { putBackForEntry, takeForEntry } from '../store/storeWrites';
import { type Need, stageNeeds } from '@/core/cost/materialNeeds';
import { type FieldError, type Outcome, type Refusal, done, refuse } from '../write/outcome';
import { seenJob, GONE } from './seenJob';
import { type Workshop, deviceName } from '../workshop';
import { writeDown } from './writeDown';
import { type RequestOf, write } from '../write/write';
import { titleText, faceLength } from '@/core/stages/brief/briefInputs';
import { oneOf, text, flag, part, optional } from '@/core/shape/shape';
import { USES } from '@/core/house/schools';
import { theJob, newJobAgain, jobWithLog } from './jobAgain';
import { revision, ofJob, note } from '../write/asked';
import { VIEWS } from '@/core/job/sideWords';
import { textOf } from '@/core/shape/texts';

interface NewJob extends Pick<JobInputs['brief'], 'title' | 'width' | 'height'>, Partial<Pick<JobInputs['brief'], 'use'>> {}

/** Starts a job; for a blank canvas where nothing else is said. */
export function createJob(workshop: Workshop, { title, width, height, use = 'new' }: NewJob): Outcome<StoredJob> {
  const inputs = firstInputs(title, width, height, readRules(workshop.database).rules);
  return beginJob(workshop, paintedStart({ ...inputs, brief: { ...inputs.brief, use } }, readRules(workshop.database).rules));
}

export const newJob = write({
  asks: { title: titleText, width: faceLength, height: faceLength, use: oneOf(USES) },
  act: createJob,
  ...newJobAgain,
});

/** Puts one job in under the next number. */
export function beginJob({ database, now, newId }: Workshop, inputs: JobInputs): Outcome<StoredJob> {
  const title = inputs.brief.title.trim();
  if (title === '') return refuse('title: give it a title, to find it by.');
  const at = now().toISOString();
  const titled = { ...inputs, brief: { ...inputs.brief, title } };
  const insert = database.transaction(() =>
    insertJob(database, { id: newId(), number: nextNumber(database), createdAt: at, inputs: titled }, at),
  );
  return done(insert.immediate());
}

/** Takes a job out for good on which nothing was recorded yet, whose bars lie uncut and whose cloth is whole. */
export const removeJob = write({
  asks: { jobId: idText, revision },
  act({ database }: Workshop, { jobId, revision }): Outcome<null> {
    const remove = database.transaction((): Outcome<null> => {
      const seen = seenJob(database, { jobId, revision });
      if (!seen.ok) return seen;
      const { number } = seen.value;
      if (logOfJob(database, jobId).length > 0)
        return refuse(`No. ${number} has entries in the log, and the log is kept: a job that was begun stays.`);
      if (isSawn(database, jobId) || cutOfJob(database, jobId))
        return refuse(`For No. ${number} bars were sawn or cloth was cut: it stays, so that it is known what they were for.`);
      deleteJob(database, jobId);
      return done(null);
    });
    return remove.immediate();
  },
  again: () => done(null),
});

/** What a job starts with in this house. */
export function firstInputs(title: string, width: Length, height: Length, rules: HouseRules): JobInputs {
  const fresh = newInputs(title, width, height);
  const { primeEdges: edges, primeBack: back, wetFirst, pulls } = rules.policies;
  return withRecommendedBars(
    { ...fresh, fasten: { ...fresh.fasten, pulls }, prime: { ...fresh.prime, edges, back, wetFirst } },
    rules,
  );
}

/** Saves what was typed, unless somebody saved in between or a recorded step would be changed; who looks on ticks the kit only. */
export const saveInputs = write({
  asks: { jobId: idText, revision, inputs: part('inputs', jobInputsShape) },
  act(workshop: Workshop, { jobId, revision, inputs }): Outcome<StoredJob> {
    const { database, now } = workshop;
    const save = database.transaction((): Outcome<StoredJob> => {
      const seen = seenJob(database, { jobId, revision });
      if (!seen.ok) return seen;
      const before = seen.value;
      if (looksOn(workshop) && !isDeepStrictEqual({ ...before.inputs, kit: [] }, { ...inputs, kit: [] })) return refuse(LOOKS_ON);
      const unknown = unknownMaterial(inputs, readRules(database).rules);
      if (unknown) return unknown;
      const errors = inputsViolations(inputs);
      if (errors.length > 0) return { ok: false, kind: 'invalid', errors };
      const stages = lockedChanges(before.inputs, inputs, progressOf(before.inputs, logOfJob(database, jobId)));
      if (stages.length > 0) return { ok: false, kind: 'locked', stages };
      updateInputs(database, jobId, revision, inputs, now().toISOString());
      return done(findJob(database, jobId)!);
    });
    return save.immediate();
  },
  // Ticks of the kit alone: see there.
  looking: true,
  // Who saved since then is not passed over: a draft goes on from its own save only.
  again: ({ database }, { jobId }, ofId) => {
    const job = findJob(database, jobId);
    if (!job) return GONE;
    return String(job.revision) === ofId ? done(job) : { ok: false, kind: 'stale', theirs: job };
  },
  about: ({ revision }) => String(revision),
});

/** A bar, wood or cloth that the house does not have, as a refusal. */
export function unknownMaterial({ bars, cloth }: JobInputs, rules: HouseRules): Refusal | null {
  if (!profilesOf(rules).some((one) => one.id === bars.profile))
    return refuse(`bars.profile: this house has no bar “${bars.profile}”.`);
  if (!speciesOf(rules).some((one) => one.id === bars.species))
    return refuse(`bars.species: this house has no wood “${bars.species}”.`);
  if (!fabricsOf(rules).some((one) => one.id === cloth.fabric))
    return refuse(`cloth.fabric: this house has no cloth “${cloth.fabric}”.`);
  return null;
}

/** Records the step that stands now: readings, the frozen plan and rules, and the clock it starts. */
export const recordStep = write({
  asks: {
    ...ofJob,
    stage: oneOf(STAGE_IDS),
    note,
    reason: note,
    unit: oneOf(['mm', 'cm', 'in']),
    view: oneOf(VIEWS),
    /** The roll or offcut that a recorded cut is taken from. */
    clothId: optional(idText),
    /** The air that a recorded tension was read in. */
    air: readAir,
  },
  act(workshop: Workshop, dto): Outcome<JobWithLog> {
    const { database, now, newId } = workshop;
    const record = database.transaction((): Outcome<JobWithLog> => {
      const seen = seenJob(database, dto);
      if (!seen.ok) return seen;
      const job = seen.value;
      if (isArchived(database, job.id)) return refuse(`No. ${job.number} is archived: bring it back first.`);
      const found = { job, log: logOfJob(database, dto.jobId) };
      if (isTakenDown(found.log))
        return refuse(`No. ${job.number} was taken down: stretch the painting again as a job of its own.`);
      const made = stepEntry(workshop, found, dto, { id: newId(), at: now() });
      if (!made.ok) return made;
      const uncut = dto.stage === 'cloth' && dto.clothId ? cutOne(workshop, job.id, dto.clothId, dto.maker) : null;
      if (uncut) return uncut;
      const { entry, coat, needs } = made.value;
      insertLogEntry(database, job.id, entry);
      if (coat) takeFromStock(workshop, job, coat, entry);
      takeForEntry(workshop, entry, job.number, needs);
      updateInputs(database, job.id, job.revision, afterRecord(dto.stage, job.inputs), now().toISOString());
      return done(openJob(workshop, job.id)!);
    });
    return record.immediate();
  },
  again: jobWithLog,
});

/** What was measured for one coat is not carried on to the next. */
const afterRecord = (stage: StageId, inputs: JobInputs): JobInputs =>
  stage === 'prime' ? { ...inputs, prime: { ...inputs.prime, mixedMl: null, leftMl: null, waterParts: null } } : inputs;

/** The entry of a step, and the coat that it puts on, if any: what the case of the job says at this moment. */
function stepEntry(
  workshop: Workshop,
  found: JobWithLog,
  request: RequestOf<typeof recordStep>,
  { id, at }: { id: string; at: Date },
): Outcome<{ entry: LogEntry; coat: CoatPlan | undefined; needs: Need[] }> {
  const here = caseOfJob(workshop, found, request);
  const { stage } = request;
  const early = outOfOrder(stage, here.progress);
  if (early) return early;
  const held = heldForConservator(here.verdictsOf(stage));
  if (held) return refuse(`${held.says} ${held.doThis}`);
  if (worstLevel(here.verdictsOf(stage)) === 'stop' && request.reason.trim() === '') {
    return {
      ok: false,
      kind: 'invalid',
      errors: [
        { field: 'reason', says: 'A check says stop. Correct it, or give a reason to continue; it is kept with the record.' },
      ],
    };
  }
  const coat = stage === 'prime' ? here.plan.prime.coats[here.progress.coatsDone] : undefined;
  const entry = recordOf(
    here,
    { ...request, device: deviceName(workshop), air: stage === 'tune' ? airThen(workshop, found.log, request.air) : [] },
    { id, at },
  );
  return done({ entry, coat, needs: stageNeeds(stage, here.plan, here.inputs, here.house.rules) });
}

function outOfOrder(stage: StageId, progress: Progress): Refusal | null {
  if (progress.done.has(stage))
    return refuse(`${stageActs(stage, progress.painted).name} is recorded already. Undo its record first.`);
  if (!progress.run.includes(stage))
    return refuse(
      `${stageActs(stage, progress.painted).name} is no stage of ${progress.painted ? 'painted work' : 'a blank canvas'}.`,
    );
  const missing = missingBefore(stage, progress);
  if (missing.length === 0) return null;
  return refuse(
    `Record ${missing.map((id) => stageActs(id, progress.painted).name.toLowerCase()).join(', ')} first: the order of the work.`,
  );
}

/** Takes a record back with a new entry that points to it; records that built upon it must go first. */
export const withdrawRecord = write({
  asks: { ...ofJob, entryId: idText, reason: textOf('reason') },
  act(workshop: Workshop, dto): Outcome<JobWithLog> {
    const { database, now } = workshop;
    const withdraw = database.transaction((): Outcome<JobWithLog> => {
      const seen = seenJob(database, dto);
      if (!seen.ok) return seen;
      const job = seen.value;
      const log = logOfJob(database, dto.jobId);
      const { records, painted } = progressOf(job.inputs, log);
      const record = standingEntries(log).find((entry) => entry.id === dto.entryId);
      if (!record) return refuse('That record has been taken back already.');
      if (record.kind === 'brought') return refuse(`No. ${job.number} was made elsewhere: that is not taken back.`);
      if (isTakenDown(log))
        return refuse(`No. ${job.number} was taken down, and what came off it is put away: its records stand.`);
      const later = record.kind === 'record' ? records[records.indexOf(record) + 1] : undefined;
      if (later) return refuse(`${stageActs(later.stage, painted).name} was recorded after it: take that back first.`);
      writeDown(workshop, job.id, {
        stage: record.stage,
        step: record.step,
        kind: 'withdrawal',
        maker: dto.maker,
        did: `Taken back: ${record.did}`,
        reason: dto.reason.trim(),
        corrects: record.id,
      });
      putBackForEntry(workshop, record.id, dto.maker);
      putGroundBack(workshop, record.id, dto.maker);
      updateInputs(database, job.id, job.revision, job.inputs, now().toISOString());
      return done(openJob(workshop, job.id)!);
    });
    return withdraw.immediate();
  },
  again: jobWithLog,
});

/** A job that came from elsewhere, and the bar, wood and cloth of it that are others in this house. */
export interface TakenIn extends StoredJob {
  unlike: string[];
}

/** What came in, told beside the house it came into. */
export function takenIn(stored: StoredJob, rules: HouseRules, materials: Materials): TakenIn {
  const { bars, cloth } = stored.inputs;
  return { ...stored, unlike: materialsUnlike({ ...bars, fabric: cloth.fabric }, rules, { materials }) };
}

/** As a new job; which materials are unlike was told with the first answer. */
export const takenInAgain = {
  again: (workshop: Workshop, _request: unknown, ofId: string): Outcome<TakenIn> => {
    const job = theJob(workshop, ofId);
    return job.ok ? done({ ...job.value, unlike: [] }) : job;
  },
  about: ({ id }: TakenIn) => id,
};

/** Takes in a job file: all of it or nothing. A job that is here already is refused; a taken number is moved on. */
export const importJob = write({
  /** `keepBoth`: under ids of its own, beside one that is here already. */
  asks: { text: text(1, 5_000_000), keepBoth: flag() },
  act({ database, now, newId }: Workshop, { text, keepBoth }): Outcome<TakenIn> {
    const read = readJson(text);
    if (!read.ok) return read;
    const file = checked(jobFileShape, 'jobFile', upgradeJobFile(read.value));
    if (!file.ok) return file;
    const { materials, variants, ...whole } = file.value as JobFile;
    // What was practised elsewhere and written out is a canvas like any other here.
    const { job, log } = keepBoth || isPractice(whole.job.id) ? underNewIds(whole, newId) : whole;
    const [wrong] = [
      ...inputsViolations(job.inputs),
      ...materialViolations(materials).map((says) => ({ field: 'materials', says })),
      ...oddIds(file.value as JobFile),
      ...logViolations(job.inputs, log).map(({ index, says }) => ({ field: `log.${index}`, says })),
    ];
    if (wrong) return { ok: false, kind: 'invalid', errors: [wrong] };
    const take = database.transaction((): Outcome<TakenIn> => {
      const here = findJob(database, job.id);
      if (here)
        return {
          ok: false,
          kind: 'here',
          number: here.number,
          compared: {
            // What cannot be read is compared with nothing.
            differs: brokenJob({ database }, here.id) ? [] : differences(here.inputs, job.inputs, readRules(database).rules),
            entries: { here: logOfJob(database, job.id).length, file: log.length },
          },
        };
      const taken = log.find(({ id }) => entryExists(database, id));
      if (taken) return refuse(`The entry ${taken.id} of its log is in this workshop already, with another job.`);
      const { rules, revision } = readRules(database);
      const added = addedMaterials(rules, materials);
      const unknown = unknownMaterial(job.inputs, added ?? rules);
      if (unknown) return unknown;
      const trouble = inputsTrouble(() => job.inputs, { ...houseOf({ database }), rules: added ?? rules });
      if (trouble) return refuse(`This job cannot be worked with: ${trouble}.`);
      if (added) writeRules(database, added, revision);
      const number = numberTaken(database, job.number) ? nextNumber(database) : job.number;
      const stored = insertJob(database, { ...job, number }, now().toISOString());
      for (const entry of log) insertLogEntry(database, job.id, entry, true);
      for (const variant of variants) insertVariant(database, job.id, { ...variant, id: newId() }, now().toISOString());
      return done(takenIn(stored, added ?? rules, materials));
    });
    return take.immediate();
  },
  ...takenInAgain,
});

/** A job and its log as another of the same: every id anew, and what points to one pointing to the new one. */
function underNewIds({ job, log }: Pick<JobFile, 'job' | 'log'>, newId: () => string): Pick<JobFile, 'job' | 'log'> {
  const ids = new Map(log.map(({ id }) => [id, newId()]));
  const entries = log.map((entry) => ({
    ...entry,
    id: ids.get(entry.id)!,
    corrects: entry.corrects === null ? null : (ids.get(entry.corrects) ?? entry.corrects),
  }));
  return { job: { ...job, id: newId() }, log: entries };
}

/** Ids that go into addresses and names: letters, figures, and . _ - between them. */
const SOUND_ID = /^[A-Za-z0-9](?:[A-Za-z0-9._-]{0,62}[A-Za-z0-9])?$/;

function oddIds({ job, log, materials: { profiles, species, fabrics } }: JobFile): FieldError[] {
  const ids = [
    ['job.id', job.id],
    ...log.map(({ id }, index) => [`log.${index}.id`, id]),
    ...Object.entries({ profiles, species, fabrics }).flatMap(([table, rows]) =>
      rows.map(({ id }, index) => [`materials.${table}.${index}.id`, id]),
    ),
  ] as [string, string][];
  return ids.flatMap(([field, id]) =>
    SOUND_ID.test(id) && !(id in Object.prototype)
      ? []
      : [{ field, says: `“${id}” is no id: letters and figures, with . _ or - between them, and at most 64` }],
  );
}

/** The rules of the house with the bars, woods and cloths of a file that it does not have yet; null when there are none. */
export function addedMaterials(rules: HouseRules, { profiles, species, fabrics }: Materials): HouseRules | null {
  const fresh = <R extends { id: string }>(rows: R[], here: R[]) => rows.filter((row) => !here.some((one) => one.id === row.id));
  const added = {
    profiles: fresh(profiles, profilesOf(rules)),
    species: fresh(species, speciesOf(rules)),
    fabrics: fresh(fabrics, fabricsOf(rules)),
  };
  if (added.profiles.length + added.species.length + added.fabrics.length === 0) return null;
  const { materials } = rules;
  return {
    ...rules,
    materials: {
      profiles: [...materials.profiles, ...added.profiles],
      species: [...materials.species, ...added.species],
      fabrics: [...materials.fabrics, ...added.fabrics],
    },
  };
}
