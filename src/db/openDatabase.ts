import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import SQLite, { type Database } from 'better-sqlite3';
import { upgradeKind } from '@/core/file/upgradeJob';
import { upgradeKnown, upgradeQuantity } from '@/core/log/upgradeReading';
import { entryWords } from '@/core/log/entryWords';
import type { Reading } from '@/core/log/logEntry';
import type { StageId } from '@/core/stages/stages';
import { migrate } from './migrate';
import { WITHOUT_LOG, lacksItsLog } from './fileHead';
import { firstDictionary, packText } from './planPack';

/** Where the migrations lie, seen from the folder the application is started in. */
export const MIGRATIONS = join(process.cwd(), 'src', 'db', 'migrations');

/** A write waits so long for another program to let go of the file, ms; then it is told to come again, and others are served. */
const BUSY_MS = 150;

/**
 * Opens (or makes) the workshop's file, ready to use: WAL, foreign keys on, every commit on the disk
 * before it is acknowledged, migrations applied.
 *
 * @param path a file, or ":memory:"
 * @throws MigrationError when the file was made by other migrations
 */
export function openDatabase(path: string): Database {
  if (path !== ':memory:') mkdirSync(dirname(path), { recursive: true });
  if (path !== ':memory:' && lacksItsLog(path))
    throw new Error(`${path} holds nothing: it ${WITHOUT_LOG} To begin an empty workshop, delete it.`);
  const database = new SQLite(path);
  // Another start may be making the same file at this moment.
  database.pragma('busy_timeout = 10000');
  // Two jobs to a page; a file that there is keeps its own.
  database.pragma('page_size = 8192');
  database.pragma('journal_mode = WAL');
  database.pragma('synchronous = FULL');
  // Little lies in the log alone: somebody may copy the file without it.
  database.pragma('wal_autocheckpoint = 64');
  prepared(database);
  database.pragma(`busy_timeout = ${BUSY_MS}`);
  return database;
}

/** Links held and all migrations applied. @throws MigrationError when the file was made by other migrations */
export function prepared(database: Database): void {
  database.pragma('foreign_keys = ON');
  registerUpgrades(database);
  migrate(database, MIGRATIONS);
}

/** What a migration asks of the core to bring old rows to the form of today. */
export function registerUpgrades(database: Database): void {
  const pure = { deterministic: true };
  database.function('upgraded_quantity', pure, (phrase: string) => upgradeQuantity(phrase).quantity);
  database.function('upgraded_of', pure, (phrase: string) => upgradeQuantity(phrase).of);
  database.function('upgraded_known', pure, (tool: string) => upgradeKnown(tool));
  database.function('upgraded_kind', pure, (kind: string, did: string) => upgradeKind(kind, did).kind);
  database.function('first_dictionary', () => firstDictionary());
  database.function('packed_text', pure, (text: string, dictionary: Buffer) => packText(text, dictionary));
  database.function(
    'entry_words',
    pure,
    (stage: StageId, maker: string, did: string, note: string, reason: string, number: number, title: string, readings: string) =>
      entryWords({ stage, maker, device: '', did, note, reason, readings: JSON.parse(readings) as Reading[] }, number, title),
  );
  database.function('upgraded_kind_of', pure, (kind: string, did: string) => upgradeKind(kind, did).of);
}
