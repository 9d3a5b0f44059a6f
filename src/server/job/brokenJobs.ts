/*
 * A job whose row cannot be read: it is shown with its reason, goes out as it lies in the file, is put right from what
 * somebody mended, or is set aside. Its log stays as it is.
 */
import { type JobInputs, idText } from '@/core/job/job';
import { type StoredJob, findJob, findJobRow, rawJob, setAside, updateInputs } from '@/db/jobs';
import { logOfJob } from '@/db/logEntries';
import { brokenJob, houseOf, inputsTrouble } from './jobReading';
import { type Outcome, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';
import { write } from '../write/write';
import { revision } from '../write/asked';
import { flag, text, optional } from '@/core/shape/shape';
import { theJob } from './jobAgain';

const SOUND = refuse('This job can be read: open it from the bench.');
const MEANWHILE = refuse('Somebody changed this job in between: load the page anew.');

/** Takes a job that cannot be read out of the lists, or brings it back. */
export const setJobAside = write({
  asks: { jobId: idText, revision, aside: flag() },
  act(workshop: Workshop, { jobId, revision, aside }): Outcome<null> {
    const { database } = workshop;
    const set = database.transaction((): Outcome<null> => {
      const broken = brokenJob(workshop, jobId);
      if (!broken) return SOUND;
      if (broken.revision !== revision) return MEANWHILE;
      setAside(database, jobId, aside);
      return done(null);
    });
    return set.immediate();
  },
  again: () => done(null),
});

/**
 * Puts mended inputs in the place of those that cannot be read: JSON of the inputs, of a job file or of the rows as they
 * went out; without a text, what the log recorded last.
 */
export const mendJob = write({
  asks: { jobId: idText, revision, text: optional(text(1, 4_000_000)) },
  act(workshop: Workshop, { jobId, revision, text }): Outcome<StoredJob> {
    const { database, now } = workshop;
    const mend = database.transaction((): Outcome<StoredJob> => {
      const row = findJobRow(database, jobId);
      if (!row || !brokenJob(workshop, jobId)) return SOUND;
      if (row.revision !== revision) return MEANWHILE;
      const inputs = () => (text === null ? lastRecorded(workshop, jobId) : inputsIn(JSON.parse(text)));
      const wrong = inputsTrouble(inputs, houseOf(workshop));
      if (wrong !== null) return refuse(`Not taken, nothing was changed. ${wrong}`);
      updateInputs(database, jobId, revision, inputs() as JobInputs, now().toISOString());
      setAside(database, jobId, false);
      const still = brokenJob(workshop, jobId);
      return still ? refuse(`The inputs are right now, but more is wrong. ${still.because}`) : done(findJob(database, jobId)!);
    });
    return mend.immediate();
  },
  again: (workshop, { jobId }) => theJob(workshop, jobId),
});

/** Inputs, wherever they stand in a file. */
function inputsIn(plain: unknown): unknown {
  const within = (key: string, there: unknown) => (there as Record<string, unknown> | null)?.[key];
  const job = within('job', plain);
  if (Array.isArray(job)) return JSON.parse(String(within('inputs', job[0])));
  return within('inputs', job) ?? within('inputs', plain) ?? plain;
}

/** @throws Error where nothing was recorded yet */
function lastRecorded({ database }: Workshop, jobId: string): unknown {
  const entry = logOfJob(database, jobId).findLast(({ plan }) => plan !== null);
  if (!entry) throw new Error('Nothing was recorded of this job yet: take a mended file.');
  return entry.plan!.inputs;
}

/** The rows of a job as they lie in the file, as JSON; null where there is none. */
export function printRawJob({ database }: Workshop, jobId: string): string | null {
  const raw = rawJob(database, jobId);
  return raw.job.length === 0 ? null : `${JSON.stringify(raw, null, 2)}\n`;
}
