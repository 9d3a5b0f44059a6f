import type { JobWithLog } from '@/server/jobReading';
import type { Outcome } from '@/server/outcome';

/** What every entry that is kept between the stages is asked with. */
export interface Asked {
  requestId: string;
  jobId: string;
  /** The version of the job that was seen; left out by what stands whoever saved in between. */
  revision?: number;
  maker: string;
}

/** Saves what was typed, asks the server for a new entry of the log, and takes its answer; false when it was refused. */
export type Keep = <R extends Asked>(
  action: (sent: R) => Promise<Outcome<JobWithLog>>,
  request: Omit<R, keyof Asked>,
) => Promise<boolean>;
