/*
 * Sets: canvases that are planned once and made stage by stage together. Each is a job with its own number, readings and log;
 * what is done for several is done for all of them or for none.
 */
import { arranged, setViolations, usualColumns } from '@/core/set/setLayout';
import { type Carried, carried, rejoined, setPlanOf } from '@/core/set/setPlan';
import { MOST_IN_SET, SET_KINDS, setLayoutShape } from '@/core/set/setShape';
import { withMeasured, MEASURED_STAGES } from '@/core/set/measured';
import { progressOf } from '@/core/case/progress';
import { byId } from '@/core/house/schools';
import { type JobInputs, newInputs, idText } from '@/core/job/job';
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
import { GONE, seenJob } from '../job/seenJob';
import type { Workshop } from '../workshop';
import { write } from '../write/write';
import { titleText, faceLength } from '@/core/stages/brief/briefInputs';
import { revision, tapeLength, maker, note } from '../write/asked';
import { oneOf, listOf, part, optional, numberOf, flag, whole } from '@/core/shape/shape';
import { theJob } from '../job/jobAgain';
import { FEELS } from '@/core/tension/feel';
import { STAGE_IDS } from '@/core/stages/stages';
import { VIEWS } from '@/core/job/sideWords';
import { textOf } from '@/core/shape/texts';

const canvasesSeen = listOf(part('canvasSeen', { jobId: idText, revision }), MOST_IN_SET, [], { least: 1 });
const howMany = whole(1, MOST_IN_SET);

export const NO_SET: Refusal = refuse('This set is not in the workshop any more: go back to the bench.');
const CHANGED: Refusal = refuse('The set was changed elsewhere in between: look at it again.');

/** The sound canvases of a set, in its order. */
export const canvasesOf = (workshop: Pick<Workshop, 'database'>, setId: string): StoredJob[] =>
  jobsOfSet(workshop.database, setId).flatMap((id) => (brokenJob(workshop, id) ? [] : (findJob(workshop.database, id) ?? [])));

const theSetAgain = {
  again: ({ database }: Workshop, _request: unknown, ofId: string) => {
    const set = findJobSet(database, ofId);
    return set ? done(set) : NO_SET;
  },
  about: ({ id }: JobSet) => id,
};

/** Starts a set: its plan is made by the largest face, and every canvas is braced as its own face asks. */
export const createSet = write({
  asks: {
    title: titleText,
    kind: oneOf(SET_KINDS),
    faces: listOf(part('face', { width: faceLength, height: faceLength }), MOST_IN_SET, [], { least: 2 }),
    layout: part('setLayout', setLayoutShape),
  },
  act(workshop: Workshop, { title, kind, faces, layout }): Outcome<JobSet> {
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
  },
  ...theSetAgain,
});

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
export const copyJob = write({
  asks: { jobId: idText, title: titleText, count: howMany },
  act(workshop: Workshop, { jobId, title, count }): Outcome<Begun> {
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
  },
  again: (workshop, _request, ofId) => done(begun(workshop, ofId)),
  about: ({ jobId }) => jobId,
});

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
export const growSet = write({
  asks: { setId: idText, revision, count: howMany },
  act({ database, now, newId }: Workshop, { setId, revision, count }): Outcome<JobSet> {
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
  },
  ...theSetAgain,
});

const placesTrouble = (faces: readonly { width: Length; height: Length }[], layout: JobSet['layout']): Refusal | null => {
  if (layout.free.length !== 0 && layout.free.length !== faces.length)
    return refuse(`layout.free: ${layout.free.length} places for ${faces.length} canvases: give one to each, or none.`);
  const sizes = faces.map(({ width, height }) => ({ widthMm: width.mm, heightMm: height.mm }));
  const [over] = setViolations(arranged(sizes, layout));
  return over ? refuse(`layout: places ${over} Move them apart.`) : null;
};

/** Sets what a set is called and how its canvases hang. */
export const changeSet = write({
  asks: { setId: idText, revision, title: titleText, layout: part('setLayout', setLayoutShape) },
  act({ database }: Workshop, { setId, revision, title, layout }): Outcome<JobSet> {
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
  },
  ...theSetAgain,
});

/** What a change of the plan did to one canvas. */
export interface CarriedTo extends Omit<Carried, 'inputs'> {
  number: number;
}

/** Takes the plan of one canvas as that of its set: all that followed go along, what departed or is recorded stays. */
export const planSetBy = write({
  asks: { setId: idText, setRevision: revision, jobId: idText, revision },
  act(workshop: Workshop, dto): Outcome<CarriedTo[]> {
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
  },
  again: () => done([]),
});

/** Lets a canvas that departed follow its set again, wherever nothing is recorded of it. */
export const rejoinSet = write({
  asks: { jobId: idText, revision },
  act(workshop: Workshop, dto): Outcome<StoredJob> {
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
  },
  again: (workshop, { jobId }) => theJob(workshop, jobId),
});

/** Saves what was measured on one canvas, as its own page would. */
export const typeMeasured = write({
  asks: {
    jobId: idText,
    revision,
    stage: oneOf(MEASURED_STAGES),
    down: optional(tapeLength),
    up: optional(tapeLength),
    lift: optional(tapeLength),
    feel: optional(oneOf(FEELS)),
    weighedKg: optional(numberOf('mass')),
  },
  act(workshop: Workshop, dto): Outcome<StoredJob> {
    const { jobId, revision, stage, ...measured } = dto;
    const seen = seenJob(workshop.database, dto);
    if (!seen.ok) return seen;
    return saveInputs.act(workshop, { jobId, revision, inputs: withMeasured(seen.value.inputs, stage, measured) });
  },
  again: (workshop, { jobId }) => theJob(workshop, jobId),
});

/** Records one stage of several canvases: one entry for each, all or none. */
export const recordTogether = write({
  asks: {
    canvases: canvasesSeen,
    stage: oneOf(STAGE_IDS),
    maker,
    note,
    reason: note,
    unit: oneOf(['mm', 'cm', 'in']),
    view: oneOf(VIEWS),
  },
  act: (workshop: Workshop, { canvases, ...step }): Outcome<number> =>
    allOrNone(
      workshop.database,
      canvases,
      (seen) => recordStep.act(workshop, { ...step, ...seen, clothId: null, air: null }),
      () => done(canvases.length),
    ),
  again: (_workshop, { canvases }) => done(canvases.length),
});

/** Takes several records back, all or none. */
export const withdrawTogether = write({
  asks: {
    entries: listOf(part('entrySeen', { jobId: idText, revision, entryId: idText }), MOST_IN_SET, [], { least: 1 }),
    maker,
    reason: textOf('reason'),
  },
  act: (workshop: Workshop, { entries, maker, reason }): Outcome<number> =>
    allOrNone(
      workshop.database,
      entries,
      (seen) => withdrawRecord.act(workshop, { ...seen, maker, reason }),
      () => done(entries.length),
    ),
  again: (_workshop, { entries }) => done(entries.length),
});

/** Puts canvases out of every list but the log, or back; all or none. */
export const archiveJobs = write({
  asks: { canvases: canvasesSeen, archived: flag() },
  act: ({ database }: Workshop, { canvases, archived }): Outcome<number> =>
    allOrNone(
      database,
      canvases,
      (seen): Outcome<null> => {
        const found = seenJob(database, seen);
        if (!found.ok) return found;
        if (archived && logOfJob(database, seen.jobId).length === 0)
          return refuse('nothing is recorded of it: delete it instead.');
        setArchived(database, seen.jobId, seen.revision, archived);
        return done(null);
      },
      () => done(canvases.length),
    ),
  again: (_workshop, { canvases }) => done(canvases.length),
});
