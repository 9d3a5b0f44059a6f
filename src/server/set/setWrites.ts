/*
 * Sets: canvases that are planned once and made stage by stage together. Each is a job with its own number, readings and log;
 * what is done for several is done for all of them or for none.
 */
import { arranged, setViolations, usualColumns } from '@/core/set/setLayout';
import { type Carried, carried, rejoined, setPlanOf } from '@/core/set/setPlan';
import { MOST_IN_SET, SET_KINDS } from '@/core/set/setShape';
import { withMeasured } from '@/core/set/measured';
import { progressOf } from '@/core/case/progress';
import { byId } from '@/core/house/schools';
import { type JobInputs, newInputs } from '@/core/job/job';
import { numberedTitles, planOnly } from '@/core/job/planOnly';
import { withRecommendedBars } from '@/core/stages/bars/planBars';
import { type Length, length } from '@/core/units/length';
import { type JobSet, findJobSet, insertJobSet, joinSet, jobsOfSet, setOfJob, updateJobSet } from '@/db/jobSets';
import { type StoredJob, findJob, insertJob, nextNumber, setArchived, updateInputs } from '@/db/jobs';
import { logOfJob } from '@/db/logEntries';
import { readRules } from '@/db/workshops';
import { allOrNone } from '../write/allOrNone';
import { beginJob, firstInputs, recordStep, saveInputs, unknownMaterial, withdrawRecord } from '../job/jobWrites';
import { brokenJob } from '../job/jobReading';
import { type Outcome, type Refusal, done, refuse } from '../write/outcome';
import type { Request } from '../requests';
import { GONE, seenJob } from '../job/seenJob';
import type { Workshop } from '../workshop';

export const NO_SET: Refusal = refuse('This set is not in the workshop any more: go back to the bench.');
const CHANGED: Refusal = refuse('The set was changed elsewhere in between: look at it again.');

/** The sound canvases of a set, in its order. */
export const canvasesOf = (workshop: Pick<Workshop, 'database'>, setId: string): StoredJob[] =>
  jobsOfSet(workshop.database, setId).flatMap((id) => (brokenJob(workshop, id) ? [] : (findJob(workshop.database, id) ?? [])));

/** Starts a set: its plan is made by the largest face, and every canvas is braced as its own face asks. */
export function createSet(workshop: Workshop, { title, kind, faces, layout }: Request<'newSet'>): Outcome<JobSet> {
  const { database } = workshop;
  const { rules } = readRules(database);
  const wrong = placesTrouble(faces, layout);
  if (wrong) return wrong;
  if (
    byId(SET_KINDS, kind).oneFace &&
    faces.some(({ width, height }) => width.mm !== faces[0]!.width.mm || height.mm !== faces[0]!.height.mm)
  )
    return refuse('faces: canvases that are all the same have one face; take panels or a series for several.');
  const [largest] = [...faces].sort((a, b) => b.width.mm * b.height.mm - a.width.mm * a.height.mm);
  const fresh = firstInputs(title.trim(), largest!.width, largest!.height, rules);
  const { edges } = byId(SET_KINDS, kind);
  const plan: JobInputs = edges ? { ...fresh, brief: { ...fresh.brief, edges } } : fresh;
  const members = faces.map(({ width, height }) => facedAs(plan, width, height, workshop));
  return beginSet(workshop, { title, kind, layout, inputs: setPlanOf(plan, title.trim()) }, members);
}

/** A plan on another face: its own braces, its own way of the cloth. */
function facedAs(plan: JobInputs, width: Length, height: Length, { database }: Pick<Workshop, 'database'>): JobInputs {
  if (width.mm === plan.brief.width.mm && height.mm === plan.brief.height.mm) return plan;
  const faced = {
    ...plan,
    brief: { ...plan.brief, width, height },
    cloth: { ...plan.cloth, warp: newInputs('', width, height).cloth.warp },
  };
  const { bracesUpright, bracesLevel } = withRecommendedBars(faced, readRules(database).rules).bars;
  return { ...faced, bars: { ...faced.bars, bracesUpright, bracesLevel } };
}

/** What was begun: the first of it, and the set where there are several. */
export interface Begun {
  jobId: string;
  setId: string | null;
}

export const begun = ({ database }: Pick<Workshop, 'database'>, jobId: string): Begun => ({
  jobId,
  setId: setOfJob(database, jobId)?.id ?? null,
});

/** Starts canvases by the plan of one that there is, without anything that was read or done on it; several are a set. */
export function copyJob(workshop: Workshop, { jobId, title, count }: Request<'copyJob'>): Outcome<Begun> {
  const { database } = workshop;
  const job = brokenJob(workshop, jobId) ? null : findJob(database, jobId);
  if (!job) return GONE;
  const unknown = unknownMaterial(job.inputs, readRules(database).rules);
  if (unknown) return unknown;
  const inputs = planOnly(job.inputs, title);
  const first = count === 1 ? beginJob(workshop, inputs) : null;
  if (first) return first.ok ? done(begun(workshop, first.value.id)) : first;
  const members = Array.from({ length: count }, () => inputs);
  const columns = usualColumns(
    members.map(({ brief }) => brief),
    'same',
  );
  const set = beginSet(
    workshop,
    { title, kind: 'same', layout: { columns, gap: length(100), align: 'middle', free: [] }, inputs: setPlanOf(inputs, title) },
    members,
  );
  return set.ok ? done(begun(workshop, jobsOfSet(database, set.value.id)[0]!)) : set;
}

function beginSet(
  { database, now, newId }: Workshop,
  set: Omit<JobSet, 'id' | 'revision'>,
  members: readonly JobInputs[],
): Outcome<JobSet> {
  const title = set.title.trim();
  if (title === '') return refuse('title: give it a title, to find it by.');
  const at = now().toISOString();
  const begin = database.transaction(() => {
    const id = newId();
    insertJobSet(database, { ...set, title, id }, at);
    numberedTitles(title, members.length).forEach((own, place) => {
      const inputs = members[place]!;
      const titled = { ...inputs, brief: { ...inputs.brief, title: own } };
      const job = insertJob(database, { id: newId(), number: nextNumber(database), createdAt: at, inputs: titled }, at);
      joinSet(database, job.id, id, place);
    });
    return done(findJobSet(database, id)!);
  });
  return begin.immediate();
}

/** More canvases by the plan of a set, after those that it has. */
export function growSet({ database, now, newId }: Workshop, { setId, revision, count }: Request<'growSet'>): Outcome<JobSet> {
  const grow = database.transaction((): Outcome<JobSet> => {
    const set = findJobSet(database, setId);
    if (!set) return NO_SET;
    if (set.revision !== revision) return CHANGED;
    const here = jobsOfSet(database, setId).length;
    if (here + count > MOST_IN_SET) return refuse(`A set has at most ${MOST_IN_SET} canvases; this one has ${here}.`);
    const at = now().toISOString();
    for (let place = here; place < here + count; place += 1) {
      const brief = { ...set.inputs.brief, title: `${set.title.slice(0, 100)}, ${place + 1}` };
      const job = insertJob(
        database,
        { id: newId(), number: nextNumber(database), createdAt: at, inputs: { ...set.inputs, brief } },
        at,
      );
      joinSet(database, job.id, setId, place);
    }
    // Places of their own hold for a number of canvases: with more of them they hang in rows again.
    updateJobSet(database, { ...set, layout: { ...set.layout, free: [] } });
    return done(findJobSet(database, setId)!);
  });
  return grow.immediate();
}

const placesTrouble = (faces: readonly { width: Length; height: Length }[], layout: JobSet['layout']): Refusal | null => {
  if (layout.free.length !== 0 && layout.free.length !== faces.length)
    return refuse(`layout.free: ${layout.free.length} places for ${faces.length} canvases: give one to each, or none.`);
  const sizes = faces.map(({ width, height }) => ({ widthMm: width.mm, heightMm: height.mm }));
  const [over] = setViolations(arranged(sizes, layout));
  return over ? refuse(`layout: places ${over} Move them apart.`) : null;
};

/** Sets what a set is called and how its canvases hang. */
export function changeSet({ database }: Workshop, { setId, revision, title, layout }: Request<'changeSet'>): Outcome<JobSet> {
  const change = database.transaction((): Outcome<JobSet> => {
    const set = findJobSet(database, setId);
    if (!set) return NO_SET;
    if (title.trim() === '') return refuse('title: give it a title, to find it by.');
    const faces = canvasesOf({ database }, setId).map(({ inputs }) => inputs.brief);
    const wrong = placesTrouble(faces, layout);
    if (wrong) return wrong;
    return updateJobSet(database, { ...set, title: title.trim(), layout, revision })
      ? done(findJobSet(database, setId)!)
      : CHANGED;
  });
  return change.immediate();
}

/** What a change of the plan did to one canvas. */
export interface CarriedTo extends Omit<Carried, 'inputs'> {
  number: number;
}

/** Takes the plan of one canvas as that of its set: all that followed go along, what departed or is recorded stays. */
export function planSetBy(workshop: Workshop, dto: Request<'planSetBy'>): Outcome<CarriedTo[]> {
  const { database, now } = workshop;
  const plan = database.transaction((): Outcome<CarriedTo[]> => {
    const seen = seenJob(database, dto);
    if (!seen.ok) return seen;
    const set = findJobSet(database, dto.setId);
    if (!set || setOfJob(database, dto.jobId)?.id !== set.id) return NO_SET;
    if (set.revision !== dto.setRevision) return CHANGED;
    const to = setPlanOf(seen.value.inputs, set.inputs.brief.title);
    const told = canvasesOf(workshop, set.id)
      .filter(({ id }) => id !== dto.jobId)
      .map((job) => {
        const progress = progressOf(job.inputs, logOfJob(database, job.id));
        const { inputs, changed, kept } = carried(set.inputs, to, job.inputs, set.kind, progress);
        if (changed.length > 0) updateInputs(database, job.id, job.revision, inputs, now().toISOString());
        return { number: job.number, changed, kept };
      });
    updateJobSet(database, { ...set, inputs: to });
    return done(told);
  });
  return plan.immediate();
}

/** Lets a canvas that departed follow its set again, wherever nothing is recorded of it. */
export function rejoinSet(workshop: Workshop, dto: Request<'rejoinSet'>): Outcome<StoredJob> {
  const { database, now } = workshop;
  const rejoin = database.transaction((): Outcome<StoredJob> => {
    const seen = seenJob(database, dto);
    if (!seen.ok) return seen;
    const job = seen.value;
    const of = setOfJob(database, job.id);
    const set = of && findJobSet(database, of.id);
    if (!set) return NO_SET;
    const { inputs } = rejoined(set.inputs, job.inputs, set.kind, progressOf(job.inputs, logOfJob(database, job.id)));
    updateInputs(database, job.id, job.revision, inputs, now().toISOString());
    return done(findJob(database, job.id)!);
  });
  return rejoin.immediate();
}

/** Saves what was measured on one canvas, as its own page would. */
export function typeMeasured(workshop: Workshop, dto: Request<'typeMeasured'>): Outcome<StoredJob> {
  const { jobId, revision, stage, ...measured } = dto;
  const seen = seenJob(workshop.database, dto);
  if (!seen.ok) return seen;
  return saveInputs(workshop, { jobId, revision, inputs: withMeasured(seen.value.inputs, stage, measured) });
}

/** Records one stage of several canvases: one entry for each, all or none. */
export const recordTogether = (workshop: Workshop, { canvases, ...step }: Request<'recordTogether'>): Outcome<number> =>
  allOrNone(
    workshop.database,
    canvases,
    (seen) => recordStep(workshop, { ...step, ...seen, clothId: null }),
    () => done(canvases.length),
  );

/** Takes several records back, all or none. */
export const withdrawTogether = (workshop: Workshop, { entries, maker, reason }: Request<'withdrawTogether'>): Outcome<number> =>
  allOrNone(
    workshop.database,
    entries,
    (seen) => withdrawRecord(workshop, { ...seen, maker, reason }),
    () => done(entries.length),
  );

/** Puts canvases out of every list but the log, or back; all or none. */
export const archiveJobs = ({ database }: Workshop, { canvases, archived }: Request<'archive'>): Outcome<number> =>
  allOrNone(
    database,
    canvases,
    (seen): Outcome<null> => {
      const found = seenJob(database, seen);
      if (!found.ok) return found;
      if (archived && logOfJob(database, seen.jobId).length === 0) return refuse('nothing is recorded of it: delete it instead.');
      setArchived(database, seen.jobId, seen.revision, archived);
      return done(null);
    },
    () => done(canvases.length),
  );
