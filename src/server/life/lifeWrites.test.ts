import { beforeEach, describe, expect, it } from 'vitest';
import { takenDownShape } from '@/core/painting/takenDownWork';
import { startOf } from '@/core/shape/shape';
import { length } from '@/core/units/length';
import { canvasPage } from './canvasPage';
import { keepCare, keepHanging, lifeOfJob } from './lifeWrites';
import { houseLessons } from '../house/houseLessons';
import { openJob } from '../job/jobReading';
import { keepFeel, keepTurns, keepWeight } from '../reading/readingWrites';
import { withdrawRecord } from '../job/jobWrites';
import { restretch, rolledWorks, takeDown } from './takingDown';
import {
  type TestWorkshop,
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
let jobId: string;
beforeEach(() => {
  workshop = testWorkshop();
  jobId = newJob(workshop, 'Harbour');
});
const asked = (id = jobId) => ({ jobId: id, revision: revisionOf(workshop, id), maker: 'Me', note: '' });
const NOTHING = { event: null, feel: null, down: null, up: null, bulge: null, air: null, jpeg: null };
const look = (more: Partial<Parameters<typeof keepCare.act>[1]> = {}) =>
  keepCare.act(workshop, { ...asked(), ...NOTHING, ...more });
const HALL = { place: 'Town hall', owner: 'The council', climate: 'unheated', leastRh: 55, mostRh: 85 } as const;
/** Primed with its three coats and handed over. */
function goOut(): void {
  workUpTo(workshop, jobId, 'prime');
  for (const stage of ['prime', 'prime', 'handover'] as const) {
    days(2);
    value(recordStage(workshop, jobId, stage));
  }
}
const days = (count: number) => workshop.pass(count * 24 * 60);
const last = () => openJob(workshop, jobId)!.log.at(-1)!;

/** The sag of a weight as it is read, in this air. */
function weigh(sagMm: number, rh: number): void {
  type(workshop, jobId, (inputs) => ({
    ...inputs,
    tune: { ...inputs.tune, weight: { ...inputs.tune.weight, lightG: 300, lightSag: length(sagMm), heavySag: null } },
  }));
  value(keepWeight.act(workshop, { ...asked(), air: { celsius: null, rh } }));
}

describe('a canvas that is looked at', () => {
  it('keeps what was seen with the air there, and nothing that nobody read', () => {
    workUpTo(workshop, jobId, 'tune');
    value(
      look({
        event: 'slack',
        feel: 'soft',
        down: length(721),
        up: length(722.5),
        bulge: length(6),
        air: { celsius: 14, rh: 78 },
        note: ' damp ',
      }),
    );
    expect(last()).toMatchObject({
      stage: 'handover',
      kind: 'event',
      of: 'slack',
      note: 'damp',
      did: 'Looked at: hung slack, felt soft, diagonals 721 mm and 722.5 mm, bulges 6 mm',
    });
    expect(last().readings.map(({ quantity, of, value: read, known }) => [quantity, of, read, known])).toEqual([
      ['tensionByHand', '', 95, 'felt'],
      ['diagonal', 'down', 721, 'measured'],
      ['diagonal', 'up', 722.5, 'measured'],
      ['bulge', '', 6, 'measured'],
      ['roomTemperature', '', 14, 'measured'],
      ['roomHumidity', '', 78, 'measured'],
    ]);
    value(look({ feel: 'firm' }));
    expect(last().readings.map(({ quantity }) => quantity)).toEqual(['tensionByHand']);
  });

  it('is refused with one diagonal, with warmth alone, with nothing, before it is stretched and off its bars', () => {
    expect(wordsOf(look({ feel: 'firm' }))).toMatch(/Fasten the cloth first/);
    workUpTo(workshop, jobId, 'tune');
    expect(wordsOf(look({ down: length(700) }))).toMatch(/other one too/);
    expect(wordsOf(look({ air: { celsius: 18, rh: null } }))).toMatch(/humidity too/);
    expect(wordsOf(look())).toMatch(/Nothing to keep/);
    expect(wordsOf(look({ jpeg: 'AAAA' }))).toMatch(/no JPEG/);
    value(takeDown.act(workshop, { ...asked(), work: null, keepBars: false, openers: 0 }));
    expect(wordsOf(look({ feel: 'firm' }))).toMatch(/was taken down/);
    expect(wordsOf(keepFeel.act(workshop, { ...asked(), air: null, feel: 'firm' }))).toMatch(/was taken down/);
    expect(wordsOf(keepHanging.act(workshop, { ...asked(), hangs: HALL }))).toMatch(/hangs nowhere/);
  });

  it('hangs where somebody says, from the drier to the damper', () => {
    expect(wordsOf(keepHanging.act(workshop, { ...asked(), hangs: HALL }))).toMatch(/not stretched yet/);
    workUpTo(workshop, jobId, 'tune');
    expect(wordsOf(keepHanging.act(workshop, { ...asked(), hangs: { ...HALL, leastRh: 90 } }))).toMatch(/drier one first/);
    value(keepHanging.act(workshop, { ...asked(), hangs: HALL }));
    expect(last()).toMatchObject({ kind: 'hung', did: 'Hangs: Town hall, The council', hangs: HALL });
  });
});

describe('what the house learns of creep', () => {
  it('comes from pairs of readings with nothing between, by cloth and ground, and not from those taken back', () => {
    workUpTo(workshop, jobId, 'tune');
    days(1);
    weigh(4.8, 50);
    days(400);
    weigh(5.25, 50);
    const { inputs } = openJob(workshop, jobId)!.job;
    const key = `${inputs.cloth.fabric} ${inputs.prime.system}`;
    const found = last().readings.find(({ quantity }) => quantity === 'creepPerDecade')!;
    expect(found).toMatchObject({ of: key, unit: '%', known: 'reckoned' });
    // A tenth of the sag more is a twelfth of the tension less, over 2.6 tenfolds of days.
    expect(found.value).toBeCloseTo((100 * (1 - 4.8 / 5.25)) / Math.log10(401), 0);
    expect(houseLessons(workshop).creep[key]).toMatchObject({ cases: 1, perDecade: found.value / 100 });
    value(keepTurns.act(workshop, { ...asked(), opened: { topLeft: 0.5, topRight: 0.5, bottomRight: 0.5, bottomLeft: 0.5 } }));
    weigh(4.8, 50);
    expect(last().readings.some(({ quantity }) => quantity === 'creepPerDecade')).toBe(false);
    const pair = openJob(workshop, jobId)!.log.findLast(({ readings }) =>
      readings.some(({ quantity }) => quantity === 'creepPerDecade'),
    )!;
    const { jobId: id, revision, maker } = asked();
    value(withdrawRecord.act(workshop, { jobId: id, revision, maker, entryId: pair.id, reason: 'Read wrong.' }));
    expect(houseLessons(workshop).creep).toEqual({});
  });
});

describe('canvases that went out', () => {
  it('are found by what they are called, measure, are made of, where and with whom they hang, and when they went out', () => {
    goOut();
    const other = newJob(workshop, 'Not out yet');
    workUpTo(workshop, other, 'tune');
    value(keepHanging.act(workshop, { ...asked(), hangs: HALL }));
    const found = (find: string) => canvasPage(workshop, { find }).rows.map(({ title }) => title);
    const out = openJob(workshop, jobId)!.log.findLast(({ stage, kind }) => stage === 'handover' && kind === 'record')!;
    for (const words of [
      'harb',
      'TOWN hall',
      'council',
      '600 x 400',
      '600×400',
      'no. 1',
      'cotton',
      out.at.slice(0, 7),
      'council harbour',
    ])
      expect(found(words), words).toEqual(['Harbour']);
    for (const words of ['quay', 'council quay', '%', '_', 'not out']) expect(found(words), words).toEqual([]);
  });

  it('are those not looked at for two years, the longest first, and those that hang damp', () => {
    goOut();
    const shown = (filter: 'unseen' | 'damp') => canvasPage(workshop, { filter }).rows.map(({ id }) => id);
    expect([shown('unseen'), shown('damp')]).toEqual([[], []]);
    value(keepHanging.act(workshop, { ...asked(), hangs: HALL }));
    days(740);
    // To say where it hangs is not to look at it.
    expect([shown('unseen'), shown('damp')]).toEqual([[jobId], [jobId]]);
    value(look({ feel: 'firm' }));
    expect(shown('unseen')).toEqual([]);
    value(keepHanging.act(workshop, { ...asked(), hangs: { ...HALL, mostRh: 60 } }));
    expect(shown('damp')).toEqual([]);
  });

  it('go on in the canvas that they are stretched as again', () => {
    goOut();
    value(takeDown.act(workshop, { ...asked(), work: startOf(takenDownShape), keepBars: false, openers: 0 }));
    expect(canvasPage(workshop).rows).toEqual([]);
    const again = value(restretch.act(workshop, { rolledId: rolledWorks(workshop)[0]!.id, title: 'Harbour, again' }));
    const life = lifeOfJob(workshop, again.id)!;
    expect(life.earlier.map(({ id }) => id)).toEqual([jobId]);
    expect(life.earlier[0]!.log.at(-1)!.kind).toBe('takenDown');
    expect(lifeOfJob(workshop, jobId)!.later).toMatchObject({ id: again.id });
  });
});
