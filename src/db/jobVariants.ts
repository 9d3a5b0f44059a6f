import type { Database } from 'better-sqlite3';
import { type Changes, NO_CHANGE, type Variant } from '@/core/variant/variant';

/** A variant as it is kept, with the revision that guards it against stale saves. */
export interface StoredVariant extends Variant {
  id: string;
  revision: number;
}

type Row = Omit<StoredVariant, 'changes'> & { changes: string };

/** Variants of a job, the oldest first. */
export const variantsOfJob = (database: Database, jobId: string): StoredVariant[] =>
  database
    .prepare<[string], Row>('SELECT id, name, changes, revision FROM job_variant WHERE job_id = ? ORDER BY rowid')
    .all(jobId)
    .map((row) => ({ ...row, changes: { ...NO_CHANGE, ...(JSON.parse(row.changes) as Partial<Changes>) } }));

export function insertVariant(
  database: Database,
  jobId: string,
  { id, name, changes }: Omit<StoredVariant, 'revision'>,
  at: string,
): void {
  database
    .prepare('INSERT INTO job_variant (id, job_id, name, changes, made_at, revision) VALUES (?, ?, ?, ?, ?, 1)')
    .run(id, jobId, name, JSON.stringify(changes), at);
}

/** Writes a variant over the revision it carries; false when somebody was faster. */
export const updateVariant = (database: Database, { id, name, changes, revision }: StoredVariant): boolean =>
  database
    .prepare('UPDATE job_variant SET name = ?, changes = ?, revision = revision + 1 WHERE id = ? AND revision = ?')
    .run(name, JSON.stringify(changes), id, revision).changes === 1;

export const deleteVariant = (database: Database, { id, revision }: Pick<StoredVariant, 'id' | 'revision'>): boolean =>
  database.prepare('DELETE FROM job_variant WHERE id = ? AND revision = ?').run(id, revision).changes === 1;
