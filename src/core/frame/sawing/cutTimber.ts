/*
 * The buying plan: which lengths of timber to buy and how to saw them, at the least price. Whole bars are paid,
 * one saw cut lies between neighbours, the cut after the last part runs into the leftover or off the end.
 * Up to 16 parts: dynamic programming over all subsets (Held–Karp style, every bar takes the first part left); more
 * parts, or many bars on the rack: over how many of each length are left (cutByCounts). Both are proven. Beyond: first fit, then bars are taken apart a few at a time and rejoined exactly;
 * a bound says how far from the least it can be.
 */
import { RECORD_TAPE } from '../../units/length';
import { printed } from '../../quantities/printed';
import { cutByCounts } from './cutByCounts';
import { priceBound } from './priceBound';
import type { TimberPart, TimberStock } from './timberStock';

export interface SawnBar {
  stock: TimberStock;
  parts: TimberPart[];
  leftoverMm: number;
}

export interface CuttingPlan {
  kind: 'plan';
  bars: SawnBar[];
  priceMinor: number;
  /** No plan is cheaper than this. */
  lowestPriceMinor: number;
  /** The price cannot be beaten. */
  proven: boolean;
}

export type CuttingResult = CuttingPlan | { kind: 'tooLong'; part: TimberPart; longestMm: number };

/** With more parts than this the plan is a best effort with a bound. */
export const PROVEN_PARTS = 16;
/** Steps over the bars of the rack that take about a tenth of a second. */
const MOST_STEPS = 2e7;
/** Parts taken apart at once when improving. */
const APART = 10;
/** Price comes first; among equal prices the shorter bars, so that long ones stay whole. */
const LENGTH_WEIGHT = 1e-7;

/**
 * The cheapest way to get these parts out of these lengths.
 *
 * @param parts mm above 0
 * @param kerfMm width of the saw cut, 0 or more
 * @param random source for the improvement beyond 16 parts; the same source gives the same plan
 * @returns the plan, or the part that no length holds
 * @throws RangeError for a length or kerf that cannot be
 * @example cutTimber([{ label: 'rail', lengthMm: 1000 }, { label: 'rail', lengthMm: 1000 }], [{ id: 'a', lengthMm: 2000, priceMinor: 690, available: null }, { id: 'b', lengthMm: 3000, priceMinor: 980, available: null }], 3, () => 0.5).priceMinor // 980
 */
export function cutTimber(
  parts: readonly TimberPart[],
  stocks: readonly TimberStock[],
  kerfMm: number,
  random: () => number,
  rounds = 160,
): CuttingResult {
  for (const { label, lengthMm } of parts)
    if (!(lengthMm > 0)) throw new RangeError(`part ${label} must be longer than 0, got ${lengthMm}`);
  if (!(kerfMm >= 0)) throw new RangeError(`kerfMm must be 0 or more, got ${kerfMm}`);
  const longestMm = Math.max(0, ...stocks.filter((one) => one.available !== 0).map((one) => one.lengthMm));
  const tooLong = parts.find((part) => part.lengthMm > longestMm + 1e-9);
  if (tooLong) return { kind: 'tooLong', part: tooLong, longestMm };
  if (parts.length === 0) return { kind: 'plan', bars: [], priceMinor: 0, lowestPriceMinor: 0, proven: true };
  const sorted = [...parts].sort((a, b) => b.lengthMm - a.lengthMm);
  const rack = stocks.flatMap((stock) => Array.from({ length: stock.available ?? 0 }, () => stock));
  const bought = stocks.filter((stock) => stock.available === null);
  const useful = rack.filter((one) => one.lengthMm >= sorted.at(-1)!.lengthMm);
  const bySubsets = sorted.length <= PROVEN_PARTS ? leastPrice(sorted, bought, useful, kerfMm) : 'too much';
  const tried = bySubsets === 'too much' ? byCounts(sorted, bought, useful, kerfMm) : bySubsets;
  const exact = tried !== 'too much';
  const bars = exact ? tried : improved(firstFit(sorted, bought, useful, kerfMm), bought, useful, kerfMm, random, rounds);
  if (!bars) {
    const longestBought = Math.max(0, ...bought.map((one) => one.lengthMm));
    return { kind: 'tooLong', part: sorted.find((part) => part.lengthMm > longestBought)!, longestMm: longestBought };
  }
  const priceMinor = bars.reduce((sum, bar) => sum + bar.stock.priceMinor, 0);
  const lowestPriceMinor = exact ? priceMinor : Math.min(priceMinor, priceBound(sorted, bought, useful, kerfMm));
  return { kind: 'plan', bars, priceMinor, lowestPriceMinor, proven: exact || lowestPriceMinor === priceMinor };
}

/**
 * A checker: what is wrong with a plan, as sentences; none when every part is cut once, every bar holds its
 * parts with the cuts between, and the rack is not overdrawn.
 */
export function cuttingViolations(plan: CuttingPlan, parts: readonly TimberPart[], kerfMm: number): string[] {
  const wrong: string[] = [];
  const lengths = (list: readonly TimberPart[]) =>
    list
      .map((one) => `${one.label} ${one.lengthMm}`)
      .sort()
      .join('; ');
  if (lengths(plan.bars.flatMap((bar) => bar.parts)) !== lengths(parts)) wrong.push('the parts cut are not the parts asked');
  for (const { stock, parts: on } of plan.bars) {
    const needed = spaceMm(on, kerfMm);
    if (needed > stock.lengthMm + 1e-6)
      wrong.push(
        `${printed('barLengthNeeded', needed, RECORD_TAPE)} on a bar of ${printed('barLength', stock.lengthMm, RECORD_TAPE)}`,
      );
  }
  for (const stock of new Set(plan.bars.map((bar) => bar.stock))) {
    const used = plan.bars.filter((bar) => bar.stock === stock).length;
    if (stock.available !== null && used > stock.available) wrong.push(`${used} bars of ${stock.available} on the rack`);
  }
  return wrong;
}

/** Parts on one bar with a cut between neighbours, mm. */
const spaceMm = (parts: readonly TimberPart[], kerfMm: number) =>
  parts.reduce((sum, part) => sum + part.lengthMm, 0) + kerfMm * Math.max(0, parts.length - 1);

const sawn = (stock: TimberStock, parts: TimberPart[], kerfMm: number): SawnBar => ({
  stock,
  parts,
  leftoverMm: Math.max(0, stock.lengthMm - spaceMm(parts, kerfMm) - kerfMm),
});

const weight = (stock: TimberStock) => stock.priceMinor + LENGTH_WEIGHT * stock.lengthMm;

/** The least price over how many of each length are left, as bars with their leftovers. */
function byCounts(
  parts: readonly TimberPart[],
  bought: readonly TimberStock[],
  rack: readonly TimberStock[],
  kerfMm: number,
): SawnBar[] | null | 'too much' {
  const bars = cutByCounts(parts, bought, rack, kerfMm, weight);
  return Array.isArray(bars) ? bars.map(({ stock, parts: on }) => sawn(stock, on, kerfMm)) : bars;
}

/** Space that every subset of the parts takes, by its bits. */
function spaces(parts: readonly TimberPart[], kerfMm: number): Float64Array {
  const space = new Float64Array(1 << parts.length);
  for (let set = 1; set < space.length; set += 1) {
    const rest = set & (set - 1);
    space[set] = parts[31 - Math.clz32(set & -set)]!.lengthMm + (rest === 0 ? 0 : space[rest]! + kerfMm);
  }
  return space;
}

const fitting = (space: Float64Array, lengthMm: number): number[] => {
  const sets: number[] = [];
  for (let set = 1; set < space.length; set += 1) if (space[set]! <= lengthMm + 1e-9) sets.push(set);
  return sets;
};

/**
 * Parts of one length are alike: of those left, only the last ones of each length need looking at. 1 for such sets.
 */
function canonical(parts: readonly TimberPart[]): Uint8Array {
  const good = new Uint8Array(1 << parts.length).fill(1);
  parts.slice(1).forEach((part, before) => {
    if (part.lengthMm !== parts[before]!.lengthMm) return;
    for (let set = 0; set < good.length; set += 1) if ((set >> before) & 1 && !((set >> (before + 1)) & 1)) good[set] = 0;
  });
  return good;
}

/** For each bar of the rack what fits on it, and the sets that can be left for it when those after it have taken theirs. */
function rackLayers(parts: readonly TimberPart[], space: Float64Array, rack: readonly TimberStock[]) {
  const good = canonical(parts);
  let reached: Uint32Array = Uint32Array.of(space.length - 1);
  let steps = 0;
  const layers = rack.map((stock) => ({ stock, fits: fitting(space, stock.lengthMm), reached }));
  for (const layer of layers.reverse()) {
    layer.reached = reached;
    steps += reached.length * layer.fits.length;
    if (steps > MOST_STEPS) break;
    const next = new Set(reached);
    for (const set of reached) for (const sub of layer.fits) if ((sub & set) === sub && good[set ^ sub]!) next.add(set ^ sub);
    reached = Uint32Array.from(next);
  }
  return { layers: layers.reverse(), left: reached, good, steps };
}

/** As `rackLayers` for unlike parts, with those fillings of each bar to which nothing can be added, and every set looked at. */
function fullLayers(parts: readonly TimberPart[], space: Float64Array, rack: readonly TimberStock[], kerfMm: number) {
  const every = Uint32Array.from({ length: space.length }, (_, set) => set);
  const full = (lengthMm: number) => {
    const room = (set: number) => lengthMm - space[set]! - (set === 0 ? 0 : kerfMm);
    return fitting(space, lengthMm).filter(
      (set) => !parts.some((part, index) => !((set >> index) & 1) && part.lengthMm <= room(set) + 1e-9),
    );
  };
  const layers = rack.map((stock) => ({ stock, fits: full(stock.lengthMm), reached: every }));
  return { layers, left: every, good: new Uint8Array(space.length).fill(1) };
}

/** Lets a bar of the rack take what it can of every set; `least` is bettered in place. */
function withFullBar({ stock, fits }: { stock: TimberStock; fits: number[] }, least: Float64Array): Map<number, number> {
  const took = new Map<number, number>();
  const before = least.slice();
  const price = weight(stock);
  for (let set = 1; set < least.length; set += 1) {
    let [best, part] = [before[set]! - 1e-12, 0];
    for (const full of fits) {
      const here = price + before[set & ~full]!;
      if (here >= best) continue;
      best = here;
      part = set & full;
    }
    if (part === 0) continue;
    least[set] = best;
    took.set(set, part);
  }
  return took;
}

/** Least price over all subsets; null when a part fits nothing any more, "too much" when the rack makes it long. */
function leastPrice(
  parts: readonly TimberPart[],
  bought: readonly TimberStock[],
  rack: readonly TimberStock[],
  kerfMm: number,
): SawnBar[] | null | 'too much' {
  const all = (1 << parts.length) - 1;
  const space = spaces(parts, kerfMm);
  const looked = rackLayers(parts, space, rack);
  const unlike = new Set(parts.map((part) => part.lengthMm)).size === parts.length;
  if (looked.steps > MOST_STEPS && !unlike) return 'too much';
  // Among unlike parts what is taken from any set can be filled up freely: only full bars of the rack are looked at.
  const { layers, left: reached, good } = looked.steps > MOST_STEPS ? fullLayers(parts, space, rack, kerfMm) : looked;
  const { least, taken, cheapest } = leastBought(space, bought, good, reached);
  const took =
    looked.steps > MOST_STEPS
      ? layers.map((layer) => withFullBar(layer, least))
      : layers.map((layer) => withRackBar(layer, least, good));
  if (!Number.isFinite(least[all]!)) return null;
  const bars: SawnBar[] = [];
  const pick = (set: number) => parts.filter((_part, index) => set & (1 << index));
  let left = all;
  for (let layer = layers.length - 1; layer >= 0; layer -= 1) {
    const used = took[layer]!.get(left);
    if (used === undefined) continue;
    bars.push(sawn(layers[layer]!.stock, pick(used), kerfMm));
    left ^= used;
  }
  for (; left !== 0; left ^= taken[left]!) bars.push(sawn(bought[cheapest.stock[taken[left]!]!]!, pick(taken[left]!), kerfMm));
  return bars;
}

/** Least price of every set out of bought lengths alone. A set with the first part matters only where it is reached. */
function leastBought(space: Float64Array, bought: readonly TimberStock[], good: Uint8Array, reached: Uint32Array) {
  const cheapest = cheapestHolding(space, bought);
  const least = new Float64Array(space.length).fill(Infinity);
  const taken = new Int32Array(space.length);
  const whole = new Uint8Array(space.length);
  for (const set of reached) whole[set] = 1;
  least[0] = 0;
  for (let set = 1; set < space.length; set += 1) {
    if (!good[set] || (set & 1 && !whole[set])) continue;
    const low = set & -set;
    const rest = set ^ low;
    let [best, part] = [Infinity, 0];
    for (let sub = rest; ; sub = (sub - 1) & rest) {
      const price = cheapest.price[sub | low]! + least[rest ^ sub]!;
      if (price < best) {
        best = price;
        part = sub | low;
      }
      if (sub === 0) break;
    }
    least[set] = best;
    taken[set] = part;
  }
  return { least, taken, cheapest };
}

/** For every subset the cheapest bought length that holds it. */
function cheapestHolding(space: Float64Array, bought: readonly TimberStock[]): { price: Float64Array; stock: Int16Array } {
  const price = new Float64Array(space.length).fill(Infinity);
  const stock = new Int16Array(space.length).fill(-1);
  bought.forEach((one, index) => {
    for (let set = 1; set < space.length; set += 1) {
      if (space[set]! <= one.lengthMm + 1e-9 && weight(one) < price[set]!) {
        price[set] = weight(one);
        stock[set] = index;
      }
    }
  });
  return { price, stock };
}

/** Lets a bar of the rack take part of each set that can be left for it; `least` is bettered in place. */
function withRackBar(
  { stock, fits, reached }: { stock: TimberStock; fits: number[]; reached: Uint32Array },
  least: Float64Array,
  good: Uint8Array,
): Map<number, number> {
  const took = new Map<number, number>();
  const price = weight(stock);
  // Larger sets first: what is left of them must not have used this bar too.
  for (const set of [...reached].sort((a, b) => b - a)) {
    let best = least[set]! - 1e-12;
    for (const sub of fits) {
      if ((sub & set) !== sub || !good[set ^ sub] || price + least[set ^ sub]! >= best) continue;
      best = price + least[set ^ sub]!;
      took.set(set, sub);
    }
    if (took.has(set)) least[set] = best;
  }
  return took;
}

/** Longest parts first, each on the first bar with room, else on the rack's shortest or the cheapest bought per mm. */
function firstFit(
  parts: readonly TimberPart[],
  bought: readonly TimberStock[],
  rack: readonly TimberStock[],
  kerfMm: number,
): SawnBar[] | null {
  const open: { stock: TimberStock; parts: TimberPart[] }[] = [];
  const free = [...rack].sort((a, b) => a.lengthMm - b.lengthMm);
  for (const part of parts) {
    const bar = open.find((one) => spaceMm([...one.parts, part], kerfMm) <= one.stock.lengthMm + 1e-9);
    if (bar) {
      bar.parts.push(part);
      continue;
    }
    const onRack = free.findIndex((one) => one.lengthMm >= part.lengthMm);
    const perMm = (one: TimberStock) => one.priceMinor / one.lengthMm;
    const stock =
      onRack >= 0
        ? free.splice(onRack, 1)[0]!
        : [...bought].filter((one) => one.lengthMm >= part.lengthMm).sort((a, b) => perMm(a) - perMm(b))[0];
    if (!stock) return null;
    open.push({ stock, parts: [part] });
  }
  return open.map((one) => sawn(one.stock, one.parts, kerfMm));
}

/** Takes a few bars apart, rejoins their parts at the least price, and keeps what is no dearer. */
function improved(
  first: SawnBar[] | null,
  bought: readonly TimberStock[],
  rack: readonly TimberStock[],
  kerfMm: number,
  random: () => number,
  rounds: number,
): SawnBar[] | null {
  if (!first) return null;
  let bars = first;
  const cost = (list: readonly SawnBar[]) => list.reduce((sum, bar) => sum + weight(bar.stock), 0);
  for (let round = 0; round < rounds; round += 1) {
    const order = bars.map((bar) => ({ bar, key: random() })).sort((a, b) => a.key - b.key);
    const apart: SawnBar[] = [];
    for (const { bar } of order)
      if (apart.reduce((sum, one) => sum + one.parts.length, bar.parts.length) <= APART) apart.push(bar);
    const kept = bars.filter((bar) => !apart.includes(bar));
    const free = unused(rack, kept).slice(0, 4);
    const parts = apart.flatMap((bar) => bar.parts).sort((a, b) => b.lengthMm - a.lengthMm);
    const again = parts.length > 0 ? leastPrice(parts, bought, free, kerfMm) : null;
    if (again && again !== 'too much' && cost(again) <= cost(apart) + 1e-9) bars = [...kept, ...again];
  }
  return bars;
}

/** Bars of the rack that these do not use. */
function unused(rack: readonly TimberStock[], bars: readonly SawnBar[]): TimberStock[] {
  const used = bars.map((bar) => bar.stock);
  return rack.filter((stock) => {
    const index = used.indexOf(stock);
    if (index >= 0) used.splice(index, 1);
    return index < 0;
  });
}
