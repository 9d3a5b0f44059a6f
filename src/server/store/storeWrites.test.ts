/* The store against a naive ledger; what records take and put back; what to buy; bills and quotes as the workshop gives them. */
import 'reflect-metadata';
import { randomLcg } from 'd3-random';
import { beforeEach, describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { costSettingsShape } from '@/core/cost/costSettings';
import { startOf } from '@/core/shape/shape';
import { length } from '@/core/units/length';
import { listCloth } from '@/db/clothSheets';
import { listGroundStock } from '@/db/groundStocks';
import { jobsOfSet } from '@/db/jobSets';
import { listRack } from '@/db/rackBars';
import { findStoreItem, listStoreMoves } from '@/db/storeItems';
import { addCloth } from '../cloth/clothWrites';
import { giveQuote, jobCost, quoteNumbered, saveCosts, setCost } from '../cost/costWrites';
import { setStock } from '../ground/groundWrites';
import { recordStep, withdrawRecord } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import { recordCuts, series } from '../rack/rackWrites';
import { createSet } from '../set/setWrites';
import { countItem, setItem, storeView, takeItem, undoMove } from './storeWrites';
import { buyItems, toBuyList } from './buyWrites';
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

let workshop: TestWorkshop;
beforeEach(() => {
  workshop = testWorkshop();
});

const known = (item: string, priceMinor: number | null = 500, more: { pack?: number; least?: number; revision?: number } = {}) =>
  setItem(workshop, {
    item,
    name: item,
    unit: 'pieces',
    pack: 100,
    priceMinor,
    least: 0,
    place: '',
    supplier: 'Pier',
    revision: 0,
    ...more,
  });
const there = (item: string) => findStoreItem(workshop.database, item)!.there;
const counted = (item: string, count: number, seen = there(item)) =>
  countItem(workshop, { item, counted: count, seen, reason: '', maker: 'Me' });
const take = (item: string, quantity: number, maker = 'Me') =>
  takeItem(workshop, { item, quantity, reason: 'for the class', maker });
const undo = (moveId: string) => undoMove.act(workshop, { moveId, maker: 'Me' });

describe('the store', () => {
  it('is what a naive ledger says, whatever is counted, taken and taken back', () => {
    const random = randomLcg(0.44);
    value(known('key'));
    let ledger = 0;
    const moves: { id: string; by: number; undone: boolean }[] = [];
    for (let turn = 0; turn < rounds(120, 5000); turn += 1) {
      const way = random();
      const quantity = 1 + Math.floor(random() * 80);
      const before = moves.length;
      if (way < 0.3) {
        const counts = counted('key', quantity);
        expect(counts.ok).toBe(true);
        if (quantity !== ledger) moves.push({ id: '', by: quantity - ledger, undone: false });
        ledger = quantity;
      } else if (way < 0.7) {
        const took = take('key', quantity);
        expect(took.ok).toBe(quantity <= ledger);
        if (took.ok) {
          moves.push({ id: '', by: -quantity, undone: false });
          ledger -= quantity;
        }
      } else if (moves.length > 0) {
        const one = moves[Math.floor(random() * moves.length)]!;
        const granted = !one.undone && (one.by < 0 || ledger - one.by >= 0);
        expect(undo(one.id).ok).toBe(granted);
        if (granted) {
          one.undone = true;
          ledger -= one.by;
        }
      }
      if (moves.length > before) moves.at(-1)!.id = listStoreMoves(workshop.database, 1)[0]!.id;
      expect(there('key')).toBe(ledger);
      expect(ledger).toBeGreaterThanOrEqual(0);
    }
    const all = listStoreMoves(workshop.database);
    expect(all.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(ledger);
    expect(() => workshop.database.exec('DELETE FROM store_move')).toThrow(/append-only/);
    expect(() => workshop.database.exec('UPDATE store_move SET quantity = 1')).toThrow(/append-only/);
  });

  it('tells both who reach for the last box, and whoever counts while somebody takes', () => {
    value(known('key'));
    value(counted('key', 100));
    value(take('key', 100, 'Tove'));
    expect(wordsOf(take('key', 100, 'Ansel'))).toBe('There are no 100 pieces of key any more: none is left.');
    expect(wordsOf(counted('key', 90, 100))).toMatch(/went from 100 pieces to 0 pieces: count again/);
    expect(wordsOf(take('bolt', 1))).toMatch(/Nobody keeps count of this/);
    expect(wordsOf(known('key', 700))).toMatch(/changed elsewhere/);
    expect(
      wordsOf(
        setItem(workshop, {
          item: 'key',
          name: 'Key',
          unit: 'g',
          pack: 1,
          priceMinor: null,
          least: 0,
          place: '',
          supplier: '',
          revision: 1,
        }),
      ),
    ).toMatch(/counted in pieces, and was/);
  });

  it('gives what a recorded stage used, drawn ones too, says where it was counted wrong, and has it back', () => {
    const id = newJob(workshop);
    for (const item of ['key', 'staple8', 'hanging-rings']) value(known(item));
    value(counted('key', 100));
    value(counted('staple8', 50));
    value(counted('hanging-rings', 5));
    workUpTo(workshop, id, 'cloth');
    expect(there('key')).toBe(92);
    type(workshop, id, (inputs) => ({ ...inputs, fasten: { ...inputs.fasten, asDone: { ...inputs.fasten.asDone, drawn: 4 } } }));
    value(recordStage(workshop, id, 'fasten'));
    const staples = Number(/(\d+) staples/.exec(openJob(workshop, id)!.log.at(-1)!.did)![1]);
    expect(there('staple8')).toBe(50 - staples - 4);
    expect(listStoreMoves(workshop.database, 1)[0]!.did).toMatch(
      /staple8: \d+ pieces for No. 101: \d+ pieces more than was counted/,
    );
    const entry = openJob(workshop, id)!.log.at(-1)!;
    expect(wordsOf(undo(listStoreMoves(workshop.database, 1)[0]!.id))).toMatch(/undo the record/);
    value(
      withdrawRecord.act(workshop, {
        jobId: id,
        revision: revisionOf(workshop, id),
        entryId: entry.id,
        reason: 'Torn.',
        maker: 'Me',
      }),
    );
    expect(there('staple8')).toBe(50);
    // Taken back twice nothing comes back twice.
    value(recordStage(workshop, id, 'fasten'));
    expect(there('staple8')).toBe(46 - staples);
  });

  it('has the ground of a coat back when its record is taken back', () => {
    const id = newJob(workshop);
    value(setStock.act(workshop, { substance: 'acrylicGround', amount: 4000, priceMinor: 1500, revision: 0, maker: 'Me' }));
    workUpTo(workshop, id, 'tune');
    value(recordStage(workshop, id, 'prime'));
    const amount = () => listGroundStock(workshop.database)[0]!.amount;
    const left = amount();
    value(
      withdrawRecord.act(workshop, {
        jobId: id,
        revision: revisionOf(workshop, id),
        entryId: openJob(workshop, id)!.log.at(-1)!.id,
        reason: 'Dripped.',
        maker: 'Me',
      }),
    );
    expect([left < 4000, Math.abs(amount() - 4000) < 1e-9]).toEqual([true, true]);
  });
});

describe('what to buy', () => {
  const pairs = () =>
    listRack(workshop.database)
      .filter(({ kind }) => kind === 'pairs')
      .map(({ lengthMm, count }) => [lengthMm, count]);
  const line = (start: string) => toBuyList(workshop, null).lines.find(({ id }) => id.startsWith(start));

  it('is what open jobs take less what is there, earlier ones first, in packs; bought, it lies where it belongs', () => {
    const [late, soon] = [newJob(workshop, 'Late'), newJob(workshop, 'Soon')];
    type(workshop, soon, (inputs) => ({ ...inputs, brief: { ...inputs.brief, dueOn: '2031-05-10' } }));
    value(known('key', 850, { pack: 12 }));
    value(counted('key', 10));
    expect(line('key')).toMatchObject({ wanted: 20, there: 10, packs: 1, minor: 850, jobs: [101], supplier: 'Pier' });
    value(known('key', 850, { pack: 12, least: 15, revision: 1 }));
    expect(line('key')).toMatchObject({ packs: 3, minor: 2550 });
    const bars = toBuyList(workshop, null).lines.filter(({ kind }) => kind === 'pairs');
    expect(bars.map(({ packs }) => packs)).toEqual([2, 2]);
    expect(line('cloth')).toMatchObject({ kind: 'cloth', jobs: [102, 101] });
    expect(toBuyList(workshop, [soon]).lines.find(({ id }) => id === 'key')!.wanted).toBe(10);
    const before = contentOf(workshop.database);
    const lines = toBuyList(workshop, null).lines.map(({ id, packs }) => ({ id, packs }));
    expect(wordsOf(buyItems.act(workshop, { lines: [...lines, { id: 'nothing', packs: 1 }], jobIds: [], maker: 'Me' }))).toMatch(
      /“nothing” is not on the list/,
    );
    expect(contentOf(workshop.database)).toBe(before);
    expect(value(buyItems.act(workshop, { lines, jobIds: [], maker: 'Me' })).lines).toEqual([]);
    expect([there('key'), pairs()]).toEqual([
      46,
      [
        [400, 4],
        [600, 4],
      ],
    ]);
    expect(listCloth(workshop.database).map(({ tag, kind }) => [tag, kind])).toEqual([['C1', 'roll']]);
    expect(listGroundStock(workshop.database).length).toBeGreaterThan(0);
    // Sawn and picked for both from what was bought.
    const jobs = [late, soon];
    value(recordCuts.act(workshop, { jobIds: jobs, seen: series(workshop, jobs).seen, maker: 'Me' }));
    expect(pairs()).toEqual([]);
    expect(toBuyList(workshop, null).lines).toEqual([]);
  });

  it('buys ground in tins at the price of a tin, however little a millilitre costs', () => {
    const id = newJob(workshop);
    type(workshop, id, (inputs) => ({ ...inputs, brief: { ...inputs.brief, width: length(2000), height: length(1400) } }));
    for (const priceMinor of [1180, 490]) {
      const revision = priceMinor === 1180 ? 0 : 1;
      value(setStock.act(workshop, { substance: 'acrylicGround', amount: 0, priceMinor, revision, maker: 'Me' }));
      const ground = line('ground')!;
      expect(ground).toMatchObject({
        pack: 1000,
        packs: Math.ceil(ground.wanted / 1000),
        minor: Math.ceil(ground.wanted / 1000) * priceMinor,
      });
      expect(ground.packs).toBeGreaterThan(1);
    }
  });

  it('names a canvas that no roll is wide enough for in a line of its own, and buys cloth for the others', () => {
    const [wide, other] = [newJob(workshop, 'Wide'), newJob(workshop, 'Other')];
    type(workshop, wide, (inputs) => ({ ...inputs, brief: { ...inputs.brief, width: length(3900), height: length(3900) } }));
    const cloth = toBuyList(workshop, [wide, other]).lines.filter(({ kind }) => kind === 'cloth');
    expect(cloth.map(({ id, jobs }) => [id.endsWith('-0'), jobs])).toEqual([
      [false, [102]],
      [true, [101]],
    ]);
    expect(cloth[0]!.minor).toBeGreaterThan(0);
  });

  it('goes without what a state of an earlier version does not say', () => {
    newJob(workshop);
    toBuyList(workshop, null);
    workshop.database.exec("UPDATE job_state SET facts = json_remove(facts, '$.needs')");
    expect(toBuyList(workshop, null).lines.every(({ kind }) => kind !== 'item')).toBe(true);
    expect(storeView(workshop).unkept).toEqual([]);
  });

  it('counts on what lies there: rolls, offcuts and the rack; nothing of what is done is bought again', () => {
    const id = newJob(workshop);
    const { fabric } = openJob(workshop, id)!.job.inputs.cloth;
    value(
      addCloth.act(workshop, {
        kind: 'offcut',
        fabric,
        tag: 'O1',
        widthMm: 1200,
        selvedgeMm: 0,
        lengthMm: 1200,
        flaws: [],
        maker: 'Me',
      }),
    );
    expect(line('cloth')).toBeUndefined();
    workUpTo(workshop, id, 'fasten');
    expect(toBuyList(workshop, null).lines.every(({ kind, id: what }) => kind === 'ground' || what.startsWith('hanging'))).toBe(
      true,
    );
    expect(storeView(workshop).unkept.map(({ item }) => item)).toEqual(['hanging-rings']);
  });
});

describe('what it costs', () => {
  const settings = { ...startOf(costSettingsShape), hourMinor: 3000, taxPercent: 19 };
  const priced = () => {
    value(saveCosts.act(workshop, { revision: 0, settings }));
    for (const item of ['key', 'keySmall', 'staple8', 'hanging-rings']) value(known(item));
    for (const substance of ['animalGlue', 'pvaSize', 'acrylicGround', 'oilGround'] as const)
      setStock.act(workshop, { substance, amount: 0, priceMinor: 1500, revision: 0, maker: 'Me' });
  };

  it('names what nobody put a price to, and a quote waits for it; given, it stays as it is', () => {
    const id = newJob(workshop);
    const ask = { jobId: id, setId: null, forWhom: 'The school', maker: 'Me' };
    const bare = jobCost(workshop, id)!.reckoned;
    expect(bare.unknown).toEqual(expect.arrayContaining(['Key', 'Staple, 8 mm leg', 'Hands, brief']));
    expect(wordsOf(giveQuote.act(workshop, { ...ask, examplesHold: true, seenMinor: bare.knownMinor }))).toMatch(
      /A quote needs every price: Key.* have none yet/,
    );
    priced();
    const { reckoned } = jobCost(workshop, id)!;
    expect(reckoned.unknown).toEqual([]);
    expect(wordsOf(giveQuote.act(workshop, { ...ask, examplesHold: true, seenMinor: reckoned.knownMinor - 1 }))).toMatch(
      /has changed since/,
    );
    const quote = value(giveQuote.act(workshop, { ...ask, examplesHold: true, seenMinor: reckoned.knownMinor }));
    expect(quote).toMatchObject({
      number: 1,
      validUntil: '2031-06-03',
      forWhom: 'The school',
      frozen: { costMinor: reckoned.knownMinor },
    });
    expect(quote.frozen.grossMinor).toBe(quote.frozen.netMinor + quote.frozen.taxMinor);
    value(saveCosts.act(workshop, { revision: 1, settings: { ...settings, hourMinor: 9000 } }));
    expect(quoteNumbered(workshop, 1)).toEqual(quote);
    expect(jobCost(workshop, id)!.quotes).toEqual([quote]);
    expect(() => workshop.database.exec("UPDATE quote SET for_whom = 'x'")).toThrow(/append-only/);
    const twice = [400, 300].map((mm, index, both) => ({ widthMm: mm, heightMm: both[1 - index]!, priceMinor: 1 }));
    expect(wordsOf(saveCosts.act(workshop, { revision: 2, settings: { ...settings, readyMade: twice } }))).toMatch(
      /stands twice for 300 × 400 mm/,
    );
  });

  it('of a set is shared out to the cent, and told beside what was taken in fact', () => {
    priced();
    const faces = [400, 400, 500].map((mm) => ({ width: length(mm), height: length(300) }));
    const { id } = value(
      createSet.act(workshop, {
        title: 'Three',
        kind: 'series',
        faces,
        layout: { columns: 3, gap: length(20), align: 'top', free: [] },
      }),
    );
    const cost = setCost(workshop, id)!;
    const quote = value(
      giveQuote.act(workshop, {
        jobId: cost.canvases[0]!.jobId,
        setId: id,
        forWhom: '',
        seenMinor: cost.reckoned.knownMinor,
        examplesHold: true,
        maker: 'Me',
      }),
    );
    expect(quote.frozen.canvases.reduce((sum, { grossMinor }) => sum + grossMinor, 0)).toBe(quote.frozen.grossMinor);
    expect(cost.canvases.reduce((sum, { reckoned }) => sum + reckoned.knownMinor, 0)).toBe(cost.reckoned.knownMinor);
    expect(cost.reckoned.lines.reduce((sum, { minor }) => sum + minor!, 0)).toBe(cost.reckoned.knownMinor);
    const [job] = jobsOfSet(workshop.database, id);
    const { fabric } = openJob(workshop, job!)!.job.inputs.cloth;
    value(
      addCloth.act(workshop, {
        kind: 'offcut',
        fabric,
        tag: 'O1',
        widthMm: 800,
        selvedgeMm: 0,
        lengthMm: 800,
        flaws: [],
        maker: 'Me',
      }),
    );
    workUpTo(workshop, job!, 'square');
    const cloth = workshop.database.prepare<[], string>('SELECT id FROM cloth_sheet').pluck().get()!;
    value(
      recordStep.act(workshop, {
        jobId: job!,
        revision: revisionOf(workshop, job!),
        stage: 'cloth',
        maker: 'Me',
        note: '',
        reason: 'x',
        unit: 'mm',
        view: 'back',
        clothId: cloth,
        air: null,
      }),
    );
    type(workshop, job!, (inputs) => ({
      ...inputs,
      fasten: { ...inputs.fasten, asDone: { ...inputs.fasten.asDone, minutes: 90 } },
    }));
    value(recordStage(workshop, job!, 'fasten'));
    const { taken } = setCost(workshop, id)!.canvases[0]!;
    const of = (what: string) => taken.lines.find((one) => one.id === what)!;
    expect([of('hands fasten').minor, of('cloth').from]).toEqual([4500, 'offcut, 50 % of its price']);
    // Its own cloth of the offcut is paid for, not what is left of it.
    const { cut } = workshop.database.prepare<[], { cut: string }>('SELECT cut FROM cloth_cut').get()!;
    const { acrossMm, alongMm } = JSON.parse(cut) as { acrossMm: number; alongMm: number };
    expect(of('cloth').quantity).toBeCloseTo((acrossMm * alongMm) / 800, 6);
    expect(jobCost(workshop, 'nobody')).toBeNull();
  });
});
