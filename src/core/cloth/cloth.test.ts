import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PROFILES, type Profile } from '../frame/profiles';
import { DEFAULT_RULES } from '../job/houseRules';
import { type ClothInputs, newInputs } from '../job/job';
import { byId } from '../job/schools';
import { type Tape, SIXTEENTH_MM, length } from '../units/length';
import { cutSize, marginParts } from './cutSize';
import { FABRICS } from './fabrics';
import { FIXING_WORDS, fixingFor } from './marginLeft';
import { MARGIN_STYLES } from './marginStyles';
import { rollFit } from './rollFit';

const standard: Profile = byId(PROFILES, 'standard');
const duck = byId(FABRICS, 'cottonMedium');
const MM: Tape = { unit: 'mm', stepMm: 1 };
const cloth = (patch: Partial<ClothInputs> = {}): ClothInputs => ({
  ...newInputs('t', length(900), length(600)).cloth,
  ...patch,
});
const face = { widthMm: 900, heightMm: 600 };

describe('margins', () => {
  // Standard bar 44 × 19 with a 3 mm bead, duck 0.6 mm: the edge is 19 + 3 + 2 × 0.6.
  it.each([
    ['edge', 25, 25],
    ['short', 23.2 + 25, 25],
    ['flush', 23.2 + 44, 44],
    ['covered', 23.2 + 56, 56],
    ['hem', 23.2 + 44 + 12, 56],
    ['reserve', 100, 76.8],
  ] as const)('%s is %d mm, %d of it to hold', (style, total, toHold) => {
    const margin = marginParts(style, standard, duck, 'hand', DEFAULT_RULES);
    expect(margin.totalMm).toBeCloseTo(total, 9);
    expect(margin.toHoldMm).toBeCloseTo(toHold, 9);
  });

  it('always adds up, leaves enough to hold, and keeps pliers at or below fingers', () => {
    for (const profile of PROFILES)
      for (const fabric of FABRICS)
        for (const { id } of MARGIN_STYLES) {
          const hand = marginParts(id, profile, fabric, 'hand', DEFAULT_RULES);
          const pliers = marginParts(id, profile, fabric, 'pliers', DEFAULT_RULES);
          expect(hand.edgeMm + hand.returnMm + hand.gripMm + hand.hemMm + hand.reserveMm).toBeCloseTo(hand.totalMm, 9);
          expect(hand.toHoldMm).toBeGreaterThanOrEqual(25 - 1e-9);
          expect(pliers.toHoldMm).toBeGreaterThanOrEqual(20 - 1e-9);
          expect(pliers.totalMm).toBeLessThanOrEqual(hand.totalMm + 1e-9);
          expect(hand.fastenerAtMm).toBeGreaterThan(0);
          expect(hand.fastenerAtMm).toBeLessThanOrEqual(profile.widthMm);
        }
  });
});

describe('cut size', () => {
  it('is face and margins, rounded up only', () => {
    const cut = cutSize(face, cloth({ marginStyle: 'covered' }), 'covered', standard, DEFAULT_RULES, MM);
    expect([cut.widthMm, cut.heightMm]).toEqual([Math.ceil(900 + 2 * 79.2), Math.ceil(600 + 2 * 79.2)]);
    expect(cut.areaM2).toBeCloseTo(1.059 * 0.759, 9);
  });

  it('is never short of what it must be, on any tape', () => {
    const tapes: Tape[] = [MM, { unit: 'mm', stepMm: 0.5 }, { unit: 'in', stepMm: SIXTEENTH_MM }];
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 3000 }),
        fc.constantFrom(...MARGIN_STYLES),
        fc.constantFrom(...tapes),
        fc.boolean(),
        (widthMm, { id }, tape, washFirst) => {
          const cut = cutSize({ widthMm, heightMm: 500 }, cloth({ washFirst }), id, standard, DEFAULT_RULES, tape);
          const needed = cut.netWidthMm + cut.shrinkWidthMm - cut.giveWidthMm;
          return (
            cut.widthMm >= needed - 1e-5 &&
            cut.widthMm < needed + tape.stepMm &&
            Math.abs(cut.widthMm / tape.stepMm - Math.round(cut.widthMm / tape.stepMm)) < 1e-6
          );
        },
      ),
      { seed: 9, numRuns: 300 },
    );
  });

  it('adds shrinkage so that it is right after the wash, along warp and weft', () => {
    const cut = cutSize(face, cloth({ washFirst: true, warp: 'width' }), 'covered', standard, DEFAULT_RULES, MM);
    expect((cut.netWidthMm + cut.shrinkWidthMm) * (1 - duck.shrinkWarp)).toBeCloseTo(cut.netWidthMm, 9);
    expect((cut.netHeightMm + cut.shrinkHeightMm) * (1 - duck.shrinkWeft)).toBeCloseTo(cut.netHeightMm, 9);
  });

  it('takes stretch off only when asked', () => {
    const plain = cutSize(face, cloth(), 'covered', standard, DEFAULT_RULES, MM);
    const taken = cutSize(face, cloth({ takeOffStretch: true }), 'covered', standard, DEFAULT_RULES, MM);
    expect(plain.giveWidthMm).toBe(0);
    expect(taken.giveWidthMm).toBeCloseTo(9, 9);
    expect(taken.widthMm).toBe(plain.widthMm - 9);
  });

  it('refuses a face of nothing', () => {
    expect(() => cutSize({ widthMm: 0, heightMm: 5 }, cloth(), 'hem', standard, DEFAULT_RULES, MM)).toThrow(
      /face must be above 0, got 0 × 5 mm/,
    );
  });
});

describe('roll and margins left', () => {
  it('lays the warp along the roll and says when turning would fit', () => {
    expect(rollFit({ widthMm: 1800, heightMm: 1200 }, 'width', 1500)).toEqual({
      acrossMm: 1200,
      alongMm: 1800,
      sparesMm: 300,
      fits: true,
      fitsTurned: false,
    });
    expect(rollFit({ widthMm: 1800, heightMm: 1200 }, 'height', 1500)).toMatchObject({ fits: false, fitsTurned: true });
    expect(rollFit({ widthMm: 1500, heightMm: 900 }, 'height', 1500).fits).toBe(true);
  });

  it('says what a margin allows, from comfortable to nothing', () => {
    const allowed = [60, 47, 46.9, 42, 41.9, 20, 19, 16, 15.9].map((left) => fixingFor(left, standard, DEFAULT_RULES));
    expect(allowed).toEqual([
      'backByHand',
      'backByHand',
      'backByPliers',
      'backByPliers',
      'edge',
      'edge',
      'edgeClamped',
      'edgeClamped',
      'none',
    ]);
    expect(FIXING_WORDS.none).toMatch(/conservator/);
  });
});
