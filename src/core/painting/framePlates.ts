/* The plates or clips that hold a canvas in its frame: how many, and where along each side. */
import { type HouseRules, assumed } from '../house/houseRules';
import { SIDES, type Side, everySide, isLevel } from '../job/sides';
import type { JobInputs } from '../job/job';
import { FRONT_WORDS } from '../job/sideWords';
import { byId } from '../house/schools';
import { REBATE_FIXINGS } from './rebateFixings';

/** A shorter side is held by one, mm. */
const ONE_UP_TO_MM = 300;

/**
 * Places along a side, mm from its left or upper end: evenly spread, no further apart than is said, two at the least on any but a
 * short side.
 *
 * @param longMm of the side
 * @param apartMm furthest apart
 * @example platesAlong(600, 350) // [150, 450]
 */
export function platesAlong(longMm: number, apartMm: number): number[] {
  const count = Math.max(longMm < ONE_UP_TO_MM ? 1 : 2, Math.ceil(longMm / apartMm));
  return Array.from({ length: count }, (_, index) => ((index + 0.5) / count) * longMm);
}

/** Where plates or clips stand on each side of a job; none where its frame holds it otherwise. */
export function framePlates({ brief }: Pick<JobInputs, 'brief'>, rules: HouseRules): Record<Side, number[]> {
  const { holdsBy } = byId(REBATE_FIXINGS, brief.rebate.fixing);
  const apart = assumed(rules, 'plateApart');
  return everySide((side) => (holdsBy === null ? [] : platesAlong((isLevel(side) ? brief.width : brief.height).mm, apart)));
}

/** "10 plates: top 3, right 2, bottom 3, left 2"; empty where there are none. */
export function plateWords(inputs: Pick<JobInputs, 'brief'>, rules: HouseRules): string {
  const { holdsBy } = byId(REBATE_FIXINGS, inputs.brief.rebate.fixing);
  const places = framePlates(inputs, rules);
  const count = SIDES.reduce((sum, side) => sum + places[side].length, 0);
  return holdsBy === null
    ? ''
    : `${count} ${holdsBy}: ${SIDES.map((side) => `${FRONT_WORDS.side(side)} ${places[side].length}`).join(', ')}`;
}
