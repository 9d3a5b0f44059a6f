/*
 * Routes as data: the order in which fasteners go in. The engine in routeSteps.ts works on any row.
 */
import type { Side } from '../job/sides';
import type { School } from '../job/schools';

/** One round over the sides. */
export interface RoutePass {
  /** `middle` sets the starters; `outward` adds the next ones on both sides of the middle; `corner` follows the fold. */
  take: 'middle' | 'outward' | 'corner';
  sides: readonly Side[];
  /** Repeat the round until every place of this kind is used. */
  repeat: boolean;
  pull: 'snug' | 'firm' | 'gentle';
}

export interface Route<Id extends string = string> extends School<Id> {
  passes: readonly RoutePass[];
}

const route = <const I extends string>(row: Route<I>) => row;
const OPPOSITES: readonly Side[] = ['top', 'bottom', 'right', 'left'];

export const ROUTES = [
  route({
    id: 'compass',
    name: 'Compass, opposites',
    suits: 'most new work up to a metre or so',
    trades: 'the most even of the simple orders; a turn of the frame for every pair',
    passes: [
      { take: 'middle', sides: OPPOSITES, repeat: false, pull: 'snug' },
      { take: 'outward', sides: OPPOSITES, repeat: true, pull: 'firm' },
      { take: 'corner', sides: ['top', 'bottom'], repeat: false, pull: 'gentle' },
    ],
  }),
] as const;

export type RouteId = (typeof ROUTES)[number]['id'];
