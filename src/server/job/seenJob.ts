import type { Database } from 'better-sqlite3';
import { type StoredJob, findJob } from '@/db/jobs';
import { type Outcome, done, refuse } from '../write/outcome';

export const GONE = refuse('This job is not in the workshop any more: go back to the bench.');

/** A job as somebody saw it; refused where it is gone, or was changed since that revision. */
export function seenJob(database: Database, { jobId, revision }: { jobId: string; revision: number }): Outcome<StoredJob> {
  const job = findJob(database, jobId);
  if (!job) return GONE;
  return job.revision === revision ? done(job) : { ok: false, kind: 'stale', theirs: job };
}
