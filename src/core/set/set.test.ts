import { describe, expect, it } from 'vitest';
import { randomLcg } from 'd3-random';
import { rounds } from '@/testRounds';
import { DEFAULT_RULES } from '../house/houseRules';
import { progressOf } from '../case/progress';
import { fitQuadrilateral } from '../frame/square/quadrilateral';
import { NO_GAPS, NOTHING_READ, type TapeReadings } from '../frame/square/readings';
import { lengthsOf } from '../frame/square/corners';
import { newInputs } from '../job/job';
import { length } from '../units/length';
import { type Panel, panelVerdicts, readJoint } from './panelVerdicts';
import { printFaces, readFaces } from './readFaces';
import { arranged, setJoints, setViolations, wholeOf } from './setLayout';
import { carried, departures, setPlanOf } from './setPlan';
import type { SetLayout } from './setShape';
import { setTally } from './setTally';

const MM = { unit: 'mm', stepMm: 1 } as const;
const rows = (columns: number, align: SetLayout['align'] = 'top'): SetLayout => ({ columns, gap: length(20), align, free: [] });
const face = (widthMm: number, heightMm: number) => ({ widthMm, heightMm });

describe('canvases of a set as they hang', () => {
  it('stand in rows, columns as wide as their widest, heads, middles or feet in line', () => {
    const faces = [face(300, 600), face(500, 800), face(300, 600), face(300, 200)];
    expect(arranged(faces, rows(3)).map(({ x, y }) => [x, y])).toEqual([
      [0, 0],
      [320, 0],
      [840, 0],
      [0, 820],
    ]);
    expect(arranged(faces, rows(3, 'middle')).map(({ y }) => y)).toEqual([100, 0, 100, 820]);
    expect(arranged(faces, rows(3, 'bottom')).map(({ y }) => y)).toEqual([200, 0, 200, 820]);
    expect(wholeOf(arranged(faces, rows(3)))).toEqual(face(1140, 1020));
  });

  it('never lie over one another in rows, whatever their faces; and every joint is a gap of the layout or wider', () => {
    const random = randomLcg(0.31);
    for (let turn = 0; turn < rounds(60, 5000); turn += 1) {
      const faces = Array.from({ length: 2 + Math.floor(random() * 9) }, () => face(100 + random() * 900, 100 + random() * 900));
      const hung = arranged(faces, rows(1 + Math.floor(random() * 5), (['top', 'middle', 'bottom'] as const)[turn % 3]));
      expect(setViolations(hung)).toEqual([]);
      for (const { gapMm, lengthMm } of setJoints(hung)) {
        expect(gapMm).toBeGreaterThan(20 - 1e-6);
        expect(lengthMm).toBeGreaterThan(0);
      }
    }
  });

  it('meet where edges face across a gap with nothing between them', () => {
    const hung = arranged([face(300, 400), face(300, 400), face(300, 400), face(300, 400)], rows(2));
    expect(setJoints(hung).map(({ one, other, way }) => `${one}${other}${way}`)).toEqual([
      '01upright',
      '02level',
      '13level',
      '23upright',
    ]);
    const [a, thin, b] = [
      { x: 0, y: 0, ...face(400, 400) },
      { x: 420, y: 0, ...face(100, 400) },
      { x: 540, y: 0, ...face(400, 400) },
    ];
    expect(setJoints([a, thin, b]).map(({ one, other }) => [one, other])).toEqual([
      [0, 1],
      [1, 2],
    ]);
    expect(setJoints([a, { ...b, x: 600 }])).toEqual([]);
  });
});

describe('faces as they are typed', () => {
  it('read back as they are printed, in any unit', () => {
    const read = readFaces('2 of 400 × 600; 30 cm x 60 cm\n 24 1/2 in by 2 ft', 'mm', 60);
    if (!read.ok) throw new Error(read.error);
    expect(read.value.map(({ width, height }) => [width.mm, height.mm])).toEqual([
      [400, 600],
      [400, 600],
      [300, 600],
      [622.3, 609.6],
    ]);
    expect(printFaces(read.value)).toBe('2 of 400 mm × 600 mm; 30 cm × 60 cm; 24 1/2" × 2\' 0"');
    expect(readFaces(printFaces(read.value), 'in', 60)).toEqual(read);
  });

  it('that are none are refused with what was typed', () => {
    for (const [typed, says] of [
      ['400', /“400” is no face/],
      ['400 × x', /“400 × x” is no face/],
      ['400 × 40', /no face we stretch/],
      ['61 of 400 × 400', /too many/],
      ['0 of 400 × 400', /too many or none/],
      ['400 × 300', /is one canvas/],
      ['', /is one canvas/],
    ] as const) {
      const read = readFaces(typed, 'mm', 60);
      expect(read.ok ? 'read' : read.error).toMatch(says);
    }
  });
});

describe('the plan of a set', () => {
  const inputs = newInputs('Study', length(400), length(300));
  const plan = setPlanOf(inputs, 'Class');
  const fresh = progressOf(inputs, []);

  it('is followed in another unit, by another face of a series, and whatever was measured', () => {
    const inInches = newInputs('Study', length(400, 'in'), length(300, 'in'));
    expect(departures(plan, { ...inputs, brief: { ...inputs.brief, width: length(400, 'cm') } }, 'same')).toEqual([]);
    expect(departures(plan, { ...inputs, square: { ...inputs.square, down: length(500), lift: length(2) } }, 'same')).toEqual([]);
    expect(departures(plan, { ...inputs, brief: { ...inputs.brief, width: length(410) } }, 'same')).toEqual(['brief.width']);
    expect(departures(plan, { ...inputs, brief: { ...inputs.brief, width: length(410) } }, 'series')).toEqual([]);
    expect(departures(plan, inInches, 'series')).not.toContain('square.gaps');
  });

  it('goes field by field to those that follow', () => {
    const to = { ...plan, fasten: { ...plan.fasten, spacing: length(40) }, bars: { ...plan.bars, glue: 'hide' as never } };
    const own = { ...inputs, fasten: { ...inputs.fasten, spacing: length(60) } };
    const after = carried(plan, to, own, 'same', fresh);
    expect([after.changed, after.kept]).toEqual([['bars.glue'], [{ path: 'fasten.spacing', because: 'departed' }]]);
    expect(after.inputs.fasten.spacing.mm).toBe(60);
  });
});

describe('how far a set is', () => {
  const at = (stage: Parameters<typeof setTally>[0][number]['stage'], coatsDone = 0) => ({ done: [], coatsDone, stage });
  it('is told by the stage that holds it up', () => {
    expect(setTally([at('fasten'), at('tune'), at('fasten')]).words).toBe('1 of 3 fastened');
    expect(setTally([at('prime', 1), at('prime', 2), at('handover', 3)])).toMatchObject({ coat: 1, words: '2 of 3 have coat 2' });
    expect(setTally([at(null), at('handover')]).words).toBe('1 of 2 handed over');
    expect(setTally([at(null), at(null)])).toMatchObject({ stage: null, words: 'all 2 handed over' });
  });
});

describe('panels against one another', () => {
  /** A panel of 400 × 600 mm, its top slid to the right by so much, its left bar so much longer. */
  const panel = (x: number, slide: number, longer = 0, read = true): Panel => {
    const corners = {
      topLeft: { x: slide, y: 600 },
      topRight: { x: 400 + slide, y: 600 },
      bottomRight: { x: 400, y: 0 },
      bottomLeft: { x: 0, y: -longer },
    };
    const { down, up, ...sides } = lengthsOf(corners);
    const tape: TapeReadings = read ? { ...sides, down, up } : { ...NOTHING_READ, down, up };
    const known = { tapeMm: 0.5, pairMm: 0.5, nominalMm: 1, gapMm: 0.2, bladeMm: 300 };
    return {
      ...face(400, 600),
      x,
      y: 0,
      name: `No. ${x}`,
      depthMm: 20,
      frame: fitQuadrilateral(tape, NO_GAPS, face(400, 600), read ? { ...known, pairMm: Infinity, nominalMm: Infinity } : known),
    };
  };
  const joint = (panels: Panel[]) => readJoint(setJoints(panels)[0]!, panels)!;

  it('a gap opens by what both frames lean; frames that lean alike keep it even', () => {
    // A top that slid to the right leaves the foot to its left: the right edge of one opens the gap below.
    expect(joint([panel(0, 2), panel(420, 0)]).opensMm).toBeCloseTo(2, 1);
    expect(joint([panel(0, 0), panel(420, 2)]).opensMm).toBeCloseTo(-2, 1);
    expect(joint([panel(0, 2), panel(420, 2)]).opensMm).toBeCloseTo(0, 1);
    const says = panelVerdicts([panel(0, 2.4), panel(420, 0)], DEFAULT_RULES, MM).find(({ id }) => id.startsWith('panelOpens'))!;
    expect(says).toMatchObject({ level: 'stop', limit: 1 });
    expect(says.says).toMatch(/wider at the foot/);
  });

  it('a bar that is longer is a step, told only where bars were read', () => {
    expect(joint([panel(0, 0), panel(420, 0, 1.5)]).stepMm).toBeCloseTo(1.5, 1);
    expect(joint([panel(0, 0), panel(420, 0, 0, false)]).stepMm).toBeNull();
    const unread = [panel(0, 0), { ...panel(420, 0), frame: { kind: 'unread' } as never }];
    expect(panelVerdicts(unread, DEFAULT_RULES, MM).find(({ id }) => id === 'panelsUnread')!.says).toMatch(/^0 of 1 joints/);
    const deep = [panel(0, 0), { ...panel(420, 0), depthMm: 45 }];
    expect(panelVerdicts(deep, DEFAULT_RULES, MM).find(({ id }) => id === 'panelDepth')).toMatchObject({
      level: 'watch',
      measured: 25,
    });
  });
});
