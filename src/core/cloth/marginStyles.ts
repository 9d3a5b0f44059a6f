/*
 * The margins makers use, as data: where the cloth ends on the back, and what is kept beyond.
 */
import { assumed, type HouseRules } from '../house/houseRules';
import type { School } from '../house/schools';

interface MarginStyle<Id extends string> extends School<Id> {
  /** Cloth folded on to the back, mm, for a bar of this width. */
  returnMm: (barWidthMm: number, rules: HouseRules) => number;
  hem: boolean;
  /** Fills the margin up to the reserve. */
  reserve: boolean;
  /** Where the cloth ends on the back, in words. */
  ends: string;
  /** Fastened on the side: only part of the depth is covered. */
  onEdge: boolean;
}

const covered = (barMm: number, rules: HouseRules): number => barMm + assumed(rules, 'coveredExtra');
const short = (_barMm: number, rules: HouseRules): number => assumed(rules, 'shortReturn');

const style = <const I extends string>(row: MarginStyle<I>) => row;

export const MARGIN_STYLES = [
  style({
    id: 'edge',
    ends: 'on the side of the bar',
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
    ends: 'on the wood of the back',
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
    ends: 'at the inner edge of the bar',
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
    ends: 'past the inner edge',
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
    ends: 'past the inner edge, raw edge under',
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
    ends: 'on the wood of the back, raw edge under',
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
    ends: 'past the inner edge, the rest folded back',
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
