/*
 * A plan carried out where nothing takes as long as was reckoned. Every maker keeps to the work the plan gives her and takes up
 * whatever of it is ready first, in the order of the plan where two are; what she could not begin for a day somebody else does who
 * can. She begins what by its reckoning fits before closing, stays a little longer to end it, and goes on the next day with what is
 * longer. What is wet waits for a place. Done a few hundred times it
 * tells how likely a date is (Monte Carlo): hands vary log-normally, half of it as the pace of a maker in that run; drying lies
 * evenly within its range. No decision knows what will take how long.
 */
import type { Shop, ShopPlan, ShopTask } from './shop';
import { SPARE_DAYS } from './shop';
import { STEPS_A_DAY, windowsOf } from './workCalendar';

export interface Variation {
  /** Standard deviation of the logarithm of what hands take. */
  hands: number;
  /** Least part of what was reckoned that a task of time alone takes; 1 where it is left out. */
  waits: ReadonlyMap<string, number>;
}

export interface Dice {
  /** Evenly from 0 to 1, and from the normal distribution. */
  even: () => number;
  normal: () => number;
}

interface Piece {
  /** None for time alone. */
  maker: number | null;
  tasks: readonly ShopTask[];
  before: number;
  after: number;
  /** Where the plan has it. */
  from: number;
}

/** When something may be begun, and by whom. */
interface Beginning {
  start: number;
  maker: number | null;
}

type Windows = readonly (readonly [number, number])[];

/** What is the same in every run. */
export interface RunGround {
  shop: Shop;
  /** By maker, and last those of time alone; each in the order of the plan. */
  queues: Piece[][];
  windows: Windows[];
  release: ReadonlyMap<string, number>;
  wets: ReadonlyMap<string, ShopTask>;
  placesOf: ReadonlyMap<string, number | null>;
}

/** A plan made ready for its runs. */
export function runGround(shop: Shop, { at, pots }: ShopPlan): RunGround {
  const byId = new Map(shop.tasks.map((task) => [task.id, task]));
  const inPots = new Set(pots.flatMap(({ tasks }) => tasks));
  const potPieces = pots.map(({ tasks, maker, from }): Piece => {
    const of = tasks.map((id) => byId.get(id)!);
    return { maker, tasks: of, before: of[0]!.setUp!.before, after: of[0]!.setUp!.after, from };
  });
  const single = shop.tasks
    .filter(({ id, atOnce }) => !inPots.has(id) && !atOnce)
    .map((task): Piece => ({ ...at.get(task.id)!, tasks: [task], before: 0, after: 0, from: at.get(task.id)!.start }));
  const pieces = [...potPieces, ...single].sort((a, b) => a.from - b.from);
  return {
    shop,
    queues: [...shop.makers.keys(), null].map((maker) => pieces.filter((piece) => piece.maker === maker)),
    windows: shop.makers.map(({ calendar }) => windowsOf(calendar, shop.horizonDays + SPARE_DAYS)),
    release: new Map(shop.jobs.map(({ id, release }) => [id, release])),
    wets: new Map(shop.tasks.filter(({ atOnce }) => atOnce).map((task) => [task.after[0]!, task])),
    placesOf: new Map([...at].map(([id, { place }]) => [id, place])),
  };
}

/** So many pieces of her own a maker looks at for one that is ready. */
const LOOKS_AT = 12;
/** What its maker cannot begin for so long is done by somebody else who can, steps. */
const PASSES_ON = STEPS_A_DAY;
/** What comes first in the plan is waited for so long, steps; a maker stays so long over closing. */
const WAITS_FOR = 2;
const STAYS = 2;

/** One run: when each job ends, in steps and parts of steps. */
export function runPlan(ground: RunGround, variation: Variation, dice: Dice): Map<string, number> {
  const { shop, windows, release, wets, placesOf } = ground;
  const part = Math.SQRT1_2 * variation.hands;
  const varied = () => Math.exp(part * dice.normal() - (part * part) / 2);
  const pace = shop.makers.map(varied);
  const free = shop.makers.map(() => 0);
  const strained = new Map<string, number>();
  const places = shop.places.map(({ count }) => new Array<number>(count).fill(0));
  const ends = new Map<string, number>();
  const jobEnds = new Map<string, number>();
  const ended = (task: ShopTask, end: number) => {
    ends.set(task.id, end);
    jobEnds.set(task.job, Math.max(jobEnds.get(task.job) ?? 0, end));
  };
  const freeAt = (task: ShopTask) => {
    const kind = placesOf.get(task.id) ?? null;
    return kind === null ? 0 : Math.min(...places[kind]!);
  };
  /** Time alone, on the place that is free first. */
  const lie = (task: ShopTask, start: number) => {
    const least = variation.waits.get(task.id) ?? 1;
    const length = task.duration * (least + (1 - least) * dice.even());
    const kind = placesOf.get(task.id) ?? null;
    if (kind !== null) {
      const first = places[kind]!.indexOf(Math.min(...places[kind]!));
      places[kind]![first] = Math.max(places[kind]![first]!, start + length);
    }
    ended(task, start + length);
  };
  /** When a piece may be begun as far as is known; never where what it waits for has not been begun. */
  const startOf = ({ maker, tasks, before, after }: Piece): Beginning | null => {
    const first = tasks[0]!;
    if (first.running !== undefined && maker === null) return { start: first.running, maker };
    let start = Math.max(first.release ?? release.get(first.job)!, maker === null ? freeAt(first) : 0);
    let offset = before;
    for (const task of tasks) {
      for (const id of task.after) {
        const end = ends.get(id);
        if (end === undefined) return null;
        start = Math.max(start, end - offset);
      }
      offset += task.duration;
      const wet = wets.get(task.id);
      if (wet) start = Math.max(start, freeAt(wet) - offset);
    }
    if (maker === null) return { start, maker };
    const strain = tasks.reduce((sum, task) => sum + (task.strain ?? 0), 0);
    const by = (who: number): Beginning => {
      const { hand } = shop.makers[who]!;
      const mayOn = (day: number) => strain === 0 || (strained.get(`${hand} ${day}`) ?? 0) + strain <= shop.hands[hand]!;
      return { start: beginning(windows[who]!, Math.max(start, free[who]!), offset + after, mayOn), maker: who };
    };
    let best = by(maker);
    if (best.start <= start + PASSES_ON) return best;
    for (let who = 0; who < shop.makers.length; who += 1) {
      const { leaves } = shop.makers[who]!;
      if (who === maker || tasks.some(({ work }) => work && leaves.includes(work))) continue;
      const other = by(who);
      if (other.start < best.start) best = other;
    }
    return best;
  };
  const carryOut = ({ tasks, before, after }: Piece, { start, maker }: Beginning) => {
    if (maker === null) return lie(tasks[0]!, start);
    let worked = before;
    for (const task of tasks) {
      worked += task.duration * pace[maker]! * varied();
      const end = endOf(windows[maker]!, start, worked);
      ended(task, end);
      const wet = wets.get(task.id);
      if (wet) lie(wet, end);
      if (!task.strain) continue;
      const key = `${shop.makers[maker]!.hand} ${Math.floor(start / STEPS_A_DAY)}`;
      strained.set(key, (strained.get(key) ?? 0) + task.strain);
    }
    free[maker] = endOf(windows[maker]!, start, worked + after);
  };
  const queues = ground.queues.map((queue) => [...queue]);
  for (let left = queues.reduce((sum, { length }) => sum + length, 0); left > 0; left -= 1) {
    const next = soonest(queues, startOf, LOOKS_AT) ?? soonest(queues, startOf, Infinity);
    // Tasks that wait for one another in a circle are refused before.
    if (!next) throw new RangeError('nothing that is left can be begun');
    const [piece] = queues[next.queue]!.splice(next.at, 1);
    carryOut(piece!, next);
  }
  return jobEnds;
}

interface Found extends Beginning {
  queue: number;
  at: number;
}

/** Of all that is looked at what can be begun first; in one queue what stands first, if it is worth waiting for. */
function soonest(queues: readonly Piece[][], startOf: (piece: Piece) => Beginning | null, most: number): Found | null {
  let best: Found | null = null;
  queues.forEach((pieces, queue) => {
    let own: Found | null = null;
    for (let at = 0; at < pieces.length && at < most; at += 1) {
      const begins = startOf(pieces[at]!);
      if (begins && (!own || begins.start < own.start - WAITS_FOR)) own = { ...begins, queue, at };
    }
    if (own && (!best || own.start < best.start)) best = own;
  });
  return best;
}

/** The first moment from which work fits before closing by its reckoning; where no window holds it, the next opening. */
function beginning(windows: Windows, ready: number, length: number, mayOn: (day: number) => boolean): number {
  let opening = -1;
  for (let index = firstWindow(windows, ready); index < windows.length; index += 1) {
    const [from, to] = windows[index]!;
    const start = Math.max(from, ready);
    if (!mayOn(Math.floor(start / STEPS_A_DAY))) continue;
    if (start + length <= to) return start;
    if (opening < 0 && start === from) opening = from;
    // A week on nothing has held it: it is longer than a window.
    if (opening >= 0 && from - opening > 7 * STEPS_A_DAY) return opening;
  }
  return opening >= 0 ? opening : ready;
}

/** When so much of it is done: a little over closing, else on at the next opening. */
function endOf(windows: Windows, start: number, worked: number): number {
  let [at, left] = [start, worked];
  for (let index = firstWindow(windows, start); index < windows.length; index += 1) {
    const [from, to] = windows[index]!;
    at = Math.max(at, from);
    if (at + left <= to + STAYS) return at + left;
    left -= Math.max(0, to - at);
    at = to;
  }
  return at + left;
}

/** The first window that ends after a moment. */
function firstWindow(windows: Windows, ready: number): number {
  let [low, high] = [0, windows.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (windows[middle]![1] > ready) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Ends of every job in each of so many runs; a pause now and then. */
export function* endsOverRuns(
  shop: Shop,
  plan: ShopPlan,
  variation: Variation,
  runs: number,
  dice: Dice,
): Generator<undefined, Map<string, Float64Array>> {
  const ground = runGround(shop, plan);
  const ends = new Map(shop.jobs.map(({ id }) => [id, new Float64Array(runs)]));
  for (let run = 0; run < runs; run += 1) {
    for (const [job, end] of runPlan(ground, variation, dice)) ends.get(job)![run] = end;
    if (run % 8 === 7) yield undefined;
  }
  return ends;
}

/** The part of the runs that ended by a moment. @example chanceBy(Float64Array.of(1, 2, 3, 4), 3) // 0.75 */
export const chanceBy = (ends: Float64Array, by: number): number =>
  ends.length === 0 ? 1 : ends.reduce((count, end) => count + (end <= by ? 1 : 0), 0) / ends.length;

/** The moment by which a part of the runs had ended. @example endBy(Float64Array.of(4, 2, 3, 1), 0.75) // 3 */
export const endBy = (ends: Float64Array, part: number): number =>
  Float64Array.from(ends).sort()[Math.min(ends.length - 1, Math.max(0, Math.ceil(part * ends.length - 1e-9) - 1))] ?? 0;
