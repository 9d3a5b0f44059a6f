import 'reflect-metadata';
import { beforeEach, describe, expect, it } from 'vitest';
import { historyOf } from '@/core/log/jobHistory';
import { progressOf } from '@/core/case/progress';
import { NOT_OPENED, allCorners } from '@/core/tension/openCorners';
import { sagUnder } from '@/core/tension/weightTest';
import { TAP_PLACE_IDS, type TapPlace } from '@/core/tension/tap/membraneTone';
import { writeWav } from '@/core/tension/tap/wav';
import { toEnd } from '@/core/toEnd';
import { length } from '@/core/units/length';
import { findRecording, recordedEntries } from '@/db/recordings';
import { keepFinding } from '../look/findingWrites';
import { importAir } from '../air/airWrites';
import { checked } from '../write/checked';
import { withdrawRecord } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import { houseLessons } from '../house/houseLessons';
import { REQUESTS, type Request } from '../writes';
import { andWrite } from '../write/outcome';
import { keepHanging } from '../life/lifeWrites';
import { keepFeel, keepRemedy, keepTaps, keepTurns, keepWeight } from './readingWrites';
import { tapWavs } from './testTaps';
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
const asked = () => ({ jobId, revision: revisionOf(workshop, jobId), maker: 'Me', note: '', air: null });
const tapsKept = (...asked: Parameters<typeof keepTaps.workOut>) => andWrite(toEnd(keepTaps.workOut(...asked)));
const taps = (nPerM: number, source: Request<'keepTaps'>['source'] = 'microphone') =>
  tapsKept(workshop, { ...asked(), wavs: tapWavs(nPerM), source });
const log = () => openJob(workshop, jobId)!.log;

beforeEach(() => {
  workshop = testWorkshop();
  jobId = newJob(workshop);
  workUpTo(workshop, jobId, 'fasten');
});

describe('taps', () => {
  it('are read here, kept with both ways, the air and the mass, and with their sound to the last byte', () => {
    const before = log().length;
    const kept = value(taps(200)).log.at(-1)!;
    expect(kept).toMatchObject({ kind: 'reading', stage: 'tune', plan: null });
    expect(kept.did).toMatch(/^Tapped: (1[89]|2[01])\d ± \d+ N\/m$/);
    const reading = (quantity: string) => kept.readings.find((one) => one.quantity === quantity)!;
    for (const quantity of ['tensionByTap', 'tensionAcross', 'tensionDown']) {
      expect(Math.abs(reading(quantity).value / 200 - 1)).toBeLessThan(0.12);
      expect(reading(quantity)).toMatchObject({ unit: 'N/m', tool: 'microphone' });
    }
    expect(reading('clothMass')).toMatchObject({ value: 340, precision: 17 });
    expect(log()).toHaveLength(before + 1);
    expect(recordedEntries(workshop.database, jobId)).toEqual([kept.id]);
    for (const place of TAP_PLACE_IDS)
      expect(Buffer.from(findRecording(workshop.database, jobId, kept.id, place)!).toString('base64')).toBe(tapWavs(200)[place]);
    expect(findRecording(workshop.database, 'other', kept.id, 'C')).toBeNull();
    expect(progressOf(openJob(workshop, jobId)!.job.inputs, log()).done.has('tune')).toBe(false);
  });

  it('that tell no tension are refused with the place and the reason; nothing is kept', () => {
    const before = log().length;
    const silent = Buffer.from(writeWav({ samples: new Float32Array(2 * 8000), rate: 8000 })).toString('base64');
    const with_ = (change: Partial<Record<TapPlace, string>>) =>
      tapsKept(workshop, { ...asked(), wavs: { ...tapWavs(200), ...change }, source: 'file' });
    expect(wordsOf(with_({ X: silent }))).toMatch(/^Tap X: No tap was heard\. Bring the microphone nearer/);
    expect(wordsOf(with_({ Y: tapWavs(200, 4).Y }))).toMatch(/^Tap Y: The tap was too loud/);
    expect(wordsOf(with_({ C: Buffer.from('no sound at all').toString('base64') }))).toBe('Tap C: This is not a WAV file.');
    expect(wordsOf(with_({ X: tapWavs(200).C, Y: tapWavs(200).C }))).toMatch(/tap again|again/i);
    expect(with_({}).ok).toBe(true);
    expect(log()).toHaveLength(before + 1);
    expect(tapsKept(workshop, { ...asked(), revision: 1, wavs: tapWavs(200), source: 'file' })).toMatchObject({ kind: 'stale' });
    expect(
      wordsOf(checked(REQUESTS.keepTaps, 'keepTaps', { ...asked(), wavs: { ...tapWavs(200), C: '§' }, source: 'ear' })),
    ).toMatch(/source.*"ear"/);
  });

  it('are not taken from a painting that flakes, nor before a conservator has said yes', () => {
    const painting = newJob(workshop, 'Old harbour');
    type(workshop, painting, (inputs) => ({
      ...inputs,
      brief: { ...inputs.brief, use: 'restretch' },
      look: { ...inputs.look, lookedOver: true, decided: 'allows', conditions: [{ kind: 'flaking', at: null, note: '' }] },
    }));
    workUpTo(workshop, painting, 'tune');
    const tapped = () =>
      tapsKept(workshop, {
        ...asked(),
        jobId: painting,
        revision: revisionOf(workshop, painting),
        wavs: tapWavs(200),
        source: 'file',
      });
    expect(wordsOf(tapped())).toMatch(/^No tapping it: it has flaking paint/);
    value(
      keepFinding.act(workshop, {
        jobId: painting,
        maker: 'Me',
        condition: null,
        decided: 'treated',
        note: 'Dr Ostrel',
        jpeg: null,
      }),
    );
    value(
      keepFinding.act(workshop, {
        jobId: painting,
        maker: 'Me',
        condition: 'tear',
        decided: null,
        note: 'at the top',
        jpeg: null,
      }),
    );
    expect(wordsOf(tapped())).toMatch(/^A conservator before tapping it: it has a tear/);
    expect(historyOf(openJob(workshop, painting)!.log).tensions).toEqual([]);
  });

  it('can be taken back, after other records too, and count no more', () => {
    const kept = value(taps(200, 'simulated')).log.at(-1)!;
    expect(kept.did).toMatch(/, simulated$/);
    workshop.pass(5);
    value(recordStage(workshop, jobId, 'tune'));
    workshop.pass(5);
    value(
      withdrawRecord.act(workshop, {
        jobId,
        revision: revisionOf(workshop, jobId),
        entryId: kept.id,
        maker: 'Me',
        reason: 'a lorry passed',
      }),
    );
    expect(historyOf(log()).tensions).toEqual([]);
    expect(findRecording(workshop.database, jobId, kept.id, 'C')).not.toBeNull();
    expect(() => workshop.database.prepare('DELETE FROM recording').run()).toThrow(/append-only/);
  });
});

describe('the air of a tension', () => {
  const airOfFeel = (air: { celsius: number | null; rh: number | null } | null = null) => {
    workshop.pass(1);
    return value(keepFeel.act(workshop, { ...asked(), air, feel: 'firm' }))
      .log.at(-1)!
      .readings.filter(({ quantity }) => quantity.startsWith('room'))
      .map(({ value: read, unit, known }) => `${read} ${unit} ${known}`);
  };

  it('is what was read with it: neither the air of the priming nor any other that nobody read then', () => {
    type(workshop, jobId, (inputs) => ({ ...inputs, prime: { ...inputs.prime, roomRh: 75, airBy: 'measured' } }));
    expect(airOfFeel()).toEqual([]);
    expect(airOfFeel({ celsius: null, rh: 41 })).toEqual(['41 % RH measured']);
    expect(airOfFeel({ celsius: 19, rh: 41 })).toEqual(['19 °C measured', '41 % RH measured']);
    expect(airOfFeel({ celsius: 19, rh: null })).toEqual([]);
    expect(value(recordStage(workshop, jobId, 'tune')).log.at(-1)!.readings).toEqual([]);
  });

  it('is that of the hygrometer while it is fresh and the canvas is here', () => {
    value(importAir.act(workshop, { text: `time,temp,humidity\n${workshop.now().toISOString()},16,73`, source: 'x' }));
    expect(airOfFeel()).toEqual(['16 °C device', '73 % RH device']);
    expect(airOfFeel({ celsius: null, rh: 41 })).toEqual(['41 % RH measured']);
    const { note: _note, air: _air, ...seen } = asked();
    const hangs = { place: 'Stair', owner: '', climate: 'lived', leastRh: 40, mostRh: 60 } as const;
    value(keepHanging.act(workshop, { ...seen, note: '', hangs }));
    expect(airOfFeel()).toEqual([]);
    value(
      keepHanging.act(workshop, {
        ...seen,
        revision: revisionOf(workshop, jobId),
        note: '',
        hangs: { ...hangs, climate: 'house' },
      }),
    );
    expect(airOfFeel()).toHaveLength(2);
    workshop.pass(7 * 60);
    expect(airOfFeel()).toEqual([]);
  });
});

describe('corners', () => {
  const turn = (opened: typeof NOT_OPENED) => keepTurns.act(workshop, { ...asked(), opened });

  it('add up turn by turn, and are not let back further than they were opened', () => {
    value(turn(allCorners(0.25)));
    workshop.pass(5);
    const kept = value(turn({ ...NOT_OPENED, topLeft: 0.5 })).log.at(-1)!;
    expect(kept.did).toBe('Corners opened: top left +0.5 mm; in all up to 0.75 mm');
    expect(kept.readings.slice(0, 1)).toEqual([
      { quantity: 'opened', of: 'topLeft', value: 0.5, unit: 'mm', precision: 0.1, tool: 'depth of the key', known: 'measured' },
    ]);
    expect(historyOf(log()).opened).toEqual({ ...allCorners(0.25), topLeft: 0.75 });
    expect(wordsOf(turn({ ...NOT_OPENED, topRight: -0.3 }))).toBe(
      'The top right corner is open by 0.3 mm: it cannot be let back by 0.3 mm.',
    );
    expect(wordsOf(turn(NOT_OPENED))).toMatch(/^Nothing was opened/);
    value(turn(allCorners(-0.25)));
    expect(historyOf(log()).opened.topLeft).toBe(0.5);
    expect(wordsOf(checked(REQUESTS.keepTurns, 'keepTurns', { ...asked(), opened: allCorners(40) }))).toMatch(
      /opened\.topLeft: .*10/,
    );
  });

  it('of a strainer do not open', () => {
    const glued = newJob(workshop, 'Glued');
    const open = () =>
      keepTurns.act(workshop, { ...asked(), jobId: glued, revision: revisionOf(workshop, glued), opened: allCorners(1) });
    expect(wordsOf(open())).toMatch(/^Fasten the cloth first/);
    type(workshop, glued, (inputs) => ({ ...inputs, bars: { ...inputs.bars, profile: 'batten', joint: 'mitreGlued' } }));
    workUpTo(workshop, glued, 'fasten');
    expect(wordsOf(open())).toBe('This is a strainer: its corners do not open.');
  });

  it('between two measurements teach how stiff the cloth is, for the next job of that cloth', () => {
    value(taps(150));
    workshop.pass(5);
    value(turn(allCorners(0.5)));
    workshop.pass(5);
    const kept = value(taps(176)).log.at(-1)!;
    // Table: 12 kN/m, 1 mm over 600 and over 400 mm: 25 N/m in the mean.
    const found = kept.readings.find(({ quantity }) => quantity === 'stiffnessOverTable')!;
    expect(found.value).toBeGreaterThan(0.6);
    expect(found.value).toBeLessThan(1.6);
    const other = newJob(workshop, 'Next');
    expect(openJob(workshop, other)!.job.inputs.cloth.fabric).toBe('cottonMedium');
    expect(houseLessons(workshop).cloths.cottonMedium!.stiffness).toEqual({ value: found.value, records: 1 });
  });

  it('without a second measurement teach nothing', () => {
    value(taps(150));
    workshop.pass(5);
    value(turn(allCorners(0.5)));
    expect(houseLessons(workshop).cloths).toEqual({});
  });
});

describe('weight and remedies', () => {
  it('a weighed tension is kept as a reading; without a sag there is none', () => {
    expect(wordsOf(keepWeight.act(workshop, asked()))).toMatch(/^No tension can be told: type the sag/);
    const sag = sagUnder({ widthMm: 600, heightMm: 400 }, { weightG: 100, discMm: 70 }, 180);
    type(workshop, jobId, (inputs) => ({
      ...inputs,
      tune: { ...inputs.tune, weight: { ...inputs.tune.weight, lightSag: length(sag) } },
    }));
    expect(value(keepWeight.act(workshop, asked())).log.at(-1)!.did).toMatch(/^Weighed: 180 ± \d+ N\/m$/);
    expect(historyOf(log()).tensions.at(-1)).toMatchObject({ tool: 'weight', nPerM: 180, rh: null });
  });

  it('a remedy stands between the tension before and the one after', () => {
    value(taps(150));
    workshop.pass(5);
    value(keepRemedy.act(workshop, { ...asked(), remedy: 'keys' }));
    expect(historyOf(log()).remedies).toMatchObject([{ remedy: 'keys', before: { tool: 'tap' }, after: null }]);
    workshop.pass(5);
    value(taps(200));
    expect(historyOf(log()).remedies[0]!.after!.nPerM).toBeGreaterThan(180);
  });

  it('water on a painting is never written down as a remedy', () => {
    const painting = newJob(workshop, 'Painting');
    type(workshop, painting, (inputs) => ({ ...inputs, brief: { ...inputs.brief, use: 'restretch' } }));
    workUpTo(workshop, painting, 'fasten');
    const before = openJob(workshop, painting)!.log.length;
    expect(
      wordsOf(
        keepRemedy.act(workshop, { ...asked(), jobId: painting, revision: revisionOf(workshop, painting), remedy: 'water' }),
      ),
    ).toMatch(/not here\. the canvas is painted/);
    expect(openJob(workshop, painting)!.log).toHaveLength(before);
  });
});
