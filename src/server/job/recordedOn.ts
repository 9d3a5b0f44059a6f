import { progressOf } from '@/core/case/progress';
import type { StageId } from '@/core/stages/stages';
import { findJob } from '@/db/jobs';
import { logOfJob } from '@/db/logEntries';
import type { Workshop } from '../workshop';
import { brokenJob } from './jobReading';

/**
 * What keeps something of these jobs from being undone, as a sentence: that a stage is recorded which rests on it. Null where
 * none is.
 *
 * @param what what would be undone, such as "The cloth"
 */
export function recordedOn(workshop: Workshop, ids: readonly string[], stage: StageId, what: string): string | null {
  for (const id of ids) {
    const broken = brokenJob(workshop, id);
    if (broken) return `No. ${broken.number} cannot be read: mend it first.`;
    const job = findJob(workshop.database, id);
    if (job && progressOf(job.inputs, logOfJob(workshop.database, id)).done.has(stage))
      return `${what} of No. ${job.number} is recorded: undo that record first.`;
  }
  return null;
}
