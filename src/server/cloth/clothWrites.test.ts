import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { type StockCloth, sheetOf } from '@/core/cloth/clothStock';
import { FABRICS } from '@/core/cloth/fabrics';
import { layRoll } from '@/core/cloth/layout/layRoll';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { NO_CHANGES } from '@/core/house/materials';
import { length } from '@/core/units/length';
import { addCloth, changeCloth, clothJobs, clothStore, cutCloth, jobCut } from './clothWrites';
import { clothMoves, undoClothMove } from './undoClothMove';
import { createJob, recordStep, saveInputs, withdrawRecord } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import type { Outcome } from '../write/outcome';
import { recordStage, testWorkshop, value } from '../testWorkshop';
import type { Workshop } from '../workshop';
import { saveRules } from '../house/houseRuleWrites';

let workshop: Workshop;
beforeEach(() => {
  workshop = testWorkshop();
});

const said = (outcome: Outcome<unknown>): string => {
  if (outcome.ok) throw new Error('expected a refusal');
  return outcome.kind === 'refused' ? outcome.says : JSON.stringify(outcome);
};

const ROLL: Omit<StockCloth, 'id'> = {
  kind: 'roll',
  fabric: 'cottonMedium',
  tag: 'C1',
  widthMm: 2100,
  selvedgeMm: 10,
  lengthMm: 3000,
  flaws: [],
};
const store = (patch: Partial<typeof ROLL> = {}) => {
  const all = value(addCloth.act(workshop, { ...ROLL, ...patch, maker: 'Me' }));
  return all.find((one) => one.tag === (patch.tag ?? ROLL.tag))!;
};
const job = (title: string, widthMm = 700, heightMm = 500) =>
  value(createJob(workshop, { title, width: length(widthMm), height: length(heightMm) })).id;

/** Lays all jobs on a cloth, as the page does. */
function laid(cloth: ReturnType<typeof store>) {
  const steps = layRoll(
    clothJobs(workshop).map((one) => one.piece),
    sheetOf(cloth, 5),
    () => 0.5,
    5,
  );
  let step = steps.next();
  while (!step.done) step = steps.next();
  const placed = step.value.placed.map(({ id, x, y, turned }) => ({ id, x, y, turned }));
  return { sheets: [{ id: cloth.id, revision: cloth.revision, placed }], maker: 'Me', length: step.value.length };
}

const asSeen = ({ id, revision, lengthMm, flaws }: ReturnType<typeof store>) => ({ id, revision, lengthMm, flaws });

describe('the store of cloth', () => {
  it('takes in rolls and offcuts, each tag once, and only cloth of the house that can be', () => {
    store();
    expect(said(addCloth.act(workshop, { ...ROLL, maker: 'Me' }))).toMatch(/“C1” was given before/);
    expect(said(addCloth.act(workshop, { ...ROLL, tag: 'X', fabric: 'silk', maker: 'Me' }))).toMatch(/no cloth “silk”/);
    expect(
      said(addCloth.act(workshop, { ...ROLL, tag: 'X', flaws: [{ x: 2090, y: 0, w: 40, h: 5, note: '' }], maker: 'Me' })),
    ).toMatch(/does not lie on the cloth/);
    expect(clothStore(workshop)).toHaveLength(1);
  });

  it('marks flaws and what is left over the revision that was seen; what is gone keeps its tag', () => {
    const { id, revision } = store();
    const flaws = [{ x: 100, y: 200, w: 30, h: 30, note: 'knot' }];
    const change = { id, revision, lengthMm: 2500, flaws, gone: false, maker: 'Me' };
    expect(value(changeCloth.act(workshop, change))[0]).toMatchObject({ revision: 2, lengthMm: 2500, flaws });
    expect(said(changeCloth.act(workshop, change))).toMatch(/changed elsewhere/);
    expect(value(changeCloth.act(workshop, { ...change, revision: 2, gone: true }))).toEqual([]);
    expect(said(addCloth.act(workshop, { ...ROLL, maker: 'Me' }))).toMatch(/given before/);
    expect(clothMoves(workshop).map((move) => move.did)).toEqual([
      'Out of the store: C1',
      'C1: 1 flaw marked',
      'Put in the store: roll C1, Cotton duck, medium',
    ]);
  });

  it('gives a piece back that was cut by mistake, as long as nothing rests on it', () => {
    const id = job('Harbour');
    const lying = () => clothStore(workshop).map(({ tag, kind, lengthMm }) => [tag, kind, lengthMm]);
    const last = () => clothMoves(workshop)[0]!;
    const undo = (moveId = last().id) => undoClothMove.act(workshop, { moveId, maker: 'Mara' });
    const { length: _length, ...first } = laid(store());
    value(cutCloth.act(workshop, first));
    const whole = [['C1', 'roll', 3000]];
    const shorter = lying();
    expect(shorter.length).toBeGreaterThan(1);
    expect(shorter[0]![2]).toBeLessThan(3000);
    const cut = last().id;
    value(undo());
    expect([lying(), jobCut(workshop, id), clothJobs(workshop).map((one) => one.id)]).toEqual([whole, null, [id]]);
    expect(last()).toMatchObject({ maker: 'Mara', did: 'Undone: Cut for No. 101', stays: expect.any(String) as string });
    expect(said(undo(cut))).toMatch(/undone already/);
    expect(said(undo())).toMatch(/undid another change/);
    expect(said(undo('no-such-move'))).toMatch(/no such change/);

    // What was cut again counts; an offcut that is gone since, or a record, holds it.
    value(cutCloth.act(workshop, laid(clothStore(workshop)[0]!)));
    expect(jobCut(workshop, id)).not.toBeNull();
    const offcut = clothStore(workshop).find(({ kind }) => kind === 'offcut')!;
    const again = last().id;
    value(changeCloth.act(workshop, { ...asSeen(offcut), gone: true, maker: 'Me' }));
    expect(said(undo(again))).toMatch(new RegExp(`${offcut.tag} has changed since`));
    value(undo());
    for (const stage of ['brief', 'bars', 'square', 'cloth'] as const) value(recordStage(workshop, id, stage));
    expect(said(undo(again))).toMatch(/The cloth of No. 101 is recorded: undo that record first/);
    expect(lying()).toEqual(shorter.map((row) => [row[0] === 'C1' ? 'C1' : expect.stringMatching(/^C1/), ...row.slice(1)]));
  });

  it('keeps a cloth of the house that lies in it', () => {
    const own = { ...FABRICS[1], id: 'own-1', name: 'Quay duck' };
    value(saveRules.act(workshop, { revision: 0, rules: { ...DEFAULT_RULES, materials: { ...NO_CHANGES, fabrics: [own] } } }));
    store({ fabric: 'own-1' });
    expect(said(saveRules.act(workshop, { revision: 1, rules: DEFAULT_RULES }))).toMatch(/C1 in the store is of “own-1”/);
  });
});

describe('cuts', () => {
  it('shorten the roll, put offcuts with tags into the store, and count the jobs as cut', () => {
    const [a, b] = [job('A'), job('B', 900, 600)];
    const cloth = store();
    const { length: used, ...dto } = laid(cloth);
    const after = value(cutCloth.act(workshop, dto));
    expect(after[0]).toMatchObject({ tag: 'C1', lengthMm: 3000 - used - 5, revision: 2 });
    expect(after.slice(1).map((one) => one.tag)).toEqual(after.slice(1).map((_, index) => `C1-${index + 1}`));
    expect(after.length).toBeGreaterThan(1);
    expect(clothJobs(workshop)).toEqual([]);
    expect([a, b].map((id) => jobCut(workshop, id)?.tag)).toEqual(['C1', 'C1']);
    expect(said(cutCloth.act(workshop, { ...dto, sheets: [{ ...dto.sheets[0]!, revision: 2 }] }))).toMatch(/cut already/);
    expect(clothMoves(workshop)[0]!.did).toBe('Cut for No. 101, No. 102');
  });

  it('are refused when the cloth, the job or the places are not what was seen, and nothing is written', () => {
    const id = job('A');
    const cloth = store({ flaws: [{ x: 0, y: 0, w: 150, h: 150, note: '' }] });
    const { length: _used, ...dto } = laid(cloth);
    const [sheet] = dto.sheets;
    const at = (patch: Partial<(typeof dto.sheets)[0]['placed'][0]>) => ({
      ...dto,
      sheets: [{ ...sheet!, placed: [{ ...sheet!.placed[0]!, ...patch }] }],
    });
    expect(said(cutCloth.act(workshop, at({ x: 0, y: 0 })))).toMatch(/has a flaw/);
    expect(said(cutCloth.act(workshop, at({ x: 1800 })))).toMatch(/hangs over the edge/);
    expect(said(cutCloth.act(workshop, at({ y: 2900 })))).toMatch(/C1 is 3000 mm long/);
    expect(said(cutCloth.act(workshop, { ...dto, sheets: [{ ...sheet!, revision: 9 }] }))).toMatch(/changed elsewhere/);
    expect(said(cutCloth.act(workshop, { ...dto, sheets: [sheet!, sheet!] }))).toMatch(/laid twice/);
    const { revision, inputs } = openJob(workshop, id)!.job;
    value(
      saveInputs.act(workshop, { jobId: id, revision, inputs: { ...inputs, cloth: { ...inputs.cloth, fabric: 'linenFine' } } }),
    );
    expect(said(cutCloth.act(workshop, dto))).toMatch(/wants another cloth/);
    expect(clothStore(workshop)).toEqual([cloth]);
  });

  it('recorded with the job draw the roll down once; taken back, the cloth stays cut', () => {
    const id = job('A');
    const cloth = store();
    const small = store({ tag: 'C2', lengthMm: 100 });
    let { revision } = openJob(workshop, id)!.job;
    const record = (stage: 'brief' | 'bars' | 'square' | 'cloth', clothId?: string) => {
      const outcome = recordStep.act(workshop, {
        jobId: id,
        revision,
        stage,
        maker: 'Me',
        note: '',
        reason: 'for the test',
        clothId: clothId ?? null,
        air: null,
        unit: 'mm',
        view: 'back',
      });
      if (outcome.ok) revision = outcome.value.job.revision;
      return outcome;
    };
    for (const stage of ['brief', 'bars', 'square'] as const) value(record(stage));
    expect(said(record('cloth', small.id))).toMatch(/C2 has 100 mm left, the piece takes \d+ mm/);
    expect(openJob(workshop, id)!.log).toHaveLength(3);
    const { log } = value(record('cloth', cloth.id));
    const left = clothStore(workshop).find((one) => one.id === cloth.id)!.lengthMm;
    expect(left).toBeLessThan(3000);
    value(withdrawRecord.act(workshop, { jobId: id, revision, entryId: log.at(-1)!.id, maker: 'Me', reason: 'wrong job' }));
    revision = openJob(workshop, id)!.job.revision;
    value(record('cloth', cloth.id));
    expect(clothStore(workshop).find((one) => one.id === cloth.id)!.lengthMm).toBe(left);
  });
});
