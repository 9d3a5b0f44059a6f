import type { Database } from 'better-sqlite3';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import { upgradeInputs } from '@/core/file/upgradeJob';
import type { JobInputs } from '@/core/job/job';
import type { SetKindId, SetLayout } from '@/core/set/setShape';

/** A set as it is kept, with the revision that guards it against stale saves. */
export interface JobSet {
  id: string;
  title: string;
  kind: SetKindId;
  layout: SetLayout;
  /** What each canvas of it is planned by where it does not depart. */
  inputs: JobInputs;
  revision: number;
}

type Row = Omit<JobSet, 'layout' | 'inputs'> & { layout: string; inputs: string; written: number };

export function findJobSet(database: Database, id: string): JobSet | null {
  const row = database
    .prepare<[string], Row>('SELECT id, title, kind, layout, inputs, written, revision FROM job_set WHERE id = ?')
    .get(id);
  if (!row) return null;
  const { written, ...set } = row;
  return {
    ...set,
    layout: JSON.parse(set.layout) as SetLayout,
    inputs: upgradeInputs(JSON.parse(set.inputs), written) as JobInputs,
  };
}

export function insertJobSet(
  database: Database,
  { id, title, kind, layout, inputs }: Omit<JobSet, 'revision'>,
  at: string,
): void {
  database
    .prepare(
      'INSERT INTO job_set (id, title, kind, layout, inputs, written, revision, created_at) VALUES (?, ?, ?, ?, ?, ?, 1, ?)',
    )
    .run(id, title, kind, JSON.stringify(layout), JSON.stringify(inputs), SHAPE_VERSION, at);
}

/** Writes a set over the revision it carries; false when somebody was faster. */
export const updateJobSet = (database: Database, { id, title, layout, inputs, revision }: Omit<JobSet, 'kind'>): boolean =>
  database
    .prepare(
      'UPDATE job_set SET title = ?, layout = ?, inputs = ?, written = ?, revision = revision + 1 WHERE id = ? AND revision = ?',
    )
    .run(title, JSON.stringify(layout), JSON.stringify(inputs), SHAPE_VERSION, id, revision).changes === 1;

/** Puts a job into a set, at a place from 0. */
export function joinSet(database: Database, jobId: string, setId: string, place: number): void {
  database.prepare('UPDATE job SET set_id = ?, set_place = ? WHERE id = ?').run(setId, place, jobId);
}

/** Ids of the canvases of a set, in its order. */
export const jobsOfSet = (database: Database, setId: string): string[] =>
  database.prepare<[string], string>('SELECT id FROM job WHERE set_id = ? ORDER BY set_place, number').pluck().all(setId);

/** The set of a job; null where it stands alone. */
export const setOfJob = (database: Database, jobId: string): { id: string; title: string; count: number } | null =>
  database
    .prepare<[string], { id: string; title: string; count: number }>(
      `SELECT s.id, s.title, (SELECT count(*) FROM job o WHERE o.set_id = s.id) AS count
       FROM job j JOIN job_set s ON s.id = j.set_id WHERE j.id = ?`,
    )
    .get(jobId) ?? null;

/** How many canvases are done together with a job, itself among them: those of its set. */
export const worksTogether = (database: Database, jobId: string): number => setOfJob(database, jobId)?.count ?? 1;

/** Takes out sets that have no canvas any more. */
export function dropEmptySets(database: Database): void {
  database.exec('DELETE FROM job_set WHERE id NOT IN (SELECT set_id FROM job WHERE set_id IS NOT NULL)');
}
