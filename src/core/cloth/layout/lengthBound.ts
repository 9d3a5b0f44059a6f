/*
 * A length that no layout can beat. Cut the roll into slices one millimetre long: every slice crosses pieces that
 * lie side by side, and a piece of length h needs h slices. The least number of slices is a linear program over
 * all ways to fill one slice, solved by column generation (Gilmore & Gomory 1961): the best new slice for the
 * prices of the pieces is a knapsack over the width. Any prices give a valid bound (Farley 1990), so it may be
 * stopped at any time. Guillotine cuts are not asked for: the bound holds for every layout.
 */
import { waysOf } from './firstLayout';
import type { ClothPiece } from './rollLayout';
import { blockKinds } from './subsetFronts';

interface Kind {
  ways: readonly { w: number; h: number }[];
  count: number;
}

/** Slices asked for at most. */
const MOST_ROUNDS = 3000;

/**
 * Least length, mm, uninflated: a bound that rises step by step, and the last.
 *
 * @param width inflated by the tear; every piece fits it, in one of the ways it may lie
 */
export function* lengthBound(pieces: readonly ClothPiece[], width: number, tear: number): Generator<number, number> {
  if (pieces.length === 0) return 0;
  const kinds = kindsOf(pieces, tear);
  const longest = Math.max(...kinds.map((kind) => Math.min(...kind.ways.filter((way) => way.w <= width).map((way) => way.h))));
  const sums = sumsOf(kinds);
  const lengthFor = (slices: number) => nextSum(sums, Math.max(longest, Math.ceil(slices - 1e-6))) - tear;
  const steps = fewestSlices(kinds, width);
  for (;;) {
    const step = steps.next();
    if (step.done) return lengthFor(step.value);
    yield lengthFor(step.value);
  }
}

function kindsOf(pieces: readonly ClothPiece[], tear: number): Kind[] {
  const kinds = blockKinds(pieces.map((piece) => ({ ways: waysOf(piece, tear) })));
  return kinds.map((alike) => ({ ways: alike[0]!.ways, count: alike.length }));
}

/**
 * The linear program: revised simplex on the inverse of the basis, one row a kind. Slices are asked for at prices
 * half-way to the best met so far (Wentges 1997), which keeps them from swinging; the first are those of area.
 */
function* fewestSlices(kinds: readonly Kind[], width: number): Generator<number, number> {
  const rows = kinds.length;
  const demand = kinds.map((kind) => kind.count);
  // To begin with, every kind fills slices of its own.
  const inverse = kinds.map((kind, row) => {
    const way = kind.ways.find((one) => one.w <= width)!;
    const share = Math.min(kind.count, Math.floor(width / way.w)) / way.h;
    return Float64Array.from({ length: rows }, (_, column) => (column === row ? 1 / share : 0));
  });
  const cost = new Float64Array(rows).fill(1);
  const amount = inverse.map((line, row) => line[row]! * demand[row]!);
  const worthOf = (prices: Float64Array) => prices.reduce((sum, price, row) => sum + price * demand[row]!, 0);
  let steady = Float64Array.from(kinds, ({ ways }) => (ways[0]!.w * ways[0]!.h) / width);
  let bound = worthOf(steady);
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const now = new Float64Array(rows);
    for (const [row, line] of inverse.entries())
      for (let column = 0; column < rows; column += 1) now[column] = now[column]! + cost[row]! * line[column]!;
    const below = now.findIndex((price) => price < -1e-9);
    let slice: Slice | null = null;
    if (below < 0) {
      const between = now.map((price, row) => (price + 3 * steady[row]!) / 4);
      const held = bestSlice(kinds, between, width);
      const worth = worthOf(between) / Math.max(1, held.worth);
      if (worth > bound) {
        bound = worth;
        steady = between.map((price) => price / Math.max(1, held.worth));
      }
      if (held.column.reduce((sum, share, row) => sum + share * now[row]!, 0) > 1 + 1e-9) slice = held;
      else {
        slice = bestSlice(kinds, now, width);
        const exact = worthOf(now) / Math.max(1, slice.worth);
        if (exact > bound) {
          bound = exact;
          steady = now.map((price) => price / Math.max(1, slice!.worth));
        }
        if (slice.worth <= 1 + 1e-9) return bound;
      }
    }
    // A price below nought: covering more than was asked is free.
    const column = slice?.column ?? now.map((_, row) => (row === below ? -1 : 0));
    if (!pivot(inverse, amount, cost, column, slice ? 1 : 0)) return bound;
    yield bound;
  }
  return bound;
}

interface Slice {
  worth: number;
  column: Float64Array;
}

/** The slice worth most at these prices, and the share of every kind that it cuts. */
function bestSlice(kinds: readonly Kind[], price: Float64Array, width: number): Slice {
  const items = kinds.flatMap((kind, row) =>
    Array.from({ length: price[row]! > 1e-12 ? kind.count : 0 }, () => ({ row, ways: kind.ways })),
  );
  const worth = new Float64Array(width + 1);
  const took = items.map(() => new Uint8Array(width + 1));
  for (const [index, { row, ways }] of items.entries())
    for (let w = width; w > 0; w -= 1)
      for (const [way, size] of ways.entries()) {
        if (size.w > w) continue;
        const value = worth[w - size.w]! + price[row]! / size.h;
        if (value > worth[w]! + 1e-15) {
          worth[w] = value;
          took[index]![w] = way + 1;
        }
      }
  const column = new Float64Array(kinds.length);
  let w = width;
  for (let index = items.length - 1; index >= 0; index -= 1) {
    const way = took[index]![w]!;
    if (way === 0) continue;
    const { row, ways } = items[index]!;
    column[row] = column[row]! + 1 / ways[way - 1]!.h;
    w -= ways[way - 1]!.w;
  }
  return { worth: worth[width]!, column };
}

/** Brings a column into the basis; false when nothing limits it. */
function pivot(inverse: Float64Array[], amount: number[], cost: Float64Array, column: Float64Array, its: number): boolean {
  const along = inverse.map((line) => line.reduce((sum, value, index) => sum + value * column[index]!, 0));
  let leaves = -1;
  for (const [row, value] of along.entries())
    if (value > 1e-10 && (leaves < 0 || amount[row]! / value < amount[leaves]! / along[leaves]!)) leaves = row;
  if (leaves < 0) return false;
  const by = along[leaves]!;
  inverse[leaves] = inverse[leaves]!.map((value) => value / by);
  amount[leaves] = amount[leaves]! / by;
  cost[leaves] = its;
  for (const [row, value] of along.entries()) {
    if (row === leaves || value === 0) continue;
    const line = inverse[row]!;
    const out = inverse[leaves]!;
    for (let index = 0; index < line.length; index += 1) line[index] = line[index]! - value * out[index]!;
    amount[row] = amount[row]! - value * amount[leaves]!;
  }
  return true;
}

/** A layout pushed to the roll’s start is as long as some of its pieces one below the other: all such sums. */
function sumsOf(kinds: readonly Kind[]): Uint8Array {
  const most = kinds.reduce((sum, kind) => sum + kind.count * Math.max(...kind.ways.map((way) => way.h)), 0);
  const reach = new Uint8Array(most + 1);
  reach[0] = 1;
  for (const { ways, count } of kinds)
    for (let copy = 0; copy < count; copy += 1)
      for (let sum = most; sum > 0; sum -= 1)
        if (!reach[sum] && ways.some((way) => way.h <= sum && reach[sum - way.h] === 1)) reach[sum] = 1;
  return reach;
}

function nextSum(sums: Uint8Array, least: number): number {
  const next = sums.indexOf(1, least);
  return next < 0 ? least : next;
}
