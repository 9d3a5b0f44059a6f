import type { Database } from 'better-sqlite3';
import type { Job, JobInputs } from '@/core/job/job';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import type { StageId } from '@/core/stages/stages';
import { upgradeInputs } from '@/core/file/upgradeJob';
import { dropEmptySets, setOfJob } from './jobSets';
import { dropState } from './jobStates';
import { retitleEntries } from './logEntries';
import { dictionaryOf, unpackText } from './planPack';

/** A job as it is kept, with the revision that guards it against stale saves. */
export interface StoredJob extends Job {
  revision: number;
}

/** A job as it lies in the file; whether it can be read is another matter. */
export interface JobRow {
  id: string;
  number: number;
  title: string;
  inputs: string;
  written: number;
  revision: number;
  created_at: string;
  aside: 0 | 1;
  archived: 0 | 1;
  set_id: string | null;
}

/** A row that cannot be read as a job: what stands in it, and why. */
export interface BrokenJob {
  id: string;
  number: number;
  title: string;
  revision: number;
  /** Out of the lists until it is brought back. */
  aside: boolean;
  because: string;
}

const COLUMNS = 'id, number, title, inputs, written, revision, created_at, aside, archived, set_id';

/** A row as a job. @throws SyntaxError when its inputs are no JSON */
export const readJob = (row: JobRow): StoredJob => ({
  id: row.id,
  number: row.number,
  createdAt: row.created_at,
  inputs: upgradeInputs(JSON.parse(row.inputs), row.written) as JobInputs,
  revision: row.revision,
});

const listJobRows = (database: Database): JobRow[] =>
  database.prepare<[], JobRow>(`SELECT ${COLUMNS} FROM job ORDER BY number`).all();

/** The version a job stands in; null where it is gone. */
export const revisionOfJob = (database: Database, id: string): number | null =>
  database.prepare<[string], number>('SELECT revision FROM job WHERE id = ?').pluck().get(id) ?? null;

export const findJobRow = (database: Database, id: string): JobRow | null =>
  database.prepare<[string], JobRow>(`SELECT ${COLUMNS} FROM job WHERE id = ?`).get(id) ?? null;

/** Every job. */
export const listJobs = (database: Database): StoredJob[] => listJobRows(database).map(readJob);

export function findJob(database: Database, id: string): StoredJob | null {
  const row = findJobRow(database, id);
  return row && readJob(row);
}

/** Puts a job that cannot be read out of the lists, or back. */
export function setAside(database: Database, id: string, aside: boolean): void {
  database.prepare('UPDATE job SET aside = ?, revision = revision + 1 WHERE id = ?').run(aside ? 1 : 0, id);
}

/** Everything that is kept of a job, row for row as it lies in the file, read or not; plans unpacked where they can be. */
export function rawJob(database: Database, id: string): Record<'job' | 'log' | 'readings', unknown[]> {
  const rows = (sql: string) => database.prepare<[string], Record<string, unknown>>(sql).all(id);
  const plain = (plan: unknown) => {
    if (!(plan instanceof Uint8Array)) return plan;
    try {
      return unpackText(plan, dictionaryOf(database));
    } catch {
      return `base64:${Buffer.from(plan).toString('base64')}`;
    }
  };
  return {
    job: rows('SELECT * FROM job WHERE id = ?'),
    log: rows('SELECT * FROM log_entry WHERE job_id = ? ORDER BY seq').map((row) => ({ ...row, plan: plain(row.plan) })),
    readings: rows('SELECT r.* FROM reading r JOIN log_entry e ON e.seq = r.seq WHERE e.job_id = ? ORDER BY r.seq, r.position'),
  };
}

export const hasJobs = (database: Database): boolean => database.prepare('SELECT 1 FROM job LIMIT 1').get() !== undefined;

/** The number of a job made with another bar, wood or cloth than these; null where there is none. */
export const jobUsingOther = (database: Database, bars: string[], woods: string[], cloths: string[]): number | null =>
  database
    .prepare<[object], number>(
      `SELECT number FROM job WHERE json_extract(inputs, '$.bars.profile') NOT IN (SELECT value FROM json_each(@bars))
         OR json_extract(inputs, '$.bars.species') NOT IN (SELECT value FROM json_each(@woods))
         OR json_extract(inputs, '$.cloth.fabric') NOT IN (SELECT value FROM json_each(@cloths)) LIMIT 1`,
    )
    .pluck()
    .get({ bars: JSON.stringify(bars), woods: JSON.stringify(woods), cloths: JSON.stringify(cloths) }) ?? null;

export const numberTaken = (database: Database, number: number): boolean =>
  database.prepare('SELECT 1 FROM job WHERE number = ?').get(number) !== undefined;

export const nextNumber = (database: Database): number =>
  database.prepare<[], { next: number }>('SELECT coalesce(max(number), 100) + 1 AS next FROM job').get()!.next;

export function insertJob(database: Database, job: Job, at: string): StoredJob {
  const { brief } = job.inputs;
  database
    .prepare(
      'INSERT INTO job (id, number, title, face_width_mm, face_height_mm, due_on, inputs, written, revision, created_at, updated_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, 1, ?, ?)',
    )
    .run(
      job.id,
      job.number,
      brief.title,
      brief.width.mm,
      brief.height.mm,
      brief.dueOn,
      JSON.stringify(job.inputs),
      SHAPE_VERSION,
      job.createdAt,
      at,
    );
  return { ...job, revision: 1 };
}

/** Writes new inputs if the revision is still the one that was read; false when somebody was faster. */
export function updateInputs(database: Database, id: string, revision: number, inputs: JobInputs, at: string): boolean {
  const { brief } = inputs;
  const before = database
    .prepare<[string], { number: number; title: string }>('SELECT number, title FROM job WHERE id = ?')
    .get(id);
  const { changes } = database
    .prepare(
      'UPDATE job SET title = ?, face_width_mm = ?, face_height_mm = ?, due_on = ?, inputs = ?, written = ?, updated_at = ?, revision = revision + 1 WHERE id = ? AND revision = ?',
    )
    .run(brief.title, brief.width.mm, brief.height.mm, brief.dueOn, JSON.stringify(inputs), SHAPE_VERSION, at, id, revision);
  if (changes === 1 && before && before.title !== brief.title) retitleEntries(database, id, before.number, brief.title);
  return changes === 1;
}

/** A job as a list of all of them shows it; what can only be read from its inputs is null where they cannot be. */
export interface ListedJob {
  number: number;
  title: string;
  widthMm: number;
  heightMm: number;
  dueOn: string | null;
  stage: StageId | null;
  finished: boolean;
  inputs: JobInputs | null;
}

/** Jobs by number, those after a number. */
export const jobsAfter = (database: Database, number: number, most: number): ListedJob[] =>
  database
    .prepare<
      [number, number],
      Omit<ListedJob, 'inputs' | 'finished'> & Pick<JobRow, 'inputs' | 'written'> & { broken: string | null }
    >(
      `SELECT j.number, j.title, j.face_width_mm AS widthMm, j.face_height_mm AS heightMm, j.due_on AS dueOn, j.inputs, j.written,
              s.stage, coalesce(s.broken, CASE WHEN s.job_id IS NULL THEN 'not looked at' END) AS broken
       FROM job j LEFT JOIN job_state s ON s.job_id = j.id WHERE j.number > ? AND j.archived = 0 ORDER BY j.number LIMIT ?`,
    )
    .all(number, most)
    .map(({ inputs, written, broken, ...row }) => ({
      ...row,
      finished: broken === null && row.stage === null,
      inputs: broken === null ? (upgradeInputs(JSON.parse(inputs), written) as JobInputs) : null,
    }));

/** The number of an open job of this title and face; null where there is none. */
export const openTwin = (database: Database, title: string, widthMm: number, heightMm: number): number | null =>
  database
    .prepare<[string, number, number], number>(
      `SELECT j.number FROM job j JOIN job_state s ON s.job_id = j.id
       WHERE j.title = ? AND abs(j.face_width_mm - ?) < 0.05 AND abs(j.face_height_mm - ?) < 0.05 AND s.stage IS NOT NULL LIMIT 1`,
    )
    .pluck()
    .get(title, widthMm, heightMm) ?? null;

/** Whether a job is archived: out of every list but the log and the search. */
export const isArchived = (database: Database, id: string): boolean =>
  database.prepare<[string], number>('SELECT archived FROM job WHERE id = ?').pluck().get(id) === 1;

/** Archives a job over the revision that was seen, or brings it back; false when somebody was faster. */
export const setArchived = (database: Database, id: string, revision: number, archived: boolean): boolean =>
  database
    .prepare('UPDATE job SET archived = ?, revision = revision + 1 WHERE id = ? AND revision = ?')
    .run(archived ? 1 : 0, id, revision).changes === 1;

/** Takes a job out for good; only one without entries can go. @throws SqliteError when entries point to it */
export function deleteJob(database: Database, id: string): void {
  dropState(database, id);
  // A painting that was to be stretched with it lies rolled again.
  database.prepare('UPDATE rolled_work SET stretched_as = NULL WHERE stretched_as = ?').run(id);
  const set = setOfJob(database, id);
  database.prepare('DELETE FROM job WHERE id = ?').run(id);
  // What is set up once is shared by fewer.
  if (set) database.prepare('INSERT OR IGNORE INTO job_unsettled SELECT id FROM job WHERE set_id = ?').run(set.id);
  dropEmptySets(database);
}
