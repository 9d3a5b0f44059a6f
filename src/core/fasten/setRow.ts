import type { Side } from '../job/sides';
import type { RoutePlan } from './routeSteps';

/** The fasteners of a side as a route sets them, with its corners folded. */
export interface SetRow {
  count: number;
  /** Between neighbours as they are spread, mm. */
  pitchMm: number;
  /** From a corner to the one nearest to it, mm. */
  firstMm: number;
}

/**
 * The row of a side as its route sets it; null where nothing is set there.
 *
 * @param longMm length of the side, above 0
 * @example setRow({ steps: [], rows: {} }, 'top', 400) // null
 */
export function setRow({ steps, rows }: Pick<RoutePlan, 'steps' | 'rows'>, side: Side, longMm: number): SetRow | null {
  const places = steps.filter((step) => step.act === 'fix' && step.side === side).map(({ offsetMm }) => Math.abs(offsetMm));
  if (places.length === 0) return null;
  return { count: places.length, pitchMm: rows[side].pitchMm, firstMm: longMm / 2 - Math.max(...places) };
}
