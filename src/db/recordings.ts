import type { Database } from 'better-sqlite3';
import type { TapPlace } from '@/core/tension/tap/membraneTone';

/** The sound of one tap, kept with the entry that was read from it. */
export function insertRecording(database: Database, entryId: string, place: TapPlace, wav: Uint8Array): void {
  database.prepare('INSERT INTO recording (entry_id, place, wav) VALUES (?, ?, ?)').run(entryId, place, wav);
}

/** The WAV file of a tap of a job, or null. */
export function findRecording(database: Database, jobId: string, entryId: string, place: string): Uint8Array | null {
  const row = database
    .prepare<[string, string, string], { wav: Buffer }>(
      'SELECT r.wav FROM recording r JOIN log_entry e ON e.id = r.entry_id WHERE e.job_id = ? AND r.entry_id = ? AND r.place = ?',
    )
    .get(jobId, entryId, place);
  return row?.wav ?? null;
}

/** Ids of the entries of a job whose taps were kept. */
export const recordedEntries = (database: Database, jobId: string): string[] =>
  database
    .prepare<[string], { entry_id: string }>(
      'SELECT DISTINCT r.entry_id FROM recording r JOIN log_entry e ON e.id = r.entry_id WHERE e.job_id = ?',
    )
    .all(jobId)
    .map((row) => row.entry_id);
