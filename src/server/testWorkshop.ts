/* What the tests of the server begin with: an empty workshop whose clock is moved by hand, and words for its answers. */
import type { JobInputs } from '@/core/job/job';
import SQLite, { type Database } from 'better-sqlite3';
import { progressOf } from '@/core/case/progress';
import type { StageId } from '@/core/stages/stages';
import { length } from '@/core/units/length';
import { openDatabase, prepared } from '@/db/openDatabase';
import { seedDemo } from './demo/seedDemo';
import { createJob, recordStep, saveInputs } from './job/jobWrites';
import { openJob } from './job/jobReading';
import type { Shape, ShapeOf } from '@/core/shape/shape';
import { checked } from './write/checked';
import type { Outcome } from './write/outcome';
import type { Write } from './write/write';
import type { Workshop } from './workshop';

export interface TestWorkshop extends Workshop {
  /** Moves the clock on. */
  pass: (minutes: number) => void;
  /** Another one in which all is the same; what is done in either stays there. */
  copy: () => TestWorkshop;
}

function workshopOf(database: Database, minutes: number, serial: number): TestWorkshop {
  return {
    database,
    now: () => new Date(Date.parse('2031-05-04T12:00:00Z') + minutes * 60_000),
    newId: () => `id-${(serial += 1)}`,
    pass: (by) => {
      minutes += by;
    },
    copy: () => {
      const same = new SQLite(database.serialize());
      prepared(same);
      return workshopOf(same, minutes, serial);
    },
  };
}

/** Laid out once. */
let empty: TestWorkshop | null = null;

/** An empty workshop; its clock stands at noon. */
export const testWorkshop = (): TestWorkshop => (empty ??= workshopOf(openDatabase(':memory:'), 0, 0)).copy();

/** Laid out once. */
let demo: TestWorkshop | null = null;

/** The demo workshop; its clock stands at noon. */
export function demoWorkshop(): TestWorkshop {
  if (demo === null) {
    demo = testWorkshop();
    seedDemo(demo.database, demo.now());
  }
  return demo.copy();
}

export function value<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome));
  return outcome.value;
}

/** A refusal in words; an error where it was done. */
export function wordsOf(outcome: Outcome<unknown>): string {
  if (outcome.ok) throw new Error('expected a refusal');
  if (outcome.kind === 'invalid') return outcome.errors.map(({ field, says }) => `${field}: ${says}`).join('\n');
  return outcome.kind === 'refused' ? outcome.says : outcome.kind;
}

/** A new job of 600 × 400 mm. */
/** What a write answers to what is asked of it at the edge: checked first. */
export function asked<S extends Shape, T>(one: Write<S, T>, workshop: Workshop, request: ShapeOf<S>): Outcome<T> {
  const sent = checked(one.asks, `asked ${JSON.stringify(Object.keys(one.asks))}`, request);
  return sent.ok ? one.act(workshop, sent.value) : sent;
}

export const newJob = (workshop: Workshop, title = 'Harbour'): string =>
  value(createJob(workshop, { title, width: length(600), height: length(400) })).id;

/** Changes what is typed for a job. */
export function type(workshop: Workshop, jobId: string, change: (inputs: JobInputs) => JobInputs): void {
  const { job } = openJob(workshop, jobId)!;
  value(saveInputs.act(workshop, { jobId, revision: job.revision, inputs: change(job.inputs) }));
}

export const revisionOf = (workshop: Workshop, jobId: string): number => openJob(workshop, jobId)!.job.revision;

/** Records one stage, with a reason for whatever says stop. */
export const recordStage = (workshop: Workshop, jobId: string, stage: StageId) =>
  recordStep.act(workshop, {
    jobId,
    revision: revisionOf(workshop, jobId),
    stage,
    maker: 'Me',
    note: '',
    reason: 'For the test.',
    unit: 'mm',
    view: 'back',
    clothId: null,
    air: null,
  });

/** Records all stages up to and with `last`, an hour apart. */
export function workUpTo(workshop: TestWorkshop, jobId: string, last: StageId): void {
  const { run } = progressOf(openJob(workshop, jobId)!.job.inputs, []);
  for (const stage of run.slice(0, run.indexOf(last) + 1)) {
    workshop.pass(60);
    value(recordStage(workshop, jobId, stage));
  }
}

/** Everything that lies in the file but the notes of requests and how its index is laid, to see that nothing was changed. */
export function contentOf(database: Database): string {
  const tables = database
    .prepare<[], string>(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT IN ('sent_request', 'migration') AND name NOT LIKE 'log_words%' AND name NOT LIKE 'sqlite_%' ORDER BY name",
    )
    .pluck()
    .all();
  return JSON.stringify(tables.map((table) => [table, database.prepare(`SELECT * FROM "${table}"`).all()]));
}
