/*
 * A route carried out on the simulated cloth, for one exact hand and for hands that vary. Everything is proportional to
 * the pull: the route is worked out at one pull and then scaled to the pull asked for, or to the tension aimed at.
 */
import { type ClothMeasures, clothMeasures, outwardForces } from './clothMeasures';
import { type EdgePlace, edgeForces, placeCompliance } from './edgePlaces';
import type { MembraneCloth } from './membraneCloth';
import { TOGETHER } from '../../linear/bandMatrix';
import { type Membrane, movesUnder, movesUnderFour, strainsOf, tensionsOf } from './membrane';
import type { MembraneMesh } from './membraneMesh';
import { Stapling } from './Stapling';

/** One handling of a fastener. */
export interface StapleEvent {
  /** Step of the route it belongs to. */
  order: number;
  act: 'fasten' | 'takeOut';
  /** Index of the place. */
  place: number;
  /** Pull as a part of the firm pull; 0 lays the cloth on. */
  part: number;
}

/** Everything a simulation needs, as plain data. */
export interface StapleModel {
  mesh: MembraneMesh;
  cloth: MembraneCloth;
  places: EdgePlace[];
  /** Edge each place holds, mm. */
  widths: number[];
  /** Give of the bars between places, mm/N; null for a rigid frame. */
  bars: Float64Array | null;
  jawMm: number;
  events: StapleEvent[];
  /** Firm pull at a place, N; null asks for the one that brings the tension aimed at. */
  firmN: number | null;
  targetNPerM: number;
}

/** The cloth after one event. */
export interface RunFrame {
  order: number;
  place: number;
  act: StapleEvent['act'];
  /** This pull had nothing to pull against. */
  unopposed: boolean;
  /** Tension at every place, N/m. */
  edgeNPerM: Float32Array;
  /** Forces of the fasteners on the cloth, x and y of each place, N: the cloth inside is worked out from them where it is shown. */
  forcesN: Float64Array;
}

/** Why a run tells nothing: no tension came of it, or a fastener would hold what no cloth bears. */
export type RunDoubt = 'noTension' | 'outOfBounds';

export interface RouteRun {
  /** Set where the model breaks down: then nothing of the run is to be shown. */
  doubt: RunDoubt | null;
  /** Firm pull, N. */
  firmN: number;
  /** Events that had nothing to pull against. */
  unopposed: number;
  end: ClothMeasures;
  /** Tension (x, y, shear) in every element at the end, N/m. */
  endNPerM: Float32Array;
  /** The end of every hand that varies, in the order of their seeds. */
  hands: Pick<ClothMeasures, 'unevenness' | 'slackShare' | 'acrossNPerM' | 'downNPerM'>[];
}

/** Pull the route is worked out at, before it is scaled, N. */
const UNIT_N = 20;

export interface RunOptions {
  /** Factors of every hand’s pull at every event, hands × events; none for the exact hand alone. */
  handFactors?: readonly (readonly number[])[];
}

/**
 * Carries out the events; yields undefined between pieces of work, then a frame for each event.
 *
 * @throws RangeError for a place fastened twice or taken out without being in
 */
export function* simulateRoute(
  membrane: Membrane,
  model: StapleModel,
  { handFactors = [] }: RunOptions = {},
): Generator<RunFrame | undefined, RouteRun> {
  const { places, widths, events } = model;
  const stapling = new Stapling(placeCompliance(membrane, places, model.jawMm), model.bars, 1 + handFactors.length);
  yield;
  const after: { forces: Float64Array; unopposed: boolean }[] = [];
  for (const [index, event] of events.entries()) {
    const pulls = [1, ...handFactors.map((factors) => factors[index]!)].map((factor) => UNIT_N * event.part * factor);
    if (event.act === 'takeOut') stapling.takeOut(event.place);
    const met = event.act === 'fasten' ? stapling.fasten(event.place, pulls) : null;
    after.push({
      forces: index + 1 < events.length ? stapling.forcesSoFar() : stapling.forces(),
      unopposed: event.part > 0 && met?.unopposed === true,
    });
    if (index % 8 === 7) yield;
  }
  const last = after.at(-1)?.forces ?? new Float64Array(2 * places.length);
  const raw = clothMeasures(membrane, places, widths, last, movesUnder(membrane, edgeForces(membrane, places, last)));
  const reached = (raw.acrossNPerM + raw.downNPerM) / 2;
  const told = reached > 0 && Number.isFinite(reached);
  const firmN = model.firmN ?? (told ? (UNIT_N * model.targetNPerM) / reached : 0);
  const scale = firmN / UNIT_N;
  for (const [index, { forces, unopposed }] of after.entries()) {
    const { order, place, act } = events[index]!;
    const edge = Float32Array.from(outwardForces(places, forces), (force, at) => (1000 * scale * force) / widths[at]!);
    yield { order, place, act, unopposed, edgeNPerM: edge, forcesN: forces.map((force) => scale * force) };
  }
  const hands: RouteRun['hands'] = [];
  for (let start = 0; start < handFactors.length; start += TOGETHER) {
    const some = handFactors.slice(start, start + TOGETHER).map((_factors, index) => stapling.forces(1 + start + index));
    const moves = movesUnderFour(
      membrane,
      some.map((forces) => edgeForces(membrane, places, forces)),
    );
    some.forEach((forces, index) => hands.push(scaled(clothMeasures(membrane, places, widths, forces, moves[index]!), scale)));
    yield;
  }
  const end = scaled(raw, scale);
  return {
    doubt: told ? boundsDoubt(end) : 'noTension',
    firmN,
    unopposed: after.filter((one) => one.unopposed).length,
    end,
    endNPerM: Float32Array.from(raw.tensions, (value) => 1000 * scale * value),
    hands,
  };
}

/**
 * The cloth inside under the forces of its fasteners: tension (x, y, shear) in every element, N/m.
 *
 * @param forcesN as a frame has them
 */
export function tensionField(membrane: Membrane, places: readonly EdgePlace[], forcesN: Float64Array): Float32Array {
  const moves = movesUnder(membrane, edgeForces(membrane, places, forcesN));
  return Float32Array.from(tensionsOf(membrane, strainsOf(membrane, moves)), (value) => 1000 * value);
}

/** A fastener that would hold so many times the mean is an artefact of the mesh, not of the cloth. */
const MOST_TIMES_MEAN = 25;

function boundsDoubt({ edgeNPerM, meanEdgeNPerM }: ClothMeasures): RunDoubt | null {
  const most = MOST_TIMES_MEAN * meanEdgeNPerM;
  return meanEdgeNPerM > 0 && edgeNPerM.every((value) => Math.abs(value) <= most) ? null : 'outOfBounds';
}

/** Measures at another pull: tensions grow with it, shares and spreads stay. */
function scaled(measures: ClothMeasures, scale: number): ClothMeasures {
  const { edgeNPerM, meanEdgeNPerM, unevenness, pushing, acrossNPerM, downNPerM, slackShare, skewDeg, drift, low } = measures;
  return {
    edgeNPerM: edgeNPerM.map((value) => value * scale),
    meanEdgeNPerM: meanEdgeNPerM * scale,
    unevenness,
    pushing,
    acrossNPerM: acrossNPerM * scale,
    downNPerM: downNPerM * scale,
    slackShare,
    skewDeg: skewDeg * scale,
    drift: { xMm: drift.xMm * scale, yMm: drift.yMm * scale },
    low,
  };
}
