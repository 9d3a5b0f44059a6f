import type { Database } from 'better-sqlite3';
import { startOf } from '@/core/shape/shape';
import { type CostSettings, costSettingsShape } from '@/core/cost/costSettings';
import type { QuoteSums } from '@/core/cost/quoteSums';

export interface StoredSettings {
  settings: CostSettings;
  revision: number;
}

/** What the house reckons with; the defaults as revision 0 until some are saved. */
export function readCostSettings(database: Database): StoredSettings {
  const row = database
    .prepare<[], { settings: string; revision: number }>('SELECT settings, revision FROM house_cost WHERE id = 1')
    .get();
  const usual = startOf(costSettingsShape);
  return row
    ? { settings: { ...usual, ...(JSON.parse(row.settings) as CostSettings) }, revision: row.revision }
    : { settings: usual, revision: 0 };
}

/** Saves them over the revision that was read; false when somebody was faster. */
export function writeCostSettings(database: Database, settings: CostSettings, revision: number): boolean {
  const sql =
    revision === 0
      ? 'INSERT INTO house_cost (id, settings, revision) VALUES (1, @settings, 1) ON CONFLICT DO NOTHING'
      : 'UPDATE house_cost SET settings = @settings, revision = revision + 1 WHERE id = 1 AND revision = @revision';
  return database.prepare(sql).run({ settings: JSON.stringify(settings), revision }).changes === 1;
}

/** What a quote was given on: it stays so, whatever prices do. */
export interface FrozenQuote extends QuoteSums {
  title: string;
  currency: string;
  workshop: string;
  taxName: string;
  taxPercent: number;
  canvases: { number: number; title: string; widthMm: number; heightMm: number; grossMinor: number }[];
}

export interface Quote {
  number: number;
  id: string;
  at: string;
  maker: string;
  validUntil: string;
  forWhom: string;
  frozen: FrozenQuote;
}

type Row = Omit<Quote, 'frozen'> & { frozen: string };
const SELECT = 'SELECT q.number, q.id, q.at, q.maker, q.valid_until AS validUntil, q.for_whom AS forWhom, q.frozen FROM quote q';
const plain = (row: Row): Quote => ({ ...row, frozen: JSON.parse(row.frozen) as FrozenQuote });

export const nextQuote = (database: Database): number =>
  database.prepare<[], number>('SELECT coalesce(max(number), 0) + 1 FROM quote').pluck().get()!;

export function insertQuote(database: Database, { frozen, ...quote }: Quote, jobs: readonly string[]): void {
  database
    .prepare(
      `INSERT INTO quote (number, id, at, maker, valid_until, for_whom, frozen)
       VALUES (@number, @id, @at, @maker, @validUntil, @forWhom, @frozen)`,
    )
    .run({ ...quote, frozen: JSON.stringify(frozen) });
  for (const job of jobs) database.prepare('INSERT INTO quote_job (number, job_id) VALUES (?, ?)').run(quote.number, job);
}

export const findQuote = (database: Database, number: number): Quote | null => {
  const row = database.prepare<[number], Row>(`${SELECT} WHERE q.number = ?`).get(number);
  return row ? plain(row) : null;
};

/** The quotes that were given on a job, newest first. */
export const quotesOfJob = (database: Database, jobId: string): Quote[] =>
  database
    .prepare<[string], Row>(`${SELECT} JOIN quote_job j ON j.number = q.number WHERE j.job_id = ? ORDER BY q.number DESC`)
    .all(jobId)
    .map(plain);
