import 'reflect-metadata';
import { randomInt, randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { sheetOf } from '@/core/cloth/clothStock';
import { layRoll } from '@/core/cloth/layout/layRoll';
import { length } from '@/core/units/length';
import { openDatabase } from '@/db/openDatabase';
import { listClothMoves } from '@/db/clothSheets';
import { addCloth, changeCloth, clothJobs, clothStore, cutCloth, jobCut } from './clothWrites';
import { createJob } from '../job/jobWrites';
import type { Outcome } from '../write/outcome';
import type { Workshop } from '../workshop';

const SEEDS = [0.11, 0.37, 0.58, 0.83];
const STEPS = 70;

function value<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome));
  return outcome.value;
}

/** A store that anything was done to in any order, beside the few numbers that must hold of it. */
function run(seed: number) {
  const random = randomLcg(seed);
  const between = (least: number, most: number) => randomInt.source(random)(least, most + 1)();
  let serial = 0;
  const workshop: Workshop = {
    database: openDatabase(':memory:'),
    now: () => new Date(Date.UTC(2031, 4, 4, 12, serial)),
    newId: () => `id-${(serial += 1)}`,
  };
  const area = () => clothStore(workshop).reduce((sum, { widthMm, lengthMm }) => sum + widthMm * lengthMm, 0);
  const cutJobs = new Set<string>();
  const tags = new Set<string>();
  let moves = 0;

  const add = () => {
    const tag = `R${between(1, 12)}`;
    const taken = tags.has(tag);
    const before = area();
    const outcome = addCloth.act(workshop, {
      kind: 'roll',
      fabric: 'cottonMedium',
      tag,
      widthMm: between(900, 2100),
      selvedgeMm: 10,
      lengthMm: between(800, 4000),
      flaws: [],
      maker: 'Me',
    });
    expect(outcome.ok).toBe(!taken);
    tags.add(tag);
    moves += outcome.ok ? 1 : 0;
    if (taken) expect(area()).toBe(before);
  };
  const order = () =>
    value(createJob(workshop, { title: 'x', width: length(between(200, 900)), height: length(between(200, 900)) }));
  const change = () => {
    const [cloth] = clothStore(workshop);
    if (!cloth) return;
    const flaw = { x: between(0, Math.floor(cloth.widthMm)), y: 10, w: 30, h: 20, note: 'knot' };
    const fits = flaw.x + flaw.w <= cloth.widthMm && flaw.y + flaw.h <= cloth.lengthMm;
    const stale = between(0, 3) === 0;
    const outcome = changeCloth.act(workshop, {
      id: cloth.id,
      revision: cloth.revision + (stale ? 1 : 0),
      lengthMm: cloth.lengthMm,
      flaws: [...cloth.flaws, flaw],
      gone: false,
      maker: 'Me',
    });
    expect(outcome.ok).toBe(fits && !stale);
    moves += outcome.ok ? 1 : 0;
  };
  const cut = () => {
    const store = clothStore(workshop);
    const jobs = clothJobs(workshop);
    const cloth = store[between(0, Math.max(0, store.length - 1))];
    if (!cloth || jobs.length === 0) return;
    const chosen = jobs.filter(({ piece }) => piece.w <= cloth.widthMm).slice(0, between(1, 3));
    if (chosen.length === 0) return;
    const sheet = sheetOf(cloth, 5);
    const steps = layRoll(
      chosen.map(({ piece }) => piece),
      sheet,
      randomLcg(0.5),
      3,
    );
    let step = steps.next();
    while (!step.done) step = steps.next();
    const before = area();
    const pieces = chosen.reduce((sum, { piece }) => sum + piece.w * piece.h, 0);
    const outcome = cutCloth.act(workshop, {
      sheets: [
        {
          id: cloth.id,
          revision: cloth.revision,
          placed: step.value.placed.map(({ id, x, y, turned }) => ({ id, x, y, turned })),
        },
      ],
      maker: 'Me',
    });
    const fits = step.value.length <= sheet.length;
    expect(outcome.ok).toBe(fits);
    if (!fits) return expect(area()).toBe(before);
    moves += 1;
    // Cloth that is cut is not there twice: pieces and what is left never come to more than there was.
    expect(area() + pieces).toBeLessThanOrEqual(before + 1e-6);
    for (const { id } of chosen) cutJobs.add(id);
    for (const { tag } of clothStore(workshop)) tags.add(tag);
  };
  const acts = [add, order, order, change, cut, cut];
  for (let step = 0; step < STEPS; step += 1) {
    acts[between(0, acts.length - 1)]!();
    const store = clothStore(workshop);
    expect(new Set(store.map(({ tag }) => tag)).size).toBe(store.length);
    for (const { flaws, widthMm, lengthMm } of store)
      for (const flaw of flaws) expect(flaw.x + flaw.w <= widthMm + 1e-6 && flaw.y + flaw.h <= lengthMm + 1e-6).toBe(true);
    expect(clothJobs(workshop).some(({ id }) => cutJobs.has(id))).toBe(false);
    expect(listClothMoves(workshop.database)).toHaveLength(moves);
  }
  for (const id of cutJobs) expect(jobCut(workshop, id)).not.toBeNull();
  return { cut: cutJobs.size };
}

describe('the store of cloth against the numbers that must hold of it', () => {
  it.each(SEEDS)('seed %d', (seed) => {
    expect(run(seed).cut).toBeGreaterThan(2);
  });

  it('its list of moves cannot be changed from outside', () => {
    const database = openDatabase(':memory:');
    database
      .prepare('INSERT INTO cloth_move (id, at, maker, did, cuts, changes) VALUES (?, ?, ?, ?, ?, ?)')
      .run('m', '2031-01-01', 'Me', 'x', '[]', '{}');
    expect(() => database.prepare('DELETE FROM cloth_move').run()).toThrow(/append-only/);
    expect(() => database.prepare("UPDATE cloth_move SET did = 'y'").run()).toThrow(/append-only/);
  });
});
