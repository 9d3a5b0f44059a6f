/*
 * How hard each fastener of a job is pulled: as taught, and worked out for its order, its cloth and the hands there are. What the
 * screen, the bench and the print say of pulls all comes from here.
 */
import { printed } from '../../quantities/printed';
import type { ExpectedEdge, PullBounds } from '../../fasten/membrane/bestPulls';
import type { EdgePlace } from '../../fasten/membrane/edgePlaces';
import type { Membrane } from '../../fasten/membrane/membrane';
import type { MembraneCloth } from '../../fasten/membrane/membraneCloth';
import type { StapleModel } from '../../fasten/membrane/simulateRoute';
import { type EdgesByCloth, STARTERS, workedPulls } from '../../fasten/membrane/workedPulls';
import type { HandNoise } from '../../fasten/hand';
import { type HouseRules, assumed } from '../../house/houseRules';
import { USES, byId } from '../../house/schools';
import type { JobInputs } from '../../job/job';

/** Less than this no hand pulls on purpose, N. */
const LEAST_PULL_N = 2;

/** One fastening with its pulls, N; what is laid on is pulled by nobody. */
export interface StepPull extends EdgePlace {
  /** Step of the route. */
  order: number;
  taughtN: number;
  workedN: number;
  shortN: number;
  laidOn: boolean;
}

/** How the edge ends by one list of pulls: on the cloth as it is reckoned, and from the best to the worst of all that were guessed. */
export interface EndOfPulls extends ExpectedEdge {
  range: [least: number, most: number];
}

export interface PullPlan {
  pulls: StepPull[];
  /** Newtons that a hand is to hold, ascending. */
  levelsN: number[];
  taught: EndOfPulls;
  worked: EndOfPulls;
  /** Null where pulling all but the first four alike ends no better than as taught. */
  short: EndOfPulls | null;
  /** What the best pulls, free of all levels and for this cloth alone, come to with these hands: no list that was tried comes under it. */
  floor: number;
  /** Mean tension inside that is aimed at, and that the list brings, N/m. */
  aimedNPerM: number;
  reachedNPerM: number;
  /** How far the middle of the cloth is drawn by the list, and as taught, mm right and down as seen from the front. */
  drift: { xMm: number; yMm: number };
  taughtDrift: { xMm: number; yMm: number };
  bounds: PullBounds;
}

/** How much hands vary from pull to pull: as the house’s own were tried, else as is assumed. The practice scale tells of no hand. */
export const noiseOf = (rules: HouseRules, learned: Pick<HandNoise, 'noise' | 'simulated'> | null): number =>
  learned && !learned.simulated ? learned.noise : assumed(rules, 'handNoise');

/** What a hand or pliers can pull, how much it varies, and on painted work what drift counts. */
export function pullBounds(
  { brief, cloth }: Pick<JobInputs, 'brief' | 'cloth'>,
  rules: HouseRules,
  learned: Pick<HandNoise, 'noise' | 'simulated'> | null,
): PullBounds {
  return {
    leastN: LEAST_PULL_N,
    mostN: assumed(rules, cloth.grip === 'hand' ? 'fingersMost' : 'pliersMost'),
    noise: noiseOf(rules, learned),
    driftPerMm: byId(USES, brief.use).painted ? assumed(rules, 'driftCounts') : 0,
  };
}

/**
 * The pulls of a model; yields between pieces of work.
 *
 * @param membraneOf condenses a cloth on the mesh of the model
 * @param most levels that a hand holds
 * @returns null where the order as taught stretches nothing
 */
export function* pullPlan(
  membraneOf: (cloth: MembraneCloth) => Generator<undefined, Membrane>,
  model: StapleModel,
  bounds: PullBounds,
  most: number,
): Generator<undefined, PullPlan | null> {
  const found = yield* workedPulls(membraneOf, model, bounds, most);
  if (!found) return null;
  const { events, laidOn, taughtN, levels, shortN, edges, floor, aimedNPerM, reachedNPerM, drift, taughtDrift } = found;
  const all = Object.values(edges);
  const end = (by: keyof EdgesByCloth): EndOfPulls => {
    const expected = all.map((one) => one[by].expected);
    return { ...edges.reckoned[by], range: [Math.min(...expected), Math.max(...expected)] };
  };
  const [taught, short] = [end('taught'), end('short')];
  return {
    pulls: events.map((event, column): StepPull => {
      const { order, place } = model.events[event]!;
      return {
        ...model.places[place]!,
        order,
        taughtN: taughtN[column]!,
        workedN: levels.pullsN[column]!,
        shortN: shortN[column]!,
        laidOn: laidOn[column]! || levels.pullsN[column] === 0,
      };
    }),
    levelsN: levels.levelsN,
    taught,
    worked: end('levelled'),
    short: short.expected < taught.expected ? short : null,
    floor,
    aimedNPerM,
    reachedNPerM,
    drift,
    taughtDrift,
    bounds,
  };
}

/** The model with its pulls in newtons, to be carried out as they are. */
export function pulledModel(model: StapleModel, { pulls }: Pick<PullPlan, 'pulls'>): StapleModel {
  const byOrder = new Map(pulls.map(({ order, workedN }) => [order, workedN]));
  const events = model.events.map((event) =>
    event.act === 'fasten' ? { ...event, part: byOrder.get(event.order) ?? 0 } : event,
  );
  return { ...model, events, firmN: 1 };
}

/**
 * The list that is kept in the head: "first: laid on; its answer 18 N; third 12 N; fourth 16 N; all others 14 N".
 *
 * @example shortForm([{ side: 'top', shortN: 0, laidOn: true }, { side: 'bottom', shortN: 18, laidOn: false }, { side: 'right', shortN: 12, laidOn: false }, { side: 'left', shortN: 16, laidOn: false }, { side: 'top', shortN: 14, laidOn: false }]) // 'first: laid on; its answer 18 N; third 12 N; fourth 16 N; all others 14 N'
 */
export function shortForm(pulls: readonly Pick<StepPull, 'side' | 'shortN' | 'laidOn'>[]): string {
  // Where a side has two or three starters, the second is no answer to the first.
  const answers = pulls.length > 1 && pulls[1]!.side !== pulls[0]!.side;
  const names = ['first:', answers ? 'its answer' : 'second', 'third', 'fourth'];
  const one = ({ shortN, laidOn }: Pick<StepPull, 'shortN' | 'laidOn'>) => (laidOn ? 'laid on' : printed('pull', shortN));
  const starters = pulls.slice(0, STARTERS).map((pull, index) => `${names[index]} ${one(pull)}`);
  const rest = pulls.slice(STARTERS);
  const pulled = rest.find(({ laidOn }) => !laidOn);
  return [...starters, ...(pulled ? [`all others ${one(pulled)}`] : rest.length > 0 ? ['all others laid on'] : [])].join('; ');
}

/**
 * The pulls of a list by their newtons: which steps take each of them, ascending, those that are laid on first.
 *
 * @example stepsByPull([{ order: 1, workedN: 0, laidOn: true }, { order: 2, workedN: 14, laidOn: false }, { order: 3, workedN: 14, laidOn: false }]) // [{ pullN: 0, orders: [1] }, { pullN: 14, orders: [2, 3] }]
 */
export function stepsByPull(
  pulls: readonly Pick<StepPull, 'order' | 'workedN' | 'laidOn'>[],
): { pullN: number; orders: number[] }[] {
  const newtons = [...new Set(pulls.map(({ workedN, laidOn }) => (laidOn ? 0 : workedN)))].sort((a, b) => a - b);
  return newtons.map((pullN) => ({
    pullN,
    orders: pulls.filter(({ workedN, laidOn }) => (laidOn ? 0 : workedN) === pullN).map(({ order }) => order),
  }));
}

/**
 * Numbers in runs: "5, 8–12".
 *
 * @example runsOf([5, 8, 9, 10, 12]) // '5, 8–10, 12'
 */
export function runsOf(orders: readonly number[]): string {
  const runs: [from: number, to: number][] = [];
  for (const order of orders) {
    const last = runs.at(-1);
    if (last && order === last[1] + 1) last[1] = order;
    else runs.push([order, order]);
  }
  return runs.map(([from, to]) => (from === to ? `${from}` : to === from + 1 ? `${from}, ${to}` : `${from}–${to}`)).join(', ');
}
