/* What is typed for the bars. */
import { BRACE_FIXINGS } from '../../frame/braceFixings';
import { GLUES } from '../../frame/glues';
import { JOINTS } from '../../frame/joints';
import { type ShapeOf, listOf, number, oneOf, text, numberOf } from '../../shape/shape';

/** Most braces one way. */
export const MOST_BRACES = 3;
/** Braces spread evenly: parts of the length. */
export const evenBraces = (count: number): number[] => Array.from({ length: count }, (_, index) => (index + 1) / (count + 1));

/** Room kept between two braces and to the bars, as a part of the length. */
const BRACE_APART = 0.03;
/** The least and the most a brace’s place can be, between its neighbours. */
export const braceRange = (places: readonly number[], index: number): [least: number, most: number] => [
  (places[index - 1] ?? 0) + BRACE_APART,
  (places[index + 1] ?? 1) - BRACE_APART,
];

export const barsShape = {
  /** A bar and a wood of the house: ids of its materials. */
  profile: text(1, 64, 'standard'),
  species: text(1, 64, 'spruce'),
  joint: oneOf(JOINTS, 'slotted'),
  glue: oneOf(GLUES, 'pva'),
  tensionNPerM: numberOf('tension', 250),
  braceFixing: oneOf(BRACE_FIXINGS, 'asJoint'),
  /** Middles of the braces from the top bar to the bottom bar, as parts of the width from the left, ascending. */
  bracesUpright: listOf(number(0.01, 0.99), MOST_BRACES),
  /** Middles of the braces from the left bar to the right bar, as parts of the height from the top, ascending. */
  bracesLevel: listOf(number(0.01, 0.99), MOST_BRACES),
};

export interface BarsInputs extends ShapeOf<typeof barsShape> {}
