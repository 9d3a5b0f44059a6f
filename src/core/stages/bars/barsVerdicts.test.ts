/* Faults that were found once in the frame: each of these was planned or said wrongly. */
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { planJob } from '../../case/planJob';
import { TAPE_NAMES } from '../../frame/square/corners';
import { NO_GAPS } from '../../frame/square/readings';
import { buyingPlan, orderTotals } from '../../frame/sawing/buyingPlan';
import { frameParts } from '../../frame/frameParts';
import { PROFILES } from '../../frame/profiles';
import { pressPlan } from '../../frame/square/press';
import { fitQuadrilateral } from '../../frame/square/quadrilateral';
import type { RackBar } from '../../frame/sawing/rack';
import { DEFAULT_RULES, tapeFor } from '../../house/houseRules';
import { byId } from '../../house/schools';
import { type JobInputs, newInputs } from '../../job/job';
import { SIDES, isLevel } from '../../job/sides';
import { length } from '../../units/length';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };
const KNOWLEDGE = { tapeMm: 0.5, pairMm: 0.5, nominalMm: 1, gapMm: 0.2, bladeMm: 300 };
const planned = (widthMm: number, heightMm: number, change: (inputs: JobInputs) => void = () => undefined) => {
  const inputs = newInputs('t', length(widthMm), length(heightMm));
  change(inputs);
  return planJob(inputs, context, 0);
};

describe('screws at a glued corner', () => {
  it('are named where one stays inside the wood, and missed where none does', () => {
    const corner = (depthMm: number, joint: 'mitreGlued' | 'slotted') => {
      const thin = { ...byId(PROFILES, 'batten'), id: 'thin', widthMm: depthMm, depthMm, joints: [joint] };
      const rules = { ...DEFAULT_RULES, materials: { ...DEFAULT_RULES.materials, profiles: [thin] } };
      const inputs = newInputs('t', length(500), length(400));
      Object.assign(inputs.bars, { profile: 'thin', joint });
      const { fixings, verdicts } = planJob(inputs, { ...context, rules }, 0).bars;
      return { told: verdicts.find((one) => one.id === 'cornerScrews'), named: fixings.some(({ where }) => where === 'corner') };
    };
    expect(corner(8, 'mitreGlued')).toMatchObject({
      named: false,
      told: { level: 'watch', because: 'A tip that pokes out cuts the cloth.' },
    });
    expect(corner(40, 'mitreGlued')).toEqual({ named: true, told: undefined });
    expect(corner(8, 'slotted').told).toBeUndefined();
  });
});

describe('the bow that is told', () => {
  it('is that of the bar, not of a short span beside a brace near its end', () => {
    const plan = planned(1500, 600, ({ bars }) => (bars.bracesUpright = [0.03]));
    const bow = plan.bars.verdicts.find((one) => one.id === 'topBottomBow')!;
    expect(bow.level).toBe('stop');
    expect(bow.measured!).toBeGreaterThan(5);
    expect(plan.bars.chosen.topBottom.most.atMm).toBeGreaterThan(600);
    expect(bow.measured).toBeCloseTo(plan.bars.chosen.topBottom.most.lastingMm, 9);
  });

  it('names the span that is judged hardest where it is another', () => {
    const plan = planned(2000, 600, ({ bars }) => Object.assign(bars, { profile: 'heavy', bracesUpright: [0.25] }));
    const { most, atMm } = plan.bars.chosen.topBottom;
    expect(most.lastingMm).toBeGreaterThanOrEqual(plan.bars.chosen.topBottom.lastingMm);
    const bow = plan.bars.verdicts.find((one) => one.id === 'topBottomBow')!;
    if (Math.abs(most.atMm - atMm) > 1 && bow.level !== 'good') expect(bow.says).toMatch(/judged hardest/);
    else expect(bow.measured).toBeCloseTo(most.lastingMm, 9);
  });
});

describe('braces', () => {
  it('of a keyed frame that are screwed tight keep it shut, and are said to', () => {
    const ids = (braceFixing: JobInputs['bars']['braceFixing']) =>
      planned(1200, 800, ({ bars }) => Object.assign(bars, { bracesUpright: [0.5], braceFixing })).bars.verdicts.map(
        (one) => one.id,
      );
    expect(ids('asJoint')).not.toContain('bracesShut');
    expect(ids('plate')).toContain('bracesShut');
    // No stock screw bites deep enough into so thin a brace without splitting it: none is named.
    expect(ids('screwed')).toContain('braceScrews');
  });

  it('are in the kit with what holds them, as in the list of the bars', () => {
    const plan = planned(1200, 800, ({ bars }) =>
      Object.assign(bars, { profile: 'batten', joint: 'mitreGlued', bracesUpright: [0.5] }),
    );
    const kit = plan.kit.map((line) => line.what).join('; ');
    for (const one of plan.bars.fixings) expect(kit).toContain(`${one.count} ${one.what}`);
    expect(plan.bars.fixings.map((one) => one.where)).toEqual(['corner', 'corner', 'brace end', 'bead strip']);
    expect(kit).not.toMatch(/8 corner staples or screws/);
  });
});

describe('buying for several frames', () => {
  const batten = byId(PROFILES, 'batten');
  const standard = byId(PROFILES, 'standard');
  const frame = (whose: string, profile: typeof batten, widthMm: number, heightMm: number) => ({
    whose,
    profile: profile.id,
    parts: frameParts(
      { widthMm, heightMm, bracesUpright: 0, bracesLevel: 0 },
      profile,
      profile === standard ? 'slotted' : 'mitreGlued',
    ),
  });
  const bars = (lengthMm: number, count: number): RackBar => ({
    id: `r${lengthMm}`,
    profile: 'standard',
    kind: 'pairs',
    family: 'narrow slot',
    lengthMm,
    count,
    mark: '',
  });

  it('takes two 600 bars once for a face of 600.4 × 600, and orders the other two', () => {
    const plan = buyingPlan([frame('No. 1', standard, 600.4, 600)], [bars(600, 2)], DEFAULT_RULES, randomLcg(0.4));
    const lines = plan.picks[0]!.list.lines;
    expect(lines.reduce((sum, line) => sum + line.fromRack, 0)).toBe(2);
    expect(lines.reduce((sum, line) => sum + line.order, 0)).toBe(2);
  });

  it('adds up what is ordered: twelve of 400 × 300 are 24 and 24', () => {
    const twelve = Array.from({ length: 12 }, (_, index) => frame(`No. ${index}`, standard, 400, 300));
    expect(orderTotals(buyingPlan(twelve, [], DEFAULT_RULES, randomLcg(0.4)))).toMatchObject([
      { lengthMm: 400, bars: 24 },
      { lengthMm: 300, bars: 24 },
    ]);
  });

  it('has the bead strips in it, priced, where the house buys them', () => {
    const plan = buyingPlan([frame('No. 1', batten, 900, 600)], [], DEFAULT_RULES, randomLcg(0.4));
    const beads = plan.sections.find(({ kind }) => kind === 'bead')!;
    expect(beads.parts.map(({ lengthMm }) => lengthMm)).toEqual([900, 900, 600, 600]);
    expect(beads.result).toMatchObject({ kind: 'plan', priceMinor: 2 * 190 });
    expect(plan.priceMinor).toBeGreaterThan(2 * 190);
  });
});

describe('readings of a frame', () => {
  const read = (values: (number | null)[], trust: 'bars' | 'tape', size: [number, number] = [900, 600]) =>
    planned(...size, ({ square }) => {
      TAPE_NAMES.forEach((name, index) => {
        const mm = values[index] ?? null;
        square[name] = mm === null ? null : length(mm);
      });
      square.trust = trust;
    }).square;

  it('one mistyped reading ends in a sentence that names it, not in a crash', () => {
    const plan = read([900, 600, 900, null, 1382, 1082], 'tape');
    const said = plan.verdicts.map((one) => one.says).join(' ');
    expect(said).toMatch(/diagonal top left to bottom right reads 1382 mm|most likely|misread/);
  });

  it('any set of readings from 1 mm to 10 m ends in a frame near its plan, or in a sentence: 3,000 of them', () => {
    const random = randomLcg(0.61);
    const ends = { fitted: 0, impossible: 0, missing: 0 };
    for (let turn = 0; turn < 3000; turn += 1) {
      const [w, h] = [200 + 1500 * random(), 200 + 1500 * random()];
      const D = Math.hypot(w, h);
      const values = [w, h, w, h, D, D].map((true_) => {
        const dice = random();
        if (dice < 0.15) return null;
        if (dice < 0.6) return true_ + 3 * (random() - 0.5);
        return dice < 0.8 ? true_ * (0.8 + 0.4 * random()) : 1 + 9999 * random() ** 2;
      });
      const nominal = { widthMm: w, heightMm: h };
      const [top, right, bottom, left, down, up] = values as [number, number, number, number, number, number];
      // Half of them with bars that are trusted, half by the tape alone.
      const known = random() < 0.5 ? KNOWLEDGE : { ...KNOWLEDGE, pairMm: Infinity, nominalMm: Infinity };
      const result = fitQuadrilateral({ top, right, bottom, left, down, up }, NO_GAPS, nominal, known);
      ends[result.kind] += 1;
      if (result.kind !== 'fitted') continue;
      for (const side of SIDES) expect(Math.abs(result.fitted[side] / (isLevel(side) ? w : h) - 1)).toBeLessThan(0.31);
      expect(pressPlan(result.corners).byMm).toBeGreaterThanOrEqual(-1e-6);
    }
    expect(Math.min(ends.fitted, ends.impossible, ends.missing)).toBeGreaterThan(10);
  });

  it('while one of the diagonals is doubted, the answer is as unsure as the two are apart', () => {
    const D = Math.hypot(900, 600);
    const plan = read([900, 600, 900, 600, D + 5, D], 'bars');
    if (plan.result.kind !== 'fitted') throw new Error(plan.result.kind);
    expect(plan.result.doubt?.kind).toBe('diagonals');
    expect(plan.result.difference.sd).toBeGreaterThan(2);
    const fine = read([900, 600, 900, 600, D + 1, D - 1], 'bars');
    if (fine.result.kind !== 'fitted') throw new Error(fine.result.kind);
    expect(fine.result.difference.sd).toBeLessThan(1);
  });
});
