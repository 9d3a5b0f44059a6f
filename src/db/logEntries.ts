import type { Database } from 'better-sqlite3';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import { upgradePlan } from '@/core/file/upgradeJob';
import type { LogEntry, PlanSnapshot, Reading } from '@/core/log/logEntry';
import type { ReadingId } from '@/core/log/readingKinds';

interface Row {
  id: string;
  job_id: string;
  stage: LogEntry['stage'];
  step: number | null;
  kind: LogEntry['kind'];
  at: string;
  maker: string;
  did: string;
  note: string;
  reason: string;
  corrects: string | null;
  ready_at: string | null;
  of_id: string;
  plan: string | null;
  written: number;
}
type ReadingRow = Omit<Reading, 'of'> & { entry_id: string; of_id: string };

const fromRow = (row: Row, readings: Reading[]): LogEntry => ({
  id: row.id,
  stage: row.stage,
  step: row.step,
  kind: row.kind,
  of: row.of_id,
  at: row.at,
  maker: row.maker,
  did: row.did,
  note: row.note,
  reason: row.reason,
  corrects: row.corrects,
  readyAt: row.ready_at,
  readings,
  plan: row.plan === null ? null : (upgradePlan(JSON.parse(row.plan), row.written) as PlanSnapshot),
});

const plainReading = ({ quantity, of_id: of, value, unit, precision, tool, known }: ReadingRow): Reading => ({
  quantity,
  of,
  value,
  unit,
  precision,
  tool,
  known,
});

/** The log of one job, oldest first, with the frozen plans. */
export function logOfJob(database: Database, jobId: string): LogEntry[] {
  const rows = database.prepare<[string], Row>('SELECT * FROM log_entry WHERE job_id = ? ORDER BY seq').all(jobId);
  return withReadings(
    rows,
    database
      .prepare<[string], ReadingRow>(
        'SELECT r.* FROM reading r JOIN log_entry e ON e.id = r.entry_id WHERE e.job_id = ? ORDER BY r.position',
      )
      .all(jobId),
  );
}

const PLAIN = 'id, job_id, stage, step, kind, of_id, at, maker, did, note, reason, corrects, ready_at, written';

/** The log of every job by job id, oldest first, with the frozen plans; jobs that cannot be read are left out. */
export const logOfWorkshop = (database: Database, unreadable: ReadonlySet<string>): Map<string, LogEntry[]> =>
  logsOf(database, 'plan', unreadable);

/** As `logOfWorkshop`, without the frozen plans: for the list of all that was done. */
export const plainLogOfWorkshop = (database: Database): Map<string, LogEntry[]> => logsOf(database, 'NULL AS plan', new Set());

function logsOf(database: Database, plan: 'plan' | 'NULL AS plan', without: ReadonlySet<string>): Map<string, LogEntry[]> {
  const every = database.prepare<[], Row>(`SELECT ${PLAIN}, ${plan} FROM log_entry ORDER BY seq`).all();
  const rows = every.filter((row) => !without.has(row.job_id));
  const readings = database.prepare<[], ReadingRow>('SELECT * FROM reading ORDER BY position').all();
  const byJob = new Map<string, LogEntry[]>();
  withReadings(rows, readings).forEach((entry, index) => {
    const jobId = rows[index]!.job_id;
    const list = byJob.get(jobId);
    if (list) list.push(entry);
    else byJob.set(jobId, [entry]);
  });
  return byJob;
}

function withReadings(rows: Row[], readings: ReadingRow[]): LogEntry[] {
  const byEntry = new Map<string, Reading[]>();
  for (const reading of readings) {
    const list = byEntry.get(reading.entry_id);
    if (list) list.push(plainReading(reading));
    else byEntry.set(reading.entry_id, [plainReading(reading)]);
  }
  return rows.map((row) => fromRow(row, byEntry.get(row.id) ?? []));
}

/**
 * Writes an entry at the end of a job’s log.
 *
 * @param takenIn it came with a job file: nothing is learned from it
 */
export function insertLogEntry(database: Database, jobId: string, entry: LogEntry, takenIn = false): void {
  database
    .prepare(
      'INSERT INTO log_entry (id, job_id, stage, step, kind, of_id, at, maker, did, note, reason, corrects, ready_at, plan, written, taken_in) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
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
      entry.did,
      entry.note,
      entry.reason,
      entry.corrects,
      entry.readyAt,
      entry.plan === null ? null : JSON.stringify(entry.plan),
      SHAPE_VERSION,
      takenIn ? 1 : 0,
    );
  const insert = database.prepare(
    'INSERT INTO reading (entry_id, position, quantity, of_id, value, unit, precision, tool, known) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
  );
  entry.readings.forEach(({ quantity, of, value, unit, precision, tool, known }, position) =>
    insert.run(entry.id, position, quantity, of, value, unit, precision, tool, known),
  );
}

/**
 * The latest values of some kinds of reading by what they are of, newest first: of this house’s own records, without those
 * taken back and without what was simulated.
 */
export function latestReadings(
  database: Database,
  quantities: readonly ReadingId[],
  most: number,
): { quantity: ReadingId; of: string; value: number }[] {
  const marks = quantities.map(() => '?').join(', ');
  return database
    .prepare<unknown[], { quantity: ReadingId; of: string; value: number }>(
      `SELECT quantity, of_id AS "of", value FROM (
         SELECT r.quantity, r.of_id, r.value, e.seq, row_number() OVER (PARTITION BY r.quantity, r.of_id ORDER BY e.seq DESC) AS place
         FROM reading r JOIN log_entry e ON e.id = r.entry_id
         WHERE r.quantity IN (${marks}) AND e.taken_in = 0 AND r.known <> 'simulated'
           AND NOT EXISTS (SELECT 1 FROM log_entry w WHERE w.corrects = e.id)
       ) WHERE place <= ? ORDER BY seq DESC`,
    )
    .all(...quantities, most);
}
