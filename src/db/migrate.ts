/*
 * Numbered SQL migrations, forward only. The hash of every applied file is stored; a changed, missing or
 * out-of-order file stops the start, so that a database is never read by code it was not made for.
 */
import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Database } from 'better-sqlite3';

export class MigrationError extends Error {
  override name = 'MigrationError';
}

interface Migration {
  number: number;
  name: string;
  sql: string;
  hash: string;
}

/** Reads `0001-name.sql`, `0002-name.sql` … from a folder, in order, without gaps. */
export function readMigrations(folder: string): Migration[] {
  const files = readdirSync(folder)
    .filter((file) => file.endsWith('.sql'))
    .sort();
  return files.map((file, index) => {
    const number = Number(/^(\d{4})-[a-z0-9-]+\.sql$/.exec(file)?.[1]);
    if (number !== index + 1) throw new MigrationError(`expected migration ${index + 1}, got ${file}`);
    const sql = readFileSync(join(folder, file), 'utf8').replace(/\r\n/g, '\n');
    return { number, name: file, sql, hash: createHash('sha256').update(sql).digest('hex') };
  });
}

/**
 * Applies what is missing, each migration in its own transaction.
 *
 * @param upTo the last one that is applied: all there are unless a file of an earlier form is wanted
 * @returns how many were applied
 * @throws MigrationError when an applied file was changed or is gone
 */
export function migrate(database: Database, folder: string, upTo = Infinity): number {
  database.exec(
    'CREATE TABLE IF NOT EXISTS migration (number INTEGER PRIMARY KEY, name TEXT NOT NULL, hash TEXT NOT NULL, applied_at TEXT NOT NULL) STRICT',
  );
  const migrations = readMigrations(folder).slice(0, upTo);
  /** The next one that is missing, or null: asked under the lock, since another start may be at it too. */
  const applyNext = database.transaction((): Migration | null => {
    const next = migrations[appliedCount(database, migrations)];
    if (!next) return null;
    database.exec(next.sql);
    database
      .prepare('INSERT INTO migration VALUES (?, ?, ?, ?)')
      .run(next.number, next.name, next.hash, new Date().toISOString());
    return next;
  });
  let applied = 0;
  if (appliedCount(database, migrations) === migrations.length) return applied;
  while (applyNext.immediate()) applied += 1;
  return applied;
}

/** @throws MigrationError when an applied file was changed or is gone */
function appliedCount(database: Database, migrations: readonly Migration[]): number {
  const applied = database
    .prepare<[], { number: number; name: string; hash: string }>('SELECT number, name, hash FROM migration ORDER BY number')
    .all();
  for (const row of applied) {
    const file = migrations[row.number - 1];
    if (!file) throw new MigrationError(`migration ${row.name} was applied and its file is missing`);
    if (file.hash !== row.hash)
      throw new MigrationError(`migration ${row.name} was changed after it was applied: put it back, add a new one`);
  }
  return applied.length;
}
