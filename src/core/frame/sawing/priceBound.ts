/*
 * How cheap a buying plan can get at best: dual prices of the parts, scaled until no pattern is worth more than
 * its bar costs (Farley, A note on bounding a class of linear programming problems, 1990), bettered by a
 * multiplicative rule. A bound, not a plan: the least price may lie above it.
 */
import type { TimberPart, TimberStock } from './timberStock';

/**
 * A price no plan can go under, in minor units, rounded up: any prices per part under which no pattern of a
 * bought length is worth more than the length costs add up to a bound; what the rack's bars hold is taken off.
 */
export function priceBound(
  parts: readonly TimberPart[],
  bought: readonly TimberStock[],
  rack: readonly TimberStock[],
  kerfMm: number,
): number {
  const sizes = [...new Set(parts.map((part) => part.lengthMm))];
  const counts = sizes.map((size) => parts.filter((part) => part.lengthMm === size).length);
  const values = sizes.map((size) => size + kerfMm);
  let best = 0;
  for (let round = 0; round < 40; round += 1) {
    const filled = bought.map((stock) => ({ ...bestFilling(sizes, counts, values, stock.lengthMm, kerfMm), stock }));
    const tight = filled.reduce((a, b) => (b.worth / b.stock.priceMinor > a.worth / a.stock.priceMinor ? b : a));
    const scale = tight.worth > 0 ? tight.stock.priceMinor / tight.worth : 0;
    const whole = values.reduce((sum, value, index) => sum + value * scale * counts[index]!, 0);
    const onRack = rack.reduce((sum, stock) => sum + scale * bestFilling(sizes, counts, values, stock.lengthMm, kerfMm).worth, 0);
    best = Math.max(best, whole - onRack);
    values.forEach((value, index) => (values[index] = value * scale * (tight.used[index]! > 0 ? 0.97 : 1.02)));
  }
  return Math.ceil(best - 1e-6);
}

/** The most worth that fits on one bar: a knapsack on whole millimetres, sizes rounded down so that it is never too low. */
function bestFilling(
  sizes: readonly number[],
  counts: readonly number[],
  values: readonly number[],
  lengthMm: number,
  kerfMm: number,
): { worth: number; used: number[] } {
  const room = Math.ceil(lengthMm + kerfMm);
  const worth = new Float64Array(room + 1);
  const choice: Uint8Array[] = [];
  sizes.forEach((size, index) => {
    const step = Math.max(1, Math.floor(size + kerfMm));
    const took = new Uint8Array(room + 1);
    for (let at = room; at >= step; at -= 1) {
      for (let count = 1; count <= counts[index]! && count * step <= at; count += 1) {
        const here = worth[at - count * step]! + count * values[index]!;
        if (here > worth[at]!) {
          worth[at] = here;
          took[at] = count;
        }
      }
    }
    choice.push(took);
  });
  const used = sizes.map(() => 0);
  let at = room;
  for (let index = sizes.length - 1; index >= 0; index -= 1) {
    used[index] = choice[index]![at]!;
    at -= used[index]! * Math.max(1, Math.floor(sizes[index]! + kerfMm));
  }
  return { worth: worth[room]!, used };
}
