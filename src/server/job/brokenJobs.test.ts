import 'reflect-metadata';
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { length } from '@/core/units/length';
import { mendJob, printRawJob, setJobAside } from './brokenJobs';
import { checked } from '../write/checked';
import { createJob, recordStep } from './jobWrites';
import { brokenJob, openJob } from './jobReading';
import { REQUESTS } from '../writes';
import { testWorkshop, value, wordsOf } from '../testWorkshop';
import { benchPage } from '../bench/benchPage';
import { logPage } from '../log/logPage';

/** A workshop of three jobs, the middle one with its brief recorded and then spoilt in the file. */
function spoilt(inputs: string) {
  const workshop = testWorkshop();
  const make = (title: string) => value(createJob(workshop, { title, width: length(900), height: length(600) }));
  const [first, job, last] = [make('First'), make('Second'), make('Last')];
  const note = { maker: 'M', note: '', reason: '', unit: 'mm' as const, view: 'back' as const, clothId: null, air: null };
  value(recordStep.act(workshop, { jobId: job.id, revision: job.revision, stage: 'brief', ...note }));
  workshop.database.prepare('UPDATE job SET inputs = ?, revision = revision + 1 WHERE id = ?').run(inputs, job.id);
  return { workshop, first, job, last, revision: job.revision + 2 };
}

describe('a job that cannot be read', () => {
  const whole = JSON.stringify(openJob(spoilt('{}').workshop, 'id-1')!.job.inputs);
  it.each([
    ['nothing', 'null'],
    ['a list', '[]'],
    ['emptiness', '{}'],
    ['a size below 0', whole.replace('"mm":900', '"mm":-900')],
    ['a bar of no house', whole.replace(/"profile":"\w+"/, '"profile":"whale"')],
  ])('of %s is one broken row with its reason; the others work on', (_what, inputs) => {
    const { workshop, job } = spoilt(inputs);
    const { rows, broken } = benchPage(workshop);
    expect(rows.map(({ number }) => number)).toEqual([101, 103]);
    expect(broken).toMatchObject([{ id: job.id, number: 102, title: 'Second', aside: false }]);
    expect(broken[0]!.because.length).toBeGreaterThan(5);
    expect(logPage(workshop).rows).toHaveLength(1);
    expect(JSON.parse(printRawJob(workshop, job.id)!)).toMatchObject({ job: [{ inputs }], log: [{ stage: 'brief' }] });
  });

  it('is set aside and brought back; a sound one is not', () => {
    const { workshop, job, first, revision } = spoilt('{}');
    expect(wordsOf(setJobAside.act(workshop, { jobId: first.id, revision: 1, aside: true }))).toMatch(/can be read/);
    expect(wordsOf(setJobAside.act(workshop, { jobId: job.id, revision: 1, aside: true }))).toMatch(/in between/);
    value(setJobAside.act(workshop, { jobId: job.id, revision, aside: true }));
    expect(brokenJob(workshop, job.id)!.aside).toBe(true);
    value(setJobAside.act(workshop, { jobId: job.id, revision: revision + 1, aside: false }));
    expect(brokenJob(workshop, job.id)!.aside).toBe(false);
  });

  it('is put right from its log, from inputs, or from its own rows, mended', () => {
    const raw = (text: string) => JSON.stringify({ job: [{ inputs: text }], log: [] });
    for (const text of [null, whole, JSON.stringify({ job: { inputs: JSON.parse(whole) } }), raw(whole)]) {
      const { workshop, job, revision } = spoilt('{}');
      expect(value(mendJob.act(workshop, { jobId: job.id, revision, text })).inputs.brief.width.mm).toBe(900);
      expect(benchPage(workshop).broken).toEqual([]);
      expect(openJob(workshop, job.id)!.log).toHaveLength(1);
    }
  });

  it('stays as it is when what is taken is no better', () => {
    for (const text of ['', 'null', '[]', '{"job":[{}]}', '{"job":7}', whole.replace('"mm":900', '"mm":"900"')]) {
      const { workshop, job, revision } = spoilt('{}');
      expect(wordsOf(mendJob.act(workshop, { jobId: job.id, revision, text }))).toMatch(/nothing was changed/);
      expect(brokenJob(workshop, job.id)!.revision).toBe(revision);
    }
  });

  it('that has a broken plan in its log does not stop the bench either', () => {
    const { workshop, last } = spoilt('{}');
    const insert = workshop.database.prepare(
      "INSERT INTO log_entry (id, job_id, stage, kind, of_id, at, maker, did, note, reason, plan, written, taken_in) VALUES ('x', ?, 'brief', 'record', '', ?, 'M', '', '', '', x'7b7d', 5, 0)",
    );
    insert.run(last.id, workshop.now().toISOString());
    const { rows, broken } = benchPage(workshop);
    expect(broken.map(({ number }) => number)).toEqual([102, 103]);
    expect(rows).toHaveLength(1);
  });

  it('bears a thousand wrong things: each is refused in a sentence and changes nothing', () => {
    const { workshop, job, revision } = spoilt('{}');
    const random = randomLcg(0.71);
    const before = printRawJob(workshop, job.id);
    const paths = Object.keys(JSON.parse(whole) as object);
    for (let turn = 0; turn < 1000; turn += 1) {
      const inputs = JSON.parse(whole) as Record<string, unknown>;
      const path = paths[Math.floor(random() * paths.length)]!;
      const junk = [null, [], {}, 7, '', 'x'.repeat(90), { mm: 'a' }, [[]], true, -1e308][Math.floor(random() * 10)];
      const text =
        random() < 0.3 ? whole.slice(0, Math.floor(random() * (whole.length - 1))) : JSON.stringify({ ...inputs, [path]: junk });
      // An empty list is what no tick of the kit looks like.
      if (path === 'kit' && Array.isArray(junk) && junk.length === 0 && text.endsWith('}')) continue;
      expect(wordsOf(mendJob.act(workshop, { jobId: job.id, revision, text }))).toMatch(/^Not taken, nothing was changed\. ./);
    }
    expect(printRawJob(workshop, job.id)).toBe(before);
    for (const name of ['setAside', 'mendJob'] as const)
      for (const wrong of [
        null,
        [],
        {},
        { jobId: 7 },
        { jobId: job.id, revision: 0 },
        { jobId: job.id, revision: 1.5, aside: 1 },
      ])
        expect(checked(REQUESTS[name], name, wrong).ok).toBe(false);
  });
});
