import { copyFileSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import SQLite from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newInputs } from '@/core/job/job';
import type { LogEntry } from '@/core/log/logEntry';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { length } from '@/core/units/length';
import { findJob, insertJob, listJobs, nextNumber, updateInputs } from './jobs';
import { insertLogEntry, listEntries, logOfJob } from './logEntries';
import { MigrationError, migrate } from './migrate';
import { openDatabase, registerUpgrades } from './openDatabase';
import { readRules, writeRules } from './workshops';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'keen-batten-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const MIGRATIONS = join(process.cwd(), 'src', 'db', 'migrations');
const AT = '2031-05-04T12:00:00.000Z';
const inputs = newInputs('Harbour', length(900), length(600));
const entry: LogEntry = {
  id: 'e1',
  stage: 'square',
  step: null,
  kind: 'record',
  of: '',
  at: AT,
  maker: 'M',
  device: '',
  did: 'Square: 1 mm',
  note: 'n',
  reason: '',
  corrects: null,
  readyAt: null,
  readings: [{ quantity: 'side', of: 'top', value: 900.5, unit: 'mm', precision: 0.5, tool: 'tape', known: 'measured' }],
  plan: null,
  hangs: null,
};

describe('migrations', () => {
  const put = (name: string, sql: string) => writeFileSync(join(folder, name), sql);
  const tables = (database: SQLite.Database) =>
    database
      .prepare<[], { name: string }>("SELECT name FROM sqlite_master WHERE type = 'table'")
      .all()
      .map((row) => row.name);

  it('apply once, in order, and again only what is new', () => {
    const database = new SQLite(':memory:');
    put('0001-first.sql', 'CREATE TABLE first (id INTEGER) STRICT;');
    expect(migrate(database, folder)).toBe(1);
    put('0002-second.sql', 'CREATE TABLE second (id INTEGER) STRICT;');
    expect(migrate(database, folder)).toBe(1);
    expect(migrate(database, folder)).toBe(0);
    expect(tables(database)).toEqual(expect.arrayContaining(['first', 'second']));
  });

  it('stop at a changed, missing or misnumbered file', () => {
    const database = new SQLite(':memory:');
    put('0001-first.sql', 'CREATE TABLE first (id INTEGER) STRICT;');
    migrate(database, folder);
    put('0001-first.sql', 'CREATE TABLE first (id INTEGER, more TEXT) STRICT;');
    expect(() => migrate(database, folder)).toThrow(/0001-first.sql was changed after it was applied/);
    rmSync(join(folder, '0001-first.sql'));
    expect(() => migrate(database, folder)).toThrow(/file is missing/);
    put('0002-first.sql', 'SELECT 1;');
    expect(() => migrate(database, folder)).toThrow(MigrationError);
  });

  it('leave nothing behind when one fails half-way', () => {
    const database = new SQLite(':memory:');
    put('0001-broken.sql', 'CREATE TABLE half (id INTEGER) STRICT; CREATE TABLE half (id INTEGER) STRICT;');
    expect(() => migrate(database, folder)).toThrow(/already exists/);
    expect(tables(database)).not.toContain('half');
  });
});

describe('the workshop file', () => {
  it('is WAL, with foreign keys, and written through to the disk', () => {
    const database = openDatabase(join(folder, 'deep', 'workshop.sqlite'));
    expect(database.pragma('journal_mode', { simple: true })).toBe('wal');
    expect(database.pragma('foreign_keys', { simple: true })).toBe(1);
    expect(database.pragma('synchronous', { simple: true })).toBe(2);
  });

  it('keeps jobs, refuses a save over another revision, and numbers them', () => {
    const database = openDatabase(':memory:');
    insertJob(database, { id: 'a', number: nextNumber(database), createdAt: AT, inputs }, AT);
    const wider = { ...inputs, brief: { ...inputs.brief, width: length(24.1875 * 25.4, 'in') } };
    expect(updateInputs(database, 'a', 1, wider, AT)).toBe(true);
    expect(updateInputs(database, 'a', 1, inputs, AT)).toBe(false);
    expect(findJob(database, 'a')).toEqual({ id: 'a', number: 101, createdAt: AT, inputs: wider, revision: 2 });
    expect(nextNumber(database)).toBe(102);
    expect(findJob(database, 'b')).toBeNull();
    expect(() => insertJob(database, { id: 'b', number: 101, createdAt: AT, inputs }, AT)).toThrow(/UNIQUE/);
    expect(listJobs(database)).toHaveLength(1);
  });

  it('has a log that cannot be changed or emptied, and knows its job', () => {
    const database = openDatabase(':memory:');
    insertJob(database, { id: 'a', number: 1, createdAt: AT, inputs }, AT);
    insertLogEntry(database, 'a', entry);
    expect(logOfJob(database, 'a')).toEqual([entry]);
    const listed = listEntries(database, { words: [], from: null, order: 'newest', most: 9 });
    expect(listed).toMatchObject([{ seq: 1, jobId: 'a', jobNumber: 1, withdrawn: false, entry: { ...entry, plan: null } }]);
    for (const sql of [
      "UPDATE log_entry SET maker = 'x'",
      'DELETE FROM log_entry',
      'UPDATE reading SET value = 0',
      'DELETE FROM reading',
    ]) {
      expect(() => database.exec(sql)).toThrow(/append-only/);
    }
    expect(() => insertLogEntry(database, 'nobody', { ...entry, id: 'e2' })).toThrow(/FOREIGN KEY/);
    expect(() => insertLogEntry(database, 'a', { ...entry, id: 'e3', kind: 'withdrawal' })).toThrow(/CHECK/);
    insertLogEntry(database, 'a', { ...entry, id: 'e4', kind: 'rehearsal' });
    insertLogEntry(database, 'a', { ...entry, id: 'e5', kind: 'withdrawal', corrects: 'e1' });
    expect(() => insertLogEntry(database, 'a', { ...entry, id: 'e6', kind: 'withdrawal', corrects: 'e1' })).toThrow(/UNIQUE/);
    expect(logOfJob(database, 'a').map((one) => one.kind)).toEqual(['record', 'rehearsal', 'withdrawal']);
    expect(() =>
      database.exec("INSERT INTO job VALUES ('c', 2, 'x', -1, 1, NULL, '{}', 1, '', '', 0, 5, NULL, NULL, 0)"),
    ).toThrow(/CHECK/);
  });

  it('brings a log of phrases to ids, with its order, its sound and its links, and loses nothing', () => {
    const names = readdirSync(MIGRATIONS).sort();
    const take = (list: string[]) => list.forEach((name) => copyFileSync(join(MIGRATIONS, name), join(folder, name)));
    take(names.slice(0, 5));
    const database = new SQLite(':memory:');
    database.pragma('foreign_keys = ON');
    registerUpgrades(database);
    migrate(database, folder);
    database.exec(`
      INSERT INTO job VALUES ('a', 1, 'x', 900, 600, NULL, '{}', 1, '', '');
      INSERT INTO log_entry VALUES ('e2', 'a', 'tune', NULL, 'reading', '2031-05-02', 'M', 'Tapped', '', '', NULL, NULL, NULL);
      INSERT INTO log_entry VALUES ('e1', 'a', 'tune', NULL, 'reading', '2031-05-01', 'M', 'Remedy: Open the corners', '', '', NULL, NULL, NULL);
      INSERT INTO log_entry VALUES ('e3', 'a', 'tune', NULL, 'withdrawal', '2031-04-01', 'M', 'Taken back', '', 'so', 'e2', NULL, NULL);
      INSERT INTO reading VALUES ('e2', 0, 'tension by tap', 210, 'N/m', 9, 'simulated tap');
      INSERT INTO reading VALUES ('e2', 1, 'margin, left at its lower end', 41, 'mm', 0.5, 'tape');
      INSERT INTO reading VALUES ('e2', 2, 'cut width', 700, 'mm', NULL, 'computed');
      INSERT INTO recording VALUES ('e2', 'C', zeroblob(60));
    `);
    take(names.slice(5));
    expect(migrate(database, folder)).toBe(names.length - 5);
    const log = logOfJob(database, 'a');
    expect(log.map(({ id, kind, of, corrects }) => [id, kind, of, corrects])).toEqual([
      ['e2', 'reading', '', null],
      ['e1', 'remedy', 'keys', null],
      ['e3', 'withdrawal', '', 'e2'],
    ]);
    expect(log[0]!.readings.map(({ quantity, of, known }) => [quantity, of, known])).toEqual([
      ['tensionByTap', '', 'simulated'],
      ['margin', 'left second', 'measured'],
      ['planned', 'cut width', 'reckoned'],
    ]);
    expect(database.prepare('SELECT length(wav) AS size FROM recording').get()).toEqual({ size: 60 });
    expect(database.pragma('foreign_key_check')).toEqual([]);
    for (const table of ['reading', 'log_entry', 'recording'])
      expect(() => database.exec(`DELETE FROM ${table}`)).toThrow(/append-only/);
  });

  it('keeps house rules under a revision', () => {
    const database = openDatabase(':memory:');
    expect(readRules(database)).toEqual({ rules: DEFAULT_RULES, revision: 0 });
    expect(writeRules(database, { ...DEFAULT_RULES, currency: '$' }, 0)).toBe(true);
    expect(writeRules(database, DEFAULT_RULES, 0)).toBe(false);
    expect(writeRules(database, { ...DEFAULT_RULES, currency: '£' }, 1)).toBe(true);
    expect(readRules(database)).toMatchObject({ revision: 2, rules: { currency: '£' } });
  });
});
