/*
 * The pulls of an order worked out on several guesses of the cloth at once: nobody knows stiffness and shear to better than half or
 * double, and on the back the cloth may slip a little over the fold. Pulls that are good on all of them are safe; those worked out
 * for one exact cloth are not. By the model, which has no friction and no plastic give.
 */
import { type ExpectedEdge, type PullBounds, bestPulls, expectedEdge, pullEquations } from './bestPulls';
import { clothMeasures } from './clothMeasures';
import { type PlaceCompliance, edgeForces, placeCompliance } from './edgePlaces';
import { type Influence, influence } from './influence';
import { type Membrane, movesUnder } from './membrane';
import type { MembraneCloth } from './membraneCloth';
import { middleGive } from './middleGive';
import { type LevelledPulls, groupedPulls, pullLevels } from './pullLevels';
import type { StapleModel } from './simulateRoute';
import { Stapling } from './Stapling';

/** What the cloth on the back gives at a fastener where it slips over the fold, mm/N. */
const SLIPS_MM_PER_N = 0.08;

export interface GuessedCloth {
  id: 'reckoned' | 'half' | 'double' | 'softShear' | 'stiffShear' | 'slips';
  cloth: MembraneCloth;
  bars: StapleModel['bars'];
}

/**
 * The cloths that pulls are worked out for, the reckoned one first. Half and double the stiffness are the same cloth on bars that
 * give half and double as much: forces share out by the one over the other.
 */
export function guessedCloths({ cloth, bars, places }: Pick<StapleModel, 'cloth' | 'bars' | 'places'>): GuessedCloth[] {
  const count = places.length;
  const given = bars ?? new Float64Array(count * count);
  const times = (factor: number) => (bars === null ? null : bars.map((give) => give * factor));
  const slipping = given.map((give, at) => (at % (count + 1) === 0 ? give + SLIPS_MM_PER_N : give));
  const sheared = (factor: number): MembraneCloth => ({ ...cloth, shearNPerMm: cloth.shearNPerMm * factor });
  return [
    { id: 'reckoned', cloth, bars },
    { id: 'half', cloth, bars: times(0.5) },
    { id: 'double', cloth, bars: times(2) },
    { id: 'softShear', cloth: sheared(0.3), bars },
    { id: 'stiffShear', cloth: sheared(4), bars },
    { id: 'slips', cloth, bars: slipping },
  ];
}

export interface EdgesByCloth {
  taught: ExpectedEdge;
  worked: ExpectedEdge;
  levelled: ExpectedEdge;
  short: ExpectedEdge;
}

export interface WorkedPulls {
  /** Fastenings in their order, by the index of their event; the lists of pulls go along. */
  events: number[];
  laidOn: boolean[];
  taughtN: Float64Array;
  workedN: Float64Array;
  levels: LevelledPulls;
  /** The first four each with a pull of its own, all others alike. */
  shortN: Float64Array;
  /** How the edge ends by each list, on every cloth that was guessed. */
  edges: Record<GuessedCloth['id'], EdgesByCloth>;
  /** What is expected of the best pulls for the reckoned cloth alone: of all lists that were tried none comes under it there. */
  floor: number;
  /** Mean tension inside that is aimed at, and that the levelled pulls bring, N/m. */
  aimedNPerM: number;
  reachedNPerM: number;
  /** How far the middle of the cloth is drawn by the levelled pulls, and by those that are taught, mm right and down. */
  drift: { xMm: number; yMm: number };
  taughtDrift: { xMm: number; yMm: number };
}

/** So many fastenings have a pull of their own in the short form. */
export const STARTERS = 4;

/** The mean inside is brought to the tension aimed at by so many scalings. */
const SCALINGS = 3;

/** Mean tension inside and drift that pulls lead to. */
function insideBy(
  membrane: Membrane,
  compliance: PlaceCompliance,
  { places, widths, events, bars }: StapleModel,
  pullsN: ArrayLike<number>,
) {
  const stapling = new Stapling(compliance, bars);
  let column = 0;
  for (const { act, place } of events)
    if (act === 'takeOut') stapling.takeOut(place);
    else stapling.fasten(place, [pullsN[column++]!]);
  const forces = stapling.forces();
  const { acrossNPerM, downNPerM, drift } = clothMeasures(
    membrane,
    places,
    widths,
    forces,
    movesUnder(membrane, edgeForces(membrane, places, forces)),
  );
  return { meanNPerM: (acrossNPerM + downNPerM) / 2, drift };
}

/**
 * The pulls of a model as taught and worked out; yields between pieces of work.
 *
 * @param membraneOf condenses a cloth on the mesh of the model
 * @param most how many levels a hand holds
 * @returns null where the order as taught stretches nothing: then there is nothing to hold pulls against
 */
export function* workedPulls(
  membraneOf: (cloth: MembraneCloth) => Generator<undefined, Membrane>,
  model: StapleModel,
  bounds: PullBounds,
  most: number,
): Generator<undefined, WorkedPulls | null> {
  const guesses = guessedCloths(model);
  const membrane = yield* membraneOf(model.cloth);
  const compliance = placeCompliance(membrane, model.places, model.jawMm);
  const cloths: Influence[] = [];
  for (const { cloth, bars } of guesses) {
    // Most guesses are the reckoned cloth on other bars.
    const own = cloth === model.cloth ? membrane : yield* membraneOf(cloth);
    const give = own === membrane ? compliance : placeCompliance(own, model.places, model.jawMm);
    cloths.push(yield* influence(give, { ...model, bars }, bounds.driftPerMm ? middleGive(own, model.places) : null));
  }
  const [reckoned] = cloths as [Influence, ...Influence[]];
  const parts = Float64Array.from(reckoned.events, (event) => model.events[event]!.part);
  const unit = insideBy(membrane, compliance, model, parts);
  if (!(unit.meanNPerM > 0)) return null;
  const firmN = model.firmN ?? model.targetNPerM / unit.meanNPerM;
  const taughtN = parts.map((part) => part * firmN);
  const inside = model.firmN === null ? model.targetNPerM : unit.meanNPerM * firmN;
  let edgeNPerM = inside;
  const equations = yield* pullEquations(cloths, bounds.noise, (bounds.driftPerMm ?? 0) * inside);
  let workedN = yield* bestPulls(equations, edgeNPerM, bounds);
  for (let time = 1; time < SCALINGS; time += 1) {
    const reached = insideBy(membrane, compliance, model, workedN).meanNPerM;
    if (!(reached > 0)) return null;
    edgeNPerM *= inside / reached;
    workedN = yield* bestPulls(equations, edgeNPerM, bounds);
  }
  const alone = yield* bestPulls(yield* pullEquations([reckoned], bounds.noise), edgeNPerM, bounds);
  const levels = yield* pullLevels(cloths, workedN, bounds, most);
  const shortN = groupedPulls(
    cloths,
    workedN,
    bounds,
    Array.from(workedN, (_pull, column) => Math.min(column, STARTERS)),
  );
  const edges = Object.fromEntries(
    guesses.map(({ id }, index) => {
      const by = (pulls: Float64Array) => expectedEdge(cloths[index]!, pulls, bounds.noise);
      return [id, { taught: by(taughtN), worked: by(workedN), levelled: by(levels.pullsN), short: by(shortN) }];
    }),
  ) as Record<GuessedCloth['id'], EdgesByCloth>;
  const levelled = insideBy(membrane, compliance, model, levels.pullsN);
  return {
    events: reckoned.events,
    laidOn: reckoned.laidOn,
    taughtN,
    workedN,
    levels,
    shortN,
    edges,
    floor: Math.min(
      expectedEdge(reckoned, alone, bounds.noise).expected,
      ...Object.values(edges.reckoned).map(({ expected }) => expected),
    ),
    aimedNPerM: inside,
    reachedNPerM: levelled.meanNPerM,
    drift: levelled.drift,
    taughtDrift: { xMm: unit.drift.xMm * firmN, yMm: unit.drift.yMm * firmN },
  };
}
