import type { Database } from 'better-sqlite3';
import type { Job, JobInputs } from '@/core/job/job';
import { upgradeInputs } from '@/core/job/upgradeJob';

/** A job as it is kept, with the revision that guards it against stale saves. */
export interface StoredJob extends Job {
  revision: number;
}

interface Row {
  id: string;
  number: number;
  inputs: string;
  revision: number;
  created_at: string;
}

const COLUMNS = 'id, number, inputs, revision, created_at';
const fromRow = (row: Row): StoredJob => ({
  id: row.id,
  number: row.number,
  createdAt: row.created_at,
  inputs: upgradeInputs(JSON.parse(row.inputs)) as JobInputs,
  revision: row.revision,
});

export const listJobs = (database: Database): StoredJob[] =>
  database.prepare<[], Row>(`SELECT ${COLUMNS} FROM job ORDER BY number`).all().map(fromRow);

export function findJob(database: Database, id: string): StoredJob | null {
  const row = database.prepare<[string], Row>(`SELECT ${COLUMNS} FROM job WHERE id = ?`).get(id);
  return row ? fromRow(row) : null;
}

export const numberTaken = (database: Database, number: number): boolean =>
  database.prepare('SELECT 1 FROM job WHERE number = ?').get(number) !== undefined;

export const nextNumber = (database: Database): number =>
  database.prepare<[], { next: number }>('SELECT coalesce(max(number), 100) + 1 AS next FROM job').get()!.next;

export function insertJob(database: Database, job: Job, at: string): StoredJob {
  const { brief } = job.inputs;
  database
    .prepare(
      'INSERT INTO job (id, number, title, face_width_mm, face_height_mm, due_on, inputs, revision, created_at, updated_at) VALUES (?, ?, ?, ?, ?, ?, ?, 1, ?, ?)',
    )
    .run(
      job.id,
      job.number,
      brief.title,
      brief.width.mm,
      brief.height.mm,
      brief.dueOn,
      JSON.stringify(job.inputs),
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
      'UPDATE job SET title = ?, face_width_mm = ?, face_height_mm = ?, due_on = ?, inputs = ?, updated_at = ?, revision = revision + 1 WHERE id = ? AND revision = ?',
    )
    .run(brief.title, brief.width.mm, brief.height.mm, brief.dueOn, JSON.stringify(inputs), at, id, revision);
  return changes === 1;
}
