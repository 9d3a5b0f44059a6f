/*
 * How cloth fades by itself. A stretched cloth loses the same part of its tension in every tenfold of time since it was last
 * moved: `T(t) = T₁ (1 − c log₁₀(t / t₁))`. From two readings with nothing done between them, the second brought to the air of the
 * first, c follows. A rule of thumb for threads that relax; derived here, not checked on real canvases.
 */
import { type WeatherResponse, lossPerRh } from '../tension/clothWeather';
import type { TensionReading } from '../log/jobHistory';
import type { Life, LifeMark } from './life';

const DAY_MS = 86_400_000;
/** Time since it was moved counts from here: an hour, in days. */
const LEAST_DAYS = 1 / 24;
/** A pair tells something when the later one stands so many times as long after the move as the earlier. */
const LEAST_RATIO = 3;

/** Days since the cloth was last moved, an hour at least. */
export const daysSince = (movedAt: string, at: string): number =>
  Math.max(LEAST_DAYS, (Date.parse(at) - Date.parse(movedAt)) / DAY_MS);

/**
 * What is left of a tension by creep alone, as a part of it; never below 0.
 *
 * @param creep loss in a tenfold of time, 0 to 1
 * @param fromDays days between the last move and the reading; above 0
 * @param toDays the same for the later moment
 * @throws RangeError for times that are not above 0
 * @example leftByCreep(0.06, 1, 1000) // 0.82
 */
export function leftByCreep(creep: number, fromDays: number, toDays: number): number {
  if (!(fromDays > 0 && toDays > 0)) throw new RangeError(`days must be above 0, got ${fromDays} and ${toDays}`);
  return Math.round(1e9 * Math.max(0, 1 - creep * Math.log10(toDays / fromDays))) / 1e9;
}

/** What moved the cloth last before a place in the log. */
export const movedBefore = ({ marks }: Pick<Life, 'marks'>, order: number): LifeMark | null =>
  marks.findLast((mark) => mark.moves && mark.order < order) ?? null;

/**
 * The first reading since the cloth was last moved, by the tool of a later one; for one by feel the first that was measured, or
 * where none was the first that was felt. Null where there is none before it.
 */
export function readingBefore(life: Pick<Life, 'marks' | 'tensions'>, last: TensionReading): TensionReading | null {
  const moved = movedBefore(life, last.order);
  if (!moved) return null;
  const since = life.tensions.filter(({ order }) => order > moved.order && order < last.order);
  if (last.tool === 'hand') return since.find(({ tool }) => tool !== 'hand') ?? since[0] ?? null;
  return since.find(({ tool }) => tool === last.tool) ?? null;
}

export interface CreepFound {
  /** Loss in a tenfold of time, as a part; below 0 where it got tighter by itself. */
  perDecade: number;
  sd: number;
}

/**
 * What two readings tell of the creep of a cloth; null where they are by feel, lack their air, or stand too near.
 *
 * @param movedAt when the cloth was moved last, before both
 */
export function creepFound(
  movedAt: string,
  first: TensionReading,
  last: TensionReading,
  response: WeatherResponse,
): CreepFound | null {
  if (last.tool === 'hand' || first.tool !== last.tool || first.rh === null || last.rh === null || !(first.nPerM > 0))
    return null;
  const [from, to] = [daysSince(movedAt, first.at), daysSince(movedAt, last.at)];
  if (to / from < LEAST_RATIO) return null;
  const asThen = last.nPerM + lossPerRh(response) * (last.rh - first.rh);
  const decades = Math.log10(to / from);
  const part = asThen / first.nPerM;
  return { perDecade: (1 - part) / decades, sd: Math.hypot(last.sdNPerM, part * first.sdNPerM) / first.nPerM / decades };
}

/** Creep that is learned from: within what cloth does, and better known than by this much. */
const PLAUSIBLE = { least: -0.02, most: 0.4, sd: 0.06 };

/** Something was seen between two readings that is no creep: slack, ripples, a dent, a knock. */
export const seenBetween = ({ marks }: Pick<Life, 'marks'>, first: TensionReading, last: TensionReading): boolean =>
  marks.some(({ kind, tells, order }) => kind === 'happened' && tells && order > first.order && order < last.order);

/** Whether a pair is fit to be learned from. */
export const isPlausible = ({ perDecade, sd }: CreepFound): boolean =>
  perDecade >= PLAUSIBLE.least && perDecade <= PLAUSIBLE.most && sd <= PLAUSIBLE.sd;

/** What the house learned of a cloth under a ground, as parts in a tenfold of time. */
export interface CreepLesson {
  /** The middle one of all cases; the least and the most of them. */
  perDecade: number;
  least: number;
  most: number;
  /** How far they scatter about the middle one, by the middle one of their distances: one canvas that gave way widens nothing. */
  sd: number;
  cases: number;
}

/** Half of the cases of a normal scatter lie within this part of its standard deviation. */
const HALF_WITHIN = 0.6745;

const middle = (sorted: readonly number[]): number => (sorted[(sorted.length - 1) >> 1]! + sorted[sorted.length >> 1]!) / 2;
const ascending = (values: readonly number[]): number[] => [...values].sort((one, other) => one - other);

/**
 * What several cases teach; null for none.
 *
 * @param cases parts lost in a tenfold of time
 * @example creepLesson([0.05, 0.06, 0.07, 0.3]).perDecade // 0.065
 */
export function creepLesson(cases: readonly number[]): CreepLesson | null {
  if (cases.length === 0) return null;
  const sorted = ascending(cases);
  const perDecade = middle(sorted);
  return {
    perDecade,
    least: sorted[0]!,
    most: sorted.at(-1)!,
    sd: middle(ascending(sorted.map((one) => Math.abs(one - perDecade)))) / HALF_WITHIN,
    cases: sorted.length,
  };
}

/** By what creep is kept: a cloth under a ground. */
export const creepKey = (fabric: string, system: string): string => `${fabric} ${system}`;
