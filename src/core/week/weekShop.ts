/* The open canvases of a house as work to be put into days: its settings, who is there, what is moved by hand, and now. */
import type { JobStep, JobWork } from '../case/jobWork';
import { quartersOf } from './quarters';
import type { Shop, ShopJob, ShopMaker, ShopTask } from '../schedule/shop';
import { type OpenWindow, windowsOf, type WorkCalendar } from '../schedule/workCalendar';
import { type WeekSettings, hoursOf, weekOf } from './weekSettings';
import { dayOfMoment, daysBetween, stepAt, weekdayOf } from './weekTime';

/** A job as the days are planned with it. */
export interface WeekJob {
  id: string;
  number: number;
  title: string;
  /** The day it is wanted on, or null. */
  dueOn: string | null;
  work: JobWork;
}

/** A task moved by hand: by whom (or whoever), from when (or whenever). */
export interface WeekPin {
  task: string;
  maker: string | null;
  atMs: number | null;
}

export interface WeekFacts {
  settings: WeekSettings;
  /** Names, in their order; each has a hand of her own. */
  makers: string[];
  /** What a hand stands in a day where the maker said nothing. */
  handLimit: number;
  jobs: WeekJob[];
  pins: WeekPin[];
  /** Tasks that were begun by the plan that stands: by whom, and when. */
  begun: readonly { task: string; maker: string; atMs: number }[];
  nowMs: number;
}

/** A task of the shop, and what of which job it is. */
export interface WeekTask {
  id: string;
  jobId: string;
  step: JobStep | null;
  /** Hands of a step that is divided; what comes after the hands; or what runs now. */
  is: 'hands' | 'wait' | 'runs';
  part: { number: number; of: number } | null;
}

export interface WeekShop {
  shop: Shop;
  firstDay: string;
  now: number;
  /** By id. */
  tasks: Map<string, WeekTask>;
}

/** Days that are planned ahead. */
export const WEEK_DAYS = 28;

/** The end of a day: what is wanted on it is ready by then. */
const endOfDay = (firstDay: string, day: string): number => (daysBetween(firstDay, day) + 1) * 96;

/** The task of a step; a divided one has several. */
export const taskId = (jobId: string, key: string, part = 0): string => `${jobId}/${key}${part > 0 ? `/${part + 1}` : ''}`;
export const waitId = (jobId: string, key: string): string => `${jobId}/${key}/dry`;
export const runsId = (jobId: string): string => `${jobId}/runs`;

export function weekShop({ settings, makers: names, handLimit, jobs, pins, begun, nowMs }: WeekFacts): WeekShop {
  const firstDay = dayOfMoment(nowMs);
  const now = stepAt(firstDay, nowMs) + 1;
  const makers = names.map((name, hand): ShopMaker => {
    const own = settings.makers.find(({ maker }) => maker === name);
    return { id: name, calendar: calendarOf(settings, name, firstDay), leaves: own?.leaves ?? [], hand };
  });
  const hands = names.map((name) => settings.makers.find(({ maker }) => maker === name)?.squeezes ?? handLimit);
  const longest = makers.map(({ calendar }) => Math.max(0, ...windowsOf(calendar, WEEK_DAYS).map(([from, to]) => to - from)));
  const tasks = new Map<string, WeekTask>();
  const shopTasks: ShopTask[] = [];
  for (const job of jobs) {
    for (const [task, of] of tasksOf(job, { settings, makers, hands, longest, firstDay, nowMs, now })) {
      tasks.set(task.id, of);
      shopTasks.push(task);
    }
  }
  const number = new Map(names.map((name, index) => [name, index]));
  const pinned = new Map(pins.map((pin) => [pin.task, pin]));
  const goesOn = new Map(begun.map((one) => [one.task, one]));
  return {
    firstDay,
    now,
    tasks,
    shop: {
      makers,
      hands,
      places: settings.places.map(({ name, count }) => ({ id: name, count })),
      horizonDays: WEEK_DAYS,
      together: settings.togetherHours * 4,
      jobs: jobs.map(({ id, dueOn }): ShopJob => ({ id, release: now, due: dueOn === null ? null : endOfDay(firstDay, dueOn) })),
      tasks: shopTasks.map((task) => {
        const going = goesOn.get(task.id);
        const maker = going && number.get(going.maker);
        if (going && maker !== undefined && stepAt(firstDay, going.atMs) >= 0) {
          const start = stepAt(firstDay, going.atMs);
          return { ...task, release: start - (task.setUp?.before ?? 0), pin: { maker, start } };
        }
        const pin = pinned.get(task.id);
        if (!pin || task.kind === 'passive') return task;
        const start = pin.atMs === null ? null : stepAt(firstDay, pin.atMs);
        // What was pinned to a moment that is past is pinned no longer.
        if (start !== null && start < now) return task;
        return { ...task, pin: { maker: pin.maker === null ? null : (number.get(pin.maker) ?? null), start } };
      }),
    },
  };
}

/** A maker’s days, from the first one on: the house’s hours or her own, with the days that are unlike others. */
export function calendarOf(settings: WeekSettings, name: string, firstDay: string): WorkCalendar {
  const changed = new Map<number, OpenWindow[]>();
  // A day of her own stands before one of everybody.
  for (const whose of ['', name])
    for (const on of new Set(settings.changes.filter(({ maker }) => maker === whose).map((one) => one.on))) {
      const windows = settings.changes
        .filter((one) => one.maker === whose && one.on === on && one.from < one.to)
        .map(({ from, to }): OpenWindow => [from, to])
        .sort((a, b) => a[0] - b[0]);
      const day = daysBetween(firstDay, on);
      if (day >= 0) changed.set(day, windows);
    }
  return { firstWeekday: weekdayOf(firstDay), week: weekOf(hoursOf(settings, name)), closedDays: [], changes: [...changed] };
}

interface Ground {
  settings: WeekSettings;
  makers: readonly ShopMaker[];
  hands: readonly number[];
  longest: readonly number[];
  firstDay: string;
  nowMs: number;
  now: number;
}

/** The tasks of one job, with what each is. */
function tasksOf({ id: job, work }: WeekJob, ground: Ground): [ShopTask, WeekTask][] {
  const made: [ShopTask, WeekTask][] = [];
  const lastPart = new Map<string, string>();
  const add = (task: ShopTask, is: WeekTask['is'], step: JobStep | null, part: WeekTask['part'] = null) =>
    made.push([task, { id: task.id, jobId: job, step, is, part }]);
  const { runs } = work;
  const holding = runs && runs.untilMs > ground.nowMs ? runs : null;
  if (holding) {
    const task = {
      id: runsId(job),
      job,
      name: holding.what,
      kind: 'passive' as const,
      running: ground.now,
      duration: quartersOf((holding.untilMs - ground.nowMs) / 60_000),
      after: [],
      places: placesFor(work, holding.what, ground.settings),
    };
    add(task, 'runs', null);
  }
  for (const step of work.steps) {
    const parts = partsOf(step, ground);
    const before = [
      ...step.after.flatMap((key) => lastPart.get(key) ?? []),
      ...step.afterDry.flatMap((key) => (work.steps.find((one) => one.key === key)?.wait ? [waitId(job, key)] : [])),
      ...(holding?.holds.includes(step.key) ? [runsId(job)] : []),
    ];
    parts.forEach(({ minutes, squeezes }, part) => {
      const task: ShopTask = {
        id: taskId(job, step.key, part),
        job,
        name: step.name,
        kind: 'active',
        duration: quartersOf(minutes),
        takes: minutes / 15,
        after: part === 0 ? before : [taskId(job, step.key, part - 1)],
        places: benchFor(step, work, ground.settings),
        work: step.stage,
        strain: squeezes,
        ...(part === 0 ? setUpOf(step, ground.settings) : {}),
      };
      add(task, 'hands', step, parts.length > 1 ? { number: part + 1, of: parts.length } : null);
      lastPart.set(step.key, task.id);
    });
    if (step.wait)
      add(
        {
          id: waitId(job, step.key),
          job,
          name: step.wait.what,
          kind: 'passive',
          atOnce: true,
          duration: quartersOf(step.wait.minutes[1]),
          takes: step.wait.minutes[1] / 15,
          after: [lastPart.get(step.key)!],
          places: placesFor(work, step.wait.what, ground.settings),
        },
        'wait',
        step,
      );
  }
  return made;
}

function setUpOf({ setUp }: JobStep, { sawMinutes, potMinutes, washMinutes }: WeekSettings): Pick<ShopTask, 'setUp'> {
  if (!setUp) return {};
  const steps = (minutes: number) => Math.ceil(minutes / 15);
  const [before, after] = setUp.what === 'saw' ? [steps(sawMinutes), 0] : [steps(potMinutes), steps(washMinutes)];
  return { setUp: { family: setUp.family, before, after } };
}

/** Hands that no window holds, or that strain a hand more than it stands, are divided into parts that are alike. */
function partsOf(step: JobStep, { makers, hands, longest, settings }: Ground): { minutes: number; squeezes: number }[] {
  const able = [...makers.keys()].filter((maker) => !makers[maker]!.leaves.includes(step.stage));
  const sets = setUpOf(step, settings).setUp;
  const window = Math.max(0, ...able.map((maker) => longest[maker]!)) - (sets ? sets.before + sets.after : 0);
  const stands = Math.max(0, ...able.map((maker) => hands[maker]!));
  const byTime = window > 0 ? Math.ceil(quartersOf(step.minutes) / window) : 1;
  const byHand = stands > 0 ? Math.ceil(step.squeezes / stands) : 1;
  const parts = Math.max(1, byTime, byHand);
  return Array.from({ length: parts }, () => ({ minutes: step.minutes / parts, squeezes: Math.ceil(step.squeezes / parts) }));
}

/** Kinds of places a frame may dry on, the smallest first; glue sets on a flat one. None where nothing is large enough: then it is leant somewhere. */
function placesFor({ longMm, shortMm }: JobWork, what: 'glue' | 'coat', { places }: WeekSettings): number[] {
  return [...places.keys()]
    .filter((index) => {
      const { kind, ...most } = places[index]!;
      const does = kind === 'flat' || (kind === 'peg' && what === 'coat');
      return does && fits(longMm, shortMm, most);
    })
    .sort((a, b) => rank(places[a]!) - rank(places[b]!));
}

const fits = (
  longMm: number,
  shortMm: number,
  { long, short }: Pick<WeekSettings['places'][number], 'long' | 'short'>,
): boolean => longMm <= Math.max(long.mm, short.mm) && shortMm <= Math.min(long.mm, short.mm);

/** Pegs before flat places, which glue wants; small before large. */
const rank = ({ kind, long, short }: WeekSettings['places'][number]): number => (kind === 'flat' ? 1e9 : 0) + long.mm * short.mm;

/** Stages at which a frame lies on a bench. */
const ON_BENCH: readonly string[] = ['bars', 'square', 'fasten', 'tune'];

function benchFor({ stage }: JobStep, { longMm, shortMm }: JobWork, { places, largeFrom }: WeekSettings): number[] {
  if (longMm <= largeFrom.mm || !ON_BENCH.includes(stage)) return [];
  return [...places.keys()].filter((index) => places[index]!.kind === 'bench' && fits(longMm, shortMm, places[index]!));
}

/** What stands in the way of a plan though it can be made, as sentences. */
export function weekTroubles({ jobs, settings }: Pick<WeekFacts, 'jobs' | 'settings'>): string[] {
  const named = (number: number, title: string) => `No. ${number} “${title}”`;
  return jobs.flatMap(({ number, title, work }) => [
    ...(work.steps.some(({ wait }) => wait?.damp)
      ? [
          `${named(number, title)}: the air is too damp to dry its coats; planned with the longest time that is believed. Warm or dry the room.`,
        ]
      : []),
    ...(work.steps.some(({ wait }) => wait && placesFor(work, wait.what, settings).length === 0)
      ? [
          `${named(number, title)}: no place it dries on takes a frame of its size; planned as if it found one. Add a place, or a larger one.`,
        ]
      : []),
  ]);
}
