import type { Database } from 'better-sqlite3';

/** A write that was carried out: what it was called, what it asked (as a hash) and what its answer was about. */
export interface SentRequest {
  id: string;
  name: string;
  asked: string;
  ofId: string;
}

export const findSentRequest = (database: Database, id: string): SentRequest | null =>
  database.prepare<[string], SentRequest>('SELECT id, name, asked, of_id AS ofId FROM sent_request WHERE id = ?').get(id) ?? null;

export function insertSentRequest(database: Database, { id, name, asked, ofId }: SentRequest, at: string): void {
  database.prepare('INSERT INTO sent_request (id, name, asked, of_id, at) VALUES (?, ?, ?, ?, ?)').run(id, name, asked, ofId, at);
}

/** Lets go of what was sent before a moment: nobody sends it again. */
export const forgetSentRequests = (database: Database, before: string): number =>
  database.prepare('DELETE FROM sent_request WHERE at < ?').run(before).changes;
