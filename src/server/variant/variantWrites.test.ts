import { beforeEach, describe, expect, it } from 'vitest';
import { MOST_VARIANTS, NO_CHANGE, withChanges } from '@/core/variant/variant';
import { length } from '@/core/units/length';
import { logOfJob } from '@/db/logEntries';
import { openJob } from '../job/jobReading';
import { adoptVariant, dropVariant, jobVariants, keepVariant } from './variantWrites';
import { type TestWorkshop, newJob, revisionOf, testWorkshop, type, value, wordsOf, workUpTo } from '../testWorkshop';

let workshop: TestWorkshop;
let jobId: string;
beforeEach(() => {
  workshop = testWorkshop();
  jobId = newJob(workshop, 'Harbour');
});

const keep = (id: string, changes: Partial<typeof NO_CHANGE>, revision = 0, name = id) =>
  keepVariant.act(workshop, { jobId, id, revision, name, changes: { ...NO_CHANGE, ...changes } });
const adopt = (id: string, variantRevision = 1) =>
  adoptVariant.act(workshop, { jobId, revision: revisionOf(workshop, jobId), maker: 'Me', id, variantRevision });
const inputs = () => openJob(workshop, jobId)!.job.inputs;

describe('variants of a job', () => {
  it('are kept beside it, at most three, each over the revision that was seen', () => {
    for (const id of ['a', 'b', 'c']) value(keep(id, { profile: 'deep' }));
    expect(wordsOf(keep('d', {}))).toMatch(new RegExp(`${MOST_VARIANTS} variants`));
    value(keep('a', { profile: 'standard' }, 1));
    expect(wordsOf(keep('a', { profile: 'deep' }, 1))).toMatch(/changed or dropped elsewhere/);
    expect(jobVariants(workshop, jobId).map(({ changes }) => changes.profile)).toEqual(['standard', 'deep', 'deep']);
    expect(wordsOf(dropVariant.act(workshop, { jobId, id: 'a', revision: 1 }))).toMatch(/elsewhere/);
    value(dropVariant.act(workshop, { jobId, id: 'a', revision: 2 }));
    expect(jobVariants(workshop, jobId).map(({ id }) => id)).toEqual(['b', 'c']);
  });

  it('are refused where no job could be made of them, with what is wrong', () => {
    expect(wordsOf(keep('a', { profile: 'nothing' }))).toMatch(/no bar “nothing”/);
    expect(wordsOf(keep('a', { bracesUpright: [0.6, 0.4] }))).toMatch(/ascending/);
    expect(wordsOf(keep('a', {}, 0, '  '))).toMatch(/name/);
    expect(jobVariants(workshop, jobId)).toEqual([]);
  });

  it('follow the job in what they do not change', () => {
    value(keep('a', { profile: 'deep' }));
    type(workshop, jobId, (before) => ({ ...before, cloth: { ...before.cloth, fabric: 'linenMedium' } }));
    const one = withChanges(inputs(), jobVariants(workshop, jobId)[0]!.changes);
    expect([one.bars.profile, one.cloth.fabric]).toEqual(['deep', 'linenMedium']);
  });
});

describe('a variant that is taken', () => {
  it('becomes the job, leaves the job as it was in its place and the others as they were, and is in the log', () => {
    const before = inputs();
    value(keep('deeper', { profile: 'deep', width: length(700) }));
    value(keep('linen', { fabric: 'linenMedium' }));
    const others = withChanges(before, jobVariants(workshop, jobId)[1]!.changes);
    value(adopt('deeper'));
    expect(inputs()).toEqual(withChanges(before, { ...NO_CHANGE, profile: 'deep', width: length(700) }));
    const [was, linen] = jobVariants(workshop, jobId);
    expect(was!.name).toBe('Before deeper');
    expect(withChanges(inputs(), was!.changes)).toEqual(before);
    expect(withChanges(inputs(), linen!.changes)).toEqual(others);
    expect(logOfJob(workshop.database, jobId).at(-1)).toMatchObject({ kind: 'note', did: 'Variant taken: deeper', maker: 'Me' });
    value(adopt('deeper', 2));
    expect(inputs()).toEqual(before);
    expect(jobVariants(workshop, jobId)[0]!.name).toBe('deeper');
  });

  it('is refused where it changes what is recorded, was changed since, or changes nothing; then nothing moves', () => {
    value(keep('deeper', { profile: 'deep' }));
    value(keep('same', {}));
    expect(wordsOf(adopt('deeper', 7))).toMatch(/elsewhere/);
    expect(wordsOf(adopt('same'))).toMatch(/already/);
    workUpTo(workshop, jobId, 'bars');
    const standing = inputs();
    const entries = logOfJob(workshop.database, jobId).length;
    expect(wordsOf(adopt('deeper'))).toMatch(/recorded already/);
    expect(inputs()).toEqual(standing);
    expect(logOfJob(workshop.database, jobId)).toHaveLength(entries);
    expect(jobVariants(workshop, jobId)[0]!.name).toBe('deeper');
  });
});
