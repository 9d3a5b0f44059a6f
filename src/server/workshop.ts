import type { Database } from 'better-sqlite3';

/** What a use case works with: the file, a clock and a source of ids, so that tests can hold all three. */
export interface Workshop {
  database: Database;
  now: () => Date;
  newId: () => string;
}
