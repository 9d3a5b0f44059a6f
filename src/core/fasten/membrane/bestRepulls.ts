/*
 * Which fasteners to draw and set again, and how hard, for the greatest gain in evenness that hands can be expected to bring. What is
 * known of the edge is a mean and a scatter: the pulls of the order with what hands vary by, and what was felt at places since (a
 * linear update of both; Kalman, 1960). Drawing one and setting it anew takes its old force out of the edge and puts a new one in,
 * linear in the new pull, so what every pull of the grid is expected to leave is told without another walk; a fastener that would
 * push counts as holding nothing. Places are taken one after another, each counting with those before it: a greedy search.
 */
import { outwardForces } from './clothMeasures';
import type { PullBounds } from './bestPulls';
import { expectedUnevenness } from './expectedUnevenness';
import { placeCompliance } from './edgePlaces';
import { influence } from './influence';
import type { Membrane } from './membrane';
import { pullGrid } from './pullLevels';
import type { StapleModel } from './simulateRoute';
import { Stapling } from './Stapling';

/** How a fastener feels under the finger, against those about it. */
export const FELT = [
  { id: 'loose', name: 'loose', timesMean: 0.5 },
  { id: 'right', name: 'right', timesMean: 1 },
  { id: 'tight', name: 'tight', timesMean: 1.5 },
] as const;
export type FeltId = (typeof FELT)[number]['id'];

export interface FeltPlace {
  place: number;
  felt: FeltId;
}

/** A finger tells a fastener to such a part of the mean. */
const FELT_TO = 0.2;

/** A fastener drawn and set again at a pull, and how uneven the edge is expected to be after it. */
export interface Repull {
  place: number;
  pullN: number;
  unevenness: number;
}

export interface SecondLook {
  /** What is expected as it is. */
  before: number;
  repulls: Repull[];
}

export interface SecondLookOptions {
  /** How many to name at most. */
  most: number;
  /** The firm pull that the parts of the events are parts of, N. */
  firmN: number;
  bounds: PullBounds;
  felt: readonly FeltPlace[];
}

/** Less is no gain. */
const LEAST_GAIN = 1e-4;

const sumOf = (values: Float64Array): number => values.reduce((sum, value) => sum + value, 0);

/** What is known of the tension at the edge, N/m: a mean and a covariance, row after row. */
interface Known {
  edge: Float64Array;
  scatter: Float64Array;
}

/** The variance of every place alone, and of all of them together. */
function variancesOf({ edge, scatter }: Known): { each: Float64Array; ofSum: number } {
  return { each: edge.map((_value, at) => scatter[at * edge.length + at]!), ofSum: sumOf(scatter) };
}

/** A finger on a fastener: what is known of all of them moves with it. */
function feel({ edge, scatter }: Known, row: number, told: number, sd: number): void {
  const count = edge.length;
  const column = Float64Array.from({ length: count }, (_, at) => scatter[at * count + row]!);
  const gain = 1 / (column[row]! + sd * sd);
  const off = told - edge[row]!;
  for (let at = 0; at < count; at += 1) {
    edge[at]! += gain * column[at]! * off;
    for (let other = 0; other < count; other += 1) scatter[at * count + other]! -= gain * column[at]! * column[other]!;
  }
}

/**
 * The fasteners to set again, in the order to do them, while each is expected to make the edge more even by what hands bring.
 *
 * @throws RangeError for no firm pull above 0 N, or a felt place without a fastener
 */
export function* bestRepulls(
  membrane: Membrane,
  model: StapleModel,
  { most, firmN, bounds, felt }: SecondLookOptions,
): Generator<undefined, SecondLook> {
  if (!(firmN > 0)) throw new RangeError(`a firm pull is above 0 N, got ${firmN}`);
  const { places, widths, events } = model;
  const compliance = placeCompliance(membrane, places, model.jawMm);
  const { rows, events: fastenings, nPerMPerN } = yield* influence(compliance, model);
  const [count, columns] = [rows.length, fastenings.length];
  const pulls = fastenings.map((event) => firmN * events[event]!.part);
  const stapling = new Stapling(compliance, model.bars);
  let next = 0;
  for (const { act, place } of events)
    if (act === 'takeOut') stapling.takeOut(place);
    else stapling.fasten(place, [pulls[next++]!]);
  const edgeOf = (forces: Float64Array) => {
    const outwards = outwardForces(places, forces);
    return Float64Array.from(rows, (at) => (1000 * outwards[at]!) / widths[at]!);
  };
  const known: Known = { edge: edgeOf(stapling.forces()), scatter: new Float64Array(count * count) };
  const thrown = pulls.map((pull) => (bounds.noise * pull) ** 2);
  for (let row = 0; row < count; row += 1) {
    for (let other = 0; other < count; other += 1)
      for (let column = 0; column < columns; column += 1)
        known.scatter[row * count + other]! +=
          thrown[column]! * nPerMPerN[row * columns + column]! * nPerMPerN[other * columns + column]!;
    if (row % 16 === 15) yield;
  }
  const usual = sumOf(known.edge) / Math.max(1, count);
  for (const { place, felt: how } of felt) {
    const row = rows.indexOf(place);
    if (row < 0) throw new RangeError(`place ${place} has no fastener to feel`);
    feel(known, row, usual * FELT.find(({ id }) => id === how)!.timesMean, FELT_TO * usual);
  }
  const grid = pullGrid(bounds.leastN, bounds.mostN);
  const asItIs = variancesOf(known);
  let now = expectedUnevenness(known.edge, asItIs.each, asItIs.ofSum);
  const look: SecondLook = { before: now, repulls: [] };
  while (look.repulls.length < most && count > 1) {
    let best: (Repull & { row: number; after: Float64Array; by: Float64Array; answer: Float64Array }) | null = null;
    const { each, ofSum } = variancesOf(known);
    const held = edgeOf(stapling.forces());
    for (const [row, place] of rows.entries()) {
      const empty = edgeOf(stapling.forcesIfSetAgain(place, 0));
      const one = edgeOf(stapling.forcesIfSetAgain(place, 1));
      const by = one.map((value, at) => value - empty[at]!);
      if (Math.abs(by[row]!) < 1e-9) continue;
      const answer = by.map((value) => value / by[row]!);
      // What is known beyond the exact hand goes the same way: the old force of this place leaves with all it did.
      const off = known.edge[row]! - held[row]!;
      const base = empty.map((value, at) => value + (known.edge[at]! - held[at]!) - answer[at]! * off);
      const column = Float64Array.from({ length: count }, (_, at) => known.scatter[at * count + row]!);
      const own = column[row]!;
      // Drawn, it takes what was not known of it along; set again, it brings what the hand is off by.
      const drawn = each.map((variance, at) => variance + own * answer[at]! ** 2 - 2 * answer[at]! * column[at]!);
      const [answerSum, bySum] = [sumOf(answer), sumOf(by)];
      const drawnSum = ofSum + own * answerSum ** 2 - 2 * answerSum * sumOf(column);
      for (const pullN of grid) {
        const thrownBy = (bounds.noise * pullN) ** 2;
        const after = base.map((value, at) => value + pullN * by[at]!);
        const variances = drawn.map((variance, at) => variance + thrownBy * by[at]! ** 2);
        const uneven = expectedUnevenness(after, variances, drawnSum + thrownBy * bySum ** 2);
        if (uneven < (best?.unevenness ?? now - LEAST_GAIN)) best = { place, pullN, unevenness: uneven, row, after, by, answer };
      }
      if (row % 16 === 15) yield;
    }
    if (!best) break;
    const { row, answer, by, pullN, after, place } = best;
    const column = Float64Array.from({ length: count }, (_, at) => known.scatter[at * count + row]!);
    const own = column[row]!;
    for (let at = 0; at < count; at += 1)
      for (let other = 0; other < count; other += 1)
        known.scatter[at * count + other]! +=
          own * answer[at]! * answer[other]! -
          answer[at]! * column[other]! -
          answer[other]! * column[at]! +
          (bounds.noise * pullN) ** 2 * by[at]! * by[other]!;
    known.edge.set(after);
    stapling.takeOut(place);
    stapling.fasten(place, [pullN]);
    now = best.unevenness;
    look.repulls.push({ place, pullN, unevenness: best.unevenness });
  }
  return look;
}
