import type { Database } from 'better-sqlite3';
import type { StageId } from '@/core/stages/stages';
import type { Quarter } from '@/core/bench/benchRun';

/** Where somebody stands in the steps of a job, and how its frame lies. */
export interface StoredPlace {
  stage: StageId;
  step: string;
  quarter: Quarter;
  /** The fastener before which the stapler was filled last. */
  filledAt: number;
}

/** The place kept with a job, or null. */
export function findBenchPlace(database: Database, jobId: string): StoredPlace | null {
  const row = database
    .prepare<[string], StoredPlace>('SELECT stage, step, quarter, filled_at AS filledAt FROM bench_place WHERE job_id = ?')
    .get(jobId);
  return row ?? null;
}

/** Puts a place in, over the one that was there. */
export function putBenchPlace(database: Database, jobId: string, { stage, step, quarter, filledAt }: StoredPlace): void {
  database
    .prepare(
      `INSERT INTO bench_place (job_id, stage, step, quarter, filled_at) VALUES (?, ?, ?, ?, ?)
       ON CONFLICT (job_id) DO UPDATE SET stage = excluded.stage, step = excluded.step, quarter = excluded.quarter,
         filled_at = excluded.filled_at`,
    )
    .run(jobId, stage, step, quarter, filledAt);
}
