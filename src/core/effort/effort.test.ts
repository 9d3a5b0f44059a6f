/* One estimate of hands: by size and by parts, the same for slip, bench, bill and week. */
import { describe, expect, it } from 'vitest';
import { NO_LESSONS, caseOf } from '../case/jobCase';
import { jobWork } from '../case/jobWork';
import { billOf, pricesOf } from '../cost/bill';
import { costSettingsShape } from '../cost/costSettings';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { type JobInputs, newInputs } from '../job/job';
import { startOf } from '../shape/shape';
import { length } from '../units/length';
import { USUAL_WEEK } from '../week/weekSettings';
import { barsEffort, clothEffort, coatEffort, effortMinutes, fastenEffort, squareEffort } from './effort';
import { effortWords } from './effortWords';

const AT = Date.parse('2031-05-04T09:00:00');
const read = (inputs: JobInputs, rules = DEFAULT_RULES) =>
  caseOf({ inputs }, [], { rules, tape: tapeFor(rules, 'mm'), lessons: NO_LESSONS }, AT);
const canvas = (width: number, height: number): JobInputs => {
  const fresh = newInputs('Harbour', length(width), length(height));
  return { ...fresh, bars: { ...fresh.bars, joint: 'mitreGlued' } };
};

describe('what hands take', () => {
  it('is what the trade says of each stage, set up once and each by its size', () => {
    // A glued mitred frame: set up 3 + 5, four corners at 3, two braces at 5, sawn parts at 2.5, four holes at 1.
    expect(effortMinutes(barsEffort(DEFAULT_RULES, { sawn: 6, braces: 2, glued: true, holes: 4 }))).toBe(8 + 12 + 10 + 15 + 4);
    expect(effortMinutes(barsEffort(DEFAULT_RULES, { sawn: 0, braces: 1, glued: false, holes: 0 }))).toBe(3 + 4 + 2);
    expect(effortMinutes(squareEffort(DEFAULT_RULES, { widthMm: 1000, heightMm: 2000 }))).toBe(5);
    expect(effortMinutes(squareEffort(DEFAULT_RULES, { widthMm: 1001, heightMm: 2000 }))).toBe(7);
    expect(effortMinutes(clothEffort(DEFAULT_RULES, { widthMm: 720, heightMm: 520 }), 4)).toBeCloseTo(1.5 + 2 + 1.86, 9);
    expect(effortMinutes(coatEffort(DEFAULT_RULES, 2, false))).toBe(12);
    expect(effortMinutes(coatEffort(DEFAULT_RULES, 2, true))).toBe(20);
    // 60 handlings at 14 s and 30 turns at 10 s are 19 minutes; a house that needs half as long again takes 28.5 for the route alone.
    expect(effortMinutes(fastenEffort(DEFAULT_RULES, { handlings: 60, turns: 30 }, 1))).toBeCloseTo(4 + 3 + 6 + 19, 9);
    expect(effortMinutes(fastenEffort(DEFAULT_RULES, { handlings: 60, turns: 30 }, 1.5))).toBeCloseTo(4 + 3 + 6 + 28.5, 9);
  });

  it('grows with the canvas at every stage that has to do with its size', () => {
    const [small, large] = [read(canvas(400, 300)).plan, read(canvas(2100, 1400)).plan];
    for (const stage of ['square', 'cloth', 'fasten', 'prime'] as const)
      expect(large[stage].minutes, stage).toBeGreaterThan(small[stage].minutes);
    for (const stage of ['brief', 'handover'] as const) expect(large[stage].minutes).toBe(small[stage].minutes);
  });

  it('is one sum on slip, bill and week: to the minute, alone and in a set of twelve', () => {
    const inputs = canvas(610, 500);
    const here = read(inputs);
    const sawn = here.plan.bars.parts.some(({ from }) => from !== 'pairs');
    const prices = pricesOf({ settings: { ...startOf(costSettingsShape), hourMinor: 6000 }, setUps: USUAL_WEEK, items: {} });
    for (const together of [1, 12]) {
      const week = jobWork(here, together).steps;
      const common = { together, clothMm: 0, clothMinor: 0, woodMinor: 0 };
      const bill = billOf({ plan: here.plan, inputs, rules: DEFAULT_RULES }, prices, {}, common);
      const billed = (stage: string) => bill.lines.find(({ id }) => id === `hands ${stage}`)?.quantity ?? 0;
      const { sawMinutes, potMinutes, washMinutes } = USUAL_WEEK;
      for (const stage of ['brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'handover'] as const) {
        const planned = week.find((step) => step.stage === stage)!.minutes;
        const saw = stage === 'bars' && sawn ? sawMinutes / together : 0;
        expect(billed(stage), stage).toBeCloseTo(planned + saw, 9);
        if (together === 1) expect(planned, stage).toBeCloseTo(here.plan[stage].minutes, 9);
      }
      const coats = week.filter(({ stage }) => stage === 'prime');
      expect(coats.length).toBeGreaterThan(1);
      const pots = (coats.length * (potMinutes + washMinutes)) / together;
      expect(billed('prime')).toBeCloseTo(coats.reduce((sum, { minutes }) => sum + minutes, 0) + pots, 9);
    }
  });

  it('says its sum, and follows what the house puts in', () => {
    const effort = squareEffort(DEFAULT_RULES, { widthMm: 1200, heightMm: 1100 });
    expect(effortWords(effort, 3)).toBe(
      'set up 2 min, shared by 3; square and wind, each 3 min; square a large frame, besides 2 min',
    );
    expect(effortWords(fastenEffort(DEFAULT_RULES, { handlings: 96, turns: 0 }, 1))).toMatch(
      /a corner folded 4 × 1\.5 min; pull and fasten, each place 96 × 14 s$/,
    );
    const slow = { ...DEFAULT_RULES, assumptions: { squareEach: 20 } };
    expect(read(canvas(600, 400), slow).plan.square.minutes).toBe(22);
  });
});
