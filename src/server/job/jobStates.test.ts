/* The states that lists read, held against the case of each job as its page takes it. */
import 'reflect-metadata';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { unsettleAll, unsettledJobs } from '@/db/jobStates';
import { openDatabase } from '@/db/openDatabase';
import { withdrawRecord } from './jobWrites';
import { caseOfJob, openJob } from './jobReading';
import { tendStates } from './tendStates';
import { type TestWorkshop, newJob, recordStage, revisionOf, testWorkshop, type, value, workUpTo } from '../testWorkshop';
import { benchPage, dryingClocks } from '../bench/benchPage';
import { saveRules } from '../house/houseRuleWrites';
import { logPage, plotOf } from '../log/logPage';
import { writeDown } from './writeDown';

let workshop: TestWorkshop;
beforeEach(() => (workshop = testWorkshop()));

/** Every open job as the bench has it and as its page has it. */
function expectAsOpened(): void {
  for (const row of benchPage(workshop).rows) {
    const here = caseOfJob(workshop, openJob(workshop, row.id)!, { unit: 'mm', view: 'back' });
    expect(row).toMatchObject({ next: here.next, done: [...here.progress.done], title: here.inputs.brief.title });
    expect(row.minutes).toBe(here.plan[row.next.stage!].minutes);
    if (here.slack) expect(row.slackDays).toBeCloseTo(here.slack.days, 9);
    else expect(row.slackDays).toBeNull();
  }
}

describe('the bench', () => {
  it('says of each job what its page says, after every kind of change and as time goes on', () => {
    const id = newJob(workshop);
    type(workshop, id, (inputs) => ({ ...inputs, brief: { ...inputs.brief, dueOn: '2031-06-01' } }));
    expectAsOpened();
    workUpTo(workshop, id, 'tune');
    value(recordStage(workshop, id, 'prime'));
    expectAsOpened();
    expect(benchPage(workshop).rows[0]!.next.state).toBe('waiting');
    expect(dryingClocks(workshop).clocks).toMatchObject([{ jobId: id, title: 'Harbour' }]);
    workshop.pass(24 * 60);
    expectAsOpened();
    expect(benchPage(workshop).rows[0]!.next.state).toBe('now');
    const { log } = openJob(workshop, id)!;
    value(
      withdrawRecord.act(workshop, {
        jobId: id,
        revision: revisionOf(workshop, id),
        entryId: log.at(-1)!.id,
        maker: 'Me',
        reason: 'wrong pot',
      }),
    );
    expectAsOpened();
    expect(dryingClocks(workshop)).toEqual({ clocks: [], count: 0 });
  });

  it('follows a change of the rules, and what records teach', () => {
    const ids = [newJob(workshop, 'One'), newJob(workshop, 'Two')];
    for (const id of ids) workUpTo(workshop, id, 'cloth');
    const before = benchPage(workshop).rows.map(({ minutes }) => minutes);
    value(saveRules.act(workshop, { revision: 0, rules: { ...DEFAULT_RULES, assumptions: { secondsFastener: 40 } } }));
    expectAsOpened();
    expect(benchPage(workshop).rows[0]!.minutes).toBeGreaterThan(before[0]!);
    type(workshop, ids[0]!, (inputs) => ({
      ...inputs,
      fasten: { ...inputs.fasten, asDone: { ...inputs.fasten.asDone, minutes: 300 } },
    }));
    value(recordStage(workshop, ids[0]!, 'fasten'));
    expectAsOpened();
    expect(benchPage(workshop).rows.find(({ id }) => id === ids[1])!.minutes).not.toBe(before[1]);
  });

  it('counts what is open, late and ready, and deals jobs out by pages without loss', async () => {
    const titles = Array.from({ length: 65 }, (_, index) => `No ${index}`);
    for (const title of titles) newJob(workshop, title);
    const late = openJob(workshop, 'id-1')!.job.id;
    type(workshop, late, (inputs) => ({ ...inputs, brief: { ...inputs.brief, dueOn: '2031-05-03' } }));
    // Of very many a list works out a few, and says how many it has not.
    expect(benchPage(workshop).unread).toBe(63);
    await tendStates(workshop, 0);
    const pages = [0, 20, 40, 60].map((from) => benchPage(workshop, 'open', from));
    expect(pages[0]).toMatchObject({ open: 65, late: 1, finished: 0, unread: 0 });
    expect(pages.map(({ rows }) => rows.length)).toEqual([20, 20, 20, 5]);
    expect(new Set(pages.flatMap(({ rows }) => rows.map(({ title }) => title))).size).toBe(65);
    expect(pages[0]!.rows[0]!.id).toBe(late);
  });

  it('is the same when every state is thrown away and worked out again', async () => {
    const ids = [newJob(workshop, 'One'), newJob(workshop, 'Two')];
    workUpTo(workshop, ids[0]!, 'prime');
    const before = benchPage(workshop);
    workshop.database.exec('DELETE FROM job_state');
    unsettleAll(workshop.database);
    await tendStates(workshop, 0);
    expect(unsettledJobs(workshop.database, 9)).toEqual([]);
    expect(benchPage(workshop)).toEqual(before);
  });

  it('is read while somebody else holds the file', () => {
    const folder = mkdtempSync(join(tmpdir(), 'keen-batten-held-'));
    const path = join(folder, 'w.sqlite');
    const here = { ...workshop, database: openDatabase(path) };
    newJob(here);
    expect(benchPage(here).open).toBe(1);
    const other = openDatabase(path);
    other.exec("BEGIN IMMEDIATE; UPDATE job SET title = 'x'");
    expect(benchPage(here).rows[0]!.title).toBe('Harbour');
    other.exec('ROLLBACK');
    other.close();
    here.database.close();
    rmSync(folder, { recursive: true });
  });
});

describe('the log', () => {
  it('is found by the words of job, stage, maker, readings and notes, also after the job got another title', () => {
    const id = newJob(workshop, 'Ébauche of a lighthouse');
    newJob(workshop, 'Other');
    workUpTo(workshop, id, 'square');
    const found = (find: string) => logPage(workshop, { find }).rows.map(({ stage }) => stage);
    expect(found('ebauche')).toEqual(['square', 'bars', 'brief']);
    expect(found('lightho bars')).toEqual(['bars']);
    expect(found('  N/m "x* OR')).toEqual([]);
    expect(found('Me no. 101')).toHaveLength(3);
    type(workshop, id, (inputs) => ({ ...inputs, handover: { ...inputs.handover, label: 'x' } }));
    const { job } = openJob(workshop, id)!;
    value(withdrawAll(id));
    type(workshop, id, (inputs) => ({ ...inputs, brief: { ...inputs.brief, title: 'Quay' } }));
    expect(job.inputs.brief.title).toMatch(/lighthouse/);
    expect(found('lighthouse')).toEqual([]);
    expect(found('quay')).toHaveLength(6);
  });

  it('names a stage as it is called on its canvas, and lists what a canvas did that cannot be read', () => {
    const id = newJob(workshop);
    writeDown(workshop, id, { stage: 'cloth', kind: 'note', maker: 'Me', did: 'A thin place seen' });
    const names = () => logPage(workshop).rows.map(({ stageName }) => stageName);
    expect(names()).toEqual(['Cloth']);
    type(workshop, id, (inputs) => ({ ...inputs, brief: { ...inputs.brief, use: 'restretch' } }));
    expect(names()).toEqual(['Measure']);
    workshop.database.prepare("UPDATE job SET inputs = '[]' WHERE id = ?").run(id);
    expect(names()).toEqual(['Cloth']);
  });

  it('stands in the order it was written in, also when the clock was set back, from either end', () => {
    const id = newJob(workshop);
    workUpTo(workshop, id, 'bars');
    workshop.pass(-3 * 24 * 60);
    value(recordStage(workshop, id, 'square'));
    expect(logPage(workshop).rows.map(({ stage }) => stage)).toEqual(['square', 'bars', 'brief']);
    expect(logPage(workshop, { order: 'oldest' }).rows.map(({ stage }) => stage)).toEqual(['brief', 'bars', 'square']);
    const page = logPage(workshop, { from: logPage(workshop).rows[0]!.seq });
    expect(page.rows.map(({ stage }) => stage)).toEqual(['bars', 'brief']);
    // Taken back last first, by the log and not by the clock.
    const [last, first] = [openJob(workshop, id)!.log[2]!, openJob(workshop, id)!.log[1]!];
    const back = (entryId: string) =>
      withdrawRecord.act(workshop, { jobId: id, revision: revisionOf(workshop, id), entryId, maker: 'Me', reason: 'again' });
    expect(back(first.id).ok).toBe(false);
    expect(back(last.id).ok).toBe(true);
    expect(back(first.id).ok).toBe(true);
  });

  it('plots what stands, of the entries that are found', () => {
    const ids = [newJob(workshop, 'One'), newJob(workshop, 'Two')];
    for (const id of ids) workUpTo(workshop, id, 'prime');
    const titles = (find = '') => plotOf(workshop, 'dryGround', '', find).map(({ jobTitle }) => jobTitle);
    expect(titles()).toEqual(['One', 'Two']);
    expect(titles('two')).toEqual(['Two']);
    value(withdrawAll(ids[0]!, 1));
    expect(titles()).toEqual(['Two']);
  });
});

/** Takes records of a job back, the last first. */
function withdrawAll(id: string, most = Infinity) {
  let outcome: ReturnType<typeof withdrawRecord.act> | null = null;
  for (let turn = 0; turn < most; turn += 1) {
    const { log } = openJob(workshop, id)!;
    const gone = new Set(log.map(({ corrects }) => corrects));
    const entry = log.findLast((one) => one.kind === 'record' && !gone.has(one.id));
    if (!entry) break;
    outcome = withdrawRecord.act(workshop, {
      jobId: id,
      revision: revisionOf(workshop, id),
      entryId: entry.id,
      maker: 'Me',
      reason: 'again',
    });
  }
  return outcome!;
}
