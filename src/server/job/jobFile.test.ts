import 'reflect-metadata';
import { createHash } from 'node:crypto';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { randomInt, randomLcg } from 'd3-random';
import { format } from 'prettier';
import { beforeEach, describe, expect, it } from 'vitest';
import { jobFile, jobFileName, jobFileShape, printJobFile } from '@/core/file/jobFile';
import { SHAPE_VERSION } from '@/core/file/shapeVersion';
import { newInputs } from '@/core/job/job';
import { rounds } from '@/testRounds';
import { length } from '@/core/units/length';
import { listJobs } from '@/db/jobs';
import { checked } from '../write/checked';
import { importJob, withdrawRecord } from './jobWrites';
import { jobFileSchema } from './jobFileSchema';
import { openJob } from './jobReading';
import { type TestWorkshop, demoWorkshop, newJob, testWorkshop, type, value, wordsOf, workUpTo } from '../testWorkshop';
import type { Workshop } from '../workshop';
import { jobVariants } from '../variant/variantWrites';
import { houseRules } from '../house/houseRuleWrites';
import { logPage } from '../log/logPage';

let workshop: TestWorkshop;
beforeEach(() => {
  workshop = testWorkshop();
});

describe('the job file', () => {
  const validate = (() => {
    const ajv = addFormats(new Ajv2020({ strict: false }));
    return ajv.compile(jobFileSchema());
  })();

  it('has its schema derived from what checks it', async () => {
    const text = await format(JSON.stringify(jobFileSchema()), { parser: 'json', printWidth: 128 });
    await expect(text).toMatchFileSnapshot('../../../docs/job.schema.json');
  });

  it('changes its shape under a new number only', () => {
    // Another shape: raise SHAPE_VERSION, write the step to it in `upgradeJob.ts`, and keep files of this one in `golden/`.
    const told = /^(\$id|title|description|minimum|maximum|minLength|maxLength|minItems|maxItems)$/;
    const fields = JSON.stringify(jobFileSchema(), (name, value: unknown) =>
      told.test(name) && typeof value !== 'object' ? undefined : value,
    );
    const shape = createHash('sha256').update(fields).digest('hex').slice(0, 12);
    expect([SHAPE_VERSION, shape]).toEqual([12, '8abdb653f6b4']);
  });

  const fileOf = (from: Workshop, id: string) => {
    const { job, log } = openJob(from, id)!;
    const { revision: _revision, ...bare } = job;
    return printJobFile(jobFile(bare, log, houseRules(from).rules.materials, jobVariants(from, id)));
  };

  it('goes round without loss, for jobs of the demo, and keeps to its published schema', () => {
    workshop = demoWorkshop();
    const other = testWorkshop();
    const jobs = listJobs(workshop.database);
    for (const { id } of jobs.filter((job, index) => job.id === 'demo-132' || index % rounds(4, 1) === 0)) {
      const text = fileOf(workshop, id);
      expect(validate(JSON.parse(text)), JSON.stringify(validate.errors)).toBe(true);
      value(importJob.act(other, { text, keepBoth: false }));
      expect(fileOf(other, id)).toBe(text);
    }
    const { variants } = JSON.parse(fileOf(other, 'demo-132')) as ReturnType<typeof jobFile>;
    expect(variants.map(({ name }) => name)).toEqual(['Deep bars, linen', 'With a brace']);
  });

  it('is refused whole, with the place, when anything in it is wrong', () => {
    const id = newJob(workshop);
    workUpTo(workshop, id, 'bars');
    const whole = JSON.parse(fileOf(workshop, id)) as ReturnType<typeof jobFile>;
    const other = testWorkshop();
    const attempt = (spoil: (file: typeof whole) => unknown) => {
      const file = structuredClone(whole);
      spoil(file);
      return wordsOf(importJob.act(other, { text: JSON.stringify(file), keepBoth: false }));
    };
    expect(attempt((file) => Object.assign(file, { version: 13 }))).toMatch(/version must be one of 12/);
    expect(attempt((file) => Object.assign(file, { format: 'other' }))).toMatch(/format must be one of/);
    expect(attempt((file) => (file.log[1]!.at = 'yesterday'))).toMatch(/log\.1\.at/);
    expect(attempt((file) => (file.log[0]!.plan!.inputs.brief.width.mm = 0))).toMatch(/log\.0\.plan\.inputs\.brief\.width\.mm/);
    expect(attempt((file) => (file.log[1]!.corrects = 'nothing'))).toMatch(/log\.1: a record takes nothing back/);
    expect(attempt((file) => Object.assign(file.log[1]!, { kind: 'withdrawal', corrects: 'nothing' }))).toMatch(
      /log\.1: there is no standing entry nothing before it/,
    );
    expect(attempt((file) => (file.log[1]!.id = file.log[0]!.id))).toMatch(/log\.1: two entries are called/);
    expect(attempt((file) => (file.job.id = '..'))).toMatch(/^job\.id: “\.\.” is no id/);
    expect(attempt((file) => (file.log[0]!.id = 'constructor'))).toMatch(/^log\.0\.id: “constructor” is no id/);
    expect(attempt((file) => (file.job.id = 'a/b'))).toMatch(/^job\.id/);
    expect(attempt((file) => (file.log[1]!.at = '2031-02-31T09:00:00Z'))).toMatch(/log\.1\.at must be|at must be a moment/);
    expect(attempt((file) => file.log.reverse())).toMatch(/^log\.0: Bars is recorded before Brief/);
    expect(wordsOf(importJob.act(other, { text: '{"format"', keepBoth: false }))).toMatch(/^This is not JSON: it /);
    expect(wordsOf(importJob.act(other, { text: '{"format" 1', keepBoth: false }))).toBe(
      'This is not JSON: it cannot be read from letter 11 on.',
    );
    value(importJob.act(other, { text: JSON.stringify(whole), keepBoth: false }));
    const twin = { ...whole, job: { ...whole.job, id: 'twin' } };
    expect(wordsOf(importJob.act(other, { text: JSON.stringify(twin), keepBoth: false }))).toMatch(
      /is in this workshop already, with another job/,
    );
    expect(listJobs(other.database)).toHaveLength(1);
    expect(logPage(other).rows).toHaveLength(whole.log.length);
  });

  it('is refused twice, and takes the next number when its own is gone', () => {
    const id = newJob(workshop);
    const text = fileOf(workshop, id);
    type(workshop, id, (inputs) => ({ ...inputs, brief: { ...inputs.brief, title: 'Quay' } }));
    expect(importJob.act(workshop, { text, keepBoth: false })).toEqual({
      ok: false,
      kind: 'here',
      number: 101,
      compared: { differs: [{ field: 'Brief, title', mine: 'Quay', theirs: 'Harbour' }], entries: { here: 0, file: 0 } },
    });
    const copy = JSON.parse(text) as ReturnType<typeof jobFile>;
    expect(
      value(importJob.act(workshop, { text: JSON.stringify({ ...copy, job: { ...copy.job, id: 'other' } }), keepBoth: false }))
        .number,
    ).toBe(102);
    expect(jobFileName({ ...copy.job, inputs: newInputs('Über / Übung: 3×', length(300), length(300)) })).toBe(
      '101-uber-ubung-3.job.json',
    );
  });
});

/** Every place in a value, as the holder and the key. */
function places(holder: object): { holder: Record<string, unknown>; key: string }[] {
  return Object.entries(holder).flatMap(([key, one]: [string, unknown]) => [
    { holder: holder as Record<string, unknown>, key },
    ...(typeof one === 'object' && one !== null ? places(one) : []),
  ]);
}

it('a job that is here already is kept beside it, under ids of its own, with all that was recorded and taken back', () => {
  const id = newJob(workshop);
  workUpTo(workshop, id, 'square');
  const { revision } = openJob(workshop, id)!.job;
  const entryId = openJob(workshop, id)!.log.at(-1)!.id;
  value(withdrawRecord.act(workshop, { jobId: id, revision, entryId, maker: 'Me', reason: 'wrong one' }));
  const before = openJob(workshop, id)!;
  const { revision: _revision, ...bare } = before.job;
  const text = printJobFile(jobFile(bare, before.log, houseRules(workshop).rules.materials));
  const twin = openJob(workshop, value(importJob.act(workshop, { text, keepBoth: true })).id)!;
  expect([twin.job.number, twin.job.inputs]).toEqual([102, before.job.inputs]);
  const withoutIds = (log: typeof before.log) => log.map(({ id: _id, corrects: _corrects, ...entry }) => entry);
  expect(withoutIds(twin.log)).toEqual(withoutIds(before.log));
  expect(twin.log.at(-1)!.corrects).toBe(twin.log.at(-2)!.id);
  expect(new Set([...twin.log, ...before.log].map((entry) => entry.id)).size).toBe(2 * before.log.length);
  expect(openJob(workshop, id)).toEqual(before);
});

describe('a file with something wrong in it', () => {
  const WRONG: readonly unknown[] = [
    ...[null, [], {}, [[]], [null], '', 'x', 'x'.repeat(3000), true, false, 0, -1, -0.5, 0.3, 2.5, 7, 1e9, 1e300],
    ...[{ mm: 1 }, { mm: [], unit: 'mm' }, { mm: 3, unit: 'ell' }, '2031-05-04T12:00:00.000Z', '2031-02-30', ['top', 'top']],
  ];

  it('is refused by the check when the published schema refuses it, and taken when that takes it', () => {
    const files = rounds(800, 4000);
    const random = randomLcg(0.31);
    const below = (most: number) => randomInt.source(random)(0, most)();
    const id = newJob(workshop);
    workUpTo(workshop, id, 'square');
    const { job, log } = openJob(workshop, id)!;
    const { revision: _revision, ...bare } = job;
    const text = printJobFile(jobFile(bare, [log[0]!, { ...log[2]!, plan: null }], houseRules(workshop).rules.materials));
    const validate = addFormats(new Ajv2020({ strict: false })).compile(jobFileSchema());
    const taken = { yes: 0, no: 0 };
    for (let turn = 0; turn < files; turn += 1) {
      const file = JSON.parse(text) as object;
      const all = places(file);
      const { holder, key } = all[below(all.length)]!;
      const way = below(8);
      if (way === 0 && !Array.isArray(holder)) delete holder[key];
      else if (way === 1 && !Array.isArray(holder)) holder[`${key}s`] = 1;
      else holder[key] = structuredClone(WRONG[below(WRONG.length)]);
      const [byCheck, bySchema] = [checked(jobFileShape, 'jobFile', file).ok, validate(file)];
      expect(byCheck, `${key} = ${JSON.stringify(holder[key])}: ${JSON.stringify(validate.errors)}`).toBe(bySchema);
      taken[byCheck ? 'yes' : 'no'] += 1;
    }
    expect(taken.yes).toBeGreaterThan(0.02 * files);
    expect(taken.no).toBeGreaterThan(0.6 * files);
  });
});
