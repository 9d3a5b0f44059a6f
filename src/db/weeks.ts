import type { Database } from 'better-sqlite3';
import type { NamedPlan } from '@/core/week/namedPlan';
import type { WeekPin } from '@/core/week/weekShop';
import { USUAL_WEEK, type WeekSettings } from '@/core/week/weekSettings';

export interface StoredWeek {
  settings: WeekSettings;
  revision: number;
}

/** What the house plans its days by; the usual as revision 0 until something is saved. */
export function readWeek(database: Database): StoredWeek {
  const row = database
    .prepare<[], { settings: string; revision: number }>('SELECT settings, revision FROM house_week WHERE id = 1')
    .get();
  return row
    ? { settings: { ...USUAL_WEEK, ...(JSON.parse(row.settings) as WeekSettings) }, revision: row.revision }
    : { settings: USUAL_WEEK, revision: 0 };
}

/** Saves it over the revision that was read; false when somebody was faster. */
export function writeWeek(database: Database, settings: WeekSettings, revision: number): boolean {
  const sql =
    revision === 0
      ? 'INSERT INTO house_week (id, settings, revision) VALUES (1, @settings, 1) ON CONFLICT DO NOTHING'
      : 'UPDATE house_week SET settings = @settings, revision = revision + 1 WHERE id = 1 AND revision = @revision';
  return database.prepare(sql).run({ settings: JSON.stringify(settings), revision }).changes === 1;
}

type PinRow = { task: string; maker: string | null; atMs: number | null };

/** Pins of jobs that are open. */
export const listPins = (database: Database): WeekPin[] =>
  database.prepare<[], PinRow>('SELECT task, maker, at_ms AS atMs FROM task_pin ORDER BY task').all();

export const findPin = (database: Database, task: string): WeekPin | null =>
  database.prepare<[string], PinRow>('SELECT task, maker, at_ms AS atMs FROM task_pin WHERE task = ?').get(task) ?? null;

/** Pins a task, or lets it go where neither maker nor moment is left. */
export function setPin(database: Database, jobId: string, { task, maker, atMs }: WeekPin): void {
  if (maker === null && atMs === null) database.prepare('DELETE FROM task_pin WHERE task = ?').run(task);
  else
    database
      .prepare('INSERT OR REPLACE INTO task_pin (task, job_id, maker, at_ms) VALUES (?, ?, ?, ?)')
      .run(task, jobId, maker, atMs);
}

export interface StoredPlan {
  madeFor: string;
  madeAtMs: number;
  plan: NamedPlan;
}

/** The plan that stands; null where none was worked out yet. */
export function readPlan(database: Database): StoredPlan | null {
  const row = database
    .prepare<[], { madeFor: string; madeAtMs: number; plan: string }>(
      'SELECT made_for AS madeFor, made_at_ms AS madeAtMs, plan FROM week_plan WHERE id = 1',
    )
    .get();
  return row ? { ...row, plan: JSON.parse(row.plan) as NamedPlan } : null;
}

export function writePlan(database: Database, { madeFor, madeAtMs, plan }: StoredPlan): void {
  database
    .prepare('INSERT OR REPLACE INTO week_plan (id, made_for, made_at_ms, plan) VALUES (1, ?, ?, ?)')
    .run(madeFor, madeAtMs, JSON.stringify(plan));
}
