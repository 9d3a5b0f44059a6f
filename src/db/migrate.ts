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
 * @returns how many were applied
 * @throws MigrationError when an applied file was changed or is gone
 */
export function migrate(database: Database, folder: string): number {
  database.exec(
    'CREATE TABLE IF NOT EXISTS migration (number INTEGER PRIMARY KEY, name TEXT NOT NULL, hash TEXT NOT NULL, applied_at TEXT NOT NULL) STRICT',
  );
  const migrations = readMigrations(folder);
  const applied = database
    .prepare<[], { number: number; name: string; hash: string }>('SELECT number, name, hash FROM migration ORDER BY number')
    .all();
  for (const row of applied) {
    const file = migrations[row.number - 1];
    if (!file) throw new MigrationError(`migration ${row.name} was applied and its file is missing`);
    if (file.hash !== row.hash)
      throw new MigrationError(`migration ${row.name} was changed after it was applied: put it back, add a new one`);
  }
  const pending = migrations.slice(applied.length);
  const apply = database.transaction((one: Migration) => {
    database.exec(one.sql);
    database.prepare('INSERT INTO migration VALUES (?, ?, ?, ?)').run(one.number, one.name, one.hash, new Date().toISOString());
  });
  for (const one of pending) apply.immediate(one);
  return pending.length;
}
