import type { Database } from 'better-sqlite3';
import { upgradePlan } from '@/core/job/upgradeJob';
import type { LogEntry, PlanSnapshot, Reading } from '@/core/job/logEntry';

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
  plan: string | null;
}
type ReadingRow = Reading & { entry_id: string };

const fromRow = (row: Row, readings: Reading[]): LogEntry => ({
  id: row.id,
  stage: row.stage,
  step: row.step,
  kind: row.kind,
  at: row.at,
  maker: row.maker,
  did: row.did,
  note: row.note,
  reason: row.reason,
  corrects: row.corrects,
  readyAt: row.ready_at,
  readings,
  plan: row.plan === null ? null : (upgradePlan(JSON.parse(row.plan)) as PlanSnapshot),
});

const plainReading = ({ quantity, value, unit, precision, tool }: ReadingRow): Reading => ({
  quantity,
  value,
  unit,
  precision,
  tool,
});

/** The log of one job, oldest first, with the frozen plans. */
export function logOfJob(database: Database, jobId: string): LogEntry[] {
  const rows = database.prepare<[string], Row>('SELECT * FROM log_entry WHERE job_id = ? ORDER BY at, rowid').all(jobId);
  return withReadings(
    rows,
    database
      .prepare<[string], ReadingRow>(
        'SELECT r.* FROM reading r JOIN log_entry e ON e.id = r.entry_id WHERE e.job_id = ? ORDER BY r.position',
      )
      .all(jobId),
  );
}

/** The log of every job by job id, oldest first, without the frozen plans: for lists. */
export function logOfWorkshop(database: Database): Map<string, LogEntry[]> {
  const rows = database
    .prepare<[], Row>(
      'SELECT id, job_id, stage, step, kind, at, maker, did, note, reason, corrects, ready_at, NULL AS plan FROM log_entry ORDER BY at, rowid',
    )
    .all();
  const readings = database.prepare<[], ReadingRow>('SELECT * FROM reading ORDER BY position').all();
  const entries = withReadings(rows, readings);
  const byJob = new Map<string, LogEntry[]>();
  entries.forEach((entry, index) => {
    const jobId = rows[index]!.job_id;
    byJob.set(jobId, [...(byJob.get(jobId) ?? []), entry]);
  });
  return byJob;
}

function withReadings(rows: Row[], readings: ReadingRow[]): LogEntry[] {
  const byEntry = new Map<string, Reading[]>();
  for (const reading of readings)
    byEntry.set(reading.entry_id, [...(byEntry.get(reading.entry_id) ?? []), plainReading(reading)]);
  return rows.map((row) => fromRow(row, byEntry.get(row.id) ?? []));
}

export function insertLogEntry(database: Database, jobId: string, entry: LogEntry): void {
  database
    .prepare(
      'INSERT INTO log_entry (id, job_id, stage, step, kind, at, maker, did, note, reason, corrects, ready_at, plan) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
    )
    .run(
      entry.id,
      jobId,
      entry.stage,
      entry.step,
      entry.kind,
      entry.at,
      entry.maker,
      entry.did,
      entry.note,
      entry.reason,
      entry.corrects,
      entry.readyAt,
      entry.plan === null ? null : JSON.stringify(entry.plan),
    );
  const insert = database.prepare(
    'INSERT INTO reading (entry_id, position, quantity, value, unit, precision, tool) VALUES (?, ?, ?, ?, ?, ?, ?)',
  );
  entry.readings.forEach((reading, position) =>
    insert.run(entry.id, position, reading.quantity, reading.value, reading.unit, reading.precision, reading.tool),
  );
}

/** The latest values of one kind of reading over all jobs, newest first; records taken back are left out. */
export function latestReadings(database: Database, quantity: string, most: number): number[] {
  return database
    .prepare<[string, number], { value: number }>(
      `SELECT r.value FROM reading r JOIN log_entry e ON e.id = r.entry_id
       WHERE r.quantity = ? AND e.kind IN ('record', 'reading')
         AND NOT EXISTS (SELECT 1 FROM log_entry w WHERE w.corrects = e.id)
       ORDER BY e.at DESC, e.rowid DESC LIMIT ?`,
    )
    .all(quantity, most)
    .map((row) => row.value);
}
