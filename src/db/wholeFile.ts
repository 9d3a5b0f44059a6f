/*
 * The workshop’s file as a whole: what lies in it, whether it is sound and of this application’s making, and how another one
 * takes its place: row for row in one transaction, so that it is all there or nothing of it, whoever else has the file open.
 */
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import SQLite, { type Database } from 'better-sqlite3';
import { WITHOUT_LOG, isSqliteFile, lacksItsLog } from './fileHead';
import { MigrationError, readMigrations } from './migrate';
import { MIGRATIONS, openDatabase, prepared } from './openDatabase';
import { unsettleAll } from './jobStates';
import { retitleEntries } from './logEntries';
import { forgetDictionary } from './planPack';

export interface FileFigures {
  jobs: number;
  entries: number;
  readings: number;
  recordings: number;
  /** When the last entry was written and the last job changed; null where there is none. */
  lastAt: string | null;
  bytes: number;
}

export function fileFigures(database: Database): FileFigures {
  const one = <T>(sql: string): T => database.prepare<[], T>(sql).pluck().get()!;
  return {
    jobs: one('SELECT count(*) FROM job'),
    entries: one('SELECT count(*) FROM log_entry'),
    readings: one('SELECT count(*) FROM reading'),
    recordings: one('SELECT count(*) FROM recording'),
    lastAt: one<string | null>(
      'SELECT max(at) FROM (SELECT max(updated_at) AS at FROM job UNION ALL SELECT at FROM (SELECT at FROM log_entry ORDER BY seq DESC LIMIT 1))',
    ),
    bytes: one<number>('SELECT page_count FROM pragma_page_count()') * one<number>('SELECT page_size FROM pragma_page_size()'),
  };
}

type SchemaRow = { type: string; name: string; sql: string | null };

/** Everything that is built in a file, but what SQLite keeps for itself. */
const schemaOf = (database: Database): string[] =>
  database
    .prepare<[], SchemaRow>("SELECT type, name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite_%' ORDER BY type, name")
    .all()
    .map(({ type, name, sql }) => `${type} ${name}: ${sql}`);

/** What a file of this version is built of. */
function expectedSchema(): string[] {
  const fresh = openDatabase(':memory:');
  const schema = schemaOf(fresh);
  fresh.close();
  return schema;
}

/** What a reading of the whole file found. */
interface Found {
  integrity: string[];
  /** Rows that point to rows that are not there. */
  links: number;
}

const troubleWords = ({ integrity, links }: Found): string[] => [
  ...(integrity.length === 1 && integrity[0] === 'ok' ? [] : ['Pages or rows of it are damaged.']),
  ...(links > 0 ? [`${links} rows point to rows that are not there.`] : []),
];

const CHECKER = join(process.cwd(), 'src', 'db', 'fileChecker.mjs');

/**
 * What is wrong with a file, in sentences; none where it is sound. It is read in a thread of its own.
 *
 * @throws Error where it cannot be read at all
 */
export async function fileTroubles(path: string): Promise<string[]> {
  // Not by “new”: what a bundler knows as a worker it takes into the build, without the package that it needs.
  const worker = Reflect.construct(Worker, [CHECKER, { workerData: path }]);
  const found = await new Promise<Found>((on, failed) => {
    worker.once('message', on);
    worker.once('error', failed);
    worker.once('exit', (code) => failed(new Error(`the check of the file ended with ${code}`)));
  });
  return troubleWords(found);
}

/**
 * Brings a copy of another file to the form of today, and tells what is wrong with it. The copy is changed.
 *
 * @returns the open copy, or why it cannot be used, as a sentence
 */
export async function readyCopy(path: string): Promise<{ ok: true; database: Database } | { ok: false; says: string }> {
  if (!isSqliteFile(path)) return { ok: false, says: 'This is no file of a workshop: it does not begin as one.' };
  if (lacksItsLog(path)) return { ok: false, says: `It holds nothing: it ${WITHOUT_LOG}` };
  let database: Database | null = null;
  const refuse = (says: string) => {
    database?.close();
    return { ok: false as const, says };
  };
  try {
    database = new SQLite(path);
    database.pragma('trusted_schema = OFF');
    const known = readMigrations(MIGRATIONS);
    const has = database.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'migration'").get();
    const applied = has
      ? database.prepare<[], { name: string; hash: string }>('SELECT name, hash FROM migration ORDER BY number').all()
      : [];
    if (applied.length === 0) return refuse('This is a database of something else: it has no jobs of a workshop.');
    if (applied.length > known.length) return refuse('It was written by a newer version of this application. Update first.');
    if (applied.some(({ name, hash }, index) => known[index]!.name !== name || known[index]!.hash !== hash))
      return refuse('It was made by another application or by a changed one.');
    const [before] = await fileTroubles(path);
    if (before) return refuse(before);
    prepared(database);
    const built = schemaOf(database);
    const expected = expectedSchema();
    const other = [...built.filter((row) => !expected.includes(row)), ...expected.filter((row) => !built.includes(row))];
    if (other.length > 0) return refuse('It holds tables or rules that are not this application’s.');
    // As it was found above, where nothing had to be brought up to date.
    const [trouble] = applied.length < known.length ? await fileTroubles(path) : [];
    return trouble ? refuse(trouble) : { ok: true, database };
  } catch (error) {
    if (error instanceof MigrationError) return refuse('It was made by another application or by a changed one.');
    return refuse('It cannot be read to its end: it is damaged or cut off.');
  }
}

/**
 * Tables whose rows are worked out from others, or belong to this machine alone: who may come in over the network is never
 * brought, and what stood is closed when another file takes its place.
 */
const DERIVED = ['job_state', 'job_unsettled', 'sent_request', 'migration', 'sawn_job', 'cloth_cut', 'network', 'device'];

/** Tables that hold what was typed, done and measured. */
export const ownTables = (database: Database): string[] =>
  database
    .prepare<[], string>(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE 'log_words%' ORDER BY name",
    )
    .pluck()
    .all()
    .filter((name) => !DERIVED.includes(name));

/**
 * Puts the rows of another file of the same form in the place of those of this one, in one transaction. A job that is in both
 * and differs gets a revision above either, so that a page opened before is told of it.
 *
 * @param from path of a copy that `readyCopy` has found sound, closed
 */
export function replaceContent(database: Database, from: string): void {
  database.prepare('ATTACH ? AS other').run(from);
  try {
    database.transaction(() => replaceRows(database)).immediate();
  } finally {
    database.exec('DETACH other');
  }
}

/** Rows that carry a revision, by what they are known by. */
const REVISED = {
  job: 'id',
  job_set: 'id',
  job_variant: 'id',
  house_cost: 'id',
  house_week: 'id',
  store_item: 'id',
  workshop: 'id',
  cloth_sheet: 'id',
  ground_stock: 'substance',
} as const;

function replaceRows(database: Database): void {
  database.pragma('defer_foreign_keys = ON');
  // What keeps rows from being changed steps aside; what notes jobs, cuts and sawn frames works on.
  const triggers = database
    .prepare<[], SchemaRow>("SELECT type, name, sql FROM main.sqlite_master WHERE type = 'trigger' AND sql LIKE '%RAISE(ABORT%'")
    .all();
  for (const { name } of triggers) database.exec(`DROP TRIGGER "${name}"`);
  const revised = Object.entries(REVISED).map(([table, key]) => ({
    table,
    key,
    rows: database
      .prepare<[], { at: unknown; revision: number }>(
        `SELECT o.${key} AS at, max(o.revision, m.revision) + 1 AS revision FROM other.${table} o JOIN main.${table} m USING (${key})`,
      )
      .all(),
  }));
  for (const table of DERIVED.filter((name) => name !== 'migration')) database.exec(`DELETE FROM main."${table}"`);
  for (const table of ownTables(database)) {
    const columns = database.prepare<[], string>(`SELECT name FROM pragma_table_info('${table}')`).pluck().all();
    const names = columns.map((name) => `"${name}"`).join(', ');
    const order = isRowidTable(database, table) ? 'ORDER BY rowid' : '';
    database.exec(
      `DELETE FROM main."${table}"; INSERT INTO main."${table}" (${names}) SELECT ${names} FROM other."${table}" ${order}`,
    );
  }
  for (const { table, key, rows } of revised) {
    const revise = database.prepare(`UPDATE main.${table} SET revision = ? WHERE ${key} = ?`);
    for (const { at, revision } of rows) revise.run(revision, at);
  }
  for (const { sql } of triggers) database.exec(sql!);
  forgetDictionary(database);
  rebuildDerived(database);
}

export const isRowidTable = (database: Database, table: string): boolean =>
  database.prepare<[string], number>("SELECT wr FROM pragma_table_list WHERE schema = 'main' AND name = ?").pluck().get(table) ===
  0;

/** Makes anew what is worked out from other rows: the words of the log now, the states of jobs when they are read. */
export function rebuildDerived(database: Database): void {
  database.exec("INSERT INTO log_words (log_words) VALUES ('delete-all')");
  for (const { id, number, title } of database
    .prepare<[], { id: string; number: number; title: string }>('SELECT id, number, title FROM main.job')
    .all())
    retitleEntries(database, id, number, title);
  unsettleAll(database);
}
