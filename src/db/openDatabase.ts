import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import SQLite, { type Database } from 'better-sqlite3';
import { upgradeKind } from '@/core/file/upgradeJob';
import { upgradeKnown, upgradeQuantity } from '@/core/log/upgradeReading';
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
  registerUpgrades(database);
  migrate(database, MIGRATIONS);
  return database;
}

/** What a migration asks of the core to bring old rows to the form of today. */
export function registerUpgrades(database: Database): void {
  const pure = { deterministic: true };
  database.function('upgraded_quantity', pure, (phrase: string) => upgradeQuantity(phrase).quantity);
  database.function('upgraded_of', pure, (phrase: string) => upgradeQuantity(phrase).of);
  database.function('upgraded_known', pure, (tool: string) => upgradeKnown(tool));
  database.function('upgraded_kind', pure, (kind: string, did: string) => upgradeKind(kind, did).kind);
  database.function('upgraded_kind_of', pure, (kind: string, did: string) => upgradeKind(kind, did).of);
}
