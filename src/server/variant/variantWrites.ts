/* Variants of a job: kept beside it, and one of them taken as the job’s own; what the job was then stays as a variant. */
import { isFixed, MOST_VARIANTS, changedFields, changesTo, withChanges, variantShape } from '@/core/variant/variant';
import { progressOf } from '@/core/case/progress';
import { type StoredVariant, deleteVariant, insertVariant, updateVariant, variantsOfJob } from '@/db/jobVariants';
import { findJob } from '@/db/jobs';
import { logOfJob } from '@/db/logEntries';
import { readRules } from '@/db/workshops';
import { saveInputs, unknownMaterial } from '../job/jobWrites';
import { type JobWithLog, houseOf, inputsTrouble, openJob } from '../job/jobReading';
import { type Outcome, done, refuse } from '../write/outcome';
import { GONE, seenJob } from '../job/seenJob';
import type { Workshop } from '../workshop';
import { writeDown } from '../job/writeDown';
import { write } from '../write/write';
import { idText } from '@/core/job/job';
import { revision, anyRevision, ofJob } from '../write/asked';
import { jobWithLog } from '../job/jobAgain';

const CHANGED = refuse('This variant was changed or dropped elsewhere in between. Load the page again to see it.');

export const jobVariants = ({ database }: Pick<Workshop, 'database'>, jobId: string): StoredVariant[] =>
  variantsOfJob(database, jobId);

/** Keeps a variant, or a new one where its revision is 0; what cannot be planned is refused. */
export const keepVariant = write({
  asks: { jobId: idText, id: idText, revision: anyRevision, ...variantShape },
  act(workshop: Workshop, { jobId, id, revision, name, changes }): Outcome<StoredVariant[]> {
    const { database, now } = workshop;
    const keep = database.transaction((): Outcome<StoredVariant[]> => {
      const job = findJob(database, jobId);
      if (!job) return GONE;
      if (name.trim() === '') return refuse('name: give the variant a name, to tell it from the others.');
      const there = variantsOfJob(database, jobId);
      const inputs = withChanges(job.inputs, changes);
      const unknown = unknownMaterial(inputs, readRules(database).rules);
      if (unknown) return unknown;
      const trouble = inputsTrouble(() => inputs, houseOf(workshop));
      if (trouble) return refuse(`This variant cannot be worked with: ${trouble}.`);
      const variant = { id, revision, name: name.trim(), changes };
      if (revision > 0) {
        if (!there.some((one) => one.id === id) || !updateVariant(database, variant)) return CHANGED;
        return done(variantsOfJob(database, jobId));
      }
      if (there.some((one) => one.id === id)) return CHANGED;
      if (there.length >= MOST_VARIANTS)
        return refuse(`${MOST_VARIANTS} variants stand beside this job already: drop one, then make another.`);
      insertVariant(database, jobId, variant, now().toISOString());
      return done(variantsOfJob(database, jobId));
    });
    return keep.immediate();
  },
  again: (workshop, { jobId }) => done(jobVariants(workshop, jobId)),
});

export const dropVariant = write({
  asks: { jobId: idText, id: idText, revision },
  act({ database }: Workshop, { jobId, id, revision }): Outcome<StoredVariant[]> {
    const drop = database.transaction((): Outcome<StoredVariant[]> => {
      if (!variantsOfJob(database, jobId).some((one) => one.id === id) || !deleteVariant(database, { id, revision }))
        return CHANGED;
      return done(variantsOfJob(database, jobId));
    });
    return drop.immediate();
  },
  again: (workshop, { jobId }) => done(jobVariants(workshop, jobId)),
});

const BEFORE = 'Before ';

/** What a job was before is told by what was taken; taken back, it bears its own name again. */
const nameOfBefore = (name: string): string =>
  name.startsWith(BEFORE) ? name.slice(BEFORE.length) : `${BEFORE}${name}`.slice(0, 60);

/** Takes a variant as the job’s own; in its place stands what the job was before, the others stay what they were. The log says so. */
export const adoptVariant = write({
  /** `variantRevision`: the variant as it was seen. */
  asks: { ...ofJob, id: idText, variantRevision: revision },
  act(workshop: Workshop, { jobId, revision, maker, id, variantRevision }): Outcome<JobWithLog> {
    const { database } = workshop;
    const adopt = database.transaction((): Outcome<JobWithLog> => {
      const seen = seenJob(database, { jobId, revision });
      if (!seen.ok) return seen;
      const before = seen.value.inputs;
      const variant = variantsOfJob(database, jobId).find((one) => one.id === id);
      if (!variant || variant.revision !== variantRevision) return CHANGED;
      const progress = progressOf(before, logOfJob(database, jobId));
      const fields = changedFields(before, variant.changes);
      if (fields.length === 0) return refuse(`“${variant.name}” is what the job is already: there is nothing to take.`);
      if (fields.some((field) => isFixed(field, progress)))
        return refuse(`“${variant.name}” changes what is recorded already: take that record back first, or change the variant.`);
      const after = withChanges(before, variant.changes);
      const saved = saveInputs.act(workshop, { jobId, revision, inputs: after });
      if (!saved.ok) return saved;
      updateVariant(database, { ...variant, name: nameOfBefore(variant.name), changes: changesTo(after, before) });
      // What the others stood for they still do.
      for (const other of variantsOfJob(database, jobId).filter((one) => one.id !== id))
        updateVariant(database, { ...other, changes: changesTo(after, withChanges(before, other.changes)) });
      writeDown(workshop, jobId, {
        stage: progress.now ?? 'handover',
        kind: 'note',
        maker,
        did: `Variant taken: ${variant.name}`,
      });
      return done(openJob(workshop, jobId)!);
    });
    return adopt.immediate();
  },
  again: jobWithLog,
});
