import { randomLcg } from 'd3-random';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type FilledBar, cutByCounts } from './cutByCounts';
import { type CuttingPlan, cutTimber, cuttingViolations } from './cutTimber';
import type { TimberPart, TimberStock } from './timberStock';

const parts = (...lengths: number[]): TimberPart[] => lengths.map((lengthMm, index) => ({ label: `p${index}`, lengthMm }));
const bought = (...kinds: [lengthMm: number, priceMinor: number][]): TimberStock[] =>
  kinds.map(([lengthMm, priceMinor]) => ({ id: `${lengthMm}`, lengthMm, priceMinor, available: null }));
const rackBar = (lengthMm: number, available = 1): TimberStock => ({
  id: `rack ${lengthMm}`,
  lengthMm,
  priceMinor: 0,
  available,
});
const planned = (...given: Parameters<typeof cutTimber>): CuttingPlan => {
  const result = cutTimber(...given);
  if (result.kind !== 'plan') throw new Error(`expected a plan, got ${JSON.stringify(result)}`);
  return result;
};
const random = () => randomLcg(0.37);

/** Every way to put the parts one after another on open bars or a new one: slow, and plainly right. */
function bruteForce(list: TimberPart[], stocks: TimberStock[], kerfMm: number): number {
  const left = stocks.map((stock) => stock.available ?? Infinity);
  const open: { roomMm: number }[] = [];
  let best = Infinity;
  const place = (index: number, price: number) => {
    if (price >= best) return;
    if (index === list.length) return void (best = price);
    const { lengthMm } = list[index]!;
    for (const bar of open) {
      if (bar.roomMm < lengthMm + kerfMm - 1e-9) continue;
      bar.roomMm -= lengthMm + kerfMm;
      place(index + 1, price);
      bar.roomMm += lengthMm + kerfMm;
    }
    stocks.forEach((stock, kind) => {
      if (left[kind]! <= 0 || stock.lengthMm < lengthMm) return;
      left[kind]! -= 1;
      open.push({ roomMm: stock.lengthMm - lengthMm });
      place(index + 1, price + stock.priceMinor);
      open.pop();
      left[kind]! += 1;
    });
  };
  place(0, 0);
  return best;
}

describe('buying plan', () => {
  it.each<[string, TimberStock[], number[], number]>([
    ['two rails and two short ones', bought([2000, 690], [3000, 980]), [1000, 1000, 400, 400], 980],
    ['three pairs', bought([1950, 540], [2400, 660], [3900, 1040]), [1500, 1500, 1237, 1237, 726, 726], 2080],
    ['four pairs', bought([2100, 1190], [2700, 1490], [4200, 2350]), [1000, 1000, 900, 900, 500, 500, 240, 240], 2980],
  ])('finds the known least price: %s', (_name, stocks, lengths, price) => {
    const plan = planned(parts(...lengths), stocks, 3, random());
    expect(plan).toMatchObject({ priceMinor: price, lowestPriceMinor: price, proven: true });
    expect(cuttingViolations(plan, parts(...lengths), 3)).toEqual([]);
  });

  it('costs what brute force finds, with and without bars on the rack', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.integer({ min: 150, max: 1500 }), fc.constantFrom(400, 700)), { minLength: 1, maxLength: 6 }),
        fc.uniqueArray(fc.integer({ min: 1500, max: 4000 }), { minLength: 1, maxLength: 3 }),
        fc.array(fc.integer({ min: 200, max: 1800 }), { maxLength: 2 }),
        fc.integer({ min: 0, max: 5 }),
        (lengths, kinds, rack, kerf) => {
          const stocks = [
            ...bought(...kinds.map((mm): [number, number] => [mm, 100 + Math.round(mm / 3)])),
            ...rack.map((mm) => rackBar(mm)),
          ];
          const list = parts(...lengths);
          const plan = planned(list, stocks, kerf, random());
          return (
            plan.proven && plan.priceMinor === bruteForce(list, stocks, kerf) && cuttingViolations(plan, list, kerf).length === 0
          );
        },
      ),
      { seed: 11, numRuns: 300 },
    );
  });

  it('beyond sixteen parts: a valid plan, a bound below it, and the same plan from the same source', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 200, max: 1400 }), { minLength: 17, maxLength: 30 }), (lengths) => {
        const list = parts(...lengths);
        const stocks = [...bought([2400, 900], [3600, 1300]), rackBar(800, 2)];
        const plan = planned(list, stocks, 3, random(), 30);
        return (
          cuttingViolations(plan, list, 3).length === 0 &&
          plan.lowestPriceMinor <= plan.priceMinor &&
          plan.lowestPriceMinor >= 0.8 * plan.priceMinor &&
          JSON.stringify(plan) === JSON.stringify(planned(list, stocks, 3, random(), 30))
        );
      }),
      { seed: 12, numRuns: 6 },
    );
  });

  it('never says proven below what is: the bound stays under the proven price', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 200, max: 1400 }), { minLength: 8, maxLength: 8 }), (lengths) => {
        // The same parts, with 9 that fill a bar each, go the best-effort way.
        const full = parts(...lengths, ...Array.from({ length: 9 }, () => 2400));
        const stocks = bought([2400, 900]);
        const exact = planned(parts(...lengths), stocks, 3, random()).priceMinor + 9 * 900;
        const plan = planned(full, stocks, 3, random(), 40);
        return plan.lowestPriceMinor <= exact && (!plan.proven || plan.priceMinor === exact);
      }),
      { seed: 13, numRuns: 15 },
    );
  });

  it('leaves what the saw leaves: the last cut runs into the leftover or off the end', () => {
    const [bar] = planned(parts(900, 600), bought([2000, 500]), 3, random()).bars;
    expect(bar!.leftoverMm).toBe(2000 - 900 - 600 - 6);
    expect(planned(parts(998, 999), bought([2000, 500]), 3, random()).bars[0]!.leftoverMm).toBe(0);
  });

  it('names the part that no length holds, and refuses what cannot be', () => {
    expect(cutTimber(parts(500, 2500), bought([2000, 500]), 3, random())).toEqual({
      kind: 'tooLong',
      part: { label: 'p1', lengthMm: 2500 },
      longestMm: 2000,
    });
    // Two long parts, one long bar on the rack.
    expect(cutTimber(parts(2500, 2500), [...bought([2000, 500]), rackBar(2600)], 3, random()).kind).toBe('tooLong');
    expect(() => cutTimber(parts(0), bought([2000, 500]), 3, random())).toThrow(/longer than 0, got 0/);
    expect(() => cutTimber(parts(5), bought([2000, 500]), -1, random())).toThrow(/kerfMm must be 0 or more, got -1/);
  });
});

describe('parts that are alike, and racks that are full', () => {
  const stocks = bought([2100, 1190], [2700, 1490], [4200, 2350]);
  const timesMm = (...pairs: [count: number, lengthMm: number][]) =>
    parts(...pairs.flatMap(([count, lengthMm]) => Array.from({ length: count }, () => lengthMm)));

  it('twelve frames of a class are proven, and cost what one frame at a time never beats', () => {
    const list = timesMm([20, 400], [20, 300]);
    const plan = planned(list, stocks, 3, random(), 0);
    expect(plan.proven).toBe(true);
    expect(cuttingViolations(plan, list, 3)).toEqual([]);
    // 20 × 403 + 20 × 303 less the cut given back on each bar; 4200 mm at 2350 is the cheapest by the millimetre.
    expect(plan.priceMinor).toBe(planned(list, stocks, 3, () => 0.3).priceMinor);
    expect(plan.priceMinor).toBeLessThan(10 * planned(timesMm([2, 400], [2, 300]), stocks, 3, random()).priceMinor);
  });

  it('costs what brute force finds, whatever the counts', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 250, max: 1300 })), { minLength: 1, maxLength: 3 }),
        fc.array(fc.integer({ min: 300, max: 2600 }), { maxLength: 3 }),
        fc.integer({ min: 0, max: 4 }),
        (pairs, rack, kerf) => {
          const list = timesMm(...pairs);
          const all = [...stocks, ...rack.map((mm) => rackBar(mm))];
          const found = cutByCounts(
            list,
            stocks,
            rack.map((mm) => rackBar(mm)),
            kerf,
            (stock) => stock.priceMinor,
          );
          const price = (found as FilledBar[]).reduce((sum, bar) => sum + bar.stock.priceMinor, 0);
          return price === bruteForce(list, all, kerf);
        },
      ),
      { seed: 5, numRuns: 150 },
    );
  });

  it('sixteen unlike parts with ten bars on the rack are proven', () => {
    const source = randomLcg(0.8);
    const list = parts(...Array.from({ length: 16 }, () => 250 + Math.round(900 * source())));
    const rack = Array.from({ length: 10 }, () => rackBar(400 + Math.round(1400 * source())));
    const plan = planned(list, [...stocks, ...rack], 3, random());
    expect(plan.proven).toBe(true);
    expect(cuttingViolations(plan, list, 3)).toEqual([]);
  });

  it('parts that fill the rack to the last millimetre need nothing bought, and what no length holds is named', () => {
    for (const shop of [[], stocks])
      expect(planned(parts(1000, 997, 500), [...shop, rackBar(2000), rackBar(500)], 3, random())).toMatchObject({
        priceMinor: 0,
        proven: true,
      });
    const many = timesMm([20, 500]);
    expect(planned(many, [rackBar(503 * 20 - 3)], 3, random())).toMatchObject({ priceMinor: 0, proven: true });
    expect(cutTimber(many, [rackBar(503 * 19)], 3, random())).toMatchObject({ kind: 'tooLong' });
  });
});
