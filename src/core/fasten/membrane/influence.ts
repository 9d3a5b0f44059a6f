/*
 * What every pull of an order does to the tension of the whole edge at the end. The end is linear in the pulls: `f = F p`, a column
 * of F for each fastening. A pull moves what was fastened before it and never what is fastened after, for a later fastener holds the
 * cloth wherever it lies then: F is triangular in the order of setting. One walk of the order with a hand for every pull gives all
 * columns at once.
 */
import { outwardForces } from './clothMeasures';
import { type PlaceCompliance } from './edgePlaces';
import type { MiddleGive } from './middleGive';
import type { StapleModel } from './simulateRoute';
import { Stapling } from './Stapling';

export interface Influence {
  /** Places that hold at the end: the rows, by their index among all places. */
  rows: number[];
  /** Fastenings in their order: the columns, by the index of their event. */
  events: number[];
  /** Tension of each row for a pull of 1 N of each column, N/m: row after row. */
  nPerMPerN: Float64Array;
  /** How far a pull of 1 N of each column draws the middle, mm right and down; null where that is not asked for. */
  middleMmPerN: [right: Float64Array, down: Float64Array] | null;
  /** Columns of pulls that had nothing to pull against: laid on, whatever the pull. */
  laidOn: boolean[];
}

/**
 * The influence of all pulls of a model; yields between pieces of work.
 *
 * @param compliance of its places
 * @param middle how the middle goes with them, where that matters
 * @throws RangeError for a place fastened twice or taken out without being in
 */
export function* influence(
  compliance: PlaceCompliance,
  { places, widths, events, bars }: Pick<StapleModel, 'places' | 'widths' | 'events' | 'bars'>,
  middle: MiddleGive | null = null,
): Generator<undefined, Influence> {
  const fastenings = events.flatMap(({ act }, index) => (act === 'fasten' ? [index] : []));
  const stapling = new Stapling(compliance, bars, Math.max(1, fastenings.length));
  const laidOn: boolean[] = [];
  const pulls = new Float64Array(fastenings.length);
  for (const { act, place } of events) {
    if (act === 'takeOut') {
      stapling.takeOut(place);
      continue;
    }
    const column = laidOn.length;
    pulls.fill(0);
    pulls[column] = 1;
    laidOn.push(stapling.fasten(place, pulls).unopposed);
    if (column % 8 === 7) yield;
  }
  const rows = places.flatMap((_place, at) => (stapling.holds(at) ? [at] : []));
  const nPerMPerN = new Float64Array(rows.length * fastenings.length);
  fastenings.forEach((_event, column) => {
    const outwards = outwardForces(places, stapling.forcesSoFar(column));
    rows.forEach((at, row) => (nPerMPerN[row * fastenings.length + column] = (1000 * outwards[at]!) / widths[at]!));
  });
  const drawn = (give: Float64Array) =>
    Float64Array.from(fastenings, (_event, column) =>
      stapling.forcesSoFar(column).reduce((sum, force, at) => sum + give[at]! * force, 0),
    );
  const middleMmPerN: Influence['middleMmPerN'] = middle && [drawn(middle.right), drawn(middle.down)];
  return { rows, events: fastenings, nPerMPerN, laidOn, middleMmPerN };
}
