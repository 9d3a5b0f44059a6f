import { type StoredJob, findJob } from '@/db/jobs';
import { type Outcome, done } from '../write/outcome';
import type { Workshop } from '../workshop';
import { type JobWithLog, openJob } from './jobReading';
import { GONE } from './seenJob';

/** The job as it is now. */
export const theJob = (workshop: Workshop, id: string): Outcome<StoredJob> => {
  const job = findJob(workshop.database, id);
  return job ? done(job) : GONE;
};
/** The job of a request with its log as they are now: what most writes of a job answer once more. */
export const jobWithLog = (workshop: Workshop, { jobId }: { jobId: string }): Outcome<JobWithLog> => {
  const found = openJob(workshop, jobId);
  return found ? done(found) : GONE;
};
/** Of a write that makes a job. */
export const newJobAgain = {
  again: (workshop: Workshop, _request: unknown, ofId: string) => theJob(workshop, ofId),
  about: ({ id }: StoredJob) => id,
};
