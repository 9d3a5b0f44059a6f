/*
 * The margins makers use, as data: how much goes to the back, and what is kept beyond.
 */
import { assumed, type HouseRules } from '../house/houseRules';
import { type School, byId } from '../house/schools';

interface MarginStyle<Id extends string> extends School<Id> {
  /** Cloth folded on to the back, mm, for a bar of this width. */
  returnMm: (barWidthMm: number, rules: HouseRules) => number;
  hem: boolean;
  /** Fills the margin up to the reserve. */
  reserve: boolean;
  /** Fastened on the side: only part of the depth is covered. */
  onEdge: boolean;
}

const covered = (barMm: number, rules: HouseRules): number => barMm + assumed(rules, 'coveredExtra');
const short = (_barMm: number, rules: HouseRules): number => assumed(rules, 'shortReturn');

const style = <const I extends string>(row: MarginStyle<I>) => row;

export const MARGIN_STYLES = [
  style({
    id: 'edge',
    name: 'Edge-fastened',
    returnMm: () => 0,
    hem: false,
    reserve: false,
    onEdge: true,
    suits: 'framed work, or no cloth left',
    trades: 'fasteners are seen from the side',
  }),
  style({
    id: 'short',
    name: 'Short return',
    returnMm: short,
    hem: false,
    reserve: false,
    onEdge: false,
    suits: 'thin bars, dear cloth',
    trades: 'raw edge on the wood',
  }),
  style({
    id: 'flush',
    name: 'Flush',
    returnMm: (bar) => bar,
    hem: false,
    reserve: false,
    onEdge: false,
    suits: 'a neat back with little bulk',
    trades: 'cut exactly: it ends at the inner edge of the bar',
  }),
  style({
    id: 'covered',
    name: 'Covered bar',
    returnMm: covered,
    hem: false,
    reserve: false,
    onEdge: false,
    suits: 'wood covered, room to hold',
    trades: 'more cloth',
  }),
  style({
    id: 'hem',
    name: 'Folded hem',
    returnMm: covered,
    hem: true,
    reserve: false,
    onEdge: false,
    suits: 'unframed work: no fraying, no dust',
    trades: 'a layer more at the corners',
  }),
  style({
    id: 'hemShort',
    name: 'Folded hem, short',
    returnMm: short,
    hem: true,
    reserve: false,
    onEdge: false,
    suits: 'no fraying on thin bars or with dear cloth',
    trades: 'wood in sight, a layer more at the corners',
  }),
  style({
    id: 'reserve',
    name: 'Reserve',
    returnMm: covered,
    hem: false,
    reserve: true,
    onEdge: false,
    suits: 'taken off, shipped rolled, stretched again',
    trades: 'most cloth, fat corners unless folded back',
  }),
] as const;

export type MarginStyleId = (typeof MARGIN_STYLES)[number]['id'];

/**
 * Where the cloth of a margin ends, in words: a short return may reach past a narrow bar.
 *
 * @example marginEnds('short', 25, 45) // 'on the wood of the back'
 * @example marginEnds('hemShort', 25, 18) // 'past the inner edge, raw edge under'
 */
export function marginEnds(styleId: MarginStyleId, returnMm: number, barWidthMm: number): string {
  const { onEdge, hem, reserve } = byId(MARGIN_STYLES, styleId);
  if (onEdge) return 'on the side of the bar';
  const short = barWidthMm - returnMm;
  const at = short > 0.05 ? 'on the wood of the back' : short < -0.05 ? 'past the inner edge' : 'at the inner edge of the bar';
  return `${at}${hem ? ', raw edge under' : ''}${reserve ? ', the rest folded back' : ''}`;
}
