/*
 * Tables as CSV files: a row of names on top, then one row a line. Read by the names, in any order, with a unit in the name where
 * one is meant; every wrong cell is told with its line and its column. Written so that a spreadsheet takes no cell for a formula.
 */
import { type LengthId, type NumberId, limitsOf } from '@/core/quantities/quantities';
import { readLength, readNumber, readPrice } from '@/core/quantities/readQuantity';
import { fieldText } from '@/core/quantities/printed';
import { format } from 'date-fns';
import Papa from 'papaparse';
import { FILE_UNITS, type FileUnit, type Length, SIXTEENTH_MM, printBare, WHOLE_MM } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import { type Parsed, parsed, refused } from '@/core/units/result';
import { isRealTime } from '@/core/shape/realTime';
import { type FieldError, type Outcome, done, refuse } from '../write/outcome';

/** A column: its name on top, and what stands in a cell of it. */
export interface Column<T> {
  /** As it is written, without a unit. */
  name: string;
  /** What an empty cell, or no such column, stands for; undefined where there must be one. */
  empty: T | undefined;
  /** In lengths: what a bare number is in comes from the name, such as “width (in)”. */
  isLength: boolean;
  read: (cell: string, unit: FileUnit) => Parsed<T>;
  print: (value: T, unit: FileUnit) => string;
}

// Columns of a table differ in what they hold.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export type Columns = Readonly<Record<string, Column<any>>>;
export type RowOf<C extends Columns> = { [K in keyof C]: C[K] extends Column<infer T> ? T : never };

const column = <T>(one: Pick<Column<T>, 'name' | 'read' | 'print'> & Partial<Column<T>>): Column<T> => ({
  empty: undefined,
  isLength: false,
  ...one,
});

/** A cell that may be left empty, which stands for this. */
export const orElse = <T, const E>(of: Column<T>, empty: E): Column<T | E> => ({
  ...of,
  empty,
  print: (value, unit) => (value === null ? '' : of.print(value as T, unit)),
});

export const textCells = (name: string, most: number): Column<string> =>
  column({
    name,
    read: (cell) =>
      cell.length <= most
        ? parsed(cell)
        : refused(`${cell.slice(0, 20)}…`, `has ${cell.length} letters`, `${most} are the most.`),
    print: (value) => value,
  });

/** Lengths, each with the unit it is typed in. */
export const lengthCells = (name: string, of: LengthId): Column<Length> =>
  column({
    name,
    isLength: true,
    read: (cell, unit) => readLength(cell, null, { unit, stepMm: unit === 'in' ? SIXTEENTH_MM : 1 }, limitsOf(of)),
    print: printBare,
  });

/** Numbers in the unit that their metric form has: the name of the column says which. */
export const numberCells = (name: string, of: NumberId): Column<number> =>
  column({ name, read: (cell) => readNumber(of, cell, WHOLE_MM), print: (value) => fieldText(of, value, { unit: 'mm' }) });

/** Prices in minor units. */
export const priceCells = (name: string): Column<number> =>
  column({ name, read: (cell) => readPrice(cell), print: (minor) => printMoney(minor, '') });

export const dayCells = (name: string): Column<string> =>
  column({
    name,
    read: (cell) => (isRealTime(cell, 'day') ? parsed(cell) : refused(cell, 'is no day', 'Write it as 2031-05-06.')),
    print: (value) => value,
  });

/** A moment as a spreadsheet takes it for one, by the clocks of this place. */
export const localCell = (at: string): string => format(new Date(at), 'yyyy-MM-dd HH:mm:ss');

/** The same by universal time, for what is read in again: an hour that comes twice a year stays two. */
export const utcCell = (at: string): string =>
  new Date(at)
    .toISOString()
    .replace('T', ' ')
    .replace(/(\.000)?Z$/, '');

export const yesCells = (name: string): Column<boolean> =>
  column({
    name,
    read: (cell) => {
      const said = cell.toLowerCase();
      if (['yes', 'no'].includes(said)) return parsed(said === 'yes');
      return refused(cell, 'is neither yes nor no', 'Write one of them.');
    },
    print: (value) => (value ? 'yes' : 'no'),
  });

/** One row of a table of the house, by its name or its id; written by its name unless two have the same. */
export function choiceCells<Id extends string>(name: string, options: readonly { id: Id; name: string }[]): Column<Id> {
  const called = (said: string) => options.filter((one) => one.name.toLowerCase() === said);
  return column({
    name,
    read: (cell) => {
      const said = cell.toLowerCase();
      const byId = options.find((one) => one.id.toLowerCase() === said);
      const named = called(said);
      const found = byId ?? (named.length === 1 ? named[0] : undefined);
      if (found) return parsed(found.id);
      const offered = options.slice(0, 8).map((one) => one.name);
      return refused(cell, 'is none of this house', `There are ${offered.join(', ')}${options.length > 8 ? ' and others' : ''}.`);
    },
    print: (id) => {
      const row = options.find((one) => one.id === id);
      return row && called(row.name.toLowerCase()).length === 1 ? row.name : id;
    },
  });
}

/** Read rows, each with the line of the file that it begins on, and names on top that nothing is read from. */
export interface ReadTable<C extends Columns> {
  rows: (RowOf<C> & { line: number })[];
  ignored: string[];
}

/** Rows that are taken in at once. */
const MOST_ROWS = 1000;

/** What begins as a formula does is written with a sign before it that makes it text, and read without. */
const FORMULA = /^'*[=+\-@\t\r]/;
const PLAIN_NUMBER = /^-\d+(\.\d+)?$/;
const harmless = (cell: string): string => (FORMULA.test(cell) && !PLAIN_NUMBER.test(cell) ? `'${cell}` : cell);
const asTyped = (cell: string): string => (/^'+[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/** The name of a column without its unit, and the unit: “Width (in)” is “width” in inches. */
function nameAndUnit(name: string): { bare: string; unit: FileUnit | null } {
  const [, bare = name, unit] = /^(.*?)\s*[([](mm|cm|in)[)\]]$/.exec(name) ?? [];
  return { bare, unit: FILE_UNITS.find((one) => one === unit) ?? null };
}

/** What stands between the names on top: a comma, a semicolon or a tab, whichever there is most of. */
function separatorOf(text: string): string {
  const top = /^.*\S.*$/m.exec(text)?.[0] ?? '';
  const [most] = [',', ';', '\t'].sort((one, other) => top.split(other).length - top.split(one).length);
  return most!;
}

/**
 * The rows of a file, or everything that is wrong with it: no row is read when one cannot be.
 *
 * @param text of the file; separators of any usual kind, quotes round cells that hold one
 */
export function readTable<C extends Columns>(text: string, columns: C): Outcome<ReadTable<C>> {
  const { data, errors: broken } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimiter: separatorOf(text),
    skipEmptyLines: false,
  });
  const unclosed = broken.find(({ type }) => type === 'Quotes');
  if (unclosed) return refuse(`Line ${(unclosed.row ?? 0) + 1}: a quote is opened and not closed as CSV has it.`);
  const blank = (row: readonly string[]) => row.every((cell) => cell.trim() === '');
  const lines = data.map((cells, index) => ({ cells, line: index + 1 })).filter(({ cells }) => !blank(cells));
  const [top, ...rows] = lines;
  if (!top || rows.length === 0) return refuse('This table has no rows under its names.');
  if (rows.length > MOST_ROWS) return refuse(`This table has ${rows.length} rows; ${MOST_ROWS} are the most at once.`);
  const heads = top.cells.map((name) => nameAndUnit(asTyped(name.trim()).toLowerCase()));
  const twice = heads.find(({ bare }, index) => bare !== '' && heads.findIndex((one) => one.bare === bare) !== index);
  if (twice) return refuse(`Two columns are called “${twice.bare}”.`);
  const places = Object.entries(columns).map(([key, of]) => ({ key, of, at: heads.findIndex(({ bare }) => bare === of.name) }));
  const missing = places.filter(({ of, at }) => at < 0 && of.empty === undefined);
  if (missing.length > 0)
    return refuse(
      `No column ${missing.map(({ of }) => `“${of.name}”`).join(', ')}. The names on top are ${top.cells.map((name) => `“${name.trim()}”`).join(', ')}; they should be ${places.map(({ of }) => of.name).join(', ')}.`,
    );
  const errors: FieldError[] = [];
  const read = rows.map(({ cells, line }) => {
    const row: Record<string, unknown> = { line };
    if (cells.length > top.cells.length && !blank(cells.slice(top.cells.length)))
      errors.push({ field: `line ${line}`, says: `has ${cells.length} cells where there are ${top.cells.length} names` });
    for (const { key, of, at } of places) {
      const cell = asTyped((cells[at] ?? '').trim());
      if (cell === '' && of.empty !== undefined) row[key] = of.empty;
      else {
        const value = cell === '' ? refused(cell, 'is empty', 'It must be filled.') : of.read(cell, heads[at]!.unit ?? 'mm');
        if (value.ok) row[key] = value.value;
        else errors.push({ field: `line ${line}, ${of.name}`, says: value.error });
      }
    }
    return row as RowOf<C> & { line: number };
  });
  if (errors.length > 0) return { ok: false, kind: 'invalid', errors };
  const used = new Set(places.map(({ at }) => at));
  return done({
    rows: read,
    ignored: heads.filter(({ bare }, index) => bare !== '' && !used.has(index)).map(({ bare }) => bare),
  });
}

/**
 * Rows as lines of a file, as RFC 4180 has it.
 *
 * @param first the file begins here: with the mark of UTF-8, so that spreadsheets take it for that, and the row of names
 */
export function printRows<C extends Columns>(columns: C, rows: readonly RowOf<C>[], unit: FileUnit, first = false): string {
  const places = Object.entries(columns);
  const names = places.map(([, of]) => (of.isLength ? `${of.name} (${unit})` : of.name));
  const lines = rows.map((row) => places.map(([key, of]) => of.print(row[key], unit)));
  return first ? `\uFEFF${printLines([names, ...lines])}` : printLines(lines);
}

/** Lines of cells, each made harmless and quoted where it must be. */
export const printLines = (lines: readonly (readonly string[])[]): string =>
  lines.length === 0
    ? ''
    : `${Papa.unparse(
        lines.map((cells) => cells.map(harmless)),
        // Where a spreadsheet parts cells by semicolons or tabs, those in a cell part nothing.
        { newline: '\r\n', quotes: (cell: unknown) => /[;\t]/.test(String(cell)) },
      )}\r\n`;
