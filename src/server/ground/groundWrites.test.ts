import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEFAULT_RULES, USUAL_POLICIES } from '@/core/house/houseRules';
import { batchRecipe } from '@/core/prime/coatRecipe';
import { checked } from '../write/checked';
import { groundsOf, recordBatch, setStock } from './groundWrites';
import { openJob } from '../job/jobReading';
import { houseLessons } from '../house/houseLessons';
import { REQUESTS, type Request } from '../writes';
import { saveRules } from '../house/houseRuleWrites';
import { type TestWorkshop, asked, newJob, recordStage, testWorkshop, type, value, wordsOf, workUpTo } from '../testWorkshop';

let workshop: TestWorkshop;
let ids: string[];
beforeEach(() => {
  workshop = testWorkshop();
  ids = ['One', 'Two', 'Three'].map((title) => newJob(workshop, title));
  for (const id of ids) workUpTo(workshop, id, 'tune');
});

/** The canvases as they stand now, each with its next coat. */
const seen = (of = ids) =>
  groundsOf(workshop)
    .waiting.filter(({ jobId }) => of.includes(jobId))
    .map(({ jobId, revision, step }) => ({ jobId, revision, step }));
const batch = (patch: Partial<Request<'recordBatch'>> = {}): Request<'recordBatch'> => ({
  coats: seen(),
  mixedMl: 400,
  leftMl: 40,
  maker: 'Me',
  note: '',
  reason: 'For the test.',
  ...patch,
});
const lastOf = (id: string) => openJob(workshop, id)!.log.at(-1)!;
const valueOf = (id: string, quantity: string) => lastOf(id).readings.find((one) => one.quantity === quantity)?.value;
const stock = (substance = 'acrylicGround') => groundsOf(workshop).stock.find((one) => one.substance === substance)!;

describe('one pot for several canvases', () => {
  it('lists what waits for a coat, with its area and what its cloth takes', () => {
    const { waiting } = groundsOf(workshop);
    expect(waiting).toHaveLength(3);
    expect(waiting[0]).toMatchObject({
      title: 'One',
      coat: 'First coat, thinned',
      substance: 'acrylicGround',
      absorbMlPerM2: 200,
      waitsUntil: null,
    });
    expect(waiting[0]!.areaM2).toBeGreaterThan(0.24);
    const untuned = newJob(workshop, 'Not stretched');
    expect(groundsOf(workshop).waiting.map(({ jobId }) => jobId)).not.toContain(untuned);
  });

  it('records the coat on each with its share, which adds up to the pot', () => {
    type(workshop, ids[1]!, (inputs) => ({ ...inputs, prime: { ...inputs.prime, back: true } }));
    const { waiting } = value(recordBatch.act(workshop, batch()));
    expect(waiting.map(({ coat }) => coat)).toEqual(['Second coat', 'Second coat', 'Second coat']);
    expect(waiting.every(({ waitsUntil }) => waitsUntil !== null)).toBe(true);
    const used = ids.map((id) => valueOf(id, 'groundUsed')!);
    expect(used.reduce((sum, one) => sum + one, 0)).toBeCloseTo(360, 6);
    expect(used[1]! / used[0]!).toBeGreaterThan(1.5);
    for (const id of ids) {
      expect(lastOf(id)).toMatchObject({ stage: 'prime', step: 0, did: 'First coat, thinned' });
      // What was measured for this coat is not taken for the next.
      expect(openJob(workshop, id)!.job.inputs.prime).toMatchObject({ mixedMl: null, leftMl: null });
    }
  });

  it('teaches what this cloth takes: the next pot is reckoned with it', () => {
    value(recordBatch.act(workshop, batch({ coats: seen([ids[0]!]), mixedMl: 80, leftMl: 8 })));
    const { areaM2, waterParts } = groundsOf(workshop).waiting.find(({ jobId }) => jobId === ids[1])!;
    const taken = valueOf(ids[0]!, 'absorbed')!;
    expect(taken).toBeCloseTo(72 / areaM2, 0);
    const other = groundsOf(workshop).waiting.find(({ jobId }) => jobId === ids[1])!;
    expect(other.absorbMlPerM2).toBe(taken);
    expect(batchRecipe([other], { substance: 'acrylicGround', waterParts }, 0).totalMl).toBeCloseTo(72, 0);
    expect(houseLessons(workshop).cloths.cottonMedium!.firstAbsorb).toEqual({ value: taken, records: 1 });
  });

  it('is refused whole when one of them cannot be coated, or the mixes differ', () => {
    const before = ids.map((id) => openJob(workshop, id)!.log.length);
    expect(wordsOf(recordBatch.act(workshop, batch({ leftMl: 400 })))).toMatch(/^No less is left than was mixed/);
    expect(wordsOf(recordBatch.act(workshop, batch({ coats: [...seen(), { jobId: 'gone', revision: 1, step: 0 }] })))).toMatch(
      /does not wait for a coat any more/,
    );
    type(workshop, ids[2]!, (inputs) => ({ ...inputs, prime: { ...inputs.prime, waterParts: 0.3 } }));
    expect(wordsOf(recordBatch.act(workshop, batch()))).toBe('These canvases do not take the same mix: one pot holds one.');
    type(workshop, ids[2]!, (inputs) => ({ ...inputs, prime: { ...inputs.prime, waterParts: null, roomRh: 100 } }));
    expect(groundsOf(workshop).waiting[2]!.stop).toMatch(/will not dry/);
    expect(wordsOf(recordBatch.act(workshop, batch({ reason: '' })))).toMatch(/A check says stop/);
    expect(ids.map((id) => openJob(workshop, id)!.log.length)).toEqual(before);
    expect(openJob(workshop, ids[0]!)!.job.inputs.prime.mixedMl).toBeNull();
    expect(
      wordsOf(checked(REQUESTS.recordBatch, 'recordBatch', { ...batch({ coats: [], mixedMl: -1 }), requestId: 'r' })),
    ).toMatch(/coats[\s\S]*mixedMl/);
  });
});

describe('the store of grounds', () => {
  const count = (amount: number, revision: number) =>
    setStock.act(workshop, { substance: 'acrylicGround', amount, priceMinor: 1650, revision, maker: 'Me' });

  it('is counted, loses what is mixed, and never goes below nothing', () => {
    value(count(300, 0));
    value(recordBatch.act(workshop, batch()));
    // 400 ml in the pot, 0.6 parts of water to one of ground: 250 ml of ground.
    expect(stock().amount).toBeCloseTo(50, 6);
    const { moves } = groundsOf(workshop);
    expect(moves).toHaveLength(4);
    expect(moves.at(-1)!.did).toBe('Acrylic ground: counted 300 ml');
    expect(moves[0]).toMatchObject({ maker: 'Me', jobs: [ids[2]] });
    value(recordStage(workshop, ids[0]!, 'prime'));
    expect(stock().amount).toBeGreaterThan(0);
    value(count(10, stock().revision));
    value(recordStage(workshop, ids[1]!, 'prime'));
    expect(stock().amount).toBe(0);
    expect(() => workshop.database.prepare('DELETE FROM ground_move').run()).toThrow(/append-only/);
  });

  it('refuses a count over one that somebody else made, and leaves alone what is not kept count of', () => {
    value(count(300, 0));
    expect(wordsOf(count(500, 0))).toMatch(/changed elsewhere in between/);
    expect(stock().amount).toBe(300);
    type(workshop, ids[0]!, (inputs) => ({ ...inputs, prime: { ...inputs.prime, system: 'clear' } }));
    value(recordStage(workshop, ids[0]!, 'prime'));
    expect(groundsOf(workshop).stock.map(({ substance }) => substance)).toEqual(['acrylicGround']);
  });
});

it('a new job is primed as the house does it', () => {
  const policies = { ...USUAL_POLICIES, primeEdges: false, wetFirst: true };
  value(saveRules.act(workshop, { revision: 0, rules: { ...DEFAULT_RULES, policies } }));
  const { prime } = openJob(workshop, newJob(workshop, 'By the rules'))!.job.inputs;
  expect(prime).toMatchObject({ edges: false, back: false, wetFirst: true });
  expect(openJob(workshop, ids[0]!)!.job.inputs.prime.edges).toBe(true);
  const wrong = { ...DEFAULT_RULES, policies: { ...policies, water: 'sometimes' } } as never;
  expect(wordsOf(asked(saveRules, workshop, { revision: 1, rules: wrong }))).toMatch(/policies\.water: .*"sometimes"/);
});
