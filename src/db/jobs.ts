import type { Database } from 'better-sqlite3';
import type { Job, JobInputs } from '@/core/job/job';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import { upgradeInputs } from '@/core/file/upgradeJob';

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

const COLUMNS = 'id, number, title, inputs, written, revision, created_at, aside';

/** A row as a job. @throws SyntaxError when its inputs are no JSON */
export const readJob = (row: JobRow): StoredJob => ({
  id: row.id,
  number: row.number,
  createdAt: row.created_at,
  inputs: upgradeInputs(JSON.parse(row.inputs), row.written) as JobInputs,
  revision: row.revision,
});

export const listJobRows = (database: Database): JobRow[] =>
  database.prepare<[], JobRow>(`SELECT ${COLUMNS} FROM job ORDER BY number`).all();

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

/** Everything that is kept of a job, row for row as it lies in the file, read or not. */
export function rawJob(database: Database, id: string): Record<'job' | 'log' | 'readings', unknown[]> {
  const rows = (sql: string) => database.prepare<[string]>(sql).all(id);
  return {
    job: rows('SELECT * FROM job WHERE id = ?'),
    log: rows('SELECT * FROM log_entry WHERE job_id = ? ORDER BY seq'),
    readings: rows(
      'SELECT r.* FROM reading r JOIN log_entry e ON e.id = r.entry_id WHERE e.job_id = ? ORDER BY e.seq, r.position',
    ),
  };
}

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
  const { changes } = database
    .prepare(
      'UPDATE job SET title = ?, face_width_mm = ?, face_height_mm = ?, due_on = ?, inputs = ?, written = ?, updated_at = ?, revision = revision + 1 WHERE id = ? AND revision = ?',
    )
    .run(brief.title, brief.width.mm, brief.height.mm, brief.dueOn, JSON.stringify(inputs), SHAPE_VERSION, at, id, revision);
  return changes === 1;
}
