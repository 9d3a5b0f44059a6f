/* Work to be put into days: what takes hands, what only takes time, who is there for it and what must wait for what. */
import { STEPS_A_DAY, type WorkCalendar, calendarViolations, windowsOf } from './workCalendar';

/** Work that is set up once for all that is done of it together: a pot that is mixed and washed out, a saw that is set. */
export interface SetUp {
  family: string;
  /** Steps of a quarter of an hour before the first, and after the last. */
  before: number;
  after: number;
}

export interface ShopTask {
  id: string;
  job: string;
  name: string;
  /** Hands from start to end, within one opening window; or nothing but time, around the clock. */
  kind: 'active' | 'passive';
  /** Steps of a quarter of an hour, at least one. */
  duration: number;
  /** What it is reckoned to take before it is rounded to steps, in steps: what varies in the runs; the duration where it is left out. */
  takes?: number;
  /** Tasks that have ended before it starts. */
  after: readonly string[];
  /** Time that begins the moment the one task it waits for has ended: what is wet lies down at once. */
  atOnce?: boolean;
  /** Kinds of places (indices) of which one is taken from start to end, the best first; none where it needs none. */
  places?: readonly number[];
  /** Of what kind the work is, for makers who do not do it. */
  work?: string;
  setUp?: SetUp;
  /** What it takes of the strain a hand stands in a day. */
  strain?: number;
  /** It may start before its job does, at this step: it was begun. */
  release?: number;
  /** Set by hand: by whom, and when. */
  pin?: { maker: number | null; start: number | null };
  /** It runs since then, or is reckoned from then. */
  running?: number;
}

export interface ShopMaker {
  id: string;
  calendar: WorkCalendar;
  /** Kinds of work that are left to others. */
  leaves: readonly string[];
  /** Which of the hands of the shop is used up. */
  hand: number;
}

export interface ShopJob {
  id: string;
  /** Nothing of it starts before, and it should have ended by; steps from the start of day 0. */
  release: number;
  /** None where nobody waits for it; below 0 where it should have been done before day 0. */
  due: number | null;
  /** How much a step of lateness of it weighs; one where it is left out. */
  weight?: number;
}

export interface Shop {
  makers: readonly ShopMaker[];
  /** What each hand stands in a day. */
  hands: readonly number[];
  /** Kinds of places, and how many there are of each. */
  places: readonly { id: string; count: number }[];
  /** Days that are looked at. */
  horizonDays: number;
  /** What is set up waits so long at the most for what could be done with it, steps. */
  together: number;
  jobs: readonly ShopJob[];
  tasks: readonly ShopTask[];
}

/** Where a task lies: its start, and by whom and on what kind of place (indices). */
export interface TaskPlace {
  start: number;
  maker: number | null;
  place: number | null;
}

/** What was set up once: who, from the first moment of setting up to the last of washing out, and for which tasks in turn. */
export interface Pot {
  family: string;
  maker: number;
  from: number;
  to: number;
  tasks: readonly string[];
}

export interface ShopPlan {
  at: ReadonlyMap<string, TaskPlace>;
  pots: readonly Pot[];
}

/**
 * Priorities, highest first: dates kept, little moved, few set-ups, everything early (the mean end of the jobs), the last
 * end early.
 */
export type GoalPart = 'dates' | 'moved' | 'setUps' | 'finish' | 'makespan';
export type ShopGoal = readonly GoalPart[];

export interface ShopScore {
  /** How much jobs end after they are due, weighted, all together; steps. */
  tardiness: number;
  setUps: number;
  /** Mean end of the jobs, and the latest, steps. */
  finish: number;
  makespan: number;
}

/** Days beyond the ones that are looked at: what does not fit in is put there, and counted as late. */
export const SPARE_DAYS = 300;

const count = (name: string, value: number, least: number) =>
  Number.isInteger(value) && value >= least ? [] : [`${name}: a whole number from ${least}, got ${value}.`];

/** What is wrong with a problem, as sentences; none where it can be planned. */
export function shopViolations({ makers, hands, places, horizonDays, together, jobs, tasks }: Shop): string[] {
  const ids = new Set(tasks.map(({ id }) => id));
  const jobIds = new Set(jobs.map(({ id }) => id));
  const active = tasks.filter(({ kind, running }) => kind === 'active' && running === undefined);
  const calendars = makers.flatMap(({ id, calendar, hand }) => [
    ...calendarViolations(calendar).map((wrong) => `${id}: ${wrong}`),
    ...(hands[hand] === undefined ? [`${id} has a hand ${hand} that is not there.`] : []),
  ]);
  if (calendars.length > 0) return calendars;
  const longest = makers.map(({ calendar }) => Math.max(0, ...windowsOf(calendar, horizonDays).map(([from, to]) => to - from)));
  const whole = [
    ...count('Days', horizonDays, 1),
    ...count('Waiting for one another', together, 0),
    ...places.flatMap(({ id, count: there }) => count(`Places ${id}`, there, 1)),
    ...hands.flatMap((most) => count('What a hand stands in a day', most, 1)),
    ...jobs.flatMap(({ id, release, due, weight = 1 }) => [
      ...count(`${id}, release`, release, 0),
      ...(due === null || Number.isInteger(due) ? [] : [`${id}, due: a whole number, got ${due}.`]),
      ...(weight >= 0 ? [] : [`${id}: a weight from 0, got ${weight}.`]),
    ]),
  ];
  return [
    ...whole,
    ...(active.length > 0 && longest.every((one) => one === 0) ? ['Nobody is there to work: give one maker hours.'] : []),
    ...(ids.size < tasks.length ? ['Two tasks have one id.'] : []),
    ...(new Set(makers.map(({ id }) => id)).size < makers.length ? ['Two makers have one name.'] : []),
    ...tasks.flatMap(({ id, job, duration, after, atOnce, places: of = [] }) => [
      ...(jobIds.has(job) ? [] : [`${id} is of a job “${job}” that is not there.`]),
      ...count(`${id}, duration`, duration, 1),
      ...after.filter((one) => !ids.has(one)).map((one) => `${id} waits for “${one}”, which is not there.`),
      ...of.filter((one) => !places[one]).map((one) => `${id} wants a place ${one} that is not there.`),
      ...(atOnce && after.length !== 1 ? [`${id} begins at once after one task, got ${after.length}.`] : []),
    ]),
    ...active.flatMap((task) => handsViolations(task, makers, hands, longest)),
    ...(inCircle(tasks) ? ['Tasks wait for one another in a circle.'] : []),
  ];
}

/** Whether somebody there can do a task at all. */
function handsViolations(
  { id, duration, work, setUp, strain = 0, pin }: ShopTask,
  makers: Shop['makers'],
  hands: Shop['hands'],
  longest: readonly number[],
): string[] {
  const takes = duration + (setUp ? setUp.before + setUp.after : 0);
  const able = [...makers.keys()].filter((maker) => !work || !makers[maker]!.leaves.includes(work));
  if (makers.length > 0 && able.length === 0) return [`${id}: nobody does work of the kind “${work}”.`];
  const windows = Math.max(0, ...able.map((maker) => longest[maker]!));
  const stands = Math.max(0, ...able.map((maker) => hands[makers[maker]!.hand]!));
  return [
    ...(windows > 0 && takes > windows
      ? [`${id} takes ${takes / 4} h of hands, and no window is longer than ${windows / 4} h: divide it.`]
      : []),
    ...(strain > stands && stands > 0 ? [`${id} takes ${strain} squeezes, and a hand stands ${stands} a day: divide it.`] : []),
    ...(pin && pin.maker !== null && !able.includes(pin.maker) ? [`${id} is pinned to somebody who leaves it to others.`] : []),
    ...(pin && pin.start !== null ? count(`${id}, pinned to`, pin.start, 0) : []),
  ];
}

function inCircle(tasks: readonly ShopTask[]): boolean {
  const left = new Map(tasks.map(({ id, after }) => [id, after]));
  for (;;) {
    const free = [...left].filter(([, after]) => after.every((one) => !left.has(one)));
    if (free.length === 0) return left.size > 0;
    for (const [id] of free) left.delete(id);
  }
}

/** How good a plan is. */
export function scoreOf({ jobs, tasks }: Pick<Shop, 'jobs' | 'tasks'>, { at, pots }: ShopPlan): ShopScore {
  const ends = endsOf({ tasks }, at);
  return {
    tardiness: jobs.reduce((sum, { id, due, weight = 1 }) => sum + weight * lateness(ends.get(id), due), 0),
    setUps: pots.length,
    finish: ends.size === 0 ? 0 : [...ends.values()].reduce((sum, end) => sum + end, 0) / ends.size,
    makespan: Math.max(0, ...ends.values()),
  };
}

const lateness = (end: number | undefined, due: number | null): number =>
  due === null || end === undefined ? 0 : Math.max(0, end - due);

/** When each job ends. */
export function endsOf({ tasks }: Pick<Shop, 'tasks'>, at: ShopPlan['at']): Map<string, number> {
  const ends = new Map<string, number>();
  for (const { id, job, duration } of tasks) {
    const place = at.get(id);
    if (place) ends.set(job, Math.max(ends.get(job) ?? 0, place.start + duration));
  }
  return ends;
}

export const dayOf = (step: number): number => Math.floor(step / STEPS_A_DAY);
