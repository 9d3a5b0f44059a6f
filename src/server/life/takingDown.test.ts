/* A canvas taken down: everything in one step, and stretched again with its measures; and what could be made from what lies here. */
import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { rolledShape } from '@/core/painting/rolledWork';
import { startOf } from '@/core/shape/shape';
import { length } from '@/core/units/length';
import { listRack } from '@/db/rackBars';
import { findStoreItem } from '@/db/storeItems';
import { addCloth } from '../cloth/clothWrites';
import { importJob, removeJob, withdrawRecord } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import { addToRack, takeFromRack } from '../rack/rackWrites';
import { jobFile, printJobFile } from '@/core/file/jobFile';
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
  ...startOf(rolledShape),
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
    rolled: ROLLED,
    keepBars: true,
    openers: 8,
    ...more,
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
      did: 'Taken down: 602 × 399 mm rolled face out along its width, core 150 mm',
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
    value(down(id, { keepBars: false, openers: 0, rolled: null }));
    expect([listRack(workshop.database), rolledWorks(workshop)]).toEqual([[], []]);
  });

  it('is stretched again with its measures, once; a job that is deleted leaves it rolled', () => {
    const id = newJob(workshop);
    workUpTo(workshop, id, 'tune');
    const [work] = value(down(id));
    const again = value(restretch.act(workshop, { rolledId: work!.id, title: 'Harbour, again' }));
    expect(again.inputs.brief).toMatchObject({ use: 'restretch', width: length(602), height: length(399) });
    expect(again.inputs.cloth.left.right).toEqual({ first: length(55), second: length(55) });
    expect(again.inputs.cloth.painting.left).toEqual(length(399));
    expect(rolledWorks(workshop)).toEqual([]);
    expect(wordsOf(restretch.act(workshop, { rolledId: work!.id, title: 'Twice' }))).toMatch(/stretched again already/);
    value(removeJob.act(workshop, { jobId: again.id, revision: 1 }));
    expect(rolledWorks(workshop)).toHaveLength(1);
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
  const lay = (lengthMm: number, count: number) =>
    value(
      addToRack.act(workshop, {
        profile: 'standard',
        kind: 'pairs',
        family: 'narrow slot',
        lengthMm,
        count,
        mark: '',
        maker: 'Me',
      }),
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
    const ask = { title: 'Off the rack', profile: 'standard', fabric: 'cottonMedium', width: 600, height: 400 };
    const job = value(makeFromStock.act(workshop, ask));
    expect([job.inputs.bars.profile, job.inputs.bars.joint, job.inputs.brief.width.mm]).toEqual(['standard', 'slotted', 600]);
    const served = fromStock(workshop).serves;
    expect(served.map(({ what, jobs }) => [what.split(',')[0], jobs])).toEqual([
      ['Offcut O2', [101]],
      ['4 × 400 mm', [101]],
      ['2 × 600 mm', [101]],
    ]);
    value(
      takeFromRack.act(workshop, {
        id: listRack(workshop.database).find(({ lengthMm }) => lengthMm === 600)!.id,
        count: 1,
        maker: 'Me',
      }),
    );
    expect(wordsOf(makeFromStock.act(workshop, ask))).toMatch(/somebody took a bar or the cloth/);
  });
});
