/*
 * Jobs as they are read from the file: each as the case of the core, under the rules and the lessons of this house. A job that
 * cannot be read is told apart with its reason, so that one bad row never stops a page.
 */
import type { View } from '@/core/job/sideWords';
import type { Database } from 'better-sqlite3';
import { type House, type JobCase, caseOf } from '@/core/case/jobCase';
import { tapeFor } from '@/core/house/houseRules';
import { type JobInputs, inputsViolations, jobInputsShape } from '@/core/job/job';
import { type LogEntry, logEntryShape } from '@/core/log/logEntry';
import { listOf, part } from '@/core/shape/shape';
import type { Tape } from '@/core/units/length';
import { type BrokenJob, type JobRow, type StoredJob, findJob, findJobRow, listJobRows, readJob } from '@/db/jobs';
import { logOfJob, logOfWorkshop } from '@/db/logEntries';
import { readRules } from '@/db/workshops';
import { checked } from './checked';
import { houseLessons } from './learnedCases';
import type { Refusal } from './outcome';
import type { Workshop } from './workshop';

/** A job with the log that belongs to it. */
export interface JobWithLog {
  job: StoredJob;
  log: LogEntry[];
}

/** What every job of this house is read under. */
export function houseOf({ database }: Pick<Workshop, 'database'>, unit: Tape['unit'] = 'mm'): House {
  const { rules } = readRules(database);
  return { rules, tape: tapeFor(rules, unit), lessons: houseLessons({ database }) };
}

/** Revisions that were looked at, by job: a row is checked once for each version of it. */
const looked = new WeakMap<Database, Map<string, { revision: number; because: string | null }>>();

/** Why a row cannot be read as a job; null where it can. */
function whyBroken(database: Database, row: JobRow, house: () => House): string | null {
  const seen = looked.get(database) ?? new Map<string, { revision: number; because: string | null }>();
  looked.set(database, seen);
  const there = seen.get(row.id);
  if (there?.revision === row.revision) return there.because;
  const because = inputsTrouble(() => readJob(row).inputs, house()) ?? logTrouble(database, row.id);
  seen.set(row.id, { revision: row.revision, because });
  return because;
}

const jobLogShape = { log: listOf(part('logEntry', logEntryShape), 5000) };

/** The first few errors, in a sentence. */
const firstErrors = (refusal: Refusal): string =>
  refusal.kind === 'invalid'
    ? refusal.errors
        .slice(0, 3)
        .map(({ field, says }) => `${field || 'What is kept'}: ${says}`)
        .join('; ')
    : refusal.kind;

/** Why the log of a job cannot be read; null where it can. */
function logTrouble(database: Database, id: string): string | null {
  try {
    const shape = checked(jobLogShape, 'jobLog', { log: logOfJob(database, id) });
    return shape.ok ? null : firstErrors(shape);
  } catch (error) {
    return `A plan in its log: ${(error as Error).message}`;
  }
}

/** What is wrong with inputs, in a sentence; null where a job can be made of them. */
export function inputsTrouble(read: () => unknown, house: House): string | null {
  try {
    const shape = checked(jobInputsShape, 'inputs', read());
    if (!shape.ok) return firstErrors(shape);
    const inputs = shape.value as JobInputs;
    const [wrong] = inputsViolations(inputs);
    if (wrong) return `${wrong.field}: ${wrong.says}`;
    // Planned once: what throws in it is the reason.
    void caseOf({ inputs }, [], house, 0).plan;
    return null;
  } catch (error) {
    return (error as Error).message;
  }
}

export interface WorkshopJobs {
  jobs: StoredJob[];
  broken: BrokenJob[];
}

/** Every job of the workshop that can be read; the others apart. */
export function workshopJobs(workshop: Pick<Workshop, 'database'>): WorkshopJobs {
  const rows = rowsOf(workshop);
  return { jobs: rows.flatMap(({ row, because }) => (because === null ? [readJob(row)] : [])), broken: rows.flatMap(brokenOf) };
}

/** The jobs that cannot be read; the sound ones are left unread. */
export const brokenJobs = (workshop: Pick<Workshop, 'database'>): BrokenJob[] => rowsOf(workshop).flatMap(brokenOf);

/** Every row, with why it cannot be read; the house is asked for only where a row was not looked at yet. */
function rowsOf({ database }: Pick<Workshop, 'database'>): LookedRow[] {
  let house: House | null = null;
  return listJobRows(database).map((row) => ({
    row,
    because: whyBroken(database, row, () => (house ??= houseOf({ database }))),
  }));
}

interface LookedRow {
  row: JobRow;
  because: string | null;
}

const brokenOf = ({ row, because }: LookedRow): BrokenJob[] => (because === null ? [] : [asBroken(row, because)]);

const asBroken = ({ id, number, title, revision, aside }: JobRow, because: string): BrokenJob => ({
  id,
  number,
  title,
  revision,
  aside: aside === 1,
  because,
});

/** The cases of all jobs that can be read. */
export function workshopCases(workshop: Workshop): (JobWithLog & { case: JobCase })[] {
  // A list names left and right as a job does when it is opened: from the back, as the frames lie.
  const house: House = { ...houseOf(workshop), view: 'back' };
  const { jobs, broken } = workshopJobs(workshop);
  const logs = logOfWorkshop(workshop.database, new Set(broken.map(({ id }) => id)));
  const at = workshop.now().getTime();
  return jobs.map((job) => {
    const log = logs.get(job.id) ?? [];
    return { job, log, case: caseOf(job, log, house, at) };
  });
}

export function openJob({ database }: Pick<Workshop, 'database'>, id: string): JobWithLog | null {
  const row = findJobRow(database, id);
  return row && { job: readJob(row), log: logOfJob(database, id) };
}

/** A job that cannot be read, with its reason; null where it is sound or gone. */
export function brokenJob(workshop: Pick<Workshop, 'database'>, id: string): BrokenJob | null {
  const row = findJobRow(workshop.database, id);
  const because = row && whyBroken(workshop.database, row, () => houseOf(workshop));
  return row && because !== null ? asBroken(row, because) : null;
}

/** A job alone, without its log; null where there is none. */
export const jobAlone = ({ database }: Pick<Workshop, 'database'>, id: string): StoredJob | null => findJob(database, id);

/** The case of one job as it stands, for a reader with this tape who looks from there. */
export const caseOfJob = (
  workshop: Workshop,
  { job, log }: JobWithLog,
  { unit, view }: { unit: Tape['unit']; view: View } = { unit: 'mm', view: 'front' },
): JobCase => caseOf(job, log, { ...houseOf(workshop, unit), view }, workshop.now().getTime());
