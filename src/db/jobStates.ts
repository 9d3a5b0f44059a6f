/*
 * What each job stands at, as it was worked out last. All of it can be thrown away and worked out again: triggers mark the jobs
 * that were changed, and `worked_under` names the rules and lessons it stands on.
 */
import type { Database } from 'better-sqlite3';
import type { StageId } from '@/core/stages/stages';

/** A job as the lists read it; `facts` is what they show, as JSON of the server’s own making. */
export interface JobState {
  jobId: string;
  workedUnder: string;
  stage: StageId | null;
  broken: string | null;
  stopped: boolean;
  minutes: number;
  waitsUntilMs: number | null;
  clockReadyMs: number | null;
  startByMs: number | null;
  dueOn: string | null;
  number: number;
  /** The set it belongs to. */
  setId: string | null;
  /** When it went out, and when somebody looked at it last; null while it is still made. */
  handedAt: string | null;
  lookedAt: string | null;
  /** The dampest air where it hangs, % RH; null where nobody said. */
  mostRh: number | null;
  /** What a canvas that went out is found by, in small letters; null while it is still made. */
  words: string | null;
  facts: string;
}

type Row = Omit<JobState, 'stopped'> & { stopped: 0 | 1 };

const COLUMNS = `s.job_id AS jobId, s.worked_under AS workedUnder, s.stage, s.broken, s.stopped, s.minutes,
  s.waits_until_ms AS waitsUntilMs, s.clock_ready_ms AS clockReadyMs, s.start_by_ms AS startByMs, s.due_on AS dueOn, s.number, s.set_id AS setId,
  s.handed_at AS handedAt, s.looked_at AS lookedAt, s.most_rh AS mostRh, s.words, s.facts`;

const plain = (row: Row): JobState => ({ ...row, stopped: row.stopped === 1 });

export function writeState(database: Database, state: JobState): void {
  database
    .prepare(
      `INSERT OR REPLACE INTO job_state (job_id, worked_under, stage, broken, stopped, minutes, waits_until_ms, clock_ready_ms, start_by_ms, due_on, number, set_id, handed_at, looked_at, most_rh, words, facts)
       VALUES (@jobId, @workedUnder, @stage, @broken, @stopped, @minutes, @waitsUntilMs, @clockReadyMs, @startByMs, @dueOn, @number, @setId, @handedAt, @lookedAt, @mostRh, @words, @facts)`,
    )
    .run({ ...state, stopped: state.stopped ? 1 : 0 });
  database.prepare('DELETE FROM job_unsettled WHERE job_id = ?').run(state.jobId);
}

/** Forgets the state of a job that no list shows: it is archived, or gone. */
export function dropState(database: Database, jobId: string): void {
  for (const table of ['job_state', 'job_unsettled']) database.prepare(`DELETE FROM ${table} WHERE job_id = ?`).run(jobId);
}

/** Jobs that were changed since their state was worked out. */
export const unsettledJobs = (database: Database, most: number): string[] =>
  database.prepare<[number], string>('SELECT job_id FROM job_unsettled LIMIT ?').pluck().all(most);

export const unsettledCount = (database: Database): number =>
  database.prepare<[], number>('SELECT count(*) FROM job_unsettled').pluck().get()!;

/** Open jobs whose state stands on other rules or lessons. */
export const outdatedJobs = (database: Database, workedUnder: string, most: number): string[] =>
  database
    .prepare<[string, string, number], string>(
      // Two ranges of the index: what lies below and what lies above.
      `SELECT job_id FROM (
         SELECT job_id FROM job_state WHERE stage IS NOT NULL AND worked_under < ?
         UNION ALL SELECT job_id FROM job_state WHERE stage IS NOT NULL AND worked_under > ?
       ) LIMIT ?`,
    )
    .pluck()
    .all(workedUnder, workedUnder, most);

/** Jobs that could not be read are looked at again. */
export function unsettleBroken(database: Database): void {
  database.exec('INSERT OR IGNORE INTO job_unsettled SELECT job_id FROM job_state WHERE broken IS NOT NULL');
}

/** Forgets every state, so that all are worked out anew. */
export function unsettleAll(database: Database): void {
  database.exec('INSERT OR IGNORE INTO job_unsettled SELECT id FROM job');
}

/** How a job stands at a moment: 0 for what needs hands, 1 for what is stopped, 2 for what waits. */
const RANK = 'CASE WHEN s.waits_until_ms > @nowMs THEN 2 WHEN s.stopped = 1 THEN 1 ELSE 0 END';

export interface Page {
  from: number;
  most: number;
}

/** Open jobs in the order of what needs hands next; of a set the one that is first. */
export const openStates = (database: Database, nowMs: number, { from, most }: Page): JobState[] =>
  database
    .prepare<[object], Row>(
      `WITH open AS (
         SELECT *, ${RANK} AS rank, row_number() OVER (
           PARTITION BY coalesce(set_id, job_id) ORDER BY ${RANK}, coalesce(due_on, '9999'), number
         ) AS nth
         FROM job_state s WHERE stage IS NOT NULL AND broken IS NULL
       )
       SELECT ${COLUMNS} FROM open s WHERE nth = 1
       ORDER BY rank, coalesce(s.due_on, '9999'), s.number LIMIT @most OFFSET @from`,
    )
    .all({ nowMs, from, most })
    .map(plain);

/** Open jobs at some stages, by number; of more than are asked for those that are wanted first. */
export const statesAt = (database: Database, stages: readonly StageId[], most: number): JobState[] =>
  database
    .prepare<unknown[], Row>(
      `SELECT ${COLUMNS} FROM job_state s WHERE s.stage IN (${stages.map(() => '?').join(', ')}) AND s.broken IS NULL
       ORDER BY coalesce(s.due_on, '9999'), s.number LIMIT ?`,
    )
    .all(...stages, most)
    .map(plain)
    .sort((one, other) => one.number - other.number);

/** Open jobs, those that are wanted first first. */
export const openStatesByDue = (database: Database, most: number): JobState[] =>
  database
    .prepare<[number], Row>(
      `SELECT ${COLUMNS} FROM job_state s WHERE s.stage IS NOT NULL AND s.broken IS NULL
       ORDER BY coalesce(s.due_on, '9999'), s.number LIMIT ?`,
    )
    .all(most)
    .map(plain);

/** How many are open. */
export const countOpen = (database: Database): number =>
  database.prepare<[], number>('SELECT count(*) FROM job_state s WHERE s.stage IS NOT NULL AND s.broken IS NULL').pluck().get()!;

/** States of all canvases of a set, open or not, by number. */
export const statesOfSet = (database: Database, setId: string): JobState[] =>
  database
    .prepare<[string], Row>(`SELECT ${COLUMNS} FROM job_state s WHERE s.set_id = ? AND s.broken IS NULL ORDER BY s.number`)
    .all(setId)
    .map(plain);

/** The state of one job; null where it has none that can be shown. */
export function findState(database: Database, jobId: string): JobState | null {
  const row = database
    .prepare<[string], Row>(`SELECT ${COLUMNS} FROM job_state s WHERE s.job_id = ? AND s.broken IS NULL`)
    .get(jobId);
  return row ? plain(row) : null;
}

/** Finished jobs, newest number first. */
export const finishedStates = (database: Database, { from, most }: Page): JobState[] =>
  database
    .prepare<[object], Row>(
      `SELECT ${COLUMNS} FROM job_state s WHERE s.stage IS NULL AND s.broken IS NULL ORDER BY s.number DESC LIMIT @most OFFSET @from`,
    )
    .all({ from, most })
    .map(plain);

export interface CanvasQuestion extends Page {
  /** All of them stand in what a canvas is found by; small letters. */
  words: readonly string[];
  /** Not looked at since; null for all. */
  before: string | null;
  /** Hangs where the air gets as damp as this, % RH; null for all. */
  dampFrom: number | null;
}

/** Finished canvases, the one that was looked at longest ago first where that is asked, else the newest first; and how many there are. */
export function canvasStates(
  database: Database,
  { words, before, dampFrom, from, most }: CanvasQuestion,
): { states: JobState[]; count: number } {
  const has = words.map(() => "s.words LIKE '%' || ? || '%' ESCAPE '!'").join(' AND ');
  const where = `s.handed_at IS NOT NULL AND s.broken IS NULL
    AND (? IS NULL OR s.looked_at < ?) AND (? IS NULL OR s.most_rh >= ?)${has && ` AND ${has}`}`;
  const asked = [before, before, dampFrom, dampFrom, ...words.map((word) => word.replace(/[!%_]/g, '!$&'))];
  const order = before === null ? 's.handed_at DESC, s.number DESC' : 's.looked_at, s.number';
  return {
    states: database
      .prepare<unknown[], Row>(`SELECT ${COLUMNS} FROM job_state s WHERE ${where} ORDER BY ${order} LIMIT ? OFFSET ?`)
      .all(...asked, most, from)
      .map(plain),
    count: database
      .prepare<unknown[], number>(`SELECT count(*) FROM job_state s WHERE ${where}`)
      .pluck()
      .get(...asked)!,
  };
}

export const brokenStates = (database: Database): JobState[] =>
  database.prepare<[], Row>(`SELECT ${COLUMNS} FROM job_state s WHERE s.broken IS NOT NULL ORDER BY s.number`).all().map(plain);

/** Jobs whose clocks run, or ran out and nobody has gone on yet, the soonest first. */
export const clockStates = (database: Database, most: number): JobState[] =>
  database
    .prepare<[number], Row>(
      `SELECT ${COLUMNS} FROM job_state s WHERE s.clock_ready_ms IS NOT NULL AND s.broken IS NULL ORDER BY s.clock_ready_ms LIMIT ?`,
    )
    .all(most)
    .map(plain);

export const countClocks = (database: Database): number =>
  database
    .prepare<[], number>('SELECT count(*) FROM job_state WHERE clock_ready_ms IS NOT NULL AND broken IS NULL')
    .pluck()
    .get()!;

export interface OpenTotals {
  open: number;
  /** Rows they are shown in: a set has one. */
  openRows: number;
  late: number;
  /** Minutes that hands can do now. */
  minutes: number;
  finished: number;
}

/** @param today the day it is here, "2031-05-04" */
export const openTotals = (database: Database, nowMs: number, today: string): OpenTotals =>
  database
    .prepare<[object], OpenTotals>(
      `SELECT count(*) AS open, count(DISTINCT coalesce(s.set_id, s.job_id)) AS openRows,
         coalesce(sum(s.due_on < @today OR s.start_by_ms - max(0, coalesce(s.clock_ready_ms, 0) - @nowMs) < @nowMs), 0) AS late,
         coalesce(sum(CASE WHEN ${RANK} = 0 THEN s.minutes ELSE 0 END), 0) AS minutes,
         (SELECT count(*) FROM job_state f WHERE f.stage IS NULL AND f.broken IS NULL) AS finished
       FROM job_state s WHERE s.stage IS NOT NULL AND s.broken IS NULL`,
    )
    .get({ nowMs, today })!;
