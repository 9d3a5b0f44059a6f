import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { progressOf } from '@/core/case/progress';
import { photographedOf } from '@/db/photographs';
import { benchPlaceOf, keepNote, keepPlace, photographOf } from './benchWrites';
import { saveInputs } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import { archiveJobs } from '../set/setWrites';
import type { Request } from '../writes';
import { logPage } from '../log/logPage';
import { type TestWorkshop, contentOf, newJob, revisionOf, testWorkshop, value, wordsOf, workUpTo } from '../testWorkshop';

let workshop: TestWorkshop;
let jobId: string;
const JPEG = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(300, 7)]).toString('base64');
const note = (change: Partial<Request<'keepNote'>> = {}): Request<'keepNote'> => ({
  jobId,
  maker: 'Wren',
  stage: 'cloth',
  step: 'cloth/width',
  says: 'Cloth, across the canvas',
  note: 'a slub near the selvedge',
  jpeg: null,
  ...change,
});

beforeEach(() => {
  workshop = testWorkshop();
  jobId = newJob(workshop);
  workUpTo(workshop, jobId, 'square');
});

describe('where somebody stands', () => {
  it('is kept with the job, the last place only, and makes no new version of it', () => {
    const before = revisionOf(workshop, jobId);
    expect(benchPlaceOf(workshop, jobId)).toBeNull();
    value(keepPlace.act(workshop, { jobId, stage: 'cloth', step: 'cloth/width', quarter: 0, filledAt: 1 }));
    const last = { stage: 'fasten', step: 'fasten/17', quarter: 3, filledAt: 12 } as const;
    value(keepPlace.act(workshop, { jobId, ...last }));
    expect(benchPlaceOf(workshop, jobId)).toEqual(last);
    expect(revisionOf(workshop, jobId)).toBe(before);
    expect(wordsOf(keepPlace.act(workshop, { jobId: 'nobody', ...last }))).toMatch(/not in the workshop/);
  });
});

describe('a note at a step', () => {
  it('stands in the log with its step and its photograph, finishes nothing, and collides with nobody', () => {
    const { job } = openJob(workshop, jobId)!;
    const done = progressOf(job.inputs, openJob(workshop, jobId)!.log).done;
    const kept = value(keepNote.act(workshop, note({ jpeg: JPEG }))).log.at(-1)!;
    expect(kept).toMatchObject({ kind: 'note', of: 'cloth/width', maker: 'Wren', note: 'a slub near the selvedge' });
    expect(kept.did).toBe('Photograph, Cloth, across the canvas');
    expect(Buffer.from(photographOf(workshop, jobId, kept.id)!).toString('base64')).toBe(JPEG);
    expect(photographOf(workshop, 'other', kept.id)).toBeNull();
    const plain = value(keepNote.act(workshop, note())).log.at(-1)!;
    expect(plain.did).toBe('Note, Cloth, across the canvas');
    expect(logPage(workshop).photographs).toEqual([kept.id]);
    expect(photographedOf(workshop.database, [kept.id, plain.id, 'gone'])).toEqual([kept.id]);
    const after = openJob(workshop, jobId)!;
    expect(progressOf(after.job.inputs, after.log).done).toEqual(done);
    // Whoever typed meanwhile saves from the version that was seen.
    value(saveInputs.act(workshop, { jobId, revision: job.revision, inputs: job.inputs }));
    expect(() => workshop.database.prepare('DELETE FROM photograph').run()).toThrow(/append-only/);
  });

  it.each([
    ['nothing', { note: '  ' }, /Nothing to keep/],
    ['a picture that is no JPEG', { jpeg: Buffer.alloc(300, 1).toString('base64') }, /no JPEG/],
    ['a JPEG of nothing', { jpeg: Buffer.from([0xff, 0xd8, 0xff, 0xd9]).toString('base64') }, /empty/],
    ['a job that is gone', { jobId: 'nobody' }, /not in the workshop/],
  ])('%s is refused and leaves nothing behind', (_name, change, says) => {
    const before = contentOf(workshop.database);
    expect(wordsOf(keepNote.act(workshop, note(change)))).toMatch(says);
    expect(contentOf(workshop.database)).toBe(before);
  });

  it('is refused on a job that was archived', () => {
    value(archiveJobs.act(workshop, { canvases: [{ jobId, revision: revisionOf(workshop, jobId) }], archived: true }));
    expect(wordsOf(keepNote.act(workshop, note()))).toMatch(/archived/);
  });
});
