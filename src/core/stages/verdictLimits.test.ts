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
      const part = hardest!.carriesN / hardest!.bucklesN;
      const at = (buckling: number) => level('bars', 'braceLoad', { size: [1500, 1000], assume: { buckling }, change });
      expect(at(100)).toBe(part <= 1 / 1.5 ? 'watch' : 'stop');
      if (part < 1 / 1.5) expect([at(0.999 / part), at(1.001 / part)]).toEqual(['good', 'watch']);
      if (Math.abs(part - 1 / 1.5) < 0.02) near.push(at(100)!);
    }
    expect(new Set(near)).toEqual(new Set(['watch', 'stop']));
  });
});
