/*
 * The open job file: JSON, one job with its log, versioned. Schema: docs/job.schema.json.
 */
import type { Job } from './job';
import type { LogEntry } from './logEntry';

export const JOB_FILE_FORMAT = 'keen-batten/job';
export const JOB_FILE_VERSION = 1;

export interface JobFile {
  format: typeof JOB_FILE_FORMAT;
  version: typeof JOB_FILE_VERSION;
  job: Job;
  log: LogEntry[];
}

export const jobFile = (job: Job, log: LogEntry[]): JobFile => ({ format: JOB_FILE_FORMAT, version: JOB_FILE_VERSION, job, log });

/** The file's text: two-space JSON with a last newline, keys in the order of the model. */
export const printJobFile = (file: JobFile): string => `${JSON.stringify(file, null, 2)}\n`;

/** A file name without signs that a file system dislikes: "118-summer-sky.job.json". */
export function jobFileName({ number, inputs }: Job): string {
  const slug = inputs.brief.title
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
  return `${number}-${slug || 'canvas'}.job.json`;
}
