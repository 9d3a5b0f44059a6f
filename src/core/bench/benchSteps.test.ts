import { describe, expect, it } from 'vitest';
import { NO_LESSONS, caseOf } from '../case/jobCase';
import { CORNERS } from '../frame/square/corners';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { type JobInputs, newInputs } from '../job/job';
import type { View } from '../job/sideWords';
import { testEntry } from '../log/testEntry';
import { STAGE_IDS, type StageId, runOf } from '../stages/stages';
import { type Tape, length } from '../units/length';
import { type BenchPlace, benchSteps, firstPlace, groupFrom, stepFrom, stepIndex } from './benchRun';
import type { BenchStep } from './benchStep';
import { cornerOf } from './fastenSteps';
import { routeCounts } from './routeCounts';

const NOW = Date.parse('2031-05-05T10:00:00');
const fresh = newInputs('Harbour', length(500), length(400));
const upTo = (...stages: StageId[]) =>
  stages.map((stage, index) => testEntry(`e${index}`, stage, { at: `2031-05-05T0${index}:00:00.000Z`, plan: null }));

function caseNow({
  inputs = fresh,
  log = upTo(),
  view = 'back',
  unit = 'mm',
}: { inputs?: JobInputs; log?: ReturnType<typeof upTo>; view?: View; unit?: Tape['unit'] } = {}) {
  return caseOf({ inputs }, log, { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, unit), lessons: NO_LESSONS, view }, NOW);
}

const read = (step: BenchStep) => {
  if (step.act.kind !== 'read' || step.act.reading.kind !== 'length') throw new Error(`${step.id} is not read`);
  return step.act.reading;
};

describe('steps at the bench', () => {
  const painting: JobInputs = { ...fresh, brief: { ...fresh.brief, use: 'finished' } };
  const opened: JobInputs = {
    ...fresh,
    tune: { ...fresh.tune, corners: { ...fresh.tune.corners, topLeft: length(1) } },
    bars: { ...fresh.bars, bracesUpright: [0.25], bracesLevel: [0.5] },
  };
  it.each([
    ['blank, mm', caseNow()],
    ['blank, inches', caseNow({ unit: 'in' })],
    ['a painting', caseNow({ inputs: painting })],
    ['braced and opened, in cm', caseNow({ inputs: opened, unit: 'cm' })],
  ])('%s: each stage ends with its record; every step has an id, a figure and words for the ear', (_name, here) => {
    for (const stage of STAGE_IDS) {
      const steps = benchSteps(here, stage);
      expect(steps.at(-1)!.act.kind).toBe('record');
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
      for (const step of steps) {
        expect(step.stage).toBe(stage);
        expect(step.says).not.toBe('');
        expect(step.figure === '').toBe(step.act.kind === 'wait');
        expect(step.aloud).not.toMatch(/["×±]|\d\s*(mm|cm|kg|ml)\b|\d+\/\d+/);
      }
    }
  });

  it('every fastener comes once and in order, what is looked at before it, each corner folded before its first fastener', () => {
    const here = caseNow();
    const { route } = here.plan.fasten;
    const steps = benchSteps(here, 'fasten');
    const orders = steps.flatMap(({ id }) => (/^fasten\/\d+$/.test(id) ? [Number(id.split('/')[1])] : []));
    expect(orders).toEqual(route.steps.map(({ order }) => order));
    const at = (id: string) => steps.findIndex((step) => step.id === id);
    for (const corner of CORNERS) {
      const first = route.steps.find((step) => step.take === 'corner' && cornerOf(step) === corner)!;
      const folds = here.plan.cloth.corners.fold.steps.length;
      expect(at(`fasten/fold/${corner}/0`)).toBe(at(`fasten/${first.order}`) - folds);
    }
    const looks = steps.filter(({ figure }) => figure === 'look');
    expect(looks.length).toBeGreaterThan(1);
    expect(at('fasten/look/1/0')).toBe(at('fasten/1') - 1);
  });

  it.each(['back', 'front'] as const)('a place is told towards the bar that lies there, seen from the %s', (view) => {
    const here = caseNow({ view });
    const { steps } = here.plan.fasten.route;
    for (const step of benchSteps(here, 'fasten')) {
      const fastener = /^fasten\/\d+$/.test(step.id) ? steps[Number(step.id.split('/')[1]) - 1]! : null;
      if (!fastener || Math.abs(fastener.offsetMm) < 1) continue;
      const seenX = view === 'back' ? 500 - fastener.xMm : fastener.xMm;
      const level = fastener.side === 'top' || fastener.side === 'bottom';
      const towards = level ? (seenX < 250 ? 'left' : 'right') : fastener.yMm < 200 ? 'top' : 'bottom';
      expect(step.says.endsWith(`towards ${towards}`)).toBe(true);
      if (!level) expect(step.says.toLowerCase()).toContain(`${seenX < 250 ? 'left' : 'right'}, `);
    }
  });

  it('a diagonal read from the back goes where it belongs on the canvas; judged, it is kept as a try and read anew', () => {
    const [first, second] = benchSteps(caseNow(), 'square');
    expect(first!.says).toBe('Diagonal, top left down');
    // From the back the diagonal down from the top left is the one that goes up from the bottom left.
    expect(read(first!).put(length(640))).toEqual({ square: { up: length(640) } });
    expect(read(second!).put(length(641))).toEqual({ square: { down: length(641) } });
    const square = { ...fresh.square, up: length(640), down: length(642) };
    const judged = benchSteps(caseNow({ inputs: { ...fresh, square } }), 'square')[2]!;
    expect(judged.figure).toBe('2 mm');
    if (judged.act.kind !== 'judge') throw new Error('not judged');
    expect(judged.act.again).toMatchObject({ square: { up: null, down: null, tries: [{ up: 640, down: 642 }] } });
    expect(judged.act.backTo).toBe(first!.id);
    expect(benchSteps(caseNow(), 'square')[2]!.act).toMatchObject({ again: null });
  });

  it('an upright brace is marked from the end at the left as one looks at the back', () => {
    const braced: JobInputs = { ...fresh, bars: { ...fresh.bars, bracesUpright: [0.25], bracesLevel: [] } };
    const brace = (view: View) => benchSteps(caseNow({ inputs: braced, view }), 'bars').find(({ group }) => group === 'Braces')!;
    expect([brace('back').figure, brace('front').figure]).toEqual(['375 mm', '125 mm']);
  });

  it('weighs out what the recipe of the next coat says, sands the one before, and waits while it dries', () => {
    const log = upTo('brief', 'bars', 'square', 'cloth', 'fasten', 'tune');
    const first = caseNow({ log });
    const steps = benchSteps(first, 'prime');
    const weighed = steps.flatMap(({ act }) => (act.kind === 'weigh' ? [act.grams] : []));
    const { recipe } = first.plan.prime.coats[0]!;
    expect(weighed).toEqual([recipe.substanceG, recipe.waterG].filter((grams) => grams > 0));
    const coat = testEntry('c0', 'prime', {
      step: 0,
      at: '2031-05-05T09:00:00.000Z',
      readyAt: '2031-05-06T09:00:00.000Z',
      plan: null,
    });
    const next = benchSteps(caseNow({ log: [...log, coat] }), 'prime');
    expect(next[0]).toMatchObject({ id: 'prime/wait', act: { kind: 'wait', readyAt: coat.readyAt } });
    expect(next.some(({ id }) => id === 'prime/1/sand')).toBe(first.plan.prime.coats[0]!.sandAfter);
    expect(next.at(-1)!.id).toBe('prime/1/record');
  });
});

describe('from step to step', () => {
  it('goes through all stages and back the same way', () => {
    const here = caseNow();
    const way: BenchPlace[] = [firstPlace(here)];
    for (let to = stepFrom(here, way[0]!, 1); to; to = stepFrom(here, to, 1)) way.push(to);
    expect(way).toHaveLength(runOf(false).reduce((sum, stage) => sum + benchSteps(here, stage).length, 0));
    const back = [way.at(-1)!];
    for (let to = stepFrom(here, back[0]!, -1); to; to = stepFrom(here, to, -1)) back.push(to);
    expect(
      back
        .reverse()
        .map(({ step }) => step)
        .slice(1),
    ).toEqual(way.map(({ step }) => step).slice(1));
  });

  it('jumps to the next kind of step, and back to the beginning of this one', () => {
    const here = caseNow();
    const second: BenchPlace = { stage: 'square', step: 'square/up' };
    expect(groupFrom(here, second, 1)!.step).toBe('square/top');
    expect(groupFrom(here, second, -1)!.step).toBe('square/down');
    expect(groupFrom(here, { stage: 'square', step: 'square/down' }, -1)).toEqual({ stage: 'bars', step: 'bars/record' });
    expect(groupFrom(here, { stage: 'square', step: 'square/record' }, 1)!.stage).toBe('cloth');
  });

  it('a step that is gone is looked for in its stage', () => {
    const steps = benchSteps(caseNow(), 'fasten');
    expect(stepIndex(steps, 'fasten/999')).toBe(0);
    expect(steps[stepIndex(steps, 'fasten/7')]!.id).toBe('fasten/7');
  });
});

describe('what is counted along the route', () => {
  const here = caseNow({ inputs: { ...fresh, brief: { ...fresh.brief, width: length(2400), height: length(1800) } } });
  const { plan, inputs } = here;
  const counts = (order: number, { filledAt = 1, stamps = [] as number[] } = {}) =>
    routeCounts(plan.fasten, inputs, DEFAULT_RULES, order, { filledAt, stamps });
  const total = plan.fasten.route.steps.length;

  it('counts down to the refill, from the last one on, and to the other hand', () => {
    expect(total).toBeGreaterThan(120);
    expect([counts(1).toRefill, counts(100).toRefill, counts(101).toRefill]).toEqual([100, 1, 100]);
    expect(counts(100, { filledAt: 91 }).toRefill).toBe(91);
    expect([counts(1).toOtherHand, counts(40).toOtherHand, counts(41).toOtherHand]).toEqual([40, 1, 40]);
    const tacked = { ...inputs, fasten: { ...inputs.fasten, fastener: 'tack' as const } };
    expect(routeCounts(plan.fasten, tacked, DEFAULT_RULES, 1, { filledAt: 1, stamps: [] }).toRefill).toBeNull();
  });

  it('tells the minutes by the plan, or by this hand’s own pace; what is leafed through tells none', () => {
    expect(counts(1).minutesLeft).toBeCloseTo(plan.fasten.hands.minutes, 6);
    const every = (ms: number) => Array.from({ length: 12 }, (_, index) => index * ms);
    expect(counts(total - 9, { stamps: every(30_000) }).minutesLeft).toBeCloseTo(5, 6);
    expect(counts(1, { stamps: every(300) }).minutesLeft).toBeCloseTo(plan.fasten.hands.minutes, 6);
    expect(counts(1).toLook).toBeGreaterThan(0);
    expect(counts(total).toLook).toBeNull();
  });
});
