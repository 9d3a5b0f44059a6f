import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PROFILES, type Profile } from '../frame/profiles';
import { DEFAULT_RULES } from '../house/houseRules';
import { newInputs } from '../job/job';
import type { ClothInputs } from '../stages/cloth/clothInputs';
import { byId } from '../house/schools';
import { type Tape, SIXTEENTH_MM, length } from '../units/length';
import { cutSize, marginOf, marginParts } from './cutSize';
import { cuttingSteps } from './cuttingSteps';
import { FABRICS } from './fabrics';
import { FIXING_WORDS, fixingFor } from './marginLeft';
import { MARGIN_STYLES } from './marginStyles';
import { waysToFit } from './narrowCloth';
import { rollFit } from './rollFit';
import { rollPrice } from './rollPrice';

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
    ['hem', 23.2 + 56 + 12, 68],
    ['hemShort', 23.2 + 25 + 12, 37],
    ['reserve', 23.2 + 56 + 25, 81],
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
          if (id === 'reserve')
            expect(hand.totalMm).toBeGreaterThanOrEqual(
              marginParts('covered', profile, fabric, 'hand', DEFAULT_RULES).totalMm + 25,
            );
          expect(pliers.toHoldMm).toBeGreaterThanOrEqual(20 - 1e-9);
          expect(pliers.totalMm).toBeLessThanOrEqual(hand.totalMm + 1e-9);
          expect(hand.fastenerAtMm).toBeGreaterThan(0);
          expect(hand.fastenerAtMm).toBeLessThanOrEqual(profile.widthMm);
        }
  });
});

describe('a hem', () => {
  it('is a covered or a short return and what is turned under, on every bar and cloth', () => {
    for (const profile of PROFILES)
      for (const fabric of FABRICS)
        for (const [hemmed, plain] of [
          ['hem', 'covered'],
          ['hemShort', 'short'],
        ] as const) {
          const [one, other] = [hemmed, plain].map((id) => marginParts(id, profile, fabric, 'pliers', DEFAULT_RULES));
          expect(one!.returnMm).toBe(other!.returnMm);
          expect(one!.hemMm).toBe(12);
          expect(one!.edgeMm).toBe(other!.edgeMm);
          expect(one!.totalMm - one!.gripMm).toBeCloseTo(other!.totalMm - other!.gripMm + 12, 9);
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
    // Along the warp 0.8 % of 900 mm, along the weft 1.2 % of 600 mm.
    expect([taken.giveWidthMm, taken.giveHeightMm]).toEqual([expect.closeTo(7.2, 9), expect.closeTo(7.2, 9)]);
    expect(taken.widthMm).toBe(Math.ceil(plain.netWidthMm - 7.2));
  });

  it('a side of its own changes that side alone, and takes from what is spare first', () => {
    const own = (mm: number, style: 'hem' | 'reserve' | 'covered') =>
      cutSize(
        face,
        cloth({ ownMargin: { top: null, right: null, bottom: null, left: length(mm) } }),
        style,
        standard,
        DEFAULT_RULES,
        MM,
      );
    const lean = own(60, 'hem');
    expect(lean.margins.left).toMatchObject({ edgeMm: 23.2, hemMm: 0, totalMm: 60 });
    expect(lean.margins.left.returnMm).toBeCloseTo(36.8, 9);
    expect(lean.margins.left.fastenerToEdgeMm).toBeGreaterThanOrEqual(10);
    expect(lean.netWidthMm).toBeCloseTo(900 + 60 + lean.margins.right.totalMm, 9);
    expect(lean.margins.top).toEqual(lean.margin);
    expect(own(150, 'covered').margins.left.reserveMm).toBeCloseTo(150 - 79.2, 9);
    const bare = own(15, 'reserve').margins.left;
    expect([bare.edgeMm, bare.returnMm, bare.toHoldMm]).toEqual([expect.closeTo(15, 9), 0, expect.closeTo(0, 9)]);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 300 }), fc.constantFrom(...MARGIN_STYLES), (mm, { id }) => {
        const one = marginOf(mm, marginParts(id, standard, duck, 'hand', DEFAULT_RULES), DEFAULT_RULES);
        const parts = [one.edgeMm, one.returnMm, one.gripMm, one.hemMm, one.reserveMm];
        return parts.every((part) => part >= 0) && Math.abs(parts.reduce((sum, part) => sum + part, 0) - mm) < 1e-9;
      }),
      { seed: 4, numRuns: 200 },
    );
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

  it('finds every way out of a narrow roll, and says when there is none', () => {
    const ways = (patch: Partial<ClothInputs>, size = face) => waysToFit(size, cloth(patch), standard, DEFAULT_RULES, MM);
    // 600 mm high, warp along the width: the height lies across.
    const narrow = ways({ rollWidth: length(700), marginStyle: 'covered' });
    expect(narrow).toMatchObject({ turned: false, styles: ['short', 'edge'], rollsMm: [1600, 2100, 3000], marginsAcrossMm: 100 });
    expect(narrow.leastAcrossMm).toBeCloseTo(2 * (19 + 3 + 1.2 + 20), 9);
    expect(ways({ rollWidth: length(800), warp: 'height' })).toMatchObject({ turned: true, styles: [] });
    const none = ways({ rollWidth: length(1600), fabric: 'cottonPrimed' }, { widthMm: 2600, heightMm: 2500 });
    expect(none).toMatchObject({ turned: false, styles: [], rollsMm: [] });
    expect(none.marginsAcrossMm).toBeLessThan(0);
  });

  it('tears what tears true, cuts the rest, washes before it measures again, and prices the whole width', () => {
    const steps = (id: string, wash = false) =>
      cuttingSteps(byId(FABRICS, id), { alongMm: 1059, acrossMm: 759, sparesMm: 841 }, wash, MM);
    expect(steps('cottonMedium')).toMatchObject({ way: 'tear', steps: { length: 3 } });
    expect(steps('cottonMedium', true).steps[2]).toMatch(/Wash.*measure again/);
    expect(steps('linenPrimed')).toMatchObject({ way: 'cut' });
    expect(steps('linenPrimed').steps.at(-1)).toMatch(/Primed side down/);
    expect(rollPrice(duck, 2000, 1500)).toBe(Math.round(1.5 * 1090));
    expect(rollPrice(duck, 4000, 1500)).toBeNull();
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
