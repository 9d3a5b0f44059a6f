/* A shop by numbers, for many lists. */
import { SPARE_DAYS, type Shop } from './shop';
import { STEPS_A_DAY, windowsOf } from './workCalendar';

export interface IndexedShop {
  count: number;
  jobs: number;
  ids: readonly string[];
  duration: Int32Array;
  active: Uint8Array;
  strain: Int32Array;
  release: Int32Array;
  jobOf: Int32Array;
  after: readonly (readonly number[])[];
  next: readonly (readonly number[])[];
  /** Time that begins the moment a task has ended; below 0 for none. */
  follower: Int32Array;
  follows: Uint8Array;
  places: readonly (readonly number[])[];
  placeCounts: readonly number[];
  family: Int32Array;
  before: Int32Array;
  afterwards: Int32Array;
  together: number;
  due: Float64Array;
  weight: Float64Array;
  hands: readonly number[];
  handOf: readonly number[];
  /** By maker and task: 1 where she does it. */
  able: readonly Uint8Array[];
  pinMaker: Int32Array;
  pinStart: Int32Array;
  /** Tasks pinned to a moment by their moment, and those that run. */
  pins: readonly number[];
  runs: readonly number[];
  running: Int32Array;
  /** By maker: windows as pairs, and the first that ends after each day begins. */
  windows: readonly { from: Int32Array; to: Int32Array; first: Int32Array }[];
  longestWindow: number;
  horizon: number;
}

const NOT = -1;

export function indexedShop(shop: Shop): IndexedShop {
  const { tasks, jobs, makers } = shop;
  const number = new Map(tasks.map(({ id }, index) => [id, index]));
  const jobNumber = new Map(jobs.map(({ id }, index) => [id, index]));
  const families = new Map<string, number>();
  for (const { setUp } of tasks) if (setUp && !families.has(setUp.family)) families.set(setUp.family, families.size);
  const days = shop.horizonDays + SPARE_DAYS;
  const after = tasks.map((task) => task.after.map((id) => number.get(id)!));
  const next: number[][] = tasks.map(() => []);
  after.forEach((ones, index) => ones.forEach((one) => next[one]!.push(index)));
  const numbers = (of: (task: Shop['tasks'][number]) => number) => Int32Array.from(tasks, of);
  const windows = makers.map(({ calendar }) => {
    const all = windowsOf(calendar, days);
    return {
      from: Int32Array.from(all, ([from]) => from),
      to: Int32Array.from(all, ([, to]) => to),
      first: Int32Array.from({ length: days }, (_, day) => {
        const found = all.findIndex(([, to]) => to > day * STEPS_A_DAY);
        return found < 0 ? all.length : found;
      }),
    };
  });
  const pinned = [...tasks.keys()].filter((index) => (tasks[index]!.pin?.start ?? null) !== null);
  return {
    count: tasks.length,
    jobs: jobs.length,
    ids: tasks.map(({ id }) => id),
    duration: numbers(({ duration }) => duration),
    active: Uint8Array.from(tasks, ({ kind }) => (kind === 'active' ? 1 : 0)),
    strain: numbers(({ strain = 0 }) => strain),
    release: numbers(({ job, release }) => release ?? jobs[jobNumber.get(job)!]!.release),
    jobOf: numbers(({ job }) => jobNumber.get(job)!),
    after,
    next,
    follower: Int32Array.from(tasks, (_, index) => next[index]!.find((one) => tasks[one]!.atOnce) ?? NOT),
    follows: Uint8Array.from(tasks, ({ atOnce }) => (atOnce ? 1 : 0)),
    places: tasks.map(({ places = [] }) => places),
    placeCounts: shop.places.map(({ count }) => count),
    family: numbers(({ setUp }) => (setUp ? families.get(setUp.family)! : NOT)),
    before: numbers(({ setUp }) => setUp?.before ?? 0),
    afterwards: numbers(({ setUp }) => setUp?.after ?? 0),
    together: shop.together,
    due: Float64Array.from(jobs, ({ due }) => due ?? Infinity),
    weight: Float64Array.from(jobs, ({ weight = 1 }) => weight),
    hands: shop.hands,
    handOf: makers.map(({ hand }) => hand),
    able: makers.map(({ leaves }) => Uint8Array.from(tasks, ({ work }) => (work && leaves.includes(work) ? 0 : 1))),
    pinMaker: numbers(({ pin }) => pin?.maker ?? NOT),
    pinStart: numbers(({ pin }) => pin?.start ?? NOT),
    pins: pinned.sort((a, b) => tasks[a]!.pin!.start! - tasks[b]!.pin!.start! || a - b),
    runs: [...tasks.keys()].filter((index) => tasks[index]!.running !== undefined),
    running: numbers(({ running }) => running ?? NOT),
    windows,
    longestWindow: Math.max(0, ...windows.flatMap(({ from, to }) => [...to].map((end, index) => end - from[index]!))),
    horizon: days * STEPS_A_DAY,
  };
}
