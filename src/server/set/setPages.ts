/* A set as its page shows it: every canvas as the case of its job, the sheet of one stage, the panels against one another. */
import { type Difference, differences } from '@/core/job/differences';
import { type JobCase, caseOf } from '@/core/case/jobCase';
import type { NextStep } from '@/core/case/nextStep';
import { missingBefore } from '@/core/case/progress';
import { profileOf } from '@/core/house/materials';
import { USES, byId } from '@/core/house/schools';
import type { JobInputs } from '@/core/job/job';
import type { Verdict } from '@/core/job/verdict';
import { type Measured, measuredOf } from '@/core/set/measured';
import { panelVerdicts } from '@/core/set/panelVerdicts';
import { arranged } from '@/core/set/setLayout';
import { departures } from '@/core/set/setPlan';
import { SET_KINDS } from '@/core/set/setShape';
import { type SetTally, setTally } from '@/core/set/setTally';
import { type StageId, runOf, stageActs } from '@/core/stages/stages';
import type { Tape } from '@/core/units/length';
import { type JobSet, findJobSet, setOfJob } from '@/db/jobSets';
import { type StoredJob, isArchived } from '@/db/jobs';
import { logOfJob } from '@/db/logEntries';
import { houseOf } from '../job/jobReading';
import { canvasesOf } from './setWrites';
import type { Workshop } from '../workshop';

/** What the sheet of a stage says of one canvas. */
export interface SheetRow {
  /** `early`: a stage before it is missing. */
  state: 'ready' | 'waiting' | 'early' | 'recorded';
  /** Why it cannot be recorded yet; empty where it can. */
  why: string;
  /** What is planned, or was recorded: "559 × 459 mm". */
  answer: string;
  verdicts: Verdict[];
  /** The record it stands by: of priming the last coat. */
  record: { entryId: string; at: string; maker: string; did: string } | null;
}

export interface SetCanvas {
  jobId: string;
  number: number;
  title: string;
  revision: number;
  widthMm: number;
  heightMm: number;
  bars: Pick<JobInputs['bars'], 'profile' | 'joint' | 'bracesUpright' | 'bracesLevel'>;
  done: StageId[];
  coatsDone: number;
  next: NextStep;
  /** Where its plan is not that of the set: `mine` its own, `theirs` the set’s. */
  departs: Difference[];
  measured: Measured;
  archived: boolean;
  sheet: SheetRow;
}

export interface SetPage {
  /** The stages of its canvases, in their order. */
  run: readonly StageId[];
  painted: boolean;
  set: Pick<JobSet, 'id' | 'title' | 'kind' | 'layout' | 'revision'>;
  stage: StageId;
  tally: SetTally;
  canvases: SetCanvas[];
  /** Only of panels. */
  panels: Verdict[];
  minutes: number;
}

/**
 * The page of a set; null where there is none.
 *
 * @param wanted the stage whose sheet is shown; the one that holds the set up where it is null
 */
export function setPage(workshop: Workshop, setId: string, wanted: StageId | null, unit: Tape['unit']): SetPage | null {
  const { database, now } = workshop;
  const set = findJobSet(database, setId);
  if (!set) return null;
  const house = { ...houseOf(workshop, unit), view: 'back' as const };
  const cases = canvasesOf(workshop, setId).map((job) => ({
    job,
    here: caseOf(job, logOfJob(database, job.id), house, now().getTime()),
  }));
  // A set holds one plan: what it is for is the same for all.
  const { painted } = byId(USES, set.inputs.brief.use);
  const tally = setTally(
    cases.map(({ here: { progress, next } }) => ({ done: [...progress.done], coatsDone: progress.coatsDone, stage: next.stage })),
    painted,
  );
  const stage = wanted ?? tally.stage ?? 'handover';
  const { id, title, kind, layout, revision } = set;
  return {
    set: { id, title, kind, layout, revision },
    run: runOf(painted),
    painted,
    stage,
    tally,
    canvases: cases.map(({ job, here }) => canvasOf(job, here, set, stage, isArchived(database, job.id))),
    panels: byId(SET_KINDS, kind).together ? panelsOf(cases, layout, house) : [],
    minutes: cases.reduce((sum, { here }) => sum + (here.next.stage === stage ? here.plan[stage].minutes : 0), 0),
  };
}

function canvasOf(job: StoredJob, here: JobCase, set: JobSet, stage: StageId, archived: boolean): SetCanvas {
  const { inputs, progress, next } = here;
  const { brief } = inputs;
  const { profile, joint, bracesUpright, bracesLevel } = inputs.bars;
  const paths = new Set(departures(set.inputs, job.inputs, set.kind));
  return {
    jobId: job.id,
    number: job.number,
    title: brief.title,
    revision: job.revision,
    widthMm: brief.width.mm,
    heightMm: brief.height.mm,
    bars: { profile, joint, bracesUpright, bracesLevel },
    done: [...progress.done],
    coatsDone: progress.coatsDone,
    next,
    departs: differences(onlyAt(job.inputs, set.inputs, paths), set.inputs, here.house.rules),
    measured: measuredOf(job.inputs),
    archived,
    sheet: sheetRow(here, stage),
  };
}

/** The plan of a set with the fields in which a canvas departs as they are there. */
function onlyAt(inputs: JobInputs, plan: JobInputs, paths: ReadonlySet<string>): JobInputs {
  const stages = Object.entries(plan).map(([stage, fields]) => [
    stage,
    Array.isArray(fields)
      ? fields
      : Object.fromEntries(
          Object.entries(fields as Record<string, unknown>).map(([key, value]) => [
            key,
            paths.has(`${stage}.${key}`) ? (inputs as unknown as Record<string, Record<string, unknown>>)[stage]![key] : value,
          ]),
        ),
  ]);
  return Object.fromEntries(stages) as JobInputs;
}

function sheetRow(here: JobCase, stage: StageId): SheetRow {
  const { progress, next } = here;
  const entry = here.entryOf(stage);
  const record = entry && { entryId: entry.id, at: entry.at, maker: entry.maker, did: entry.did };
  const { answer } = here.plan[stage];
  const verdicts = here.verdictsOf(stage);
  const recorded = progress.done.has(stage);
  const missing = recorded ? [] : missingBefore(stage, progress);
  const waits = !recorded && next.stage === stage && next.state === 'waiting';
  return {
    state: recorded ? 'recorded' : missing.length > 0 ? 'early' : waits ? 'waiting' : 'ready',
    why: missing.length > 0 ? `first ${missing.map((id) => stageActs(id, progress.painted).name.toLowerCase()).join(', ')}` : '',
    answer,
    verdicts,
    record,
  };
}

function panelsOf(
  cases: readonly { job: StoredJob; here: JobCase }[],
  layout: JobSet['layout'],
  house: JobCase['house'],
): Verdict[] {
  const faces = cases.map(({ here }) => ({ widthMm: here.inputs.brief.width.mm, heightMm: here.inputs.brief.height.mm }));
  const panels = arranged(faces, layout).map((hung, index) => {
    const { job, here } = cases[index]!;
    const { depthMm } = profileOf(house.rules, here.inputs.bars.profile);
    return { ...hung, name: `No. ${job.number}`, depthMm, frame: here.plan.square.result };
  });
  return panelVerdicts(panels, house.rules, house.tape);
}

/** Where a job stands beside others: the set it belongs to, and whether it is archived. */
export interface Filed {
  set: { id: string; title: string; count: number } | null;
  archived: boolean;
}

export const filedOf = ({ database }: Pick<Workshop, 'database'>, jobId: string): Filed => ({
  set: setOfJob(database, jobId),
  archived: isArchived(database, jobId),
});
