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
