/*
 * What the margin left on a painted canvas allows on one side. Nothing here trims or glues a painting.
 */
import type { Profile } from '../frame/profiles';
import { assumed, type HouseRules } from '../house/houseRules';

export type Fixing = 'backByHand' | 'backByPliers' | 'edge' | 'edgeClamped' | 'none';

export const FIXING_WORDS: Record<Fixing, string> = {
  backByHand: 'on the back, by hand',
  backByPliers: 'on the back, with pliers',
  edge: 'on the edge, tacks seen and evenly spaced',
  edgeClamped: 'on the edge: clamps first, then tacks',
  none: 'nothing to hold: strip-lining by a conservator',
};

/**
 * The best fixing that `leftMm` of cloth beyond the image allows.
 *
 * @example fixingFor(60, standardBar, DEFAULT_RULES) // 'backByHand'
 */
export function fixingFor(leftMm: number, profile: Profile, rules: HouseRules): Fixing {
  const beyondFold = leftMm - profile.depthMm - profile.beadMm;
  if (beyondFold >= assumed(rules, 'handGrip')) return 'backByHand';
  if (beyondFold >= assumed(rules, 'pliersGrip')) return 'backByPliers';
  const leastOnEdge = assumed(rules, 'rawEdge') + 6;
  if (leftMm >= Math.max(leastOnEdge, assumed(rules, 'pliersGrip'))) return 'edge';
  return leftMm >= leastOnEdge ? 'edgeClamped' : 'none';
}

/** Tacks that are seen, from corner to corner. */
export interface TackRow {
  count: number;
  pitchMm: number;
}

/**
 * Tacks spread evenly over a side, half a pitch from each corner so that they run on round it.
 *
 * @param longMm length of the side, above 0
 * @param mostMm widest spacing, above 0
 * @example evenTacks(900, 45) // { count: 20, pitchMm: 45 }
 */
export function evenTacks(longMm: number, mostMm: number): TackRow {
  const count = Math.max(1, Math.ceil(longMm / mostMm - 1e-9));
  return { count, pitchMm: longMm / count };
}
