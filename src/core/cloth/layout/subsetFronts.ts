/*
 * The exact join of a few blocks: for every sub-collection of them the front of (width, height) that guillotine
 * cuts can reach, each made of two smaller fronts side by side or one below the other. Alike blocks are counted,
 * not told apart. A point is dropped when it wastes more cloth than the best layout known can spare.
 * Derived here: any guillotine layout is such a tree of joins, and a narrower, shorter part never hurts.
 */
import { type CutBlock, joined, pieceArea } from './cutBlock';

export interface BlockChoice {
  /** The ways one block can lie: itself, and turned where it may. */
  ways: CutBlock[];
}

interface Fronts {
  /** First point of every state, and one past the last: points of state s are from[s] ≤ i < from[s + 1]. */
  from: Int32Array;
  w: number[];
  h: number[];
  /** What a point is made of: index of a first and second point, or −1 and a way of a single block. */
  first: number[];
  second: number[];
  beside: boolean[];
}

const MAX = 0x7fffffff;

/** How many pairs of sub-collections a join looks at: what it costs. */
export function joinCost(kinds: readonly number[]): number {
  return kinds.reduce((product, count) => product * (((count + 1) * (count + 2)) / 2), 1) / 2;
}

/** Blocks that are alike in every way, counted. */
export function blockKinds(blocks: readonly BlockChoice[]): BlockChoice[][] {
  const kinds = new Map<string, BlockChoice[]>();
  for (const block of blocks) {
    const key = block.ways
      .map((way) => `${way.w}×${way.h}`)
      .sort()
      .join(' ');
    const kind = kinds.get(key);
    if (kind) kind.push(block);
    else kinds.set(key, [block]);
  }
  return [...kinds.values()];
}

/**
 * The shortest block that holds all of these within a width, narrowest among equals; null when none is at most
 * `longest` long. A generator that pauses now and then, so that a worker can hear that it is not wanted any more.
 *
 * @param width inflated by the tear, whole mm
 * @param longest inflated too
 * @param random settles ties; without it the first found stays
 */
export function* joinBlocks(
  blocks: readonly BlockChoice[],
  width: number,
  longest: number,
  random?: () => number,
): Generator<undefined, CutBlock | null> {
  const made = yield* everyFront(blocks, width, longest, true, random);
  const all = made.radix.at(-1)! - 1;
  // Points run from narrow and long to wide and short.
  const last = made.fronts.from[all + 1]! - 1;
  return last < made.fronts.from[all]! ? null : unfold(made, last, all, new Array<number>(made.kinds.length).fill(0));
}

/** The block of some of these that puts the most cloth to use within a width and a length; null when none fits. */
export function* fillSheet(blocks: readonly BlockChoice[], width: number, length: number): Generator<undefined, CutBlock | null> {
  const made = yield* everyFront(blocks, width, length, false);
  let best = 0;
  for (let state = 1; state < made.radix.at(-1)!; state += 1)
    if (made.fronts.from[state + 1]! > made.fronts.from[state]! && made.area[state]! > made.area[best]!) best = state;
  return best === 0 ? null : unfold(made, made.fronts.from[best]!, best, new Array<number>(made.kinds.length).fill(0));
}

/** Blocks of every collection of these that fits within a width and a length and to which none can be added. */
export function* fullSheets(blocks: readonly BlockChoice[], width: number, length: number): Generator<undefined, CutBlock[]> {
  const made = yield* everyFront(blocks, width, length, false);
  const { fronts, kinds, radix } = made;
  const fits = (state: number) => fronts.from[state + 1]! > fronts.from[state]!;
  const full: CutBlock[] = [];
  for (let state = 1; state < radix.at(-1)!; state += 1) {
    if (!fits(state)) continue;
    const more = kinds.some((kind, index) => countOf(state, index, radix) < kind.length && fits(state + radix[index]!));
    if (!more) full.push(unfold(made, fronts.from[state]!, state, new Array<number>(kinds.length).fill(0)));
  }
  return full;
}

interface EveryFront {
  fronts: Fronts;
  kinds: BlockChoice[][];
  radix: number[];
  area: Float64Array;
}

function* everyFront(
  blocks: readonly BlockChoice[],
  width: number,
  longest: number,
  ofAll: boolean,
  random?: () => number,
): Generator<undefined, EveryFront> {
  const kinds = blockKinds(blocks);
  const radix = strides(kinds);
  const states = radix.at(-1)!;
  const fronts: Fronts = { from: new Int32Array(states + 1), w: [], h: [], first: [], second: [], beside: [] };
  const limits = { width, longest, ...wasteLimits(kinds, radix, width, longest) };
  if (!ofAll) limits.spare = Infinity;
  const room = newScratch(width);
  room.coin = random ? (random() * 0x7fffffff) | 1 : 0;
  let steps = 0;
  for (let state = 1; state < states; state += 1) {
    fronts.from[state] = fronts.w.length;
    room.low = width + 1;
    room.high = -1;
    const single = kinds.findIndex((_, kind) => state === radix[kind]);
    if (single >= 0) addWays(kinds[single]![0]!.ways, state, limits, room);
    else steps += addPairs(fronts, state, kinds, radix, limits, room);
    keepFront(fronts, room);
    fronts.from[state + 1] = fronts.w.length;
    if (steps > 60_000) {
      steps = 0;
      yield undefined;
    }
  }
  return { fronts, kinds, radix, area: limits.area };
}

/** Place value of every kind in the number of a state, and the count of states. */
function strides(kinds: readonly BlockChoice[][]): number[] {
  const radix = [1];
  for (const kind of kinds) radix.push(radix.at(-1)! * (kind.length + 1));
  return radix;
}

const countOf = (state: number, kind: number, radix: readonly number[]) => Math.floor((state % radix[kind + 1]!) / radix[kind]!);

interface Limits {
  width: number;
  longest: number;
  /** Area of the pieces of a state, mm². */
  area: Float64Array;
  /** Blocks wider than this leave no room beside them for any block that is left. */
  widest: Int32Array;
  spare: number;
}

function wasteLimits(kinds: readonly BlockChoice[][], radix: readonly number[], width: number, longest: number) {
  const states = radix.at(-1)!;
  const area = new Float64Array(states);
  const widest = new Int32Array(states);
  const areaOf = kinds.map((kind) => pieceArea(kind[0]!.ways[0]!));
  const narrow = kinds.map((kind) => Math.min(...kind[0]!.ways.map((way) => way.w)));
  for (let state = 1; state < states; state += 1) {
    let least = MAX;
    for (const [kind, alike] of kinds.entries()) {
      const count = countOf(state, kind, radix);
      area[state] = area[state]! + count * areaOf[kind]!;
      if (count < alike.length) least = Math.min(least, narrow[kind]!);
    }
    widest[state] = least === MAX ? 0 : width - least;
  }
  return { area, widest, spare: width * longest - area[states - 1]! };
}

interface Scratch {
  /** Least height met for every width, and what it is made of. */
  h: Int32Array;
  first: Int32Array;
  second: Int32Array;
  beside: Uint8Array;
  low: number;
  high: number;
  /** State of the toss that settles ties; 0 when the first stays. */
  coin: number;
}

const newScratch = (width: number): Scratch => ({
  h: new Int32Array(width + 1).fill(MAX),
  first: new Int32Array(width + 1),
  second: new Int32Array(width + 1),
  beside: new Uint8Array(width + 1),
  low: 0,
  high: 0,
  coin: 0,
});

function offer(
  w: number,
  h: number,
  state: number,
  limits: Limits,
  room: Scratch,
  first: number,
  second: number,
  beside: number,
) {
  if (h > room.h[w]! || (h === room.h[w]! && !tossed(room))) return;
  const taken = w > limits.widest[state]! ? limits.width : w;
  if (taken * h - limits.area[state]! > limits.spare) return;
  room.h[w] = h;
  room.first[w] = first;
  room.second[w] = second;
  room.beside[w] = beside;
  if (w < room.low) room.low = w;
  if (w > room.high) room.high = w;
}

/** A toss by xorshift (Marsaglia 2003): cheap, and the same for the same start. */
function tossed(room: Scratch): boolean {
  if (room.coin === 0) return false;
  let coin = room.coin;
  coin ^= coin << 13;
  coin ^= coin >>> 17;
  coin ^= coin << 5;
  room.coin = coin | 0 || 1;
  return (coin & 3) === 0;
}

function addWays(ways: readonly CutBlock[], state: number, limits: Limits, room: Scratch): void {
  for (const [way, { w, h }] of ways.entries())
    if (w <= limits.width && h <= limits.longest) offer(w, h, state, limits, room, -1, way, 0);
}

/** Joins every pair of sub-collections that make up this one; how many it looked at. */
function addPairs(
  fronts: Fronts,
  state: number,
  kinds: readonly BlockChoice[][],
  radix: readonly number[],
  limits: Limits,
  room: Scratch,
): number {
  const counts = kinds.map((_, kind) => countOf(state, kind, radix));
  const taken = new Array<number>(kinds.length).fill(0);
  let part = 0;
  let pairs = 0;
  for (;;) {
    let kind = 0;
    while (kind < counts.length && taken[kind] === counts[kind]) {
      part -= taken[kind]! * radix[kind]!;
      taken[kind] = 0;
      kind += 1;
    }
    if (kind === counts.length) return pairs;
    taken[kind] = taken[kind]! + 1;
    part += radix[kind]!;
    if (part > state - part) continue;
    pairs += 1;
    joinBeside(fronts, part, state - part, state, limits, room);
    joinBelow(fronts, part, state - part, state, limits, room);
  }
}

function joinBeside(fronts: Fronts, a: number, b: number, state: number, limits: Limits, room: Scratch): void {
  const { from, w, h } = fronts;
  let i = from[a]!;
  let j = from[b]!;
  const endA = from[a + 1]!;
  const endB = from[b + 1]!;
  while (i < endA && j < endB) {
    const wide = w[i]! + w[j]!;
    if (wide > limits.width) return;
    const ha = h[i]!;
    const hb = h[j]!;
    offer(wide, ha > hb ? ha : hb, state, limits, room, i, j, 1);
    if (ha >= hb) i += 1;
    if (hb >= ha) j += 1;
  }
}

function joinBelow(fronts: Fronts, a: number, b: number, state: number, limits: Limits, room: Scratch): void {
  const { from, w, h } = fronts;
  const startA = from[a]!;
  const startB = from[b]!;
  let i = from[a + 1]! - 1;
  let j = from[b + 1]! - 1;
  while (i >= startA && j >= startB) {
    const long = h[i]! + h[j]!;
    if (long > limits.longest) return;
    const wa = w[i]!;
    const wb = w[j]!;
    offer(wa > wb ? wa : wb, long, state, limits, room, i, j, 0);
    if (wa >= wb) i -= 1;
    if (wb >= wa) j -= 1;
  }
}

/** Moves the points that nothing narrower and shorter beats from the scratch to the fronts. */
function keepFront(fronts: Fronts, room: Scratch): void {
  let least = MAX;
  for (let w = room.low; w <= room.high; w += 1) {
    const h = room.h[w]!;
    if (h < least) {
      least = h;
      fronts.w.push(w);
      fronts.h.push(h);
      fronts.first.push(room.first[w]!);
      fronts.second.push(room.second[w]!);
      fronts.beside.push(room.beside[w] === 1);
    }
    room.h[w] = MAX;
  }
}

/** The tree of a point. `used` counts the blocks of each kind given out so far. */
function unfold(made: EveryFront, point: number, state: number, used: number[]): CutBlock {
  const { fronts, kinds, radix } = made;
  if (fronts.first[point] === -1) {
    const kind = kinds.findIndex((_, index) => state === radix[index]);
    const block = kinds[kind]![used[kind]!]!;
    used[kind] = used[kind]! + 1;
    const size = (way: CutBlock) => way.w === fronts.w[point] && way.h === fronts.h[point];
    return block.ways.find(size)!;
  }
  const part = stateOf(fronts, fronts.first[point]!);
  return joined(
    fronts.beside[point] ? 'beside' : 'below',
    unfold(made, fronts.first[point]!, part, used),
    unfold(made, fronts.second[point]!, state - part, used),
  );
}

/** The state that a point belongs to. */
function stateOf({ from }: Fronts, point: number): number {
  let low = 0;
  let high = from.length - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (from[middle]! <= point) low = middle;
    else high = middle;
  }
  return low;
}
