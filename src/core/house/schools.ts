/*
 * Choices of the brief as data: what a canvas is for, what its edges meet, what will be painted on it.
 * Adding one touches one table and its test.
 */
import type { AssumptionId } from './assumptions';

/** A named option among which makers choose, with what it suits and what it trades. */
export interface School<Id extends string = string> {
  id: Id;
  name: string;
  suits: string;
  trades: string;
}

interface Use<Id extends string> extends School<Id> {
  /** The cloth already carries an image: never wetted, never trimmed at the corner. */
  painted: boolean;
  /** It was folded over bars before. */
  foldedBefore: boolean;
}

const purpose = <const I extends string>(row: Use<I>) => row;

export const USES = [
  purpose({
    id: 'new',
    name: 'New support',
    painted: false,
    foldedBefore: false,
    suits: 'a blank canvas to be painted',
    trades: 'size is free, cloth is raw or primed',
  }),
  purpose({
    id: 'finished',
    name: 'Finished painting',
    painted: true,
    foldedBefore: false,
    suits: 'a painting made on loose cloth',
    trades: 'the image decides the size, margins are what is left',
  }),
  purpose({
    id: 'restretch',
    name: 'Re-stretch',
    painted: true,
    foldedBefore: true,
    suits: 'a painting that comes off its old bars',
    trades: 'old folds and holes stay where they are',
  }),
  purpose({
    id: 'print',
    name: 'Print',
    painted: true,
    foldedBefore: false,
    suits: 'a printed canvas',
    trades: 'inks crack at a sharp fold and mark when wetted',
  }),
] as const;

/**
 * Whether a canvas of this use carries an image; no for what is no use.
 *
 * @example isPainted('restretch') // true
 */
export const isPainted = (use: string): boolean => USES.some((one) => one.id === use && one.painted);

interface EdgeChoice<Id extends string> extends School<Id> {
  squareLimit: AssumptionId;
  /** The edges stay in sight, so they are primed and their fold is neat. */
  seen: boolean;
  /** The sides of the bars are looked at, not only their edges. */
  sidesShow: boolean;
  inRebate: boolean;
  /** How much of the house’s limit for wind is allowed here: a rebate holds a canvas flat, panels show each other up. */
  windShare: number;
}

const edge = <const I extends string>(row: EdgeChoice<I>) => row;

export const EDGES = [
  edge({
    id: 'unframed',
    name: 'Unframed, edges seen',
    squareLimit: 'squareUnframed',
    seen: true,
    sidesShow: true,
    inRebate: false,
    windShare: 1,
    suits: 'work that hangs as it is',
    trades: 'clean edges and corners, deep bars',
  }),
  edge({
    id: 'float',
    name: 'Float frame',
    squareLimit: 'squareFloat',
    seen: true,
    sidesShow: false,
    inRebate: false,
    windShare: 1,
    suits: 'an even gap all round',
    trades: 'the gap shows every millimetre',
  }),
  edge({
    id: 'rebate',
    name: 'In a rebate',
    squareLimit: 'squareRebate',
    seen: false,
    sidesShow: false,
    inRebate: true,
    windShare: 1.5,
    suits: 'a frame that covers the edge',
    trades: 'size and corner bulk must fit the clearance',
  }),
  edge({
    id: 'panel',
    name: 'Panel of a set',
    squareLimit: 'squarePanel',
    seen: true,
    sidesShow: true,
    inRebate: false,
    windShare: 0.5,
    suits: 'panels that meet edge to edge',
    trades: 'the strictest squareness',
  }),
] as const;

interface Medium<Id extends string> extends School<Id> {
  /** What it is to the layer below it; null where that is open. */
  layer: 'oil' | 'acrylic' | null;
  /** Not settled yet: seal it as for oil. */
  open: boolean;
}

const medium = <const I extends string>(row: Medium<I>) => row;

export const MEDIUMS = [
  medium({
    id: 'oil',
    name: 'Oil',
    layer: 'oil',
    open: false,
    suits: 'a sealed cloth',
    trades: 'rots unsealed cloth in decades',
  }),
  medium({
    id: 'acrylic',
    name: 'Acrylic',
    layer: 'acrylic',
    open: false,
    suits: 'raw or primed cloth',
    trades: 'tightens little as it dries',
  }),
  medium({
    id: 'watercolour',
    name: 'Water-based, thin',
    layer: 'acrylic',
    open: false,
    suits: 'an absorbent ground',
    trades: 'wets and slackens the cloth',
  }),
  medium({
    id: 'undecided',
    name: 'Not decided',
    layer: null,
    open: true,
    suits: 'a ground that takes either',
    trades: 'seal it as for oil',
  }),
] as const;

export const HANGS = [
  { id: 'thisWay', name: 'This way up', suits: 'most work', trades: 'the up-edge is marked on the back' },
  { id: 'eitherWay', name: 'Any way up', suits: 'work without a top', trades: 'all four sides carry a hanging' },
] as const satisfies readonly School[];

export type UseId = (typeof USES)[number]['id'];
export type EdgeId = (typeof EDGES)[number]['id'];
export type MediumId = (typeof MEDIUMS)[number]['id'];
export type HangId = (typeof HANGS)[number]['id'];

/**
 * The row of a table with this id.
 *
 * @throws RangeError when there is none: ids are checked at the edge, so this is a broken contract
 */
export function byId<R extends { id: string }>(table: readonly R[], id: string): R {
  const found = table.find((row) => row.id === id);
  if (!found) throw new RangeError(`expected one of ${table.map((row) => row.id).join(', ')}, got ${id}`);
  return found;
}
