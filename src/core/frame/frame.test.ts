import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES } from '../job/houseRules';
import { type BarsInputs, newInputs } from '../job/job';
import { byId } from '../job/schools';
import { length } from '../units/length';
import { chooseBars, holds, judgeBars, ruleOfThumb } from './chooseBars';
import { frameParts, frameWeightKg } from './frameParts';
import { JOINTS } from './joints';
import { PROFILES, type Profile } from './profiles';

const bars = (patch: Partial<BarsInputs> = {}): BarsInputs => ({ ...newInputs('t', length(900), length(600)).bars, ...patch });
const batten: Profile = byId(PROFILES, 'batten');
const size = { widthMm: 900, heightMm: 600, bracesUpright: 1, bracesLevel: 0 } as const;

describe('parts of a frame', () => {
  it('mitred parts have the outside length, braces fit inside with square ends', () => {
    expect(frameParts(size, batten, 'mitreGlued')).toEqual([
      { name: 'top and bottom', count: 2, lengthMm: 900, ends: '45°' },
      { name: 'left and right', count: 2, lengthMm: 600, ends: '45°' },
      { name: 'brace, upright', count: 1, lengthMm: 600 - 66, ends: 'square' },
    ]);
  });

  it('butted parts lose two widths on the shorter pair, whichever way it stands', () => {
    const lengths = (widthMm: number, heightMm: number) =>
      frameParts({ ...size, widthMm, heightMm }, batten, 'buttScrewed')
        .slice(0, 2)
        .map((part) => part.lengthMm);
    expect(lengths(900, 600)).toEqual([900, 534]);
    expect(lengths(600, 900)).toEqual([534, 900]);
  });

  it('refuses bars that leave no opening', () => {
    expect(() => frameParts({ ...size, heightMm: 66 }, batten, 'mitreGlued')).toThrow(/no opening in 900 × 66 mm/);
  });

  it('weighs what a sawn-up frame weighs: corners once, crossings once', () => {
    const plain: Profile = { ...batten, beadMm: 0, brace: { widthMm: 33, depthMm: 33 } };
    const solid = 900 * 600 - (900 - 66) * (600 - 66);
    expect(frameWeightKg({ ...size, bracesUpright: 0 }, plain, 500)).toBeCloseTo((solid * 33 * 500) / 1e9, 9);
    const cross = (900 - 66) * 33 + (600 - 66) * 33 - 33 * 33;
    expect(frameWeightKg({ ...size, bracesLevel: 1 }, plain, 500)).toBeCloseTo(((solid + cross) * 33 * 500) / 1e9, 9);
  });
});

describe('choosing bars', () => {
  it('holds by the smaller of 2 mm and span / 400, after creep', () => {
    const choice = judgeBars({ widthMm: 1200, heightMm: 500 }, bars(), DEFAULT_RULES);
    expect(choice.topBottom.limitMm).toBe(2);
    expect(choice.leftRight.limitMm).toBe(500 / 400);
    expect(choice.topBottom.lastingMm).toBeCloseTo(1.7 * choice.topBottom.firstMm, 12);
    // 5 T L⁴ / 384 E I by hand: spruce at 80 %, 44 × 19 mm, 250 N/m.
    expect(choice.topBottom.firstMm).toBeCloseTo((5 * 0.25 * 1200 ** 4) / (384 * 8640 * ((19 * 44 ** 3) / 12)), 9);
  });

  it('puts those that hold first, the lightest leading, and offers only bars made with the joint', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 250, max: 2400 }),
        fc.integer({ min: 250, max: 2400 }),
        fc.constantFrom(...JOINTS),
        (widthMm, heightMm, joint) => {
          const choices = chooseBars({ widthMm, heightMm }, bars({ joint: joint.id }), DEFAULT_RULES);
          const firstBad = choices.findIndex((one) => !one.holds);
          const good = firstBad < 0 ? choices : choices.slice(0, firstBad);
          return (
            choices.slice(good.length).every((one) => !one.holds) &&
            good.every((one, index) => index === 0 || one.weightKg >= good[index - 1]!.weightKg) &&
            good.every((one) => holds(one.topBottom) && holds(one.leftRight)) &&
            choices.every((one) => (byId(PROFILES, one.profile) as Profile).joints.includes(joint.id))
          );
        },
      ),
      { seed: 4, numRuns: 60 },
    );
  });

  it('finds nothing for a face smaller than its bars, without failing', () => {
    expect(chooseBars({ widthMm: 100, heightMm: 100 }, bars(), DEFAULT_RULES)).toEqual([]);
  });

  it('knows the rule of thumb', () => {
    const thumb = (widthMm: number, heightMm: number) => Object.values(ruleOfThumb({ widthMm, heightMm }, DEFAULT_RULES));
    expect([thumb(900, 700), thumb(1000, 700), thumb(1000, 1000), thumb(1600, 900)]).toEqual([
      [0, 0],
      [1, 0],
      [1, 1],
      [2, 0],
    ]);
  });

  it('has tables that hang together: every joint has a bar, every brace is thinner than its bar', () => {
    expect(PROFILES.length).toBeGreaterThanOrEqual(6);
    for (const joint of JOINTS) expect(PROFILES.some((profile: Profile) => profile.joints.includes(joint.id))).toBe(true);
    for (const profile of PROFILES) expect(profile.brace.depthMm).toBeLessThan(profile.depthMm);
  });
});
