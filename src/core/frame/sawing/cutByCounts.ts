/*
 * The least price of a buying plan when many parts are of few lengths: dynamic programming over how many of each length are
 * left. A bar never does worse by being filled as far as it goes, so of all ways to fill one only those matter to which
 * nothing can be added; what is left of a state is what such a filling does not take. Exact (derived here: the least price
 * never falls when a part is added, so a smaller filling is never better than one that holds it).
 */
import type { TimberPart, TimberStock } from './timberStock';

/** Bars as they are taken: a stock and the parts on it. */
export interface FilledBar {
  stock: TimberStock;
  parts: TimberPart[];
}

/** Work it takes on, as states × fillings × lengths: about half a second. */
const MOST_STEPS = 5e7;
const MOST_STATES = 400_000;
const MOST_FILLINGS = 20_000;

interface Lengths {
  lengthsMm: number[];
  counts: number[];
  /** What one part of each length adds to the number of a state. */
  strides: number[];
  states: number;
}

/**
 * The cheapest bars for these parts.
 *
 * @param weight price of a stock with whatever breaks ties
 * @returns null when a part fits nothing any more, "too much" when it would take too long
 * @example cutByCounts([{ label: 'a', lengthMm: 900 }, { label: 'a', lengthMm: 900 }], [{ id: 'x', lengthMm: 2000, priceMinor: 5, available: null }], [], 3, (stock) => stock.priceMinor).length // 1
 */
export function cutByCounts(
  parts: readonly TimberPart[],
  bought: readonly TimberStock[],
  rack: readonly TimberStock[],
  kerfMm: number,
  weight: (stock: TimberStock) => number,
): FilledBar[] | null | 'too much' {
  const lengths = lengthsOf(parts);
  const { states, counts } = lengths;
  if (states > MOST_STATES) return 'too much';
  const fill = (stock: TimberStock) => ({ stock, fillings: fillingsOf(lengths, stock.lengthMm, kerfMm) });
  const [shop, shelf] = [bought.map(fill), rack.map(fill)];
  const ways = [...shop, ...shelf].reduce((sum, { fillings }) => sum + (fillings?.length ?? Infinity), 0);
  if (ways * states * counts.length > MOST_STEPS) return 'too much';
  const digits = digitsOf(lengths);
  const all = states - 1;
  const { least, taken } = leastBought(lengths, digits, shop as Filled[], weight);
  const layers = shelf.map((one) => withBar(lengths, digits, one as Filled, least, weight(one.stock)));
  if (!Number.isFinite(least[all]!)) return null;
  return taking(parts, lengths, digits, all, layers, taken);
}

interface Filled {
  stock: TimberStock;
  fillings: Uint8Array[];
}

/** What a state takes: a filling of a stock, or nothing. */
interface Take {
  stock: TimberStock;
  filling: Uint8Array;
}

function lengthsOf(parts: readonly TimberPart[]): Lengths {
  const lengthsMm = [...new Set(parts.map((part) => part.lengthMm))].sort((a, b) => a - b);
  const counts = lengthsMm.map((mm) => parts.filter((part) => part.lengthMm === mm).length);
  const strides: number[] = [];
  let states = 1;
  for (const count of counts) {
    strides.push(states);
    states *= count + 1;
  }
  return { lengthsMm, counts, strides, states };
}

/** How many of each length a state has, one row a state. */
function digitsOf({ counts, states }: Lengths): Uint8Array {
  const width = counts.length;
  const digits = new Uint8Array(states * width);
  for (let state = 1; state < states; state += 1) {
    let [rest, at] = [state, state * width];
    for (const count of counts) {
      digits[at] = rest % (count + 1);
      rest = Math.floor(rest / (count + 1));
      at += 1;
    }
  }
  return digits;
}

/** Every way to fill a length to which nothing can be added; null when there are too many to look at. */
function fillingsOf({ lengthsMm, counts }: Lengths, stockMm: number, kerfMm: number): Uint8Array[] | null {
  const found: Uint8Array[] = [];
  const taken = new Uint8Array(counts.length);
  // Longest first; a cut is counted with every part, and one is given back at the end of the bar.
  const walk = (index: number, roomMm: number): boolean => {
    if (index < 0) {
      const more = counts.some((count, at) => taken[at]! < count && lengthsMm[at]! + kerfMm <= roomMm + 1e-9);
      if (!more) found.push(taken.slice());
      return found.length <= MOST_FILLINGS;
    }
    const each = lengthsMm[index]! + kerfMm;
    const most = Math.min(counts[index]!, Math.floor((roomMm + 1e-9) / each));
    for (let count = most; count >= 0; count -= 1) {
      taken[index] = count;
      if (!walk(index - 1, roomMm - count * each)) return false;
    }
    return true;
  };
  return walk(counts.length - 1, stockMm + kerfMm) ? found.filter((one) => one.some((count) => count > 0)) : null;
}

/** The state that is left when a filling has taken what it can of this one. */
function leftOf({ strides }: Lengths, digits: Uint8Array, state: number, filling: Uint8Array): number {
  const width = strides.length;
  let left = state;
  for (let index = 0, at = state * width; index < width; index += 1, at += 1)
    left -= Math.min(digits[at]!, filling[index]!) * strides[index]!;
  return left;
}

/** Least price of every state out of bought lengths alone. */
function leastBought(lengths: Lengths, digits: Uint8Array, shop: readonly Filled[], weight: (stock: TimberStock) => number) {
  const width = lengths.counts.length;
  const least = new Float64Array(lengths.states).fill(Infinity);
  const taken: (Take | null)[] = new Array<Take | null>(lengths.states).fill(null);
  least[0] = 0;
  for (let state = 1; state < lengths.states; state += 1) {
    // Some bar holds the longest part that is left: it is that bar which is taken here.
    let longest = width - 1;
    while (digits[state * width + longest] === 0) longest -= 1;
    for (const { stock, fillings } of shop) {
      const price = weight(stock);
      for (const filling of fillings) {
        if (filling[longest] === 0) continue;
        const here = price + least[leftOf(lengths, digits, state, filling)]!;
        if (here >= least[state]!) continue;
        least[state] = here;
        taken[state] = { stock, filling };
      }
    }
  }
  return { least, taken };
}

/** Lets a bar of the rack take part of every state; `least` is bettered in place. Which states take what is returned. */
function withBar(lengths: Lengths, digits: Uint8Array, { stock, fillings }: Filled, least: Float64Array, price: number) {
  const before = least.slice();
  const took = new Map<number, Take>();
  for (let state = 1; state < lengths.states; state += 1) {
    for (const filling of fillings) {
      const left = leftOf(lengths, digits, state, filling);
      const here = price + before[left]!;
      if (left === state || here >= least[state]! - 1e-12) continue;
      least[state] = here;
      took.set(state, { stock, filling });
    }
  }
  return took;
}

/** The bars of the least price, with the parts that lie on each. */
function taking(
  parts: readonly TimberPart[],
  lengths: Lengths,
  digits: Uint8Array,
  all: number,
  layers: readonly Map<number, Take>[],
  taken: readonly (Take | null)[],
): FilledBar[] {
  const waiting = lengths.lengthsMm.map((mm) => parts.filter((part) => part.lengthMm === mm));
  const bars: FilledBar[] = [];
  let left = all;
  const take = ({ stock, filling }: Take) => {
    const after = leftOf(lengths, digits, left, filling);
    const width = lengths.counts.length;
    bars.push({
      stock,
      parts: waiting.flatMap((list, index) => list.splice(0, digits[left * width + index]! - digits[after * width + index]!)),
    });
    left = after;
  };
  for (const layer of [...layers].reverse()) {
    const here = layer.get(left);
    if (here) take(here);
  }
  while (left !== 0) take(taken[left]!);
  return bars;
}
