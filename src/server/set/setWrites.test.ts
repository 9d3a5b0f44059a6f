/* Canvases that are begun together, planned once and recorded stage by stage; and jobs that are taken out or put away. */
import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { runOf, type StageId } from '@/core/stages/stages';
import { length } from '@/core/units/length';
import { findJobSet, jobsOfSet } from '@/db/jobSets';
import { jobsAfter, listJobs } from '@/db/jobs';
import { removeJob } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import { recordCuts, series } from '../rack/rackWrites';
import {
  archiveJobs,
  changeSet,
  copyJob,
  createSet,
  growSet,
  planSetBy,
  recordTogether,
  rejoinSet,
  typeMeasured,
  withdrawTogether,
} from './setWrites';
import { setPage } from './setPages';
import {
  type TestWorkshop,
  contentOf,
  newJob,
  recordStage,
  revisionOf,
  testWorkshop,
  type,
  value,
  wordsOf,
  workUpTo,
} from '../testWorkshop';
import { benchPage, dryingClocks } from '../bench/benchPage';
import { logPage } from '../log/logPage';

let workshop: TestWorkshop;
beforeEach(() => {
  workshop = testWorkshop();
});

const titles = () => listJobs(workshop.database).map(({ number, inputs }) => [number, inputs.brief.title]);
const remove = (jobId: string) => removeJob.act(workshop, { jobId, revision: revisionOf(workshop, jobId) });
const seen = (jobId: string) => ({ jobId, revision: revisionOf(workshop, jobId) });
const inputsOf = (jobId: string) => openJob(workshop, jobId)!.job.inputs;
const NOT_MEASURED = { down: null, up: null, lift: null, feel: null, weighedKg: null };

function aClass(count: number): { id: string; jobs: string[] } {
  const { id } = value(
    createSet.act(workshop, {
      title: 'Class',
      kind: 'same',
      faces: Array.from({ length: count }, () => ({ width: length(400), height: length(300) })),
      layout: { columns: 4, gap: length(100), align: 'middle', free: [] },
    }),
  );
  return { id, jobs: jobsOfSet(workshop.database, id) };
}

const together = (jobs: readonly string[], stage: StageId, reason = '') =>
  recordTogether.act(workshop, { canvases: jobs.map(seen), stage, maker: 'Me', note: '', reason, unit: 'mm', view: 'back' });

describe('several at once', () => {
  it('are jobs of their own, with their numbers, in one row of the bench', () => {
    const { id } = aClass(3);
    newJob(workshop);
    expect(titles()).toEqual([
      [101, 'Class, 1 of 3'],
      [102, 'Class, 2 of 3'],
      [103, 'Class, 3 of 3'],
      [104, 'Harbour'],
    ]);
    const { rows, open, openRows } = benchPage(workshop);
    expect([open, openRows]).toEqual([4, 2]);
    expect(rows.map((row) => [row.title, row.set?.words])).toEqual([
      ['Class', '0 of 3 briefed'],
      ['Harbour', undefined],
    ]);
    const grown = value(growSet.act(workshop, { setId: id, revision: 1, count: 2 }));
    expect(titles().slice(4)).toEqual([
      [105, 'Class, 4'],
      [106, 'Class, 5'],
    ]);
    expect(wordsOf(growSet.act(workshop, { setId: id, revision: 1, count: 1 }))).toMatch(/changed elsewhere/);
    expect(wordsOf(growSet.act(workshop, { setId: id, revision: grown.revision, count: 56 }))).toMatch(
      /at most 60 canvases; this one has 5/,
    );
  });

  it('by the plan of another that was cut already; nothing of its log goes along', () => {
    const id = newJob(workshop);
    workUpTo(workshop, id, 'cloth');
    const before = openJob(workshop, id)!;
    const first = value(copyJob.act(workshop, { jobId: id, title: 'Next', count: 2 }));
    expect(titles().slice(1)).toEqual([
      [102, 'Next, 1 of 2'],
      [103, 'Next, 2 of 2'],
    ]);
    expect(findJobSet(workshop.database, first.setId!)!.title).toBe('Next');
    const { job, log } = openJob(workshop, first.jobId)!;
    expect(log).toEqual([]);
    expect(job.inputs.bars).toEqual(before.job.inputs.bars);
    expect(job.inputs.square.top).toBeNull();
    expect(openJob(workshop, id)).toEqual(before);
    expect(value(copyJob.act(workshop, { jobId: id, title: 'One', count: 1 })).setId).toBeNull();
    expect(wordsOf(copyJob.act(workshop, { jobId: 'nobody', title: 'Next', count: 1 }))).toMatch(/not in the workshop any more/);
    expect(wordsOf(copyJob.act(workshop, { jobId: id, title: '  ', count: 1 }))).toMatch(/give it a title/);
  });

  it('as panels take the bar of the largest, its limit for squareness, and braces of their own', () => {
    const layout = { columns: 3, gap: length(20), align: 'middle' as const, free: [] };
    const faces = [300, 1400, 300].map((mm) => ({ width: length(mm), height: length(900) }));
    const { id } = value(createSet.act(workshop, { title: 'Tides', kind: 'panels', faces, layout }));
    const [small, large] = jobsOfSet(workshop.database, id).map(inputsOf);
    expect(small!.brief.edges).toBe('panel');
    expect(small!.bars.profile).toBe(large!.bars.profile);
    expect([small!.bars.bracesUpright.length, large!.bars.bracesUpright.length]).toEqual([0, 1]);
    expect(setPage(workshop, id, null, 'mm')!.canvases.flatMap(({ departs }) => departs)).toEqual([]);
    const over = { ...layout, free: [0, 200, 2000].map((x) => ({ x: length(x), y: length(0) })) };
    expect(wordsOf(createSet.act(workshop, { title: 'Tides', kind: 'panels', faces, layout: over }))).toMatch(
      /1 and 2 lie over one another by 100 mm/,
    );
    expect(wordsOf(createSet.act(workshop, { title: 'Tides', kind: 'same', faces, layout }))).toMatch(
      /all the same have one face/,
    );
    expect(
      wordsOf(changeSet.act(workshop, { setId: id, revision: 1, title: 'Tides', layout: { ...over, free: over.free.slice(1) } })),
    ).toMatch(/2 places for 3 canvases/);
  });
});

describe('the plan of a set', () => {
  it('is changed by one canvas for all that follow; what departed or is recorded stays, and can follow again', () => {
    const { id, jobs } = aClass(4);
    const [first, departed, built, last] = jobs as [string, string, string, string];
    type(workshop, departed, (inputs) => ({ ...inputs, bars: { ...inputs.bars, joint: 'bolted' } }));
    workUpTo(workshop, built, 'bars');
    type(workshop, first, (inputs) => ({
      ...inputs,
      brief: { ...inputs.brief, dueOn: '2031-06-01' },
      bars: { ...inputs.bars, joint: 'mitreGlued' },
      square: { ...inputs.square, down: length(500) },
    }));
    expect(setPage(workshop, id, null, 'mm')!.canvases.map(({ departs }) => departs.map(({ field }) => field))).toEqual([
      ['Brief, due on', 'Bars, joint'],
      ['Bars, joint'],
      [],
      [],
    ]);
    const told = value(planSetBy.act(workshop, { setId: id, setRevision: 1, ...seen(first) }));
    expect(told).toEqual([
      { number: 102, changed: ['brief.dueOn'], kept: [{ path: 'bars.joint', because: 'departed' }] },
      { number: 103, changed: [], kept: ['brief.dueOn', 'bars.joint'].map((path) => ({ path, because: 'recorded' })) },
      { number: 104, changed: ['brief.dueOn', 'bars.joint'], kept: [] },
    ]);
    expect(jobs.map((one) => inputsOf(one).bars.joint)).toEqual(['mitreGlued', 'bolted', 'slotted', 'mitreGlued']);
    expect(inputsOf(last).square.down).toBeNull();
    expect(wordsOf(planSetBy.act(workshop, { setId: id, setRevision: 1, ...seen(first) }))).toMatch(/changed elsewhere/);
    value(rejoinSet.act(workshop, seen(departed)));
    expect(inputsOf(departed).bars.joint).toBe('mitreGlued');
    expect(planSetBy.act(workshop, { setId: id, setRevision: 2, jobId: first, revision: 1 })).toMatchObject({ kind: 'stale' });
  });
});

describe('a stage of several', () => {
  it('is recorded for all or for none, one entry for each, and taken back so', () => {
    const { jobs } = aClass(3);
    value(together(jobs, 'brief'));
    value(together(jobs, 'bars'));
    for (const [index, up] of [500, 500, 512].entries())
      value(
        typeMeasured.act(workshop, {
          ...seen(jobs[index]!),
          ...NOT_MEASURED,
          stage: 'square',
          down: length(500),
          up: length(up),
        }),
      );
    const before = contentOf(workshop.database);
    expect(wordsOf(together(jobs, 'square'))).toMatch(/No. 103 was refused, so nothing is recorded for any: A check says stop/);
    expect(contentOf(workshop.database)).toBe(before);
    value(together(jobs.slice(0, 2), 'square'));
    expect(
      logPage(workshop)
        .rows.slice(0, 2)
        .map(({ jobNumber, stage }) => [jobNumber, stage]),
    ).toEqual([
      [102, 'square'],
      [101, 'square'],
    ]);
    const entries = jobs.slice(0, 2).map((jobId) => ({ ...seen(jobId), entryId: openJob(workshop, jobId)!.log.at(-1)!.id }));
    const wrong = [entries[0]!, { ...entries[1]!, revision: 1 }];
    expect(wordsOf(withdrawTogether.act(workshop, { entries: wrong, maker: 'Me', reason: 'No.' }))).toMatch(
      /No. 102 was refused.*changed elsewhere/,
    );
    value(withdrawTogether.act(workshop, { entries, maker: 'Me', reason: 'The tape was bent.' }));
    expect(jobs.map((id) => openJob(workshop, id)!.log.length)).toEqual([4, 4, 2]);
    expect(wordsOf(together([jobs[0]!, jobs[0]!], 'square'))).toMatch(/stands twice/);
  });

  it('keeps what was measured with the canvas; beside own readings nothing of the practice tape stands', () => {
    const { jobs } = aClass(2);
    const [id] = jobs as [string];
    type(workshop, id, (inputs) => ({
      ...inputs,
      square: { ...inputs.square, top: length(400), down: length(499), tape: 'practice' },
    }));
    value(typeMeasured.act(workshop, { ...seen(id), ...NOT_MEASURED, stage: 'square', up: length(500) }));
    expect(inputsOf(id).square).toMatchObject({ top: null, down: null, up: length(500), tape: 'own' });
    value(typeMeasured.act(workshop, { ...seen(id), ...NOT_MEASURED, stage: 'tune', feel: 'firm' }));
    value(typeMeasured.act(workshop, { ...seen(id), ...NOT_MEASURED, stage: 'handover', weighedKg: 1.2 }));
    expect([inputsOf(id).square.up?.mm, inputsOf(id).tune.feel, inputsOf(id).handover.weighedKg]).toEqual([500, 'firm', 1.2]);
  });

  it('stands in words and marks on the page of the set', () => {
    const { id, jobs } = aClass(3);
    value(together(jobs, 'brief'));
    value(together(jobs.slice(0, 1), 'bars'));
    const page = setPage(workshop, id, null, 'mm')!;
    expect([page.stage, page.tally.words]).toEqual(['bars', '1 of 3 assembled']);
    expect(page.canvases.map(({ sheet }) => sheet.state)).toEqual(['recorded', 'ready', 'ready']);
    expect(setPage(workshop, id, 'fasten', 'mm')!.canvases.map(({ sheet }) => [sheet.state, sheet.why])).toEqual([
      ['early', 'first cloth'],
      ['early', 'first bars, cloth'],
      ['early', 'first bars, cloth'],
    ]);
    expect(setPage(workshop, 'nobody', null, 'mm')).toBeNull();
  });
});

describe('a job that is put away', () => {
  it('is out of every list but the log, cannot be recorded, and comes back as it was', () => {
    const [id, fresh] = [newJob(workshop), newJob(workshop)];
    workUpTo(workshop, id, 'prime');
    expect([benchPage(workshop).open, dryingClocks(workshop).count]).toEqual([2, 1]);
    expect(wordsOf(archiveJobs.act(workshop, { canvases: [seen(id), seen(fresh)], archived: true }))).toMatch(
      /No. 102 was refused.*nothing is recorded of it: delete it instead/,
    );
    value(archiveJobs.act(workshop, { canvases: [seen(id)], archived: true }));
    expect([benchPage(workshop).rows.length, dryingClocks(workshop).count]).toEqual([1, 0]);
    expect(logPage(workshop, { find: 'Harbour' }).found).toBeGreaterThan(5);
    expect(jobsAfter(workshop.database, 0, 10).map(({ number }) => number)).toEqual([102]);
    expect(wordsOf(recordStage(workshop, id, 'handover'))).toMatch(/No. 101 is archived: bring it back first/);
    value(archiveJobs.act(workshop, { canvases: [seen(id)], archived: false }));
    expect([benchPage(workshop).open, dryingClocks(workshop).count]).toEqual([2, 1]);
  });

  it('can be taken out for good while nothing was recorded; one that was begun, sawn or cut stays', () => {
    const [id, other] = [newJob(workshop), newJob(workshop)];
    benchPage(workshop);
    expect(removeJob.act(workshop, { jobId: id, revision: revisionOf(workshop, id) + 1 })).toMatchObject({ kind: 'stale' });
    value(remove(id));
    expect(listJobs(workshop.database).map((job) => job.id)).toEqual([other]);
    expect(benchPage(workshop).rows.map((row) => row.id)).toEqual([other]);
    expect(wordsOf(removeJob.act(workshop, { jobId: id, revision: 1 }))).toMatch(/not in the workshop any more/);
    value(recordCuts.act(workshop, { jobIds: [other], seen: series(workshop, [other]).seen, maker: 'M' }));
    expect(wordsOf(remove(other))).toMatch(/bars were sawn/);
    const begun = newJob(workshop);
    workUpTo(workshop, begun, 'brief');
    expect(wordsOf(remove(begun))).toMatch(/the log is kept/);
    const { id: set, jobs } = aClass(2);
    jobs.forEach((job) => value(remove(job)));
    expect(findJobSet(workshop.database, set)).toBeNull();
  });
});

describe('twelve of a class', () => {
  it('go from brief to hand-over a stage at a time', () => {
    const { id, jobs } = aClass(12);
    for (const stage of runOf(false).flatMap((one) => (one === 'prime' ? (['prime', 'prime', 'prime'] as const) : [one]))) {
      workshop.pass(60 * 48);
      value(together(jobs, stage, 'For the test.'));
    }
    expect(setPage(workshop, id, null, 'mm')!.tally.words).toBe('all 12 handed over');
    expect(benchPage(workshop).openRows).toBe(0);
  });
});
