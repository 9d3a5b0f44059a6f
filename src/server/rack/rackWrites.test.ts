import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { NO_CHANGES } from '@/core/house/materials';
import { PROFILES } from '@/core/frame/profiles';
import { SPECIES } from '@/core/frame/timber';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import type { JobInputs } from '@/core/job/job';
import { jobFile, printJobFile } from '@/core/file/jobFile';
import { length } from '@/core/units/length';
import { listRackMoves } from '@/db/rackBars';
import { createJob, importJob, recordStep, saveInputs } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import type { Outcome, Refusal } from '../write/outcome';
import { addToRack, rackBars, recordCuts, series, takeFromRack } from './rackWrites';
import { asked, recordStage, testWorkshop, value } from '../testWorkshop';
import { rackMoves, undoRackMove } from './undoRackMove';
import type { Workshop } from '../workshop';
import { houseRules, saveRules } from '../house/houseRuleWrites';

let workshop: Workshop;
beforeEach(() => {
  workshop = testWorkshop();
});

const said = (outcome: Outcome<unknown>): string => {
  if (outcome.ok) throw new Error('expected a refusal');
  const no: Refusal = outcome;
  return no.kind === 'refused' ? no.says : JSON.stringify(no);
};

/** A job with these bars; its frame is 700 × 500 mm. */
function job(bars: Partial<JobInputs['bars']>): string {
  const { id, revision, inputs } = value(createJob(workshop, { title: 'Panel', width: length(700), height: length(500) }));
  value(
    saveInputs.act(workshop, {
      jobId: id,
      revision,
      inputs: { ...inputs, bars: { ...inputs.bars, bracesUpright: [], bracesLevel: [], ...bars } },
    }),
  );
  return id;
}
const BATTEN = { profile: 'batten', joint: 'mitreGlued' } as const;
const offcut = {
  profile: 'batten',
  kind: 'timber',
  family: 'sawn',
  lengthMm: 1450,
  count: 1,
  mark: 'offcut',
  maker: 'Me',
} as const;

describe('the rack', () => {
  it('adds to what lies there, gives back what is taken, and keeps every move', () => {
    value(addToRack.act(workshop, { ...offcut }));
    const [row] = value(addToRack.act(workshop, { ...offcut, count: 2 }));
    expect(rackBars(workshop)).toEqual([{ ...row, count: 3 }]);
    expect(value(takeFromRack.act(workshop, { id: row!.id, count: 1, maker: 'Me' }))).toMatchObject([{ count: 2 }]);
    expect(said(takeFromRack.act(workshop, { id: row!.id, count: 9, maker: 'Me' }))).toMatch(/no 9 of these/);
    expect(said(addToRack.act(workshop, { ...offcut, profile: 'gold' }))).toMatch(/no bar “gold”/);
    expect(listRackMoves(workshop.database).map((move) => move.did)).toEqual([
      'Taken from the rack: 1 × 1450 mm, Planed batten with bead strip',
      'Put on the rack: 2 × 1450 mm, Planed batten with bead strip',
      'Put on the rack: 1 × 1450 mm, Planed batten with bead strip',
    ]);
    expect(() => workshop.database.prepare('DELETE FROM rack_move').run()).toThrow(/append-only/);
  });
});

it('gives back what was sawn by mistake, as long as nothing rests on it', () => {
  value(addToRack.act(workshop, { ...offcut, count: 4 }));
  const id = job(BATTEN);
  const whole = rackBars(workshop).map(({ lengthMm, count }) => [lengthMm, count]);
  const lying = () => rackBars(workshop).map(({ lengthMm, count }) => [lengthMm, count]);
  const sawn = () => series(workshop, []).jobs.map((one) => one.sawn);
  const saw = () => value(recordCuts.act(workshop, { jobIds: [id], seen: series(workshop, [id]).seen, maker: 'Me' }));
  const undo = (moveId = rackMoves(workshop)[0]!.id) => undoRackMove.act(workshop, { moveId, maker: 'Mara' });
  saw();
  expect([sawn(), lying()]).not.toEqual([[false], whole]);
  const cuts = rackMoves(workshop)[0]!.id;
  value(undo());
  expect([sawn(), lying()]).toEqual([[false], whole]);
  expect(said(undo(cuts))).toMatch(/undone already/);

  // Of what it put there one is gone; and a recorded frame holds the cuts.
  const [row] = rackBars(workshop);
  const putThere = rackMoves(workshop).at(-1)!.id;
  value(takeFromRack.act(workshop, { id: row!.id, count: 1, maker: 'Me' }));
  expect(said(undo(putThere))).toMatch(/Of the 1450 mm it put on the rack, 3 of 4 are there/);
  value(undo());
  saw();
  const second = rackMoves(workshop)[0]!.id;
  for (const stage of ['brief', 'bars'] as const) value(recordStage(workshop, id, stage));
  expect(said(undo(second))).toMatch(/The frame of No. 101 is recorded: undo that record first/);
  expect(sawn()).not.toContain(false);
});

describe('one plan for several jobs', () => {
  it('saws them together, takes offcuts first, and puts what is left on the rack, once', () => {
    const ids = [job(BATTEN), job(BATTEN)];
    value(addToRack.act(workshop, { ...offcut }));
    const shown = series(workshop, ids);
    expect(shown).toMatchObject({ chosen: ids, plan: { proven: true } });
    expect(said(recordCuts.act(workshop, { jobIds: ids, seen: 'older', maker: 'Me' }))).toMatch(
      /changed since this plan was drawn/,
    );
    const after = value(recordCuts.act(workshop, { jobIds: ids, seen: shown.seen, maker: 'Me' }));
    expect(after.jobs.map((one) => one.sawn)).toEqual([true, true]);
    const left = shown
      .plan!.sections.filter(({ kind }) => kind !== 'bead')
      .flatMap(({ result }) => (result.kind === 'plan' ? result.bars : []))
      .filter((bar) => bar.leftoverMm >= 150);
    expect(left.length).toBeGreaterThan(0);
    expect(
      rackBars(workshop)
        .map((bar) => bar.lengthMm)
        .sort(),
    ).toEqual(left.map((bar) => Math.floor(bar.leftoverMm)).sort());
    expect(said(recordCuts.act(workshop, { jobIds: ids, seen: series(workshop, ids).seen, maker: 'Me' }))).toMatch(
      /No\. 101 are recorded already/,
    );
    expect(listRackMoves(workshop.database)[0]).toMatchObject({ did: 'Sawn and picked for No. 101, No. 102', jobs: ids });
  });

  it('picks pairs, changes nothing when a part fits no length, and leaves out frames that are built', () => {
    const keyed = job({ profile: 'standard', joint: 'slotted' });
    value(
      addToRack.act(workshop, {
        profile: 'standard',
        kind: 'pairs',
        family: 'narrow slot',
        lengthMm: 700,
        count: 3,
        mark: '',
        maker: 'Me',
      }),
    );
    const shown = series(workshop, [keyed]);
    expect(shown.plan!.picks[0]!.list.lines.map((line) => [line.fromRack, line.order])).toEqual([
      [2, 0],
      [0, 2],
    ]);
    value(recordCuts.act(workshop, { jobIds: [keyed], seen: shown.seen, maker: 'Me' }));
    expect(rackBars(workshop)).toMatchObject([{ lengthMm: 700, count: 1 }]);

    const { id, revision, inputs } = value(createJob(workshop, { title: 'Long', width: length(4000), height: length(500) }));
    value(saveInputs.act(workshop, { jobId: id, revision, inputs: { ...inputs, bars: { ...inputs.bars, ...BATTEN } } }));
    const tooLong = series(workshop, [id]);
    expect(tooLong.plan!.sections[0]!.result).toMatchObject({ kind: 'tooLong', longestMm: 3900 });
    expect(said(recordCuts.act(workshop, { jobIds: [id], seen: tooLong.seen, maker: 'Me' }))).toMatch(/not whole/);

    for (const stage of ['brief', 'bars'] as const)
      value(
        recordStep.act(workshop, {
          jobId: keyed,
          revision: openJob(workshop, keyed)!.job.revision,
          stage,
          maker: 'Me',
          note: '',
          reason: 'so',
          unit: 'mm',
          view: 'back',
          clothId: null,
          air: null,
        }),
      );
    expect(series(workshop, []).jobs.map((one) => one.id)).toEqual([id]);
  });
});

describe('materials of the house', () => {
  const own = { ...PROFILES[1]!, id: 'own-1', name: 'Quay bar', widthMm: 50 };
  const withOwn = () =>
    value(saveRules.act(workshop, { revision: 0, rules: { ...DEFAULT_RULES, materials: { ...NO_CHANGES, profiles: [own] } } }));

  it('are used by jobs, travel with the job file, and cannot go while something is made of them', () => {
    withOwn();
    const id = job({ profile: 'own-1' });
    expect(series(workshop, [id]).jobs[0]!.profile).toBe('own-1');
    expect(said(saveRules.act(workshop, { revision: 1, rules: DEFAULT_RULES }))).toMatch(/would be gone: hide it instead/);
    const found = openJob(workshop, id)!;
    const { revision: _revision, ...bare } = found.job;
    const text = printJobFile(jobFile(bare, found.log, houseRules(workshop).rules.materials));
    const other = testWorkshop();
    expect(value(importJob.act(other, { text, keepBoth: false })).unlike).toEqual([]);
    expect(houseRules(other).rules.materials.profiles).toEqual([own]);
    const elsewhere = JSON.parse(text) as { job: { id: string }; materials: { profiles: object[]; species: object[] } };
    elsewhere.job.id = 'again';
    elsewhere.materials.profiles = [{ ...own, widthMm: 45 }];
    elsewhere.materials.species = SPECIES.filter((row) => row.id === found.job.inputs.bars.species).map((row) => ({
      ...row,
      eGPa: 8,
    }));
    const again = JSON.stringify({ ...elsewhere, log: [] });
    expect(value(importJob.act(other, { text: again, keepBoth: false })).unlike).toEqual(['Quay bar', 'Spruce']);
    expect(houseRules(other).rules.materials).toEqual({ ...NO_CHANGES, profiles: [own] });
    const stripped = JSON.stringify({ ...(JSON.parse(text) as object), materials: NO_CHANGES });
    expect(said(importJob.act(testWorkshop(), { text: stripped, keepBoth: false }))).toMatch(/no bar “own-1”/);
  });

  it('are refused with the row and what would do', () => {
    const rules = { ...DEFAULT_RULES, materials: { ...NO_CHANGES, profiles: [{ ...own, widthMm: 900 }] } };
    expect(said(asked(saveRules, workshop, { revision: 0, rules }))).toMatch(/widthMm must be a number from \d+ to 200, got 900/);
    const { id, revision, inputs } = value(createJob(workshop, { title: 'x', width: length(700), height: length(500) }));
    const gold = { ...inputs, bars: { ...inputs.bars, species: 'gold' } };
    expect(said(saveInputs.act(workshop, { jobId: id, revision, inputs: gold }))).toMatch(/no wood “gold”/);
  });
});

describe('what earlier versions wrote', () => {
  /** Inputs of version 2: one margin left a side, no corner, no image. */
  const second = (inputs: JobInputs) => {
    const { fabric, rollWidth, marginStyle, grip, warp, washFirst, takeOffStretch } = inputs.cloth;
    const { laid: _laid, ...fasten } = inputs.fasten;
    const left = { top: length(40), right: null, bottom: null, left: null };
    return { ...inputs, cloth: { fabric, rollWidth, marginStyle, grip, warp, washFirst, takeOffStretch, left }, fasten };
  };
  /** Of version 1: braces counted, no glue, no set square. */
  const older = (latest: JobInputs): unknown => {
    const inputs = second(latest);
    const { glue: _glue, ...bars } = inputs.bars;
    const { top, right, bottom, left, down, up, lift } = inputs.square;
    return {
      ...inputs,
      bars: { ...bars, bracesUpright: 1, bracesLevel: 0 },
      square: { top, right, bottom, left, down, up, lift },
    };
  };
  const { materials: _materials, ...oldRules } = DEFAULT_RULES;

  it('is read from the disk: braces spread evenly, margins at the first end, nothing else changed', () => {
    const id = job({});
    const { inputs } = openJob(workshop, id)!.job;
    workshop.database.prepare('UPDATE job SET inputs = ?, written = 4 WHERE id = ?').run(JSON.stringify(older(inputs)), id);
    expect(openJob(workshop, id)!.job.inputs).toEqual({
      ...inputs,
      bars: { ...inputs.bars, bracesUpright: [0.5], bracesLevel: [] },
      cloth: { ...inputs.cloth, left: { ...inputs.cloth.left, top: { first: length(40), second: null } } },
    });
  });

  it('is taken in from a job file, with its frozen plans', () => {
    const id = job({});
    value(
      recordStep.act(workshop, {
        jobId: id,
        revision: 2,
        stage: 'brief',
        maker: 'Me',
        note: '',
        reason: '',
        unit: 'mm',
        view: 'back',
        clothId: null,
        air: null,
      }),
    );
    const { job: stored, log } = openJob(workshop, id)!;
    const { revision: _revision, ...bare } = stored;
    const file = {
      format: 'keen-batten/job',
      version: 1,
      job: { ...bare, inputs: older(bare.inputs) },
      log: log.map((entry) => ({ ...entry, plan: { ...entry.plan, inputs: older(entry.plan!.inputs), rules: oldRules } })),
    };
    const other = testWorkshop();
    const inputs = second(bare.inputs);
    const two = {
      ...file,
      version: 2,
      job: { ...bare, inputs },
      materials: { profiles: [], species: [] },
      log: log.map((entry) => ({ ...entry, plan: { ...entry.plan, inputs, rules: oldRules } })),
    };
    expect(
      value(importJob.act(testWorkshop(), { text: JSON.stringify(two), keepBoth: false })).inputs.cloth.left.top.first,
    ).toEqual(length(40));
    expect(value(importJob.act(other, { text: JSON.stringify(file), keepBoth: false })).inputs.bars.bracesUpright).toEqual([0.5]);
    expect(openJob(other, id)!.log[0]!.plan).toMatchObject({ inputs: { square: { trust: 'bars' } }, rules: DEFAULT_RULES });
  });
});
