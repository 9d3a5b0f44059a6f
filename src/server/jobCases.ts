/*
 * What can be done with jobs. Each write is one transaction; a refusal changes nothing.
 */
import { type Materials, materialViolations, fabricsOf, profilesOf, speciesOf } from '@/core/house/materials';
import type { JobInputs } from '@/core/job/job';
import { inputsViolations, newInputs } from '@/core/job/job';
import type { LogEntry } from '@/core/log/logEntry';
import { type StageId, stageById } from '@/core/stages/stages';
import type { HouseRules } from '@/core/house/houseRules';
import type { Length } from '@/core/units/length';
import { type JobFile, jobFileShape } from '@/core/file/jobFile';
import { upgradeJobFile } from '@/core/file/upgradeJob';
import { withRecommendedBars } from '@/core/stages/bars/planBars';
import type { CoatPlan } from '@/core/stages/prime/CoatPlan';
import { standingEntries } from '@/core/log/jobHistory';
import { type Progress, lockedChanges, missingBefore, progressOf } from '@/core/case/progress';
import { worstLevel } from '@/core/job/verdict';
import { type StoredJob, findJob, insertJob, nextNumber, numberTaken, updateInputs } from '@/db/jobs';
import { insertLogEntry, logOfJob } from '@/db/logEntries';
import { readRules, writeRules } from '@/db/workshops';
import { checked } from './checked';
import { cutOne } from './clothCases';
import { type JobWithLog, caseOfJob, houseOf, inputsTrouble, openJob } from './jobReading';
import { takeFromStock } from './groundTaking';
import { type Outcome, type Refusal, done, refuse } from './outcome';
import { seenJob } from './seenJob';
import type { Request } from './requests';
import type { Workshop } from './workshop';

export function createJob({ database, now, newId }: Workshop, { title, width, height }: Request<'newJob'>): Outcome<StoredJob> {
  const at = now().toISOString();
  const insert = database.transaction(() =>
    insertJob(
      database,
      {
        id: newId(),
        number: nextNumber(database),
        createdAt: at,
        inputs: firstInputs(title.trim(), width, height, readRules(database).rules),
      },
      at,
    ),
  );
  return done(insert.immediate());
}

/** What a job starts with in this house. */
function firstInputs(title: string, width: Length, height: Length, rules: HouseRules): JobInputs {
  const fresh = newInputs(title, width, height);
  const { primeEdges: edges, primeBack: back, wetFirst } = rules.policies;
  return withRecommendedBars({ ...fresh, prime: { ...fresh.prime, edges, back, wetFirst } }, rules);
}

/** Saves what was typed, unless somebody saved in between or a recorded step would be changed. */
export function saveInputs({ database, now }: Workshop, { jobId, revision, inputs }: Request<'saveInputs'>): Outcome<StoredJob> {
  const save = database.transaction((): Outcome<StoredJob> => {
    const seen = seenJob(database, { jobId, revision });
    if (!seen.ok) return seen;
    const before = seen.value;
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
}

/** A bar, wood or cloth that the house does not have, as a refusal. */
function unknownMaterial({ bars, cloth }: JobInputs, rules: HouseRules): Refusal | null {
  if (!profilesOf(rules).some((one) => one.id === bars.profile))
    return refuse(`bars.profile: this house has no bar “${bars.profile}”.`);
  if (!speciesOf(rules).some((one) => one.id === bars.species))
    return refuse(`bars.species: this house has no wood “${bars.species}”.`);
  if (!fabricsOf(rules).some((one) => one.id === cloth.fabric))
    return refuse(`cloth.fabric: this house has no cloth “${cloth.fabric}”.`);
  return null;
}

/** Records the step that stands now: readings, the frozen plan and rules, and the clock it starts. */
export function recordStep(workshop: Workshop, dto: Request<'recordStep'>): Outcome<JobWithLog> {
  const { database, now, newId } = workshop;
  const record = database.transaction((): Outcome<JobWithLog> => {
    const seen = seenJob(database, dto);
    if (!seen.ok) return seen;
    const job = seen.value;
    const found = { job, log: logOfJob(database, dto.jobId) };
    const made = stepEntry(workshop, found, dto, { id: newId(), at: now() });
    if (!made.ok) return made;
    const uncut = dto.stage === 'cloth' && dto.clothId ? cutOne(workshop, job.id, dto.clothId, dto.maker) : null;
    if (uncut) return uncut;
    const { entry, coat } = made.value;
    insertLogEntry(database, job.id, entry);
    if (coat) takeFromStock(workshop, job, coat, dto.maker);
    updateInputs(database, job.id, job.revision, afterRecord(dto.stage, job.inputs), now().toISOString());
    return done(openJob(workshop, job.id)!);
  });
  return record.immediate();
}

/** What was measured for one coat is not carried on to the next. */
const afterRecord = (stage: StageId, inputs: JobInputs): JobInputs =>
  stage === 'prime' ? { ...inputs, prime: { ...inputs.prime, mixedMl: null, leftMl: null, waterParts: null } } : inputs;

/** The entry of a step, and the coat that it puts on, if any: what the case of the job says at this moment. */
function stepEntry(
  workshop: Workshop,
  found: JobWithLog,
  request: Request<'recordStep'>,
  { id, at }: { id: string; at: Date },
): Outcome<{ entry: LogEntry; coat: CoatPlan | undefined }> {
  const here = caseOfJob(workshop, found, request);
  const { stage } = request;
  const early = outOfOrder(stage, here.progress);
  if (early) return early;
  const { answer, answerNote, setsMinutes, readings } = here.plan[stage];
  const verdicts = here.verdictsOf(stage);
  const reason = request.reason.trim();
  if (worstLevel(verdicts) === 'stop' && reason === '') {
    return {
      ok: false,
      kind: 'invalid',
      errors: [{ field: 'reason', says: 'A verdict says stop. Put it right, or say why you go on: it is kept with the record.' }],
    };
  }
  const { coatsDone } = here.progress;
  const coat = stage === 'prime' ? here.plan.prime.coats[coatsDone] : undefined;
  const entry: LogEntry = {
    id,
    stage,
    step: coat ? coatsDone : null,
    kind: 'record',
    of: '',
    at: at.toISOString(),
    maker: request.maker,
    did: coat ? coat.name : `${stageById(stage).name}: ${answer}`,
    note: request.note.trim(),
    reason,
    corrects: null,
    readyAt: setsMinutes === null ? null : new Date(at.getTime() + setsMinutes * 60_000).toISOString(),
    readings,
    plan: {
      answer,
      answerNote,
      verdicts,
      inputs: found.job.inputs,
      rules: here.house.rules,
      taught: here.taught,
      view: here.viewOf(stage),
    },
  };
  return done({ entry, coat });
}

function outOfOrder(stage: StageId, progress: Progress): Refusal | null {
  if (progress.done.has(stage)) return refuse(`${stageById(stage).name} is recorded already. Take the record back first.`);
  const missing = missingBefore(stage, progress);
  if (missing.length === 0) return null;
  return refuse(`Record ${missing.map((id) => stageById(id).name.toLowerCase()).join(', ')} first: the order of the work.`);
}

/** Takes a record back with a new entry that points to it; records that built upon it must go first. */
export function withdrawRecord(workshop: Workshop, dto: Request<'withdraw'>): Outcome<JobWithLog> {
  const { database, now, newId } = workshop;
  const withdraw = database.transaction((): Outcome<JobWithLog> => {
    const seen = seenJob(database, dto);
    if (!seen.ok) return seen;
    const job = seen.value;
    const log = logOfJob(database, dto.jobId);
    const { records } = progressOf(job.inputs, log);
    const record = standingEntries(log).find((entry) => entry.id === dto.entryId);
    if (!record) return refuse('That record has been taken back already.');
    const later = record.kind === 'record' ? records[records.indexOf(record) + 1] : undefined;
    if (later) return refuse(`${stageById(later.stage).name} was recorded after it: take that back first.`);
    insertLogEntry(database, job.id, {
      id: newId(),
      stage: record.stage,
      step: record.step,
      kind: 'withdrawal',
      of: '',
      at: now().toISOString(),
      maker: dto.maker,
      did: `Taken back: ${record.did}`,
      note: '',
      reason: dto.reason.trim(),
      corrects: record.id,
      readyAt: null,
      readings: [],
      plan: null,
    });
    updateInputs(database, job.id, job.revision, job.inputs, now().toISOString());
    return done(openJob(workshop, job.id)!);
  });
  return withdraw.immediate();
}

/** Takes in a job file: all of it or nothing. A job that is here already is refused; a taken number is moved on. */
export function importJob({ database, now }: Workshop, text: string): Outcome<StoredJob> {
  let plain: unknown;
  try {
    plain = upgradeJobFile(JSON.parse(text));
  } catch (error) {
    return refuse(`This is not JSON: ${(error as Error).message}.`);
  }
  const file = checked(jobFileShape, 'jobFile', plain);
  if (!file.ok) return file;
  const { job, log, materials } = file.value as JobFile;
  const [wrong] = [
    ...inputsViolations(job.inputs),
    ...materialViolations(materials).map((says) => ({ field: 'materials', says })),
  ];
  if (wrong) return { ok: false, kind: 'invalid', errors: [wrong] };
  const take = database.transaction((): Outcome<StoredJob> => {
    const here = findJob(database, job.id);
    if (here) return refuse(`This job is here already, as No. ${here.number}.`);
    const broken = brokenLink(log);
    if (broken) return broken;
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
    return done(stored);
  });
  try {
    return take.immediate();
  } catch (error) {
    return refuse(`Nothing was taken in: ${(error as Error).message}.`);
  }
}

/** The rules of the house with the bars, woods and cloths of a file that it does not have yet; null when there are none. */
function addedMaterials(rules: HouseRules, { profiles, species, fabrics }: Materials): HouseRules | null {
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

function brokenLink(log: LogEntry[]): Refusal | null {
  const seen = new Set<string>();
  for (const [index, entry] of log.entries()) {
    if ((entry.kind === 'withdrawal') !== (entry.corrects !== null))
      return refuse(`log.${index}: a withdrawal points to a record, a record to none.`);
    if (entry.corrects !== null && !seen.has(entry.corrects))
      return refuse(`log.${index}.corrects: no earlier entry ${entry.corrects}.`);
    seen.add(entry.id);
  }
  return null;
}
