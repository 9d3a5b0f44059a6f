import { CONDITIONS } from '@/core/stages/look/conditions';
import { DECISIONS } from '@/core/stages/look/lookInputs';
import { type Finding, findingId } from '@/core/stages/look/workFile';
import { byId } from '@/core/house/schools';
import { idText } from '@/core/job/job';
import { isArchived } from '@/db/jobs';
import { oneOf, optional } from '@/core/shape/shape';
import { insertPhotograph } from '@/db/photographs';
import { readJpeg } from '../bench/benchWrites';
import { jobWithLog } from '../job/jobAgain';
import { type JobWithLog, caseOfJob, openJob } from '../job/jobReading';
import { GONE } from '../job/seenJob';
import { writeDown } from '../job/writeDown';
import { jpeg, maker, note } from '../write/asked';
import { type Outcome, done, refuse } from '../write/outcome';
import { write } from '../write/write';
import type { Workshop } from '../workshop';

/**
 * Adds to the file of a painting, at any stage and in any later year: a condition that was found, or what was decided, with who
 * decided and what was said. Nothing of it is changed afterwards; the note is taken back, or another one follows.
 */
export const keepFinding = write({
  /** One of `condition` and `decided`; `note`: where it is, or who decided and what was said. */
  asks: { jobId: idText, maker, note, condition: optional(oneOf(CONDITIONS)), decided: optional(oneOf(DECISIONS)), jpeg },
  act(workshop: Workshop, { condition, decided, note, maker, ...dto }): Outcome<JobWithLog> {
    const { database } = workshop;
    const said = note.trim();
    const finding: Finding | null = condition ? { condition } : decided ? { decided } : null;
    if (!finding || (condition !== null && decided !== null))
      return refuse('Write down one thing at a time: what was found, or what was decided.');
    if (said.length < 3)
      return refuse(condition ? 'note: say where it is.' : 'note: say who decided, and what was said, in three letters or more.');
    const photograph = readJpeg(dto.jpeg);
    if (!photograph.ok) return photograph;
    return database
      .transaction((): Outcome<JobWithLog> => {
        const found = openJob(workshop, dto.jobId);
        if (!found) return GONE;
        if (isArchived(database, dto.jobId)) return refuse(`No. ${found.job.number} is archived: bring it back first.`);
        const { progress } = caseOfJob(workshop, found);
        if (!progress.painted) return refuse('Only a painting has such a file: this canvas is blank.');
        if (!progress.done.has('look') && !progress.passed.has('look'))
          return refuse('It is not looked over yet: write this under Look.');
        const did = condition
          ? `Found: ${byId(CONDITIONS, condition).name.toLowerCase()}`
          : `Decided: ${byId(DECISIONS, decided!).name}`;
        const id = writeDown(workshop, dto.jobId, {
          stage: 'look',
          kind: 'note',
          of: findingId(finding),
          maker,
          did,
          note: said,
        });
        if (photograph.value) insertPhotograph(database, id, photograph.value);
        return done(openJob(workshop, dto.jobId)!);
      })
      .immediate();
  },
  alone: true,
  again: jobWithLog,
});
