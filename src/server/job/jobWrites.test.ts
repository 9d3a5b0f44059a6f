import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { type JobInputs, jobInputsShape, newInputs } from '@/core/job/job';
import { type StageId, runOf } from '@/core/stages/stages';
import { length } from '@/core/units/length';
import { readRules } from '@/db/workshops';
import { seedDemo } from '../demo/seedDemo';
import { checked } from '../write/checked';
import { createJob, recordStep, saveInputs, withdrawRecord } from './jobWrites';
import { openJob } from './jobReading';
import { houseLessons } from '../house/houseLessons';
import { REQUESTS } from '../writes';
import type { Outcome, Refusal } from '../write/outcome';
import { type TestWorkshop, asked, demoWorkshop, testWorkshop, value } from '../testWorkshop';
import type { Workshop } from '../workshop';
import { benchPage, dryingClocks } from '../bench/benchPage';
import { saveRules } from '../house/houseRuleWrites';
import { type LogRow, logPage } from '../log/logPage';

let workshop: TestWorkshop;

beforeEach(() => {
  workshop = testWorkshop();
});

const refusal = (outcome: Outcome<unknown>): Refusal => {
  if (outcome.ok) throw new Error('expected a refusal');
  return outcome;
};
/** The errors of a refusal as "field: says". */
const words = (outcome: Outcome<unknown>): string => {
  const no = refusal(outcome);
  return no.kind === 'invalid' ? no.errors.map(({ field, says }) => `${field}: ${says}`).join('\n') : JSON.stringify(no);
};
const start = () => value(createJob(workshop, { title: ' Harbour ', width: length(900), height: length(600) }));
const plain = <T>(one: T): T => JSON.parse(JSON.stringify(one)) as T;

/** Types good readings and records stages up to and with `last`. */
function work(jobId: string, last: StageId): void {
  const D = length(Math.hypot(900, 600));
  const { job } = openJob(workshop, jobId)!;
  const square = {
    top: length(900),
    bottom: length(900),
    left: length(600),
    right: length(600),
    down: D,
    up: D,
    lift: length(0),
  };
  const inputs: JobInputs = { ...job.inputs, square: { ...job.inputs.square, ...square } };
  value(saveInputs.act(workshop, { jobId, revision: job.revision, inputs }));
  for (const stage of runOf(false).slice(0, runOf(false).indexOf(last) + 1)) {
    for (let coats = stage === 'prime' ? 3 : 1; coats > 0; coats -= 1) {
      workshop.pass(300);
      value(
        recordStep.act(workshop, {
          jobId,
          revision: openJob(workshop, jobId)!.job.revision,
          stage,
          maker: 'Me',
          note: '',
          reason: '',
          unit: 'mm',
          view: 'back',
          clothId: null,
          air: null,
        }),
      );
    }
  }
}

describe('working on a job', () => {
  it('goes through all stages, freezes each plan, and ends finished', () => {
    const { id } = start();
    work(id, 'handover');
    const { log, job } = openJob(workshop, id)!;
    expect(log.map((entry) => entry.stage)).toEqual([
      'brief',
      'bars',
      'square',
      'cloth',
      'fasten',
      'tune',
      'prime',
      'prime',
      'prime',
      'handover',
    ]);
    expect(log.find((entry) => entry.stage === 'cloth')!.plan).toMatchObject({
      answer: '1033 × 733 mm',
      inputs: job.inputs,
      rules: DEFAULT_RULES,
    });
    expect(log.find((entry) => entry.stage === 'square')!.readings).toContainEqual({
      quantity: 'diagonal',
      of: 'up',
      known: 'measured',
      value: length(Math.hypot(900, 600)).mm,
      unit: 'mm',
      precision: 0.5,
      tool: 'tape',
    });
    expect(benchPage(workshop)).toMatchObject({ rows: [], open: 0, finished: 1 });
    expect(benchPage(workshop, 'finished').rows[0]).toMatchObject({ title: 'Harbour', next: { state: 'finished' } });
  });

  it('refuses a stage out of order, twice, or over a stop without a reason', () => {
    const { id, revision } = start();
    const attempt = (stage: StageId, reason = '') =>
      recordStep.act(workshop, {
        jobId: id,
        revision: openJob(workshop, id)!.job.revision,
        stage,
        maker: 'Me',
        note: '',
        reason,
        unit: 'mm',
        view: 'back',
        clothId: null,
        air: null,
      });
    expect(refusal(attempt('square'))).toMatchObject({ says: 'Record brief, bars first: the order of the work.' });
    value(attempt('brief'));
    expect(refusal(attempt('brief'))).toMatchObject({ says: expect.stringMatching(/recorded already/) as string });
    expect(revision).toBe(1);
    const wide = openJob(workshop, id)!.job;
    value(
      saveInputs.act(workshop, {
        jobId: id,
        revision: wide.revision,
        inputs: { ...wide.inputs, bars: { ...wide.inputs.bars, bracesUpright: [], bracesLevel: [], tensionNPerM: 700 } },
      }),
    );
    expect(refusal(attempt('bars'))).toMatchObject({ kind: 'invalid', errors: [{ field: 'reason' }] });
    expect(value(attempt('bars', 'a trial frame')).log.at(-1)).toMatchObject({ stage: 'bars', reason: 'a trial frame' });
  });

  it('refuses a stale save and a stale record, shows what is there, and changes nothing', () => {
    const { id, revision, inputs } = start();
    const mine = { ...inputs, brief: { ...inputs.brief, title: 'mine' } };
    value(saveInputs.act(workshop, { jobId: id, revision, inputs: { ...inputs, brief: { ...inputs.brief, title: 'theirs' } } }));
    expect(refusal(saveInputs.act(workshop, { jobId: id, revision, inputs: mine }))).toMatchObject({
      kind: 'stale',
      theirs: { revision: 2, inputs: { brief: { title: 'theirs' } } },
    });
    expect(
      refusal(
        recordStep.act(workshop, {
          jobId: id,
          revision,
          stage: 'brief',
          maker: 'Me',
          note: '',
          reason: '',
          unit: 'mm',
          view: 'back',
          clothId: null,
          air: null,
        }),
      ).kind,
    ).toBe('stale');
    expect(openJob(workshop, id)!.log).toEqual([]);
  });

  it('keeps a recorded step as it was done; taking it back is a new entry with a reason', () => {
    const { id } = start();
    work(id, 'bars');
    const { job, log } = openJob(workshop, id)!;
    const other = { ...job.inputs, bars: { ...job.inputs.bars, bracesLevel: [0.3] } };
    expect(refusal(saveInputs.act(workshop, { jobId: id, revision: job.revision, inputs: other }))).toEqual({
      ok: false,
      kind: 'locked',
      stages: ['bars'],
    });
    const back = (entryId: string) =>
      withdrawRecord.act(workshop, {
        jobId: id,
        revision: openJob(workshop, id)!.job.revision,
        entryId,
        maker: 'Me',
        reason: 'wrong bar',
      });
    expect(refusal(back(log[0]!.id))).toMatchObject({ says: 'Bars was recorded after it: take that back first.' });
    const after = value(back(log[1]!.id));
    expect(after.log).toHaveLength(3);
    expect(after.log[1]).toEqual(log[1]);
    expect(after.log[2]).toMatchObject({ kind: 'withdrawal', corrects: log[1]!.id, reason: 'wrong bar' });
    expect(refusal(back(log[1]!.id))).toMatchObject({ says: expect.stringMatching(/already/) as string });
    value(saveInputs.act(workshop, { jobId: id, revision: after.job.revision, inputs: other }));
  });

  it('runs the clock of a coat by the air of the room', () => {
    const { id } = start();
    work(id, 'tune');
    value(
      recordStep.act(workshop, {
        jobId: id,
        revision: openJob(workshop, id)!.job.revision,
        stage: 'prime',
        maker: 'Me',
        note: '',
        reason: '',
        unit: 'mm',
        view: 'back',
        clothId: null,
        air: null,
      }),
    );
    const row = benchPage(workshop).rows[0]!;
    expect(row.next).toMatchObject({ act: 'Second coat', state: 'waiting' });
    const [clock] = dryingClocks(workshop).clocks;
    const dries = (Date.parse(clock!.readyAt) - Date.parse(clock!.startedAt)) / 60_000;
    expect(dries).toBeGreaterThan(180);
    workshop.pass(dries + 1);
    expect(benchPage(workshop).rows[0]!.next.state).toBe('now');
  });

  it('says of a job that is gone', () => {
    expect(
      refusal(saveInputs.act(workshop, { jobId: 'gone', revision: 1, inputs: newInputs('x', length(300), length(300)) })),
    ).toMatchObject({ kind: 'refused', says: expect.stringMatching(/not in the workshop/) as string });
  });
});

describe('what comes from outside', () => {
  const good = () => plain(newInputs('x', length(300), length(300)));

  it('is taken when it is whole', () => {
    expect(checked(jobInputsShape, 'inputs', good()).ok).toBe(true);
  });

  it.each<[string, (inputs: JobInputs) => unknown, RegExp]>([
    ['a face too small', (i) => (i.brief.width.mm = 49), /brief\.width\.mm: mm must be a number from 50 to 4000, got 49$/m],
    ['a face that is text', (i) => Object.assign(i.brief.width, { mm: '300' }), /brief\.width\.mm: .*number/],
    ['an unknown unit', (i) => Object.assign(i.brief.height, { unit: 'ell' }), /brief\.height\.unit: .*got "ell"/],
    ['an empty title', (i) => (i.brief.title = ''), /brief\.title/],
    ['a date that is none', (i) => (i.brief.dueOn = '2031-13-01'), /brief\.dueOn/],
    ['a missing reading', (i) => Reflect.deleteProperty(i.square, 'up'), /square\.up/],
    ['a negative reading', (i) => (i.square.up = { mm: -4, unit: 'mm' }), /square\.up\.mm/],
    [
      'a brace beyond the bar',
      (i) => Object.assign(i.bars, { bracesLevel: [0.5, 1.2] }),
      /bars\.bracesLevel: each of bracesLevel must be a number from 0\.01 to 0\.99/,
    ],
    [
      'a gap without its way',
      (i) => Object.assign(i.square.gaps, { topLeft: { gap: length(1) } }),
      /square\.gaps\.topLeft\.wider/,
    ],
    ['half a brace', (i) => Object.assign(i.bars, { bracesLevel: 0.5 }), /bars\.bracesLevel/],
    ['a missing stage', (i) => Reflect.deleteProperty(i, 'cloth'), /cloth/],
    ['a misspelt field', (i) => Object.assign(i.cloth, { warpp: 'width' }), /cloth\.warpp: nothing is called warpp here/],
    ['a tropical room', (i) => (i.prime.roomC = 60), /prime\.roomC/],
    ['a yes that is a word', (i) => Object.assign(i.prime, { back: 'yes' }), /prime\.back/],
    ['an endless kit', (i) => (i.kit = Array.from({ length: 61 }, () => 'x')), /kit/],
  ])('is refused: %s', (_what, spoil, says) => {
    const inputs = good();
    spoil(inputs);
    const outcome = checked(REQUESTS.saveInputs, 'saveInputs', { requestId: 'r', jobId: 'a', revision: 1, inputs });
    expect(words(outcome)).toMatch(says);
  });

  it.each([null, 'text', [], 4])('is refused when it is %j and not an object', (plainValue) => {
    expect(refusal(checked(REQUESTS.newJob, 'newJob', plainValue))).toMatchObject({ kind: 'invalid' });
  });
});

describe('house rules', () => {
  it('are saved by revision, in range, and change plans to come but no record', () => {
    const { id } = start();
    work(id, 'bars');
    const rules = { ...DEFAULT_RULES, assumptions: { creep: 1.6 } };
    expect(refusal(asked(saveRules, workshop, { revision: 0, rules: { ...rules, assumptions: { creep: 99 } } }))).toMatchObject({
      kind: 'invalid',
      errors: [{ field: 'rules.assumptions', says: expect.stringMatching(/creep: 99 is outside 1 to 2.5/) as string }],
    });
    expect(
      refusal(asked(saveRules, workshop, { revision: 0, rules: { ...rules, assumptions: { nonsense: 1 } as never } })),
    ).toMatchObject({ kind: 'invalid' });
    expect(value(saveRules.act(workshop, { revision: 0, rules })).revision).toBe(1);
    expect(refusal(saveRules.act(workshop, { revision: 0, rules })).kind).toBe('refused');
    expect(readRules(workshop.database).rules.assumptions).toEqual({ creep: 1.6 });
    expect(openJob(workshop, id)!.log[1]!.plan!.rules).toEqual(DEFAULT_RULES);
  });
});

/** Page by page, newest first. */
function allEntries(of: Workshop): LogRow[] {
  const rows: LogRow[] = [];
  for (let page = logPage(of); ; page = logPage(of, { from: page.next })) {
    rows.push(...page.rows);
    if (page.next === null) return rows;
  }
}

describe('the demo workshop', () => {
  it('has what a maker should see at once, every record by way of the use cases, and the same each time', () => {
    workshop = demoWorkshop();
    const { rows: open } = benchPage(workshop);
    expect(open.length).toBeGreaterThanOrEqual(9);
    expect(new Set(open.map((row) => row.next.stage)).size).toBeGreaterThanOrEqual(6);
    expect(open.some((row) => row.next.state === 'waiting')).toBe(true);
    expect(open.some((row) => row.stop !== null)).toBe(true);
    expect(open.some((row) => row.dueOn !== null && row.dueOn < '2031-05-04')).toBe(true);
    expect(open.find((row) => row.title === 'Three moons')!.set!.canvases).toHaveLength(3);
    const entries = allEntries(workshop);
    const years = (Date.parse(entries[0]!.at) - Date.parse(entries.at(-1)!.at)) / (365.25 * 86_400_000);
    expect(years).toBeGreaterThan(1.9);
    const hours = entries.filter(({ stage }) => stage !== 'prime').map(({ at }) => new Date(at).getHours());
    expect([Math.min(...hours) >= 8, Math.max(...hours) < 20]).toEqual([true, true]);
    const again = testWorkshop();
    seedDemo(again.database, again.now());
    seedDemo(workshop.database, workshop.now());
    expect(allEntries(workshop)).toEqual(entries);
    expect(allEntries(again)).toEqual(entries);
    // Written in the order of the work.
    expect(entries.map(({ at }) => at)).toEqual(
      entries
        .map(({ at }) => at)
        .sort()
        .reverse(),
    );
  });
});

describe('pace', () => {
  it('the pace is the middle one of what was noted, without what was taken back', () => {
    expect(houseLessons(workshop).pace).toBeNull();
    const factors = [60, 30, 90].map((minutesTaken) => {
      const job = start();
      const asDone = { ...job.inputs.fasten.asDone, minutes: minutesTaken };
      value(
        saveInputs.act(workshop, {
          jobId: job.id,
          revision: 1,
          inputs: { ...job.inputs, fasten: { ...job.inputs.fasten, asDone } },
        }),
      );
      work(job.id, 'fasten');
      const entry = openJob(workshop, job.id)!.log.at(-1)!;
      return { job, entry, factor: entry.readings.find((one) => one.quantity === 'fasteningPace')!.value };
    });
    expect(houseLessons(workshop).pace).toEqual({ value: factors[0]!.factor, records: 3 });
    const { job, entry } = factors[2]!;
    const { revision } = openJob(workshop, job.id)!.job;
    value(withdrawRecord.act(workshop, { jobId: job.id, revision, entryId: entry.id, maker: 'M', reason: 'wrong clock' }));
    expect(houseLessons(workshop).pace!.records).toBe(2);
  });
});
