import { describe, expect, it } from 'vitest';
import { byId } from '../house/schools';
import { batchRecipe, primedArea, sharesOf } from './coatRecipe';
import { dryingFactor, vapourDeficit } from './drying';
import { SYSTEMS } from './grounds';
import { pour, toMatch } from './pour';
import { SUBSTANCES, layerWarning } from './substances';

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
  it('balance to the gram: what goes on the scale is what the pot holds, for one canvas and for many', () => {
    for (const { coats } of SYSTEMS)
      for (const coat of coats)
        for (const areas of [[0.8], [0.31, 1.2, 0.07], [12.345]]) {
          const recipe = batchRecipe(
            areas.map((areaM2) => ({ areaM2, absorbMlPerM2: 150 })),
            coat,
            10,
          );
          const area = areas.reduce((sum, one) => sum + one, 0);
          expect(recipe.glueG + recipe.groundMl + recipe.waterMl).toBeCloseTo(recipe.totalMl, 9);
          expect(recipe.totalMl).toBeCloseTo(area * 150 * 1.1, 9);
          expect(recipe.substanceG + recipe.waterG).toBe(recipe.totalG);
          expect(Number.isInteger(recipe.substanceG) && Number.isInteger(recipe.waterG)).toBe(true);
          expect(recipe.dryG).toBeLessThan(recipe.totalG);
          expect(coat.waterParts).toBeLessThanOrEqual(byId(SUBSTANCES, coat.substance).mostWater);
        }
    const shares = sharesOf(
      250,
      [0.31, 1.2, 0.07].map((areaM2) => ({ areaM2, absorbMlPerM2: 150 })),
    );
    expect(shares.reduce((sum, one) => sum + one, 0)).toBeCloseTo(250, 9);
    expect(shares[1]! / shares[0]!).toBeCloseTo(1.2 / 0.31, 9);
  });

  it('glue size keeps between one part to ten and one to fourteen; each system crosses its coats and stacks what holds', () => {
    for (const { coats } of SYSTEMS) {
      for (const coat of coats.filter((one) => one.substance === 'animalGlue'))
        expect(coat.waterParts >= 10 && coat.waterParts <= 14).toBe(true);
      coats.forEach((coat, index) => {
        const below = coats[index - 1];
        if (below) expect(coat.direction).not.toBe(below.direction);
        const layer = (one: typeof coat) => byId(SUBSTANCES, one.substance).layer;
        expect(layerWarning(below ? layer(below) : 'raw', layer(coat))).toBeUndefined();
        expect(coat.sandAfter).toBe(coat.grit !== undefined);
      });
    }
  });

  it('knows which layers do not hold: water on oil, acrylic on glue, oil on raw cloth', () => {
    expect(layerWarning('oil', 'acrylic')?.level).toBe('stop');
    expect(layerWarning('glue', 'acrylic')?.level).toBe('stop');
    expect(layerWarning('raw', 'oil')?.level).toBe('stop');
    expect(layerWarning('acrylic', 'oil')).toBeUndefined();
  });

  it.each([[[0]], [[-1]], [[NaN]], [[201]], [[1e9]], [[150, 60]], [[1, 0]], [[]]])('refuses areas of %j m²', (areas) => {
    const many = areas.map((areaM2) => ({ areaM2, absorbMlPerM2: 100 }));
    expect(() => batchRecipe(many, { substance: 'acrylicGround', waterParts: 0 }, 0)).toThrow(
      /area must be above 0 and at most 200 m²/,
    );
  });

  it('adds edges and back', () => {
    const face = { widthMm: 1000, heightMm: 500 };
    expect(primedArea(face, 40, false, false)).toBe(0.5);
    expect(primedArea(face, 40, true, true)).toBeCloseTo(1.12, 12);
  });
});

describe('pouring', () => {
  it('is right within a gram or the house’s part, and says what is missing or too much', () => {
    expect(pour(10, 11, 0.02)).toEqual({ state: 'right' });
    expect(pour(500, 491, 0.02)).toEqual({ state: 'right' });
    expect(pour(500, 520, 0.02)).toEqual({ state: 'over', byG: 20 });
    expect(() => pour(500, -1, 0.02)).toThrow(/0 or more, got -1 of 500/);
  });

  it('too much of one asks for more of the other, so that the ratio stays', () => {
    expect(toMatch(520, { part: 500, other: 300 })).toBe(312);
    expect(() => toMatch(1, { part: 0, other: 3 })).toThrow(/above 0 g/);
  });
});
