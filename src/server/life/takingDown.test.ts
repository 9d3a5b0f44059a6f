/* A canvas taken down: everything in one step, and stretched again with its measures; and what could be made from what lies here. */
import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { takenDownShape } from '@/core/painting/takenDownWork';
import { startOf } from '@/core/shape/shape';
import type { JobInputs } from '@/core/job/job';
import { length } from '@/core/units/length';
import { listRack, listRackMoves } from '@/db/rackBars';
import { findStoreItem } from '@/db/storeItems';
import { addCloth } from '../cloth/clothWrites';
import { importJob, removeJob, withdrawRecord } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import { addToRack, series } from '../rack/rackWrites';
import { undoRackMove } from '../rack/undoRackMove';
import { jobFile, printJobFile } from '@/core/file/jobFile';
import { keepFinding } from '../look/findingWrites';
import { setItem } from '../store/storeWrites';
import { archiveJobs } from '../set/setWrites';
import { fromStock, makeFromStock, restretch, rolledWorks, takeDown } from './takingDown';
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
import { benchPage } from '../bench/benchPage';
import { logPage } from '../log/logPage';

let workshop: TestWorkshop;
beforeEach(() => {
  workshop = testWorkshop();
});

const ROLLED = {
  ...startOf(takenDownShape),
  kept: 'rolled' as const,
  width: length(602),
  height: length(399),
  margins: { top: length(61), right: length(55), bottom: length(60), left: length(58) },
};
const down = (jobId: string, more: Partial<Parameters<typeof takeDown.act>[1]> = {}) =>
  takeDown.act(workshop, {
    jobId,
    revision: revisionOf(workshop, jobId),
    maker: 'Tove',
    note: '',
    work: ROLLED,
    keepBars: true,
    openers: 8,
    ...more,
  });

/** An old valued painting, measured all round. */
const measuredPainting = (inputs: JobInputs): JobInputs => ({
  ...inputs,
  brief: { ...inputs.brief, use: 'restretch', edges: 'rebate', rebate: { ...inputs.brief.rebate, depth: length(19) } },
  look: {
    ...inputs.look,
    lookedOver: true,
    value: 'valued',
    decided: 'allows',
    decidedBy: 'Dr Ostrel',
    conditions: [{ kind: 'tackRust', at: null, note: 'all round' }],
  },
  cloth: {
    ...inputs.cloth,
    fabric: 'linenMedium',
    painting: {
      ...inputs.cloth.painting,
      top: length(600),
      bottom: length(600),
      left: length(400),
      right: length(401),
      down: length(722),
      up: length(721),
    },
    found: { ...inputs.cloth.found, fold: { ...inputs.cloth.found.fold, top: { by: length(3), within: false } } },
  },
});

describe('taking down', () => {
  it('rolls the painting, brings bars and keys back, writes the log and puts the job away, or does nothing of it', () => {
    const id = newJob(workshop);
    value(
      setItem(workshop, {
        item: 'key',
        name: 'Key',
        unit: 'pieces',
        pack: 100,
        priceMinor: null,
        least: 0,
        place: '',
        supplier: '',
        revision: 0,
      }),
    );
    expect(wordsOf(down(id))).toMatch(/not stretched yet/);
    workUpTo(workshop, id, 'fasten');
    const before = contentOf(workshop.database);
    expect(wordsOf(down(id, { openers: 30 }))).toMatch(/A frame has 8 of key; 30 did not come off one/);
    expect(contentOf(workshop.database)).toBe(before);
    const keys = findStoreItem(workshop.database, 'key')!.there;
    value(down(id));
    expect(findStoreItem(workshop.database, 'key')!.there).toBe(keys + 8);
    expect(
      listRack(workshop.database)
        .filter(({ kind }) => kind === 'pairs')
        .map(({ lengthMm, count, mark }) => [lengthMm, count, mark]),
    ).toEqual([
      [400, 2, 'from No. 101'],
      [600, 2, 'from No. 101'],
    ]);
    expect(benchPage(workshop).open).toBe(0);
    expect(logPage(workshop).rows[0]).toMatchObject({
      kind: 'takenDown',
      did: 'Taken down: 602 × 399 mm, rolled face out along its width, core 200 mm',
    });
    value(archiveJobs.act(workshop, { canvases: [{ jobId: id, revision: revisionOf(workshop, id) }], archived: false }));
    expect(wordsOf(down(id))).toMatch(/was taken down already/);
    expect(wordsOf(recordStage(workshop, id, 'tune'))).toMatch(/stretch the painting again as a job of its own/);
    const entry = openJob(workshop, id)!.log.at(-1)!;
    expect(
      wordsOf(
        withdrawRecord.act(workshop, {
          jobId: id,
          revision: revisionOf(workshop, id),
          entryId: entry.id,
          reason: 'No.',
          maker: 'Me',
        }),
      ),
    ).toMatch(/put away: its records stand/);
  });

  it('leaves a glued frame whole', () => {
    const id = newJob(workshop);
    type(workshop, id, (inputs) => ({ ...inputs, bars: { ...inputs.bars, joint: 'mitreGlued', profile: 'batten' } }));
    workUpTo(workshop, id, 'fasten');
    expect(wordsOf(down(id, { openers: 0 }))).toMatch(/glued: its bars do not come apart/);
    expect(wordsOf(down(id, { keepBars: false, openers: 1 }))).toMatch(/Nothing opens the corners/);
    value(down(id, { keepBars: false, openers: 0, work: null }));
    expect([listRack(workshop.database), rolledWorks(workshop)]).toEqual([[], []]);
  });

  it('is stretched again with its measures, once; a job that is deleted leaves it rolled', () => {
    const id = newJob(workshop);
    workUpTo(workshop, id, 'tune');
    const [work] = value(down(id));
    const again = value(restretch.act(workshop, { rolledId: work!.id, title: 'Harbour, again' }));
    expect(again.inputs.brief).toMatchObject({ use: 'restretch', width: length(602), height: length(399) });
    // What was read when it came down, and nothing that nobody read.
    expect(again.inputs.cloth.left.right).toEqual({ first: length(55), second: null });
    expect(again.inputs.cloth.painting).toMatchObject({
      top: length(602),
      left: length(399),
      right: null,
      bottom: null,
      down: null,
    });
    expect(again.inputs.brief.note).toMatch(
      /^No\. 101 before, taken down \d+ \w+ \d{4}\. .*the other sides, the diagonals and old folds were not measured/,
    );
    expect(rolledWorks(workshop)).toEqual([]);
    expect(wordsOf(restretch.act(workshop, { rolledId: work!.id, title: 'Twice' }))).toMatch(/stretched again already/);
    value(removeJob.act(workshop, { jobId: again.id, revision: 1 }));
    expect(rolledWorks(workshop)).toHaveLength(1);
  });

  it('carries what was measured and seen of a painting, with its day; no decision, and no look that was not taken again', () => {
    const id = newJob(workshop);
    type(workshop, id, measuredPainting);
    workUpTo(workshop, id, 'tune');
    value(
      keepFinding.act(workshop, {
        jobId: id,
        maker: 'Tove',
        condition: 'cutEdges',
        decided: null,
        note: 'lower left',
        jpeg: null,
      }),
    );
    const [work] = value(down(id));
    const { brief, look, cloth } = value(restretch.act(workshop, { rolledId: work!.id, title: 'Again' })).inputs;
    expect(cloth.painting).toMatchObject({
      top: length(602),
      left: length(399),
      right: length(401),
      bottom: length(600),
      down: length(722),
    });
    expect(cloth.found.fold.top).toEqual({ by: length(3), within: false });
    expect([cloth.fabric, brief.rebate.depth, brief.edges]).toEqual(['linenMedium', length(19), 'rebate']);
    expect(look).toMatchObject({
      lookedOver: false,
      value: 'valued',
      decided: 'nobody',
      conditions: [
        { kind: 'tackRust', note: 'all round (seen on No. 101)' },
        { kind: 'cutEdges', note: 'lower left (seen on No. 101)' },
      ],
    });
    expect(brief.note).toMatch(/old folds and holes as measured .* Its frame as measured for No\. 101\./);
  });

  it('is refused for a painting that waits for a conservator; a narrow core or its face inside for any', () => {
    const id = newJob(workshop);
    type(workshop, id, measuredPainting);
    workUpTo(workshop, id, 'tune');
    const before = contentOf(workshop.database);
    const core = (paint: 'thin' | 'thick' | 'notSaid', coreMm: number) =>
      wordsOf(down(id, { work: { ...ROLLED, paint, coreMm } }));
    expect(core('thin', 99)).toMatch(/^A core of 99 mm; at least 100 mm here\. Take a wider core/);
    expect(core('thick', 199)).toMatch(/at least 200 mm here/);
    expect(core('notSaid', 100)).toMatch(/at least 200 mm here/);
    expect(wordsOf(down(id, { work: { ...ROLLED, faceOut: false } }))).toMatch(/face in/);
    expect(contentOf(workshop.database)).toBe(before);
    const finding = { jobId: id, maker: 'Tove', note: 'at the top', jpeg: null };
    value(keepFinding.act(workshop, { ...finding, condition: 'flaking', decided: null }));
    expect(wordsOf(down(id, { work: { ...ROLLED, kept: 'flat' } }))).toMatch(
      /^A conservator before taking it off its bars: it has flaking/,
    );
    value(keepFinding.act(workshop, { ...finding, condition: null, decided: 'allows', note: 'Dr Ostrel: flat only' }));
    expect(wordsOf(down(id))).toMatch(/^No rolling it: it has flaking paint\. Keep it flat/);
    const [work] = value(down(id, { work: { ...ROLLED, kept: 'flat', coreMm: 20 } }));
    expect(work!.measured.kept).toBe('flat');
    expect(logPage(workshop).rows[0]!.did).toBe('Taken down: 602 × 399 mm, flat, face up, with smooth paper over it');
  });

  it('written down by an earlier version lies rolled, its paint not known', () => {
    const id = newJob(workshop);
    workUpTo(workshop, id, 'tune');
    value(down(id));
    workshop.database.prepare(`UPDATE rolled_work SET measured = json_remove(measured, '$.kept', '$.paint')`).run();
    expect(rolledWorks(workshop)[0]!.measured).toMatchObject({ kept: 'rolled', paint: 'notSaid', coreMm: 200 });
  });

  it('goes into a job file and out again, in its order only', () => {
    const id = newJob(workshop);
    workUpTo(workshop, id, 'tune');
    value(down(id));
    const { job, log } = openJob(workshop, id)!;
    const { revision: _revision, ...bare } = job;
    const text = (entries: typeof log) => printJobFile(jobFile(bare, entries, { profiles: [], species: [], fabrics: [] }));
    const take = (entries: typeof log) => importJob.act(testWorkshop(), { text: text(entries), keepBoth: false });
    expect(take(log).ok).toBe(true);
    expect(wordsOf(take([log.at(-1)!, ...log.slice(0, -1)]))).toMatch(/taken down before it was stretched/);
    expect(wordsOf(take([...log.slice(0, -2), log.at(-1)!, log.at(-2)!]))).toMatch(/recorded after the canvas was taken down/);
    expect(wordsOf(take([...log, { ...log.at(-1)!, id: 'twice' }]))).toMatch(/taken down twice/);
  });
});

describe('what lies here', () => {
  const lay = (lengthMm: number, count: number, mark = '') =>
    value(
      addToRack.act(workshop, { profile: 'standard', kind: 'pairs', family: 'narrow slot', lengthMm, count, mark, maker: 'Me' }),
    );
  const cloth = (tag: string, widthMm: number, lengthMm: number) =>
    value(
      addCloth.act(workshop, {
        kind: 'offcut',
        fabric: 'cottonMedium',
        tag,
        widthMm,
        selvedgeMm: 0,
        lengthMm,
        flaws: [],
        maker: 'Me',
      }),
    );

  it('makes canvases, the largest first, from the smallest cloth that has them; one click starts one', () => {
    lay(600, 2);
    lay(400, 4);
    expect(fromStock(workshop).canvases).toEqual([]);
    cloth('O1', 560, 560);
    cloth('O2', 900, 1300);
    const { canvases } = fromStock(workshop);
    expect(canvases.map(({ widthMm, heightMm, tag }) => [widthMm, heightMm, tag])).toEqual([
      [600, 400, 'O2'],
      [400, 400, 'O1'],
    ]);
    const ask = { title: 'Off the rack', profile: 'standard', fabric: 'cottonMedium', width: 600, height: 400, maker: 'Ida' };
    const job = value(makeFromStock.act(workshop, ask));
    expect([job.inputs.bars.profile, job.inputs.bars.joint, job.inputs.brief.width.mm]).toEqual(['standard', 'slotted', 600]);
    // Its bars left the rack with it: no other is promised them, and it is not told to buy any.
    const rack = () => Object.fromEntries(listRack(workshop.database).map(({ lengthMm, count }) => [lengthMm, count]));
    expect(rack()).toEqual({ 400: 2 });
    expect(series(workshop, []).jobs.find(({ id }) => id === job.id)).toMatchObject({ sawn: true });
    const served = fromStock(workshop).serves;
    expect(served.map(({ what, jobs }) => [what.split(',')[0], jobs])).toEqual([['Offcut O2', [101]]]);
    expect(wordsOf(makeFromStock.act(workshop, ask))).toMatch(/somebody took a bar or the cloth/);
    // A square of four takes from as many rows as have them.
    lay(400, 2, 'old');
    value(makeFromStock.act(workshop, { ...ask, width: 400 }));
    expect(rack()).toEqual({});
    // Undone on the rack, they lie there again and the job is to be sawn for.
    const [move] = listRackMoves(workshop.database).filter(({ did }) => did === `Picked for No. ${job.number}`);
    value(undoRackMove.act(workshop, { moveId: move!.id, maker: 'Ida' }));
    expect(rack()).toEqual({ 400: 2, 600: 2 });
    expect(series(workshop, []).jobs.find(({ id }) => id === job.id)).toMatchObject({ sawn: false });
  });
});
