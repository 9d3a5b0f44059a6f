/* At the bench: the step somebody stands at, and notes with a photograph that belong to a step. */
import { isFindingId } from '@/core/stages/look/workFile';
import { findJob, isArchived } from '@/db/jobs';
import { type StoredPlace, findBenchPlace, putBenchPlace } from '@/db/benchPlaces';
import { findPhotograph, insertPhotograph } from '@/db/photographs';
import { stageById, STAGE_IDS } from '@/core/stages/stages';
import { type JobWithLog, openJob } from '../job/jobReading';
import { type Outcome, done, refuse } from '../write/outcome';
import { GONE } from '../job/seenJob';
import type { Workshop } from '../workshop';
import { writeDown } from '../job/writeDown';
import { write } from '../write/write';
import { idText } from '@/core/job/job';
import { oneOf, text, whole } from '@/core/shape/shape';
import { QUARTERS } from '@/core/bench/benchRun';
import { maker, note, jpeg } from '../write/asked';
import { jobWithLog } from '../job/jobAgain';

/** The step that somebody stood at last on a job, or null. */
export const benchPlaceOf = ({ database }: Workshop, jobId: string): StoredPlace | null => findBenchPlace(database, jobId);

/** The photograph of an entry of a job, or null. */
export const photographOf = ({ database }: Workshop, jobId: string, entryId: string): Uint8Array | null =>
  findPhotograph(database, jobId, entryId);

/** Keeps the step somebody stands at: no new version of the job, for nothing of it changes. */
export const keepPlace = write({
  asks: { jobId: idText, stage: oneOf(STAGE_IDS), step: text(1, 80), quarter: oneOf(QUARTERS), filledAt: whole(1, 100_000) },
  act({ database }: Workshop, { jobId, ...place }): Outcome<null> {
    if (!findJob(database, jobId)) return GONE;
    putBenchPlace(database, jobId, place);
    return done(null);
  },
  looking: true,
  again: () => done(null),
});

/** A JPEG file begins so. */
const JPEG_HEAD = Buffer.from([0xff, 0xd8, 0xff]);

/** A photograph as it came, in base 64; null where none was taken. */
export function readJpeg(base64: string | null): Outcome<Buffer | null> {
  if (base64 === null) return done(null);
  const jpeg = Buffer.from(base64, 'base64');
  if (!jpeg.subarray(0, 3).equals(JPEG_HEAD))
    return refuse('The photograph is no JPEG file: take it again, or pick another picture.');
  return jpeg.length < 100 ? refuse('The photograph is empty: take it again.') : done(jpeg);
}

/** A note at a step, with a photograph where one was taken; it finishes nothing, and stands whoever saved in between. */
export const keepNote = write({
  /** A note at a step; `says` is what the step said. The photograph is a JPEG file in base 64. */
  asks: { jobId: idText, maker, stage: oneOf(STAGE_IDS), step: text(0, 80), says: text(0, 280), note, jpeg },
  act(workshop: Workshop, dto): Outcome<JobWithLog> {
    const { database } = workshop;
    const note = dto.note.trim();
    if (isFindingId(dto.step))
      return refuse('What is found or decided is written into the file of the work, not kept as a note.');
    if (note === '' && dto.jpeg === null) return refuse('Nothing to keep: write a note, or take a photograph.');
    const photograph = readJpeg(dto.jpeg);
    if (!photograph.ok) return photograph;
    const jpeg = photograph.value;
    const write = database.transaction((): Outcome<JobWithLog> => {
      // A job that cannot be read is gone for whoever wants to note something on it.
      const found = openJob(workshop, dto.jobId);
      if (!found) return GONE;
      if (isArchived(database, dto.jobId))
        return refuse(`No. ${found.job.number} is archived: bring it back before you note something.`);
      const did = `${jpeg ? 'Photograph' : 'Note'}, ${dto.says || stageById(dto.stage).name}`;
      const id = writeDown(workshop, dto.jobId, { stage: dto.stage, kind: 'note', of: dto.step, maker: dto.maker, did, note });
      if (jpeg) insertPhotograph(database, id, jpeg);
      return done(openJob(workshop, dto.jobId)!);
    });
    return write.immediate();
  },
  alone: true,
  again: jobWithLog,
});
