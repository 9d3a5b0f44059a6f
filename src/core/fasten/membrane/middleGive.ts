/*
 * How the middle of the cloth goes where places are pulled. A unit force at a place moves the middle as far as a unit force at the
 * middle moves the place (reciprocity; Maxwell, 1864): two loads tell it for all places at once.
 */
import { solveBand } from '../../linear/bandMatrix';
import { middleNode } from './clothMeasures';
import { CROWN_MM, type EdgePlace, edgeWeights } from './edgePlaces';
import type { Membrane } from './membrane';

/** Moves of the middle, right and down, for unit forces at the places, x and y of each beside each other, mm/N: 2n each. */
export interface MiddleGive {
  right: Float64Array;
  down: Float64Array;
}

/** @throws RangeError for a place beyond its side */
export function middleGive({ mesh, edge, factor }: Membrane, places: readonly EdgePlace[]): MiddleGive {
  const node = middleNode(mesh);
  const along = (axis: 0 | 1): Float64Array => {
    const load = new Float64Array(factor.size);
    load[2 * node + axis] = 1;
    const moves = solveBand(factor, load);
    return Float64Array.from({ length: 2 * places.length }, (_, at) =>
      edgeWeights(mesh, places[at >> 1]!, CROWN_MM).reduce(
        (sum, [index, share]) => sum + share * moves[2 * edge[index]! + (at & 1)]!,
        0,
      ),
    );
  };
  return { right: along(0), down: along(1) };
}
