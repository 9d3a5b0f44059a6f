import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { newInputs } from '../job/job';
import { SIDES } from '../job/sides';
import { length } from '../units/length';
import { framerOrder } from './framerOrder';
import { planRebate } from './planRebate';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };

describe('a frame to order', () => {
  it('is one that the canvas then lies in with the clearance of the brief, its lip over every gap: any face', () => {
    const random = randomLcg(0.29);
    for (let turn = 0; turn < 40; turn += 1) {
      const [width, height] = [200 + Math.round(1200 * random()), 200 + Math.round(900 * random())];
      const inputs = newInputs('Harbour', length(width), length(height));
      inputs.brief.edges = 'rebate';
      inputs.brief.rebateClearance = length(2 + Math.round(6 * random()));
      const { rebate, lipMm } = framerOrder(inputs, context);
      const typed = { top: rebate.widthMm, bottom: rebate.widthMm, left: rebate.heightMm, right: rebate.heightMm };
      for (const side of SIDES) {
        inputs.brief.rebate[side] = length(typed[side]);
        inputs.brief.rebate.lip[side] = length(lipMm);
      }
      const diagonal = length(Math.hypot(rebate.widthMm, rebate.heightMm));
      Object.assign(inputs.brief.rebate, { down: diagonal, up: diagonal });
      const laid = planRebate(inputs, context);
      if (laid?.kind !== 'measured') throw new Error('not measured');
      expect(laid.plan.fit.leastMm).toBeCloseTo(inputs.brief.rebateClearance.mm / 2, 1);
      for (const side of SIDES) expect(laid.plan.hidden[side]!.first).toBeGreaterThan(0);
    }
  });

  it('takes the corners opened to their end only where they open, and every corner grows both ways', () => {
    const inputs = newInputs('Harbour', length(400), length(300));
    const of = (joint: 'slotted' | 'mitreGlued') => framerOrder({ ...inputs, bars: { ...inputs.bars, joint } }, context);
    const keyed = of('slotted');
    expect(keyed.keyed!.widthMm - keyed.rebate.widthMm).toBe(12);
    expect(keyed.keyed!.heightMm - keyed.rebate.heightMm).toBe(12);
    expect(of('mitreGlued').keyed).toBeNull();
    expect(keyed.lipMm - of('mitreGlued').lipMm).toBeCloseTo(12, 6);
    expect(keyed.depthMm).toBeGreaterThan(0);
  });
});
