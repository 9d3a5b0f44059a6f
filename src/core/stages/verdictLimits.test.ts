/* Judgements at their limits: just inside is another level than just outside. */
import { describe, expect, it } from 'vitest';
import { planJob } from '../case/planJob';
import type { AssumptionId } from '../house/assumptions';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { profileOf } from '../house/materials';
import { type JobInputs, newInputs } from '../job/job';
import { length } from '../units/length';
import type { StageId } from './stages';

interface Case {
  size?: [number, number];
  depthMm?: number;
  assume?: Partial<Record<AssumptionId, number>>;
  change?: (inputs: JobInputs) => void;
}

/** The level of a verdict of a stage; null where it is not said. */
function level(stage: StageId, id: string, { size = [900, 600], depthMm, assume = {}, change }: Case = {}) {
  const inputs = newInputs('t', length(size[0]), length(size[1]));
  change?.(inputs);
  const usual = profileOf(DEFAULT_RULES, inputs.bars.profile);
  const profiles = depthMm === undefined ? [] : [{ ...usual, id: inputs.bars.profile, depthMm }];
  const rules = { ...DEFAULT_RULES, assumptions: assume, materials: { ...DEFAULT_RULES.materials, profiles } };
  const plan = planJob(inputs, { rules, tape: tapeFor(rules, 'mm') }, 0);
  return plan[stage].verdicts.find((one) => one.id === id)?.level ?? null;
}

describe('at the limit', () => {
  it('a side six times the other is asked about, a little less is not', () => {
    expect(level('brief', 'proportion', { size: [3590, 600] })).toBeNull();
    expect(level('brief', 'proportion', { size: [3600, 600] })).toBe('watch');
  });

  it('a leg goes six tenths into the wood and no further', () => {
    const leg = (depthMm: number) => level('fasten', 'leg', { depthMm, change: ({ fasten }) => (fasten.fastener = 'staple10') });
    expect(leg(16.7)).toBeNull();
    expect(leg(16.6)).toBe('stop');
  });

  it('wire is watched from the humidity of a damp place on', () => {
    const rust = (roomRh: number, dampFrom = 65) =>
      level('fasten', 'rust', { assume: { dampFrom }, change: ({ prime }) => (prime.roomRh = roomRh) });
    expect([rust(64.9), rust(65), rust(66, 70)]).toEqual([null, 'watch', null]);
  });

  it('a brace is safe to its load over the safety, and stopped from two thirds of what buckles it', () => {
    const near: string[] = [];
    for (let tension = 420; tension <= 490; tension += 5) {
      const change = ({ bars }: JobInputs) =>
        Object.assign(bars, { bracesUpright: [0.5], bracesLevel: [], tensionNPerM: tension });
      const inputs = newInputs('t', length(1500), length(1000));
      change(inputs);
      const { hardest } = planJob(inputs, { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') }, 0).bars.bracing;
      const part = hardest!.carriesN / hardest!.bearsN;
      const at = (buckling: number) => level('bars', 'braceLoad', { size: [1500, 1000], assume: { buckling }, change });
      expect(at(100)).toBe(part <= 1 / 1.5 ? 'watch' : 'stop');
      if (part < 1 / 1.5) expect([at(0.999 / part), at(1.001 / part)]).toEqual(['good', 'watch']);
      if (Math.abs(part - 1 / 1.5) < 0.02) near.push(at(100)!);
    }
    expect(new Set(near)).toEqual(new Set(['watch', 'stop']));
  });

  it('a leg, the room for a fold and a deep bar keep to what the house says', () => {
    const leg = (legShare: number) =>
      level('fasten', 'leg', { depthMm: 20, assume: { legShare }, change: ({ fasten }) => (fasten.fastener = 'staple10') });
    expect([leg(0.51), leg(0.49)]).toEqual([null, 'stop']);
    const fold = (mm: number, assume: Case['assume'] = {}) =>
      level('fasten', 'lastBeforeFold', { assume, change: ({ fasten }) => (fasten.lastFromCorner = length(mm)) });
    expect([39.9, 40, 75, 75.1].map((mm) => fold(mm, { foldNearest: 40 }))).toEqual(['watch', 'good', 'good', 'watch']);
    // Nearer than the fold’s own fastener lets them, none stops.
    expect([fold(20), fold(20, { foldNearest: 31 }), fold(90, { foldFarthest: 100 })]).toEqual(['good', 'watch', 'good']);
    const deep = (depthMm: number, deepFrom = 30) => level('brief', 'edgesInSight', { depthMm, assume: { deepFrom } });
    expect([deep(29.9), deep(30), deep(30, 31)]).toEqual(['watch', null, 'watch']);
  });

  it('a brace is refused where the house says so', () => {
    const brace = (bucklingLeast: number) =>
      level('bars', 'braceLoad', {
        size: [1500, 1000],
        assume: { buckling: 10, bucklingLeast },
        change: ({ bars }) => Object.assign(bars, { bracesUpright: [0.5], bracesLevel: [], tensionNPerM: 300 }),
      });
    const levels = [1, 1.5, 2, 2.5, 3].map(brace);
    expect(levels[0]).toBe('watch');
    expect(levels.at(-1)).toBe('stop');
    expect([...levels].sort()).toEqual([...levels].reverse().sort());
    expect(levels.indexOf('stop')).toBeGreaterThan(levels.lastIndexOf('watch'));
  });

  it('tension for a painting, its margins and its clamps', () => {
    const painted = (change: (inputs: JobInputs) => void, assume: Case['assume'] = {}) => ({
      assume,
      change: (inputs: JobInputs) => {
        inputs.brief.use = 'finished';
        change(inputs);
      },
    });
    const tension = (n: number) =>
      level(
        'fasten',
        'paintedTension',
        painted(({ bars }) => (bars.tensionNPerM = n)),
      );
    const ids = planJob(
      newInputs('t', length(900), length(600)),
      { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') },
      0,
    );
    expect(ids.fasten.verdicts.some(({ about }) => about === 'tension for a painting')).toBe(false);
    expect([200, 201, 300, 301].map(tension)).toEqual([null, 'watch', 'watch', 'stop']);
    const route = (id: JobInputs['fasten']['route']) =>
      level(
        'fasten',
        'route',
        painted(({ fasten }) => (fasten.route = id)),
      );
    expect([route('registered'), route('compass')]).toEqual([null, 'watch']);
    const side = (mm: number) =>
      level(
        'brief',
        'topMargin',
        painted(({ cloth }) => (cloth.left.top = { first: length(mm), second: length(mm) })),
      );
    const levels = [5, 12, 40, 60, 90].map(side);
    expect(levels[0]).toBe('stop');
    expect(levels.at(-1)).toBe('good');
    expect(levels).toContain('watch');
  });

  it('squareness, pairs and size in one sheet: just within, just beyond', () => {
    const square = (id: string, patch: Partial<Record<'top' | 'bottom' | 'left' | 'right' | 'down' | 'up', number>>) => {
      const diagonal = Math.hypot(900, 600);
      const read = { top: 900, bottom: 900, left: 600, right: 600, down: diagonal, up: diagonal, ...patch };
      return level('square', id, {
        change: ({ square: typed }) =>
          Object.assign(typed, Object.fromEntries(Object.entries(read).map(([name, mm]) => [name, length(mm)]))),
      });
    };
    const diagonal = Math.hypot(900, 600);
    const levels = Array.from({ length: 41 }, (_, step) =>
      square('rack', { down: diagonal + step / 8, up: diagonal - step / 8 }),
    );
    // 2 mm a metre of diagonal unframed: 2.16 mm here, and twice that is too much; steps of a quarter.
    expect([levels.indexOf('watch') / 4, levels.indexOf('stop') / 4]).toEqual([2.25, 4.5]);
    expect(new Set(levels)).toEqual(new Set(['good', 'watch', 'stop']));
    expect(square('pairs', {})).toBe('good');
    const pairs = Array.from({ length: 25 }, (_, step) => square('pairs', { top: 900 + step / 8, bottom: 900 - step / 8 }));
    // Half of the limit on the diagonal, 1.08 mm, and twice that.
    expect([pairs.indexOf('watch') / 4, pairs.indexOf('stop') / 4]).toEqual([1.25, 2.25]);
    expect(square('size', { top: 910, bottom: 910, down: Math.hypot(910, 600), up: Math.hypot(910, 600) })).toBe('stop');
  });
});
