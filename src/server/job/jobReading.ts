/*
 * Jobs as they are read from the file: each as the case of the core, under the rules and the lessons of this house. A job that
 * cannot be read is told apart with its reason, so that one bad row never stops a page.
 */
import { createHash } from 'node:crypto';
import type { View } from '@/core/job/sideWords';
import type { Database } from 'better-sqlite3';
import { type House, type JobCase, caseOf } from '@/core/case/jobCase';
import { tapeFor } from '@/core/house/houseRules';
import { type JobInputs, inputsViolations, jobInputsShape } from '@/core/job/job';
import { type LogEntry, logEntryShape } from '@/core/log/logEntry';
import { listOf, part } from '@/core/shape/shape';
import type { Tape } from '@/core/units/length';
import { type BrokenJob, type JobRow, type StoredJob, findJob, findJobRow, readJob } from '@/db/jobs';
import { logOfJob } from '@/db/logEntries';
import { readRules } from '@/db/workshops';
import { checked } from '../write/checked';
import { houseLessons } from '../house/houseLessons';
import type { Refusal } from '../write/outcome';
import type { Workshop } from '../workshop';

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
interface Looked {
  revision: number;
  rules: number;
  because: string | null;
}
const looked = new WeakMap<Database, Map<string, Looked>>();

/** Why a row cannot be read as a job; null where it can. */
function whyBroken(database: Database, row: JobRow, house: () => House): string | null {
  const seen = looked.get(database) ?? new Map<string, Looked>();
  looked.set(database, seen);
  const there = seen.get(row.id);
  const rules = readRules(database).revision;
  // A change of rules makes nothing sound unreadable, and may make readable what was not.
  if (there?.revision === row.revision && (there.because === null || there.rules === rules)) return there.because;
  const because = inputsTrouble(() => readJob(row).inputs, house()) ?? logTrouble(database, row.id);
  seen.set(row.id, { revision: row.revision, rules, because });
  return because;
}

const LONGEST_LOG = 5000;
const jobLogShape = { log: listOf(part('logEntry', logEntryShape), LONGEST_LOG) };

/** The first few errors, in a sentence. */
const firstErrors = (refusal: Refusal): string =>
  refusal.kind === 'invalid'
    ? refusal.errors
        .slice(0, 3)
        .map(({ field, says }) => `${field || 'What is kept'}: ${says}`)
        .join('; ')
    : refusal.kind;

/** The log of a job. @throws Error where it cannot be read, with why */
export function soundLog(database: Database, id: string): LogEntry[] {
  let log: LogEntry[];
  try {
    log = logOfJob(database, id);
  } catch (error) {
    throw new Error(`A plan in its log: ${(error as Error).message}`, { cause: error });
  }
  const unknown = log.map((entry) => [wordOf(entry), entry] as const).filter(([word]) => !soundEntries.has(word));
  if (unknown.length === 0 && log.length <= LONGEST_LOG) return log;
  // Where one is wrong all are looked at again, so that it is told by its place among all.
  const news = checked(jobLogShape, 'jobLog', { log: log.length > LONGEST_LOG ? log : unknown.map(([, entry]) => entry) });
  const shape = news.ok ? news : checked(jobLogShape, 'jobLog', { log });
  if (!shape.ok) throw new Error(firstErrors(shape));
  for (const [word] of unknown) soundEntries.add(word);
  if (soundEntries.size > MOST_KNOWN) soundEntries.clear();
  return log;
}

/** Entries that were found sound, each by what it says to the last letter: a log only grows, and most of it was looked at before. */
const soundEntries = new Set<string>();
const MOST_KNOWN = 50_000;

const wordOf = (entry: LogEntry): string => createHash('sha256').update(JSON.stringify(entry)).digest('base64');

/** Why the log of a job cannot be read; null where it can. */
function logTrouble(database: Database, id: string): string | null {
  try {
    soundLog(database, id);
    return null;
  } catch (error) {
    return (error as Error).message;
  }
}

/** What is wrong with the fields of inputs, in a sentence; null where nothing is. */
export function shapeTrouble(plain: unknown): string | null {
  const shape = checked(jobInputsShape, 'inputs', plain);
  if (!shape.ok) return firstErrors(shape);
  const [wrong] = inputsViolations(shape.value as JobInputs);
  return wrong ? `${wrong.field}: ${wrong.says}` : null;
}

/** What is wrong with inputs, in a sentence; null where a job can be made of them. */
export function inputsTrouble(read: () => unknown, house: House): string | null {
  try {
    const inputs = read();
    const wrong = shapeTrouble(inputs);
    if (wrong !== null) return wrong;
    // Every stage is planned once: what throws in it is the reason.
    Object.values(caseOf({ inputs: inputs as JobInputs }, [], house, 0).plan);
    return null;
  } catch (error) {
    return (error as Error).message;
  }
}

const asBroken = ({ id, number, title, revision, aside }: JobRow, because: string): BrokenJob => ({
  id,
  number,
  title,
  revision,
  aside: aside === 1,
  because,
});

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
