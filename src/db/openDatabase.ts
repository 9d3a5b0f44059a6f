import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import SQLite, { type Database } from 'better-sqlite3';
import { migrate } from './migrate';

/** Where the migrations lie, seen from the folder the application is started in. */
const MIGRATIONS = join(process.cwd(), 'src', 'db', 'migrations');

/**
 * Opens (or makes) the workshop's file, ready to use: WAL, foreign keys on, every commit on the disk
 * before it is acknowledged, migrations applied.
 *
 * @param path a file, or ":memory:"
 * @throws MigrationError when the file was made by other migrations
 */
export function openDatabase(path: string): Database {
  if (path !== ':memory:') mkdirSync(dirname(path), { recursive: true });
  const database = new SQLite(path);
  database.pragma('journal_mode = WAL');
  database.pragma('synchronous = FULL');
  database.pragma('foreign_keys = ON');
  database.pragma('busy_timeout = 5000');
  migrate(database, MIGRATIONS);
  return database;
}
