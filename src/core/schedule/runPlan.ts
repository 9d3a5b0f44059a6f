/*
 * A plan carried out where nothing takes as long as was reckoned. Every maker keeps to the work the plan gives her and takes up
 * whatever of it is ready first, in the order of the plan where two are; what she could not begin for a day somebody else does who
 * can. She begins what by its reckoning fits before closing, stays a little longer to end it, and goes on the next day with what is
 * longer. What is wet waits for a place. Done a few hundred times it
 * tells how likely a date is (Monte Carlo): hands vary log-normally, half of it as the pace of a maker in that run; drying lies
 * evenly within its range. No decision knows what will take how long.
 */
import { type Shop, type ShopPlan, type ShopTask, SPARE_DAYS } from './shop';
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

/** One task of a piece, with what must be known of it while the plan is carried out. */
interface PieceTask {
  task: ShopTask;
  /** Where its end is kept. */
  index: number;
  /** The kind of place it lies on; none where it needs none. */
  place: number | null;
  /** What lies down wet the moment it ends. */
  wet: PieceTask | null;
}

/** What is begun at once: one task, or all of a pot. Offsets are steps from its beginning as reckoned. */
interface Piece {
  /** None for time alone. */
  maker: number | null;
  tasks: readonly PieceTask[];
  before: number;
  after: number;
  /** Where the plan has it. */
  from: number;
  release: number;
  waitsFor: readonly { index: number; offset: number }[];
  liesOn: readonly { place: number; offset: number }[];
  /** From its beginning to where its maker is free again. */
  length: number;
  strain: number;
  /** Who else can do all of it. */
  others: readonly number[];
  /** Its number: what was found out of it in a run is kept under it. */
  number: number;
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
  pieces: number;
  /** By maker, and last those of time alone; each in the order of the plan. */
  queues: Piece[][];
  windows: Windows[];
}

/** A plan made ready for its runs. */
export function runGround(shop: Shop, { at, pots }: ShopPlan): RunGround {
  const indexOf = new Map(shop.tasks.map(({ id }, index) => [id, index]));
  const release = new Map(shop.jobs.map((job) => [job.id, job.release]));
  const wets = new Map(shop.tasks.filter(({ atOnce }) => atOnce).map((task) => [task.after[0]!, task]));
  const pieceTask = (task: ShopTask): PieceTask => {
    const wet = wets.get(task.id);
    return { task, index: indexOf.get(task.id)!, place: at.get(task.id)?.place ?? null, wet: wet ? pieceTask(wet) : null };
  };
  const piece = (maker: number | null, from: number, of: readonly ShopTask[], before: number, after: number): Piece => {
    const tasks = of.map(pieceTask);
    const waitsFor: { index: number; offset: number }[] = [];
    const liesOn: { place: number; offset: number }[] = [];
    if (maker === null && tasks[0]!.place !== null) liesOn.push({ place: tasks[0]!.place, offset: 0 });
    let offset = before;
    for (const { task, wet } of tasks) {
      waitsFor.push(...task.after.map((id) => ({ index: indexOf.get(id)!, offset })));
      offset += task.duration;
      if (wet && wet.place !== null) liesOn.push({ place: wet.place, offset });
    }
    const works = of.flatMap(({ work }) => work ?? []);
    return {
      maker,
      tasks,
      before,
      after,
      from,
      release: of[0]!.release ?? release.get(of[0]!.job)!,
      waitsFor,
      liesOn,
      length: offset + after,
      strain: of.reduce((sum, { strain }) => sum + (strain ?? 0), 0),
      others: [...shop.makers.keys()].filter(
        (who) => who !== maker && !works.some((work) => shop.makers[who]!.leaves.includes(work)),
      ),
      number: 0,
    };
  };
  const inPots = new Set(pots.flatMap(({ tasks }) => tasks));
  const ofPots = pots.map(({ tasks, maker, from }) => {
    const of = tasks.map((id) => shop.tasks[indexOf.get(id)!]!);
    return piece(maker, from, of, of[0]!.setUp!.before, of[0]!.setUp!.after);
  });
  const single = shop.tasks
    .filter(({ id, atOnce }) => !inPots.has(id) && !atOnce)
    .map((task) => piece(at.get(task.id)!.maker, at.get(task.id)!.start, [task], 0, 0));
  const pieces = [...ofPots, ...single].sort((a, b) => a.from - b.from).map((one, number) => ({ ...one, number }));
  return {
    shop,
    pieces: pieces.length,
    queues: [...shop.makers.keys(), null].map((maker) => pieces.filter((one) => one.maker === maker)),
    windows: shop.makers.map(({ calendar }) => windowsOf(calendar, shop.horizonDays + SPARE_DAYS)),
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
  const { shop, windows } = ground;
  const part = Math.SQRT1_2 * variation.hands;
  const varied = () => Math.exp(part * dice.normal() - (part * part) / 2);
  const pace = shop.makers.map(varied);
  const free = shop.makers.map(() => 0);
  const strained = shop.hands.map(() => new Map<number, number>());
  const places = shop.places.map(({ count }) => new Array<number>(count).fill(0));
  const ends = new Float64Array(shop.tasks.length).fill(NaN);
  const jobEnds = new Map<string, number>();
  /** From when a piece waits for nothing but hands and places; not a number while that is not known. */
  const ready = new Float64Array(ground.pieces).fill(NaN);
  const ended = ({ task, index }: PieceTask, end: number) => {
    ends[index] = end;
    jobEnds.set(task.job, Math.max(jobEnds.get(task.job) ?? 0, end));
  };
  /** Time alone, on the place that is free first. */
  const lie = (of: PieceTask, start: number) => {
    const least = variation.waits.get(of.task.id) ?? 1;
    const length = (of.task.takes ?? of.task.duration) * (least + (1 - least) * dice.even());
    if (of.place !== null) {
      const kind = places[of.place]!;
      const first = kind.indexOf(Math.min(...kind));
      kind[first] = Math.max(kind[first]!, start + length);
    }
    ended(of, start + length);
  };
  const readyAt = (piece: Piece): number => {
    if (!Number.isNaN(ready[piece.number])) return ready[piece.number]!;
    let start = piece.release;
    for (const { index, offset } of piece.waitsFor) start = Math.max(start, ends[index]! - offset);
    return (ready[piece.number] = start);
  };
  /** When a piece may be begun as far as is known; never where what it waits for has not been begun, or not by a moment. */
  const startOf = (piece: Piece, by: number): Beginning | null => {
    const { maker, tasks, liesOn, length, strain } = piece;
    const running = tasks[0]!.task.running;
    if (running !== undefined && maker === null) return { start: running, maker };
    let start = readyAt(piece);
    if (!(start < by)) return null;
    for (const { place, offset } of liesOn) start = Math.max(start, Math.min(...places[place]!) - offset);
    if (maker === null) return { start, maker };
    const begins = (who: number): number => {
      const { hand } = shop.makers[who]!;
      const from = Math.max(start, free[who]!);
      return beginning(
        windows[who]!,
        from,
        length,
        (day) => strain === 0 || (strained[hand]!.get(day) ?? 0) + strain <= shop.hands[hand]!,
      );
    };
    let best = { start: begins(maker), maker };
    if (best.start <= start + PASSES_ON) return best;
    for (const who of piece.others) {
      const other = begins(who);
      if (other < best.start) best = { start: other, maker: who };
    }
    return best;
  };
  const carryOut = ({ tasks, before, after }: Piece, { start, maker }: Beginning) => {
    if (maker === null) return lie(tasks[0]!, start);
    let worked = before;
    for (const of of tasks) {
      worked += (of.task.takes ?? of.task.duration) * pace[maker]! * varied();
      const end = endOf(windows[maker]!, start, worked);
      ended(of, end);
      if (of.wet) lie(of.wet, end);
      if (!of.task.strain) continue;
      const days = strained[shop.makers[maker]!.hand]!;
      const day = Math.floor(start / STEPS_A_DAY);
      days.set(day, (days.get(day) ?? 0) + of.task.strain);
    }
    free[maker] = endOf(windows[maker]!, start, worked + after);
  };
  const queues = ground.queues.map((queue) => [...queue]);
  for (let left = ground.pieces; left > 0; left -= 1) {
    const next = soonest(queues, startOf, LOOKS_AT) ?? soonest(queues, startOf, Infinity);
    // Tasks that wait for one another in a circle are refused before.
    if (!next) throw new RangeError('nothing that is left can be begun');
    const [piece] = queues[next.queue]!.splice(next.at, 1);
    carryOut(piece!, next.begins);
  }
  return jobEnds;
}

interface Found {
  begins: Beginning;
  queue: number;
  at: number;
}

/** Of all that is looked at what can be begun first; in one queue what stands first, if it is worth waiting for. */
function soonest(
  queues: readonly Piece[][],
  startOf: (piece: Piece, by: number) => Beginning | null,
  most: number,
): Found | null {
  let [best, bestQueue, bestAt]: [Beginning | null, number, number] = [null, 0, 0];
  for (let queue = 0; queue < queues.length; queue += 1) {
    const pieces = queues[queue]!;
    const looks = Math.min(most, pieces.length);
    let [own, ownAt]: [Beginning | null, number] = [null, 0];
    let by = Infinity;
    for (let at = 0; at < looks; at += 1) {
      const begins = startOf(pieces[at]!, by);
      if (!begins || begins.start >= by) continue;
      [own, ownAt, by] = [begins, at, begins.start - WAITS_FOR];
    }
    if (own && (!best || own.start < best.start)) [best, bestQueue, bestAt] = [own, queue, ownAt];
  }
  return best && { begins: best, queue: bestQueue, at: bestAt };
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
