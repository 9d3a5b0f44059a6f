/*
 * The best plan that is found: built by due dates, then improved by moving one task or the rest of one job to another place in the
 * list (insertion moves), by setting up together, by another maker, now and then accepting what is a little worse (threshold
 * accepting, Dueck & Scheuer 1990), starting again from the best when it stalls. Seeded; yields whatever is better, and nothing now
 * and then, so that the caller can stop. With a plan that stands it begins there, and what is moved counts.
 */
import { Decoder, type Genes } from './decodeList';
import { type IndexedShop, indexedShop } from './indexedShop';
import { scheduleBound, tails } from './scheduleBound';
import {
  type GoalPart,
  type Pot,
  type Shop,
  type ShopGoal,
  type ShopPlan,
  type ShopScore,
  type TaskPlace,
  shopViolations,
} from './shop';

export interface Schedule extends ShopPlan, ShopScore {
  /** No plan is better than this, each apart. */
  bound: Pick<ShopScore, 'tardiness' | 'makespan'>;
  /** No plan keeps more of the dates; no plan is better in anything that is wanted. */
  datesProven: boolean;
  proven: boolean;
  /** Work of hands that lies elsewhere than in the plan that stood. */
  moved: number;
  /** Pins that could not be kept. */
  brokenPins: number;
}

/** More than each part of a goal comes to: what is wanted first outweighs all that follows. */
const MOST: Record<GoalPart, number> = { dates: 400_000, moved: 2000, setUps: 1000, finish: 20_000, makespan: 20_000 };
/** A pin that is broken outweighs everything else. */
const BROKEN = 1e15;
/** Lists tried between two looks at whether to stop. */
const A_LOOK = 16;
/** Lists tried without gain before the search starts again from the best. */
const STALLED = 1500;
/** What is a little worse, of what is wanted last, steps. */
const THRESHOLD = 10;

const weightsOf = (goal: ShopGoal): number[] =>
  goal.map((_part, index) => goal.slice(index + 1).reduce((product, part) => product * MOST[part], 1));

export interface SearchOptions {
  goal: ShopGoal;
  /** Lists tried at the most; the same rounds and source give the same plan. */
  rounds: number;
  random: () => number;
  /** The plan that stands: kept where nothing is gained by moving. */
  before?: ShopPlan | null;
}

/** @throws RangeError for a shop that cannot be planned, with why */
export function* searchSchedule(shop: Shop, options: SearchOptions): Generator<Schedule | undefined, Schedule> {
  const [wrong] = shopViolations(shop);
  if (wrong) throw new RangeError(wrong);
  const { goal, rounds, random, before = null } = options;
  const indexed = indexedShop(shop);
  const decoder = new Decoder(indexed);
  const bound = scheduleBound(indexed);
  const weights = weightsOf(goal);
  const lay = layOf(indexed, before);
  const movedNow = () => {
    let moved = 0;
    for (let task = 0; task < indexed.count; task += 1)
      if (
        indexed.active[task] &&
        lay.start[task]! >= 0 &&
        (decoder.starts[task] !== lay.start[task] || decoder.maker[task] !== lay.maker[task])
      )
        moved += 1;
    return moved;
  };
  const part: Record<GoalPart, () => number> = {
    dates: () => decoder.tardiness,
    moved: movedNow,
    setUps: () => decoder.setUps,
    finish: () => decoder.finish,
    makespan: () => decoder.makespan,
  };
  const costNow = () =>
    decoder.brokenPins * BROKEN + goal.reduce((sum, one, index) => sum + weights[index]! * Math.min(MOST[one], part[one]()), 0);
  const least = goal.reduce((sum, one, index) => {
    const known = { dates: bound.tardiness, makespan: bound.makespan, finish: bound.finish, moved: 0, setUps: bound.setUps };
    return sum + weights[index]! * known[one];
  }, 0);

  let best: { genes: Genes; cost: number } | null = null;
  const firsts = before ? genesBefore(indexed, lay) : firstLists(indexed).map((list) => genesOf(indexed, list));
  for (const genes of firsts) {
    decoder.decode(genes);
    if (!best || costNow() < best.cost) best = { genes, cost: costNow() };
  }
  const shown = (): Schedule => {
    decoder.decode(best!.genes);
    return {
      ...planOf(indexed, decoder, shop),
      tardiness: decoder.tardiness,
      setUps: decoder.setUps,
      finish: decoder.finish,
      makespan: decoder.makespan,
      moved: movedNow(),
      brokenPins: decoder.brokenPins,
      bound: { tardiness: bound.tardiness, makespan: bound.makespan },
      datesProven: decoder.tardiness <= bound.tardiness,
      proven: best!.cost <= least,
    };
  };
  yield shown();
  const now = copied(best!.genes);
  let cost = best!.cost;
  let stalled = 0;
  const trial = copied(now);
  const moves = movesFor(indexed, before !== null);
  for (let round = 1; round <= rounds && best!.cost > least && indexed.count > 1; round += 1) {
    set(trial, now);
    moves[pickMove(moves.length, random)]!(trial, random);
    decoder.decode(trial);
    const after = costNow();
    const slack = random() < 0.1 ? THRESHOLD * random() : 0;
    if (after <= cost + slack) {
      set(now, trial);
      cost = after;
    }
    stalled += 1;
    if (after < best!.cost) {
      best = { genes: copied(trial), cost: after };
      stalled = 0;
      yield shown();
    } else if (stalled > STALLED) {
      set(now, best!.genes);
      for (let shake = 0; shake < 6; shake += 1) moveOne(now, indexed, random);
      decoder.decode(now);
      cost = costNow();
      stalled = 0;
    }
    if (round % A_LOOK === 0) yield undefined;
  }
  return shown();
}

function planOf({ ids, count, before, afterwards, duration, family }: IndexedShop, decoder: Decoder, shop: Shop): ShopPlan {
  const at = new Map<string, TaskPlace>();
  const pots = new Map<number, number[]>();
  const known = (value: number) => (value < 0 ? null : value);
  for (let task = 0; task < count; task += 1) {
    at.set(ids[task]!, { start: decoder.starts[task]!, maker: known(decoder.maker[task]!), place: known(decoder.place[task]!) });
    const pot = decoder.pot[task]!;
    if (pot >= 0 && family[task]! >= 0) pots.set(pot, [...(pots.get(pot) ?? []), task]);
  }
  return {
    at,
    pots: [...pots.values()].map((tasks): Pot => {
      const inTurn = [...tasks].sort((a, b) => decoder.starts[a]! - decoder.starts[b]!);
      const [first, last] = [inTurn[0]!, inTurn.at(-1)!];
      return {
        family: shop.tasks[first]!.setUp!.family,
        maker: decoder.maker[first]!,
        from: decoder.starts[first]! - before[first]!,
        to: decoder.starts[last]! + duration[last]! + afterwards[first]!,
        tasks: inTurn.map((task) => ids[task]!),
      };
    }),
  };
}

const genesOf = ({ count }: IndexedShop, list: Int32Array): Genes => ({
  list,
  joins: new Uint8Array(count),
  maker: new Int8Array(count).fill(-1),
  holds: new Int32Array(count),
});

const copied = ({ list, joins, maker, holds }: Genes): Genes => ({
  list: Int32Array.from(list),
  joins: Uint8Array.from(joins),
  maker: Int8Array.from(maker),
  holds: Int32Array.from(holds),
});

function set(to: Genes, from: Genes): void {
  to.list.set(from.list);
  to.joins.set(from.joins);
  to.maker.set(from.maker);
  to.holds.set(from.holds);
}

interface Lay {
  start: Int32Array;
  /** Starts by which they are listed: those of one pot one after the other. */
  rank: Float64Array;
  maker: Int8Array;
  joined: Uint8Array;
}

/** Where tasks lay before; below 0 where they did not. */
function layOf({ ids, count }: IndexedShop, before: ShopPlan | null): Lay {
  const start = Int32Array.from({ length: count }, (_, task) => before?.at.get(ids[task]!)?.start ?? -1);
  const maker = Int8Array.from({ length: count }, (_, task) => before?.at.get(ids[task]!)?.maker ?? -1);
  const inPots = new Set(before?.pots.flatMap(({ tasks }) => tasks.slice(0, -1)));
  const potRank = new Map(
    before?.pots.flatMap(({ from, tasks }) => tasks.map((id, index) => [id, from + index / 1000] as const)),
  );
  const rank = Float64Array.from(ids, (id, task) => (start[task]! < 0 ? -1 : (potRank.get(id) ?? start[task]!)));
  return { start, rank, maker, joined: Uint8Array.from(ids, (id) => (inPots.has(id) ? 1 : 0)) };
}

/** The plan that stood, as lists: each task where it lay; what is new behind them all, or by when it must begin at the latest. */
function genesBefore(shop: IndexedShop, { start, rank, maker, joined }: Lay): Genes[] {
  const tail = tails(shop);
  const last = (task: number) => 1e6 + Math.min(shop.due[shop.jobOf[task]!]!, 1e6);
  const latest = (task: number) => Math.min(1e6, shop.due[shop.jobOf[task]!]!) - tail[task]! - shop.duration[task]!;
  return [last, latest].map((rankOfNew) => ({
    list: listBy(shop, (task) => (rank[task]! >= 0 ? rank[task]! : rankOfNew(task))),
    joins: Uint8Array.from(joined),
    maker: Int8Array.from(maker),
    holds: start.map((one) => Math.max(0, one)),
  }));
}

/** Lists to begin with: by due dates, by what is left to do until then, and by the longest rest. */
function firstLists(shop: IndexedShop): Int32Array[] {
  const tail = tails(shop);
  const dueOf = (task: number) => Math.min(1e6, shop.due[shop.jobOf[task]!]!);
  const ranks = [
    dueOf,
    (task: number) => dueOf(task) - tail[task]! - shop.duration[task]!,
    (task: number) => -tail[task]! - shop.duration[task]!,
    (task: number) => dueOf(task) - 3 * tail[task]!,
  ];
  return ranks.map((rankOf) => listBy(shop, rankOf));
}

/** Tasks that nothing is waited for first, the one of the least rank among them. */
function listBy(shop: IndexedShop, rankOf: (task: number) => number): Int32Array {
  const open = Int32Array.from(shop.after, ({ length }) => length);
  const free = [...open.keys()].filter((task) => open[task] === 0);
  const list = new Int32Array(shop.count);
  for (let place = 0; place < shop.count; place += 1) {
    free.sort((a, b) => rankOf(a) - rankOf(b) || a - b);
    const task = free.shift()!;
    list[place] = task;
    for (const next of shop.next[task]!) if ((open[next]! -= 1) === 0) free.push(next);
  }
  return list;
}

type Move = (genes: Genes, random: () => number) => void;

/** The first two are tried most; the others where there is something for them to do. */
function movesFor(shop: IndexedShop, stands: boolean): Move[] {
  const sets = [...Array.from(shop.family).keys()].filter((task) => shop.family[task]! >= 0);
  const several = shop.windows.length > 1 && new Set(shop.windows.map(({ from }) => String(from))).size > 1;
  return [
    (genes, random) => moveOne(genes, shop, random),
    (genes, random) => moveRest(genes, shop, random),
    ...(sets.length > 1 ? [(genes: Genes, random: () => number) => setTogether(genes, shop, sets, random)] : []),
    ...(several || shop.hands.length > 1 ? [(genes: Genes, random: () => number) => anotherMaker(genes, shop, random)] : []),
    ...(stands ? [(genes: Genes, random: () => number) => letGo(genes, shop, random)] : []),
  ];
}

const pickMove = (count: number, random: () => number): number => {
  const at = random();
  if (count === 2) return at < 0.25 ? 1 : 0;
  return at < 0.4 ? 0 : at < 0.55 ? 1 : 2 + Math.min(count - 3, Math.floor(((at - 0.55) / 0.45) * (count - 2)));
};

const pick = (random: () => number, from: number, to: number): number => from + Math.floor(random() * (to - from + 1));

/** Where a task may stand: behind what it waits for, before what waits for it. */
function roomOf(list: Int32Array, shop: IndexedShop, place: number): [from: number, to: number] {
  const task = list[place]!;
  let [from, to] = [0, list.length - 1];
  for (let at = 0; at < list.length; at += 1) {
    if (at < place && shop.after[task]!.includes(list[at]!)) from = at + 1;
    if (at > place && shop.next[task]!.includes(list[at]!)) {
      to = at - 1;
      break;
    }
  }
  return [from, to];
}

function shift(list: Int32Array, from: number, to: number): void {
  const task = list[from]!;
  if (from < to) list.copyWithin(from, from + 1, to + 1);
  else list.copyWithin(to + 1, to, from);
  list[to] = task;
}

function moveOne({ list }: Genes, shop: IndexedShop, random: () => number): void {
  const place = pick(random, 0, list.length - 1);
  const [from, to] = roomOf(list, shop, place);
  if (from < to) shift(list, place, pick(random, from, to));
}

/** A task and all that comes after it in its job, towards the front or the back. */
function moveRest({ list }: Genes, shop: IndexedShop, random: () => number): void {
  const place = pick(random, 0, list.length - 1);
  const job = shop.jobOf[list[place]!]!;
  const toFront = random() < 0.5;
  const places = [...list.keys()].filter((at) => shop.jobOf[list[at]!] === job && at >= place);
  if (toFront) for (const at of places) shift(list, at, Math.max(roomOf(list, shop, at)[0], at - pick(random, 1, list.length)));
  else for (const at of places.reverse()) shift(list, at, Math.min(roomOf(list, shop, at)[1], at + pick(random, 1, list.length)));
}

/** One that is set up is done with another of its family, or no longer. */
function setTogether(genes: Genes, shop: IndexedShop, sets: readonly number[], random: () => number): void {
  const { list, joins } = genes;
  const task = sets[pick(random, 0, sets.length - 1)]!;
  if (joins[task] && random() < 0.3) {
    joins[task] = 0;
    return;
  }
  const alike = sets.filter((one) => one !== task && shop.family[one] === shop.family[task]);
  const other = alike[pick(random, 0, alike.length - 1)];
  if (other === undefined) return;
  // Behind the other and before what waits for it; what waited for the task itself comes after both.
  const from = list.indexOf(task);
  const to = list.indexOf(other);
  const [first, last] = roomOf(list, shop, from);
  const target = from < to ? to : to + 1;
  if (target >= first && target <= last) {
    shift(list, from, target);
    joins[other] = 1;
    return;
  }
  // Else the other comes to the task.
  const [least, most] = roomOf(list, shop, to);
  const beside = to < from ? from : from + 1;
  if (beside < least || beside > most) return;
  shift(list, to, beside);
  joins[task] = 1;
}

function anotherMaker({ maker }: Genes, shop: IndexedShop, random: () => number): void {
  const task = pick(random, 0, shop.count - 1);
  if (shop.active[task]) maker[task] = pick(random, -1, shop.windows.length - 1);
}

/** A task and those after it in its job are no longer held where they lay. */
function letGo({ holds, list }: Genes, shop: IndexedShop, random: () => number): void {
  const place = pick(random, 0, list.length - 1);
  const job = shop.jobOf[list[place]!]!;
  const all = random() < 0.5;
  for (let at = place; at < list.length; at += 1)
    if (shop.jobOf[list[at]!] === job) {
      holds[list[at]!] = 0;
      if (!all) return;
    }
}
