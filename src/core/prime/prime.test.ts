import { describe, expect, it } from 'vitest';
import { cornerOpening } from '../tension/cornerOpening';
import { coatRecipe, primedArea } from './coatRecipe';
import { dryingFactor, vapourDeficit } from './drying';
import { SYSTEMS } from './grounds';

const REFERENCE = { celsius: 20, rh: 50 };

describe('drying', () => {
  it('knows the vapour pressure of water: 2.34 kPa at 20 °C, 3.17 at 25 °C', () => {
    expect(vapourDeficit({ celsius: 20, rh: 0 })).toBeCloseTo(2.339, 2);
    expect(vapourDeficit({ celsius: 25, rh: 0 })).toBeCloseTo(3.169, 2);
    expect(vapourDeficit({ celsius: 20, rh: 100 })).toBe(0);
  });

  it('is slower in damp or cold air, and says when it will not dry at all', () => {
    expect(dryingFactor({ celsius: 20, rh: 75 }, REFERENCE)).toBeCloseTo(2, 12);
    expect(dryingFactor({ celsius: 12, rh: 50 }, REFERENCE)).toBeGreaterThan(1.5);
    expect(dryingFactor({ celsius: 28, rh: 40 }, REFERENCE)).toBeLessThan(1);
    expect(dryingFactor({ celsius: 20, rh: 100 }, REFERENCE)).toBeNull();
    expect(dryingFactor({ celsius: 5, rh: 95 }, REFERENCE)).toBeNull();
  });

  it('refuses air that no room has', () => {
    expect(() => vapourDeficit({ celsius: -3, rh: 50 })).toThrow(/0 to 50 °C, got -3/);
    expect(() => vapourDeficit({ celsius: 20, rh: 101 })).toThrow(/0 to 100 %, got 101/);
  });
});

describe('recipes', () => {
  it('balance: what goes in is what comes out', () => {
    for (const system of SYSTEMS)
      for (const coat of system.coats) {
        const { totalMl, glueG, groundMl, waterMl } = coatRecipe(0.8, coat, 150, 10);
        expect(glueG + groundMl + waterMl).toBeCloseTo(totalMl, 9);
        expect(totalMl).toBeCloseTo(0.8 * 150 * 1.1, 9);
        if (coat.kind === 'size') expect(waterMl / glueG).toBeCloseTo(coat.waterParts, 9);
        else expect(waterMl).toBeLessThanOrEqual(groundMl);
      }
  });

  it('glue size keeps between one part to ten and one to fourteen; each system crosses its coats', () => {
    for (const { coats } of SYSTEMS) {
      for (const coat of coats.filter((one) => one.kind === 'size'))
        expect(coat.waterParts >= 10 && coat.waterParts <= 14).toBe(true);
      coats.forEach((coat, index) => expect(index === 0 || coat.direction !== coats[index - 1]!.direction).toBe(true));
    }
  });

  it.each([0, -1, NaN, 201])('refuses an area of %d m²', (area) => {
    expect(() => coatRecipe(area, { kind: 'ground', waterParts: 0 }, 100, 0)).toThrow(/area must be above 0 and at most 200 m²/);
  });

  it('adds edges and back', () => {
    const face = { widthMm: 1000, heightMm: 500 };
    expect(primedArea(face, 40, false, false)).toBe(0.5);
    expect(primedArea(face, 40, true, true)).toBeCloseTo(1.12, 12);
  });
});

describe('opening the corners', () => {
  it('grows both ways by twice the opening; the shorter side tightens more', () => {
    const opened = cornerOpening(0.75, { widthMm: 1000, heightMm: 500 }, 20);
    expect(opened).toMatchObject({ growthMm: 1.5, strainWidth: 0.0015, strainHeight: 0.003 });
    expect(opened.riseHeightNPerM).toBeCloseTo(2 * opened.riseWidthNPerM, 9);
    expect(opened.mitreGapMm).toBeCloseTo(0.75 * Math.SQRT2, 12);
  });

  it('refuses to close what is closed', () => {
    expect(() => cornerOpening(-1, { widthMm: 1, heightMm: 1 }, 20)).toThrow(/0 mm or more, got -1/);
    expect(() => cornerOpening(1, { widthMm: 0, heightMm: 1 }, 20)).toThrow(/face must be above 0/);
  });
});
