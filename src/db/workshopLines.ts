/*
 * The whole workshop as JSON Lines: a head, then a line for every row of every table that is not worked out from others, then how
 * many there were. What lies in the file as packed or as bytes is written out; what comes back is a file of its own, row for row.
 */
import SQLite, { type Database } from 'better-sqlite3';
import { migrate, readMigrations } from './migrate';
import { MIGRATIONS, registerUpgrades } from './openDatabase';
import { dictionaryOf, packText, unpackText } from './planPack';
import { isRowidTable, ownTables } from './wholeFile';

export const WORKSHOP_FORMAT = 'keen-batten-workshop';
/** The first form of the file that was ever written out so. */
const FIRST_VERSION = 9;
/** A line is at most so long, letters: three sounds are a tenth of it. */
const LONGEST_LINE = 40_000_000;

interface Column {
  name: string;
  type: 'TEXT' | 'INTEGER' | 'REAL' | 'BLOB';
  /** May be left open. */
  optional: boolean;
  /** Holds JSON, as text or packed. */
  json: boolean;
}

/** Tables that are written, and their columns; the dictionary of packed plans is each file’s own. */
export function writtenTables(database: Database): { table: string; columns: Column[] }[] {
  return ownTables(database)
    .filter((table) => table !== 'pack_dictionary')
    .map((table) => {
      const sql = database.prepare<[string], string>('SELECT sql FROM sqlite_master WHERE name = ?').pluck().get(table)!;
      const holdsJson = new Set([...sql.matchAll(/json_valid\("?(\w+)"?\)/g)].map(([, name]) => name!));
      const columns = database
        .prepare<[], { name: string; type: Column['type']; notnull: 0 | 1; pk: number }>(
          `SELECT * FROM pragma_table_info('${table}')`,
        )
        .all()
        .map(({ name, type, notnull, pk }) => ({
          name,
          type,
          optional: notnull === 0 && pk === 0,
          json: holdsJson.has(name) || (table === 'job' && name === 'inputs') || (table === 'log_entry' && name === 'plan'),
        }));
      return { table, columns };
    });
}

/** Text that holds JSON as what it holds; as text where it would not come back to the letter. */
function asJson(text: string): unknown {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null && JSON.stringify(value) === text ? value : text;
  } catch {
    return text;
  }
}

/**
 * The lines of a workshop, without what ends them. The database is read all the while: give it one that nobody writes to.
 */
export function* workshopLines(database: Database): Generator<string> {
  const version = database.prepare<[], number>('SELECT max(number) FROM migration').pluck().get()!;
  yield JSON.stringify({ format: WORKSHOP_FORMAT, version });
  let rows = 0;
  for (const { table, columns } of writtenTables(database)) {
    const names = columns.map(({ name }) => `"${name}"`).join(', ');
    const order = isRowidTable(database, table) ? 'rowid' : keyOf(database, table);
    for (const row of database
      .prepare<[], Record<string, unknown>>(`SELECT ${names} FROM "${table}" ORDER BY ${order}`)
      .iterate()) {
      const cells = columns.map(({ name, type, json }) => [name, written(database, row[name], type, json)]);
      yield JSON.stringify({ table, row: Object.fromEntries(cells) as unknown });
      rows += 1;
    }
  }
  yield JSON.stringify({ rows });
}

const keyOf = (database: Database, table: string): string =>
  database
    .prepare<[], string>(`SELECT name FROM pragma_table_info('${table}') WHERE pk > 0 ORDER BY pk`)
    .pluck()
    .all()
    .join(', ');

function written(database: Database, value: unknown, type: Column['type'], json: boolean): unknown {
  if (value === null) return null;
  if (type === 'BLOB')
    return json ? asJson(unpackText(value as Buffer, dictionaryOf(database))) : (value as Buffer).toString('base64');
  return json ? asJson(value as string) : value;
}

/** Why lines are no workshop, with the line. */
class BadLine extends Error {}

/**
 * Makes a file of the lines of a workshop.
 *
 * @param path where it is made; nothing is there yet
 * @param parts the text, in pieces of any length
 * @returns null, or why it could not be made, as a sentence; what was begun is left to whoever asked
 */
export async function fileFromLines(path: string, parts: AsyncIterable<string>): Promise<string | null> {
  const database = new SQLite(path);
  try {
    database.pragma('page_size = 8192');
    // Made in one go or thrown away: nothing has to be on the disk before the end.
    database.pragma('journal_mode = OFF');
    database.pragma('synchronous = OFF');
    let line = 0;
    let taken: ReturnType<typeof rowTaker> | null = null;
    let rows = 0;
    let ended = false;
    for await (const text of linesOf(parts)) {
      line += 1;
      if (text.trim() === '') continue;
      if (ended) throw new BadLine(`Line ${line}: there is more behind the end.`);
      const one = parsedLine(text, line);
      if (taken === null) {
        begin(database, one);
        taken = rowTaker(database);
        database.exec('BEGIN; PRAGMA defer_foreign_keys = ON');
      } else if (typeof one.rows === 'number') {
        if (one.rows !== rows) throw new BadLine(`It says that it has ${one.rows} rows, and has ${rows}: some of it is lost.`);
        ended = true;
      } else {
        taken(one, line);
        rows += 1;
      }
    }
    if (!ended) throw new BadLine('It is cut off: its last line, which says how many rows it has, is not there.');
    database.exec('COMMIT');
    migrate(database, MIGRATIONS);
    return null;
  } catch (error) {
    if (error instanceof BadLine) return error.message;
    if (error instanceof SQLite.SqliteError) return 'Its rows do not hold together: something in it points to what is not there.';
    throw error;
  } finally {
    database.close();
  }
}

async function* linesOf(parts: AsyncIterable<string>): AsyncGenerator<string> {
  // Each piece is looked through once, however long a line becomes.
  let pieces: string[] = [];
  let letters = 0;
  for await (const part of parts) {
    const [first, ...others] = part.split('\n') as [string, ...string[]];
    for (const [index, piece] of [first, ...others].entries()) {
      if (index > 0) {
        yield pieces.join('');
        [pieces, letters] = [[], 0];
      }
      pieces.push(piece);
      letters += piece.length;
      if (letters > LONGEST_LINE) throw new BadLine('A line of it is too long: this is no workshop written row by row.');
    }
  }
  if (letters > 0) yield pieces.join('');
}

function parsedLine(text: string, line: number): Record<string, unknown> {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    throw new BadLine(`Line ${line} is no JSON.`);
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value)) throw new BadLine(`Line ${line} is no row.`);
  return value as Record<string, unknown>;
}

/** An empty file in the form that the lines were written in. */
function begin(database: Database, { format, version }: Record<string, unknown>): void {
  if (format !== WORKSHOP_FORMAT) throw new BadLine('This is no workshop: it does not begin as one.');
  const newest = readMigrations(MIGRATIONS).length;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < FIRST_VERSION)
    throw new BadLine(`There is no version ${JSON.stringify(version)} of a workshop written out.`);
  if (version > newest)
    throw new BadLine(`It was written by a newer version (${version}; this one reads up to ${newest}). Update first.`);
  registerUpgrades(database);
  migrate(database, MIGRATIONS, version);
}

/** Puts rows in, each checked against the columns there are. */
function rowTaker(database: Database): (one: Record<string, unknown>, line: number) => void {
  const dictionary = dictionaryOf(database);
  const tables = new Map(
    writtenTables(database).map(({ table, columns }) => {
      const names = columns.map(({ name }) => `"${name}"`).join(', ');
      const marks = columns.map(() => '?').join(', ');
      // What a new file has already, such as the names of stages, is there.
      const has = database.prepare(`SELECT 1 FROM "${table}"`).get() !== undefined;
      const insert = database.prepare(`INSERT ${has ? 'OR IGNORE' : ''} INTO "${table}" (${names}) VALUES (${marks})`);
      return [table, { columns, insert }] as const;
    }),
  );
  return ({ table, row }, line) => {
    const into = typeof table === 'string' ? tables.get(table) : undefined;
    if (table === undefined) throw new BadLine(`Line ${line}: it names no table.`);
    if (!into) throw new BadLine(`Line ${line}: there is no table ${JSON.stringify(table)}.`);
    if (typeof row !== 'object' || row === null || Array.isArray(row)) throw new BadLine(`Line ${line}: it has no row.`);
    const strange = Object.keys(row).find((name) => !into.columns.some((column) => column.name === name));
    if (strange !== undefined) throw new BadLine(`Line ${line}: ${table as string} has no “${strange}”.`);
    const cells = into.columns.map((column) => {
      const value = Object.hasOwn(row, column.name) ? (row as Record<string, unknown>)[column.name] : null;
      const cell = read(value, column, dictionary);
      if (cell === undefined)
        throw new BadLine(`Line ${line}: “${column.name}” cannot be ${JSON.stringify(value).slice(0, 60)}.`);
      return cell;
    });
    try {
      into.insert.run(...cells);
    } catch (error) {
      if (error instanceof SQLite.SqliteError) throw new BadLine(`Line ${line}: this cannot be a row of ${table as string}.`);
      throw error;
    }
  };
}

/** A cell as it lies in the file; undefined where it can be none. */
function read(value: unknown, { type, optional, json }: Column, dictionary: Buffer): string | number | Buffer | null | undefined {
  if (value === null) return optional ? null : undefined;
  if (json) {
    const text = typeof value === 'string' ? value : typeof value === 'object' ? JSON.stringify(value) : undefined;
    return text === undefined || type !== 'BLOB' ? text : packText(text, dictionary);
  }
  if (type === 'BLOB') return typeof value === 'string' ? Buffer.from(value, 'base64') : undefined;
  if (type === 'TEXT') return typeof value === 'string' ? value : undefined;
  return typeof value === 'number' && Number.isFinite(value) && (type === 'REAL' || Number.isInteger(value)) ? value : undefined;
}
