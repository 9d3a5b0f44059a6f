import 'reflect-metadata';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { randomInt, randomLcg } from 'd3-random';
import { format } from 'prettier';
import { beforeEach, describe, expect, it } from 'vitest';
import { type Passport, passportSays, printPassport } from '@/core/life/passport';
import { length } from '@/core/units/length';
import { logOfJob } from '@/db/logEntries';
import { rounds } from '@/testRounds';
import { canvasPage } from './canvasPage';
import { recordStep, saveInputs, withdrawRecord } from '../job/jobWrites';
import { passportSchema } from '../job/jobFileSchema';
import { caseOfJob, openJob } from '../job/jobReading';
import { houseLessons } from '../house/houseLessons';
import { keepCare, keepHanging } from './lifeWrites';
import { passport, takePassport } from './passportWrites';
import { keepFeel, keepTurns, keepWeight } from '../reading/readingWrites';
import { type TestWorkshop, newJob, revisionOf, testWorkshop, type, value, wordsOf, workUpTo } from '../testWorkshop';

let home: TestWorkshop;
let away: TestWorkshop;
let jobId: string;
const asked = (workshop: TestWorkshop, id: string) => ({ jobId: id, revision: revisionOf(workshop, id), maker: 'Me', note: '' });

beforeEach(() => {
  home = testWorkshop();
  away = testWorkshop();
  jobId = newJob(home, 'Harbour');
  workUpTo(home, jobId, 'tune');
  home.pass(60 * 24);
  type(home, jobId, (inputs) => ({
    ...inputs,
    tune: { ...inputs.tune, weight: { ...inputs.tune.weight, lightG: 300, lightSag: length(4.8), heavySag: null } },
  }));
  value(keepWeight.act(home, { ...asked(home, jobId), air: { celsius: null, rh: 52 } }));
  value(
    keepHanging.act(home, {
      ...asked(home, jobId),
      hangs: { place: 'Town hall', owner: 'The council', climate: 'unheated', leastRh: 55, mostRh: 85 },
    }),
  );
});

const given = (): Passport => {
  const one = passport(home, jobId);
  if (typeof one === 'string') throw new Error(one);
  return one;
};
const take = (text: string) => takePassport.act(away, { text, maker: 'Tove' });

describe('a passport', () => {
  it('keeps to its published schema, which is derived from what checks it', async () => {
    const text = await format(JSON.stringify(passportSchema()), { parser: 'json', printWidth: 128 });
    await expect(text).toMatchFileSnapshot('../../../docs/passport.schema.json');
    const validate = addFormats(new Ajv2020({ strict: false })).compile(passportSchema());
    expect(validate(JSON.parse(printPassport(given()))), JSON.stringify(validate.errors)).toBe(true);
    expect(validate({ ...given(), life: 'long' })).toBe(false);
  });

  it('says what it is, what was measured, how to keep and key it and what never to do, to people and to programs', () => {
    const { says, made, life } = JSON.parse(printPassport(given())) as Passport;
    expect(says.materials.join(' ')).toMatch(/Face 600 × 400 mm, .* worked out\. Bars: .* Cloth: Cotton duck/);
    expect(says.measures).toEqual([expect.stringMatching(/^2031-05-05: \d+ ± \d+ N\/m by weight, at 52 % RH\.$/)]);
    expect(says.key.join(' ')).toMatch(/corners are closed\. .*each of the four corners/);
    expect(says.never[0]).toMatch(/^Never wet the back/);
    expect([made.number, made.id]).toEqual([101, jobId]);
    expect(life.map(({ kind, plan }) => [kind, plan])).toEqual([
      ['reading', null],
      ['hung', null],
    ]);
  });

  it('is there from the moment it is stretched, and names no key where paint is fragile', () => {
    const bare = newJob(home, 'Bare');
    expect(passport(home, bare)).toMatch(/not stretched yet/);
    const { job } = openJob(home, jobId)!;
    const keyed = (inputs: typeof job.inputs) =>
      passportSays(caseOfJob(home, { job: { ...job, inputs }, log: [] })).key.join(' ');
    expect(keyed(job.inputs)).toMatch(/four corners/);
    const { brief, look } = job.inputs;
    const painted = {
      ...job.inputs,
      brief: { ...brief, use: 'restretch' as const },
      look: { ...look, conditions: [{ kind: 'tear' as const, at: null, note: '' }] },
    };
    expect(keyed(painted)).toBe('It is not keyed. A conservator before keying it: it has a tear.');
    expect(keyed({ ...job.inputs, bars: { ...job.inputs.bars, joint: 'mitreGlued' } })).toMatch(/corners are fixed/);
  });

  it('is read in elsewhere as a canvas that is done, whose life goes on with its past', () => {
    const job = value(take(printPassport(given())));
    const here = caseOfJob(away, openJob(away, job.id)!);
    expect(here.progress.now).toBeNull();
    expect(here.history.tensions.map(({ nPerM }) => nPerM)).toEqual(
      caseOfJob(home, openJob(home, jobId)!)
        .history.tensions.map(({ nPerM }) => nPerM)
        .slice(-1),
    );
    expect(canvasPage(away, { find: 'council' }).rows).toMatchObject([
      { id: job.id, title: 'Harbour', hangs: { place: 'Town hall' } },
    ]);
    expect(logOfJob(away.database, job.id)[0]).toMatchObject({ kind: 'brought', of: jobId, maker: 'Tove' });
    value(keepFeel.act(away, { ...asked(away, job.id), air: null, feel: 'firm' }));
    value(keepTurns.act(away, { ...asked(away, job.id), opened: { topLeft: 1, topRight: 1, bottomRight: 1, bottomLeft: 1 } }));
    const look = { event: null, down: null, up: null, bulge: null, air: { celsius: null, rh: 60 }, jpeg: null } as const;
    value(keepCare.act(away, { ...asked(away, job.id), ...look, feel: 'soft' }));
    // Made elsewhere, it is made: nothing of it is recorded, changed or taken back here.
    const stored = openJob(away, job.id)!.job;
    const wider = { ...stored.inputs, brief: { ...stored.inputs.brief, width: length(700) } };
    expect(saveInputs.act(away, { jobId: job.id, revision: stored.revision, inputs: wider })).toMatchObject({ kind: 'locked' });
    const record = {
      ...asked(away, job.id),
      stage: 'bars',
      reason: '',
      unit: 'mm',
      view: 'back',
      clothId: null,
      air: null,
    } as const;
    expect(wordsOf(recordStep.act(away, record))).toMatch(/recorded already/);
    const [first] = logOfJob(away.database, job.id);
    const { note: _note, ...seen } = asked(away, job.id);
    expect(wordsOf(withdrawRecord.act(away, { ...seen, entryId: first!.id, reason: 'Not ours.' }))).toMatch(/made elsewhere/);
    expect(houseLessons(away).creep).toEqual({});
  });

  it('is given on by whoever has the canvas, with its whole past', () => {
    const job = value(take(printPassport(given())));
    value(keepFeel.act(away, { ...asked(away, job.id), air: null, feel: 'firm' }));
    const again = passport(away, job.id) as Passport;
    expect(again.made.at).toBe(given().made.at);
    expect(again.life).toHaveLength(3);
    const third = testWorkshop();
    value(takePassport.act(third, { text: printPassport(again), maker: 'Me' }));
  });

  it('is refused where the canvas was made or is here already', () => {
    const text = printPassport(given());
    expect(wordsOf(takePassport.act(home, { text, maker: 'Me' }))).toBe('This canvas was made here: it is No. 101.');
    const { number } = value(take(text));
    expect(wordsOf(take(text))).toBe(`This canvas was imported already: it is No. ${number}.`);
  });

  it('is taken whole or not at all, with the place of what is wrong', () => {
    const whole = JSON.parse(printPassport(given())) as Passport;
    const attempt = (spoil: (file: Passport) => unknown) => {
      const file = structuredClone(whole);
      spoil(file);
      return wordsOf(take(JSON.stringify(file)));
    };
    expect(attempt((file) => Object.assign(file, { version: 99 }))).toMatch(/version must be one of 12/);
    expect(attempt((file) => (file.life[0]!.kind = 'record'))).toMatch(/life\.0: a record does not go along/);
    expect(attempt((file) => (file.inputs.bars.profile = 'marble'))).toMatch(/no bar “marble”/);
    expect(attempt((file) => (file.life[1]!.id = file.life[0]!.id))).toMatch(/life\.1: two entries/);
    expect(wordsOf(take('[]'))).toMatch(/expected an object, got a list/);
    expect(wordsOf(take('{"format"'))).toMatch(/not JSON/);
    expect(canvasPage(away).count).toBe(0);
  });

  it('takes nothing in of a thousand spoiled ones that its check refuses, and breaks at none', () => {
    const text = printPassport(given());
    const random = randomLcg(0.31);
    const at = randomInt.source(random)(0, text.length);
    const sign = randomInt.source(random)(0, 7);
    let taken = 0;
    for (let turn = 0; turn < rounds(1000, 120); turn += 1) {
      const place = at();
      const spoiled = `${text.slice(0, place)}${'"9{[-,x'[sign()]!}${text.slice(place + 1 + (turn % 3))}`;
      const outcome = take(spoiled);
      if (outcome.ok) taken += 1;
      else expect(wordsOf(outcome).length).toBeGreaterThan(10);
    }
    expect(canvasPage(away).count).toBeLessThanOrEqual(taken);
    for (const { id } of canvasPage(away).rows) expect(caseOfJob(away, openJob(away, id)!).progress.now).toBeNull();
  });
});
