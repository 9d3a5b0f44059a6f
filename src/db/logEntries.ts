import type { Database } from 'better-sqlite3';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import { upgradePlan } from '@/core/file/upgradeJob';
import type { LogEntry, PlanSnapshot, Reading } from '@/core/log/logEntry';
import { entryWords } from '@/core/log/entryWords';
import type { ReadingId } from '@/core/log/readingKinds';
import { dictionaryOf, packText, unpackText } from './planPack';

interface Row {
  seq: number;
  id: string;
  job_id: string;
  stage: LogEntry['stage'];
  step: number | null;
  kind: LogEntry['kind'];
  at: string;
  maker: string;
  device: string;
  did: string;
  note: string;
  reason: string;
  corrects: string | null;
  ready_at: string | null;
  of_id: string;
  hangs: string | null;
  plan: Buffer | null;
  written: number;
}
type ReadingRow = Omit<Reading, 'of'> & { seq: number; of_id: string };

function fromRow(database: Database, row: Row, readings: Reading[]): LogEntry {
  const plan = row.plan && (JSON.parse(unpackText(row.plan, dictionaryOf(database))) as unknown);
  return {
    id: row.id,
    stage: row.stage,
    step: row.step,
    kind: row.kind,
    of: row.of_id,
    at: row.at,
    maker: row.maker,
    device: row.device,
    did: row.did,
    note: row.note,
    reason: row.reason,
    corrects: row.corrects,
    readyAt: row.ready_at,
    readings,
    hangs: row.hangs === null ? null : (JSON.parse(row.hangs) as LogEntry['hangs']),
    plan: plan === null ? null : (upgradePlan(plan, row.written) as PlanSnapshot),
  };
}

const plainReading = ({ quantity, of_id: of, value, unit, precision, tool, known }: ReadingRow): Reading => ({
  quantity,
  of,
  value,
  unit,
  precision,
  tool,
  known,
});

/** The last entry of a job: who did what and when; null where nothing was recorded. */
export const lastEntryOf = (database: Database, jobId: string): Pick<LogEntry, 'id' | 'maker' | 'did' | 'at'> | null =>
  database
    .prepare<[string], Pick<LogEntry, 'id' | 'maker' | 'did' | 'at'>>(
      'SELECT id, maker, did, at FROM log_entry WHERE job_id = ? ORDER BY seq DESC LIMIT 1',
    )
    .get(jobId) ?? null;

/** The log of one job, oldest first, with the frozen plans. @throws Error where a plan cannot be unpacked */
export function logOfJob(database: Database, jobId: string): LogEntry[] {
  const rows = database.prepare<[string], Row>('SELECT * FROM log_entry WHERE job_id = ? ORDER BY seq').all(jobId);
  return withReadings(database, rows);
}

export const entryExists = (database: Database, id: string): boolean =>
  database.prepare('SELECT 1 FROM log_entry WHERE id = ?').get(id) !== undefined;

/** The number here of a canvas that was brought with its passport; null where it was not. */
export const broughtAs = (database: Database, madeId: string): number | null =>
  database
    .prepare<[string], number>(
      "SELECT j.number FROM log_entry e JOIN job j ON j.id = e.job_id WHERE e.kind = 'brought' AND e.of_id = ?",
    )
    .pluck()
    .get(madeId) ?? null;

const PLAIN =
  'e.seq, e.id, e.job_id, e.stage, e.step, e.kind, e.of_id, e.at, e.maker, e.device, e.did, e.note, e.reason, e.corrects, e.ready_at, e.hangs, NULL AS plan, e.written';

/** An entry as the list of all that was done shows it: without its plan, with its job, and whether it was taken back. */
export interface ListedEntry {
  seq: number;
  jobId: string;
  jobNumber: number;
  jobTitle: string;
  /** What its canvas is; empty where what is typed for it cannot be read. */
  jobUse: string;
  withdrawn: boolean;
  entry: LogEntry;
}

export type LogOrder = 'newest' | 'oldest';

export interface LogQuestion {
  /** Words that an entry begins one of its own with; all of them. */
  words: readonly string[];
  /** Entries after this one in the order; from the beginning where it is null. */
  from: number | null;
  order: LogOrder;
  most: number;
}

/** How FTS5 is asked for entries with words that begin so. */
const matching = (words: readonly string[]): string => words.map((word) => `"${word.replaceAll('"', '""')}"*`).join(' ');

/** Entries of the workshop, by the order they were written in. */
export function listEntries(database: Database, { words, from, order, most }: LogQuestion): ListedEntry[] {
  const found = words.length > 0 ? 'log_words w JOIN log_entry e ON e.seq = w.rowid' : 'log_entry e';
  const [beyond, way, start] = order === 'newest' ? ['<', 'DESC', Number.MAX_SAFE_INTEGER] : ['>', 'ASC', 0];
  const match = words.length > 0 ? 'log_words MATCH @match AND w.rowid' : 'e.seq';
  const rows = database
    .prepare<[object], Row & { number: number; title: string; use: string | null; withdrawn: 0 | 1 }>(
      `SELECT ${PLAIN}, j.number, j.title, j.inputs ->> '$.brief.use' AS use, EXISTS (SELECT 1 FROM log_entry b WHERE b.corrects = e.id) AS withdrawn
       FROM ${found} JOIN job j ON j.id = e.job_id
       WHERE ${match} ${beyond} @from ORDER BY ${words.length > 0 ? 'w.rowid' : 'e.seq'} ${way} LIMIT @most`,
    )
    .all({ match: matching(words), from: from ?? start, most });
  const entries = withReadings(database, rows);
  return rows.map((row, index) => ({
    seq: row.seq,
    jobId: row.job_id,
    jobNumber: row.number,
    jobTitle: row.title,
    jobUse: row.use ?? '',
    withdrawn: row.withdrawn === 1,
    entry: entries[index]!,
  }));
}

/** How many entries there are, or have these words; no further than `most`. */
export const countEntries = (database: Database, words: readonly string[], most: number): number =>
  words.length > 0
    ? database
        .prepare<[string, number], number>('SELECT count(*) FROM (SELECT 1 FROM log_words WHERE log_words MATCH ? LIMIT ?)')
        .pluck()
        .get(matching(words), most)!
    : // Nothing is ever taken out: the last number is the count.
      (database.prepare<[], number | null>('SELECT max(seq) FROM log_entry').pluck().get() ?? 0);

/** A reading with the entry it stands in. */
export interface PlottedReading {
  seq: number;
  at: string;
  value: number;
  precision: number | null;
  known: Reading['known'];
  jobNumber: number;
  jobTitle: string;
}

/** The newest readings of one kind in entries that stand, of those with these words, oldest first. */
export function plottedReadings(
  database: Database,
  quantity: ReadingId,
  of: string,
  words: readonly string[],
  most: number,
): PlottedReading[] {
  // From the newest of either on, until there are enough.
  const [found, among, order] =
    words.length > 0
      ? ['log_words w CROSS JOIN reading r ON r.seq = w.rowid', 'log_words MATCH @match AND', 'w.rowid']
      : ['reading r', '', 'r.seq'];
  return database
    .prepare<[object], PlottedReading>(
      `SELECT r.seq, e.at, r.value, r.precision, r.known, j.number AS jobNumber, j.title AS jobTitle
       FROM ${found} JOIN log_entry e ON e.seq = r.seq JOIN job j ON j.id = e.job_id
       WHERE ${among} r.quantity = @quantity AND r.of_id = @of
         AND NOT EXISTS (SELECT 1 FROM log_entry b WHERE b.corrects = e.id)
       ORDER BY ${order} DESC LIMIT @most`,
    )
    .all({ quantity, of, match: matching(words), most })
    .reverse();
}

function withReadings(database: Database, rows: readonly Row[]): LogEntry[] {
  const readings = database.prepare<[number], ReadingRow>('SELECT * FROM reading WHERE seq = ? ORDER BY position');
  return rows.map((row) => fromRow(database, row, readings.all(row.seq).map(plainReading)));
}

/** Makes the words of a job’s entries anew, after its title was changed. */
export function retitleEntries(database: Database, jobId: string, number: number, title: string): void {
  const rows = database.prepare<[string], Row>(`SELECT ${PLAIN} FROM log_entry e WHERE e.job_id = ?`).all(jobId);
  const write = database.prepare('INSERT OR REPLACE INTO log_words (rowid, words) VALUES (?, ?)');
  withReadings(database, rows).forEach((entry, index) => write.run(rows[index]!.seq, entryWords(entry, number, title)));
}

/**
 * Writes an entry at the end of a job’s log.
 *
 * @param takenIn it came with a job file: nothing is learned from it
 */
export function insertLogEntry(database: Database, jobId: string, entry: LogEntry, takenIn = false): void {
  const { lastInsertRowid: seq } = database
    .prepare(
      'INSERT INTO log_entry (id, job_id, stage, step, kind, of_id, at, maker, device, did, note, reason, corrects, ready_at, hangs, plan, written, taken_in) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
    )
    .run(
      entry.id,
      jobId,
      entry.stage,
      entry.step,
      entry.kind,
      entry.of,
      entry.at,
      entry.maker,
      entry.device,
      entry.did,
      entry.note,
      entry.reason,
      entry.corrects,
      entry.readyAt,
      entry.hangs === null ? null : JSON.stringify(entry.hangs),
      entry.plan === null ? null : packText(JSON.stringify(entry.plan), dictionaryOf(database)),
      SHAPE_VERSION,
      takenIn ? 1 : 0,
    );
  const insert = database.prepare(
    'INSERT INTO reading (seq, position, quantity, of_id, value, unit, precision, tool, known) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
  );
  entry.readings.forEach(({ quantity, of, value, unit, precision, tool, known }, position) =>
    insert.run(seq, position, quantity, of, value, unit, precision, tool, known),
  );
  const job = database
    .prepare<[string], { number: number; title: string }>('SELECT number, title FROM job WHERE id = ?')
    .get(jobId)!;
  database.prepare('INSERT INTO log_words (rowid, words) VALUES (?, ?)').run(seq, entryWords(entry, job.number, job.title));
}

/** What a reading was taken of that is learned from, by kind: cloths, or an assumption and a cloth. */
const ofEach = (database: Database, quantity: ReadingId): string[] => {
  // From one to the next by the index: there are few, however many readings there are.
  const next = database
    .prepare<[ReadingId, string], string | null>('SELECT min(of_id) FROM reading WHERE quantity = ? AND of_id > ?')
    .pluck();
  const found = database.prepare('SELECT 1 FROM reading WHERE quantity = ? AND of_id = ? LIMIT 1').get(quantity, '') ? [''] : [];
  for (let of = next.get(quantity, ''); of !== null && of !== undefined; of = next.get(quantity, of)) found.push(of);
  return found;
};

/**
 * The latest values of some kinds of reading by what they are of, newest first: of this house’s own records, without those
 * taken back and without what was simulated.
 */
export function latestReadings(
  database: Database,
  quantities: readonly ReadingId[],
  most: number,
): { quantity: ReadingId; of: string; value: number }[] {
  const latest = database
    .prepare<[ReadingId, string, number], number>(
      `SELECT r.value FROM reading r JOIN log_entry e ON e.seq = r.seq
       WHERE r.quantity = ? AND r.of_id = ? AND e.taken_in = 0 AND r.known <> 'simulated'
         AND NOT EXISTS (SELECT 1 FROM log_entry w WHERE w.corrects = e.id)
       ORDER BY r.seq DESC LIMIT ?`,
    )
    .pluck();
  return quantities.flatMap((quantity) =>
    ofEach(database, quantity).flatMap((of) => latest.all(quantity, of, most).map((value) => ({ quantity, of, value }))),
  );
}
