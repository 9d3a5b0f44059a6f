import 'reflect-metadata';
import Ajv2020 from 'ajv/dist/2020';
import { randomInt, randomLcg } from 'd3-random';
import { format } from 'prettier';
import { beforeEach, describe, expect, it } from 'vitest';
import { jobFile, jobFileName, jobFileShape, printJobFile } from '@/core/file/jobFile';
import { newInputs } from '@/core/job/job';
import { length } from '@/core/units/length';
import { listJobs } from '@/db/jobs';
import { checked } from './checked';
import { seedDemo } from './demo/seedDemo';
import { importJob } from './jobCases';
import { jobFileSchema } from './jobFileSchema';
import { openJob } from './jobReading';
import { type TestWorkshop, newJob, testWorkshop, value, wordsOf, workUpTo } from './testWorkshop';
import type { Workshop } from './workshop';
import { houseRules, logRows } from './workshopCases';

let workshop: TestWorkshop;
beforeEach(() => {
  workshop = testWorkshop();
});

describe('the job file', () => {
  const validate = (() => {
    const ajv = new Ajv2020({ strict: false });
    return ajv.compile(jobFileSchema());
  })();

  it('has its schema derived from what checks it', async () => {
    const text = await format(JSON.stringify(jobFileSchema()), { parser: 'json', printWidth: 128 });
    await expect(text).toMatchFileSnapshot('../../docs/job.schema.json');
  });

  const fileOf = (from: Workshop, id: string) => {
    const { job, log } = openJob(from, id)!;
    const { revision: _revision, ...bare } = job;
    return printJobFile(jobFile(bare, log, houseRules(from).rules.materials));
  };

  it('goes round without loss, for every job of the demo, and keeps to its published schema', () => {
    seedDemo(workshop.database, workshop.now());
    const other = testWorkshop();
    for (const { id } of listJobs(workshop.database)) {
      const text = fileOf(workshop, id);
      expect(validate(JSON.parse(text)), JSON.stringify(validate.errors)).toBe(true);
      value(importJob(other, text));
      expect(fileOf(other, id)).toBe(text);
    }
  });

  it('is refused whole, with the place, when anything in it is wrong', () => {
    const id = newJob(workshop);
    workUpTo(workshop, id, 'bars');
    const whole = JSON.parse(fileOf(workshop, id)) as ReturnType<typeof jobFile>;
    const other = testWorkshop();
    const attempt = (spoil: (file: typeof whole) => unknown) => {
      const file = structuredClone(whole);
      spoil(file);
      return wordsOf(importJob(other, JSON.stringify(file)));
    };
    expect(attempt((file) => Object.assign(file, { version: 6 }))).toMatch(/version must be one of the following values: 5/);
    expect(attempt((file) => Object.assign(file, { format: 'other' }))).toMatch(/format must be one of/);
    expect(attempt((file) => (file.log[1]!.at = 'yesterday'))).toMatch(/log\.1\.at/);
    expect(attempt((file) => (file.log[0]!.plan!.inputs.brief.width.mm = 0))).toMatch(/log\.0\.plan\.inputs\.brief\.width\.mm/);
    expect(attempt((file) => (file.log[1]!.corrects = 'nothing'))).toMatch(/a record to none/);
    expect(attempt((file) => Object.assign(file.log[1]!, { kind: 'withdrawal', corrects: 'nothing' }))).toMatch(
      /no earlier entry nothing/,
    );
    expect(attempt((file) => (file.log[1]!.id = file.log[0]!.id))).toMatch(/Nothing was taken in/);
    expect(wordsOf(importJob(other, '{"format"'))).toMatch(/not JSON/);
    expect(listJobs(other.database)).toEqual([]);
    expect(logRows(other)).toEqual([]);
  });

  it('is refused twice, and takes the next number when its own is gone', () => {
    const id = newJob(workshop);
    const text = fileOf(workshop, id);
    expect(wordsOf(importJob(workshop, text))).toBe('This job is here already, as No. 101.');
    const copy = JSON.parse(text) as ReturnType<typeof jobFile>;
    expect(value(importJob(workshop, JSON.stringify({ ...copy, job: { ...copy.job, id: 'other' } }))).number).toBe(102);
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

describe('a file with something wrong in it', () => {
  const WRONG: readonly unknown[] = [
    ...[null, [], {}, [[]], [null], '', 'x', 'x'.repeat(3000), true, false, 0, -1, -0.5, 0.3, 2.5, 7, 1e9, 1e300],
    ...[{ mm: 1 }, { mm: [], unit: 'mm' }, { mm: 3, unit: 'ell' }, '2031-05-04T12:00:00.000Z', '2031-02-30', ['top', 'top']],
  ];

  it(
    'is refused by the check when the published schema refuses it, and taken when that takes it: 4,000 of them',
    { timeout: 90_000 },
    () => {
      const random = randomLcg(0.31);
      const below = (most: number) => randomInt.source(random)(0, most)();
      const id = newJob(workshop);
      workUpTo(workshop, id, 'square');
      const { job, log } = openJob(workshop, id)!;
      const { revision: _revision, ...bare } = job;
      const text = printJobFile(jobFile(bare, [log[0]!, { ...log[2]!, plan: null }], houseRules(workshop).rules.materials));
      const validate = new Ajv2020({ strict: false }).compile(jobFileSchema());
      const taken = { yes: 0, no: 0 };
      for (let turn = 0; turn < 4000; turn += 1) {
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
      expect(taken.yes).toBeGreaterThan(100);
      expect(taken.no).toBeGreaterThan(2500);
    },
  );
});
