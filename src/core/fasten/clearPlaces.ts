/* Where no fastener goes: ends of braces and knots. A place that falls there moves to the nearest edge of it. */
import type { Side } from '../job/sides';

/** A stretch of a side to keep out of, mm from its middle, positive right or down. */
export interface Barred {
  fromMm: number;
  toMm: number;
}

export type BarredPlaces = Record<Side, readonly Barred[]>;
export const NOTHING_BARRED: BarredPlaces = { top: [], right: [], bottom: [], left: [] };

/** Wood kept about a knot, each way, mm. */
export const KNOT_MM = 10;

/**
 * Where the fasteners of a side go: each at its place, or at the nearest edge of what bars it that is not taken.
 *
 * @param offsetsMm from the middle of the side
 * @param reachMm the last place from the middle; none is moved beyond it
 * @param apartMm two nearer than this split the wood
 * @returns a place for each offset, in the same order; null for one that finds none clear
 * @example clearPlaces([0, 40], [{ fromMm: -12, toMm: 12 }], 300, 15) // [12, 40]
 */
export function clearPlaces(
  offsetsMm: readonly number[],
  barred: readonly Barred[],
  reachMm: number,
  apartMm: number,
): (number | null)[] {
  const inside = (at: number) => barred.some(({ fromMm, toMm }) => at > fromMm + 1e-9 && at < toMm - 1e-9);
  const taken = offsetsMm.filter((offset) => !inside(offset));
  const free = (at: number) =>
    Math.abs(at) <= reachMm + 1e-9 && !inside(at) && taken.every((one) => Math.abs(one - at) >= apartMm - 1e-9);
  return offsetsMm.map((offset) => {
    if (!inside(offset)) return offset;
    const edges = barred
      .flatMap(({ fromMm, toMm }) => [fromMm, toMm])
      .filter(free)
      // Of two equally near, the one to the right or below: opposite sides then move alike.
      .sort((a, b) => Math.abs(a - offset) - Math.abs(b - offset) || b - a);
    const place = edges[0];
    if (place === undefined) return null;
    taken.push(place);
    return place;
  });
}
