import type { JobWithLog } from '@/server/jobReading';
import type { Outcome } from '@/server/outcome';

/** What every entry that is kept between the stages is asked with. */
export interface Asked {
  jobId: string;
  revision: number;
  maker: string;
}

/** Saves what was typed, asks the server for a new entry of the log, and takes its answer; false when it was refused. */
export type Keep = (act: (asked: Asked) => Promise<Outcome<JobWithLog>>) => Promise<boolean>;
