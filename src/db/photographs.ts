import type { PhotographCorners } from '@/core/life/straightened';
import type { Database } from 'better-sqlite3';

/** The photograph that belongs to an entry of the log. */
export function insertPhotograph(database: Database, entryId: string, jpeg: Uint8Array): void {
  database.prepare('INSERT INTO photograph (entry_id, jpeg) VALUES (?, ?)').run(entryId, jpeg);
}

/** The JPEG file of an entry of a job, or null. */
export function findPhotograph(database: Database, jobId: string, entryId: string): Uint8Array | null {
  const row = database
    .prepare<[string, string], { jpeg: Buffer }>(
      'SELECT p.jpeg FROM photograph p JOIN log_entry e ON e.id = p.entry_id WHERE e.job_id = ? AND p.entry_id = ?',
    )
    .get(jobId, entryId);
  return row?.jpeg ?? null;
}

/** Those of these entries that have a photograph. */
export function photographedOf(database: Database, entryIds: readonly string[]): string[] {
  return database
    .prepare<[string], { entry_id: string }>('SELECT entry_id FROM photograph WHERE entry_id IN (SELECT value FROM json_each(?))')
    .all(JSON.stringify(entryIds))
    .map((row) => row.entry_id);
}

/** Keeps where the corners of the image lie on a photograph, in the place of what was kept before. */
export function saveCorners(database: Database, entryId: string, corners: PhotographCorners): void {
  database
    .prepare(
      'INSERT INTO photograph_corners (entry_id, corners) VALUES (?, ?) ON CONFLICT (entry_id) DO UPDATE SET corners = excluded.corners',
    )
    .run(entryId, JSON.stringify(corners));
}

/** The corners that are kept of these photographs, by their entry. */
export function cornersOf(database: Database, entryIds: readonly string[]): Record<string, PhotographCorners> {
  return Object.fromEntries(
    database
      .prepare<[string], { entry_id: string; corners: string }>(
        'SELECT entry_id, corners FROM photograph_corners WHERE entry_id IN (SELECT value FROM json_each(?))',
      )
      .all(JSON.stringify(entryIds))
      .map((row) => [row.entry_id, JSON.parse(row.corners) as PhotographCorners]),
  );
}
