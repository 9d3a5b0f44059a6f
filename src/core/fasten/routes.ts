/*
 * Routes as data: the order in which fasteners go in. The engine in routeSteps.ts works on any row.
 */
import type { Side } from '../job/sides';
import type { School } from '../house/schools';

/** A side by its name, or by its length: the first and second of the long sides and of the short ones. */
export type PassSide = Side | 'longA' | 'longB' | 'shortA' | 'shortB';

/** One pass over the sides. */
export interface RoutePass {
  /**
   * `middle` sets the starters; `outward` goes on from them; `halving` takes a whole side: its middle, its ends, then
   * the middle of each gap; `temporary` holds the cloth until a fastener comes to that place; `corner` follows the fold.
   */
  take: 'middle' | 'outward' | 'halving' | 'temporary' | 'corner';
  /** Halving: the middles are in already. */
  middlesIn?: true;
  sides: readonly PassSide[];
  /** Which part of the way from the middle to the last place, 0 to 1; of `temporary` the places themselves. */
  part: readonly number[];
  /** Outward: both of a pair on one side, each answered diagonally across, or a whole side before the next. */
  answer: 'pair' | 'diagonal' | 'side';
  pull: 'none' | 'gentle' | 'snug' | 'firm';
  with: 'hand' | 'chosen' | 'clamps';
}

export interface Route<Id extends string = string> extends School<Id> {
  passes: readonly RoutePass[];
  /** The image is lined up with low force before anything is fixed: for finished paintings. */
  registers?: boolean;
  /** It ends badly unless every pull is that of a worked-out list. */
  needsPulls?: true;
  /** What to look at, and when: before the first step of a pass that lies so far out on its side, 0 to 1. */
  checks: readonly RouteCheck[];
}

export interface RouteCheck {
  pass: number;
  part: number;
  says: string;
}

const route = <const I extends string>(row: Route<I>) => row;
const OPPOSITES: readonly Side[] = ['top', 'bottom', 'right', 'left'];
const ALL = [0, 1] as const;

const pass = (take: RoutePass['take'], patch: Partial<RoutePass> = {}): RoutePass => ({
  take,
  sides: OPPOSITES,
  part: ALL,
  answer: 'pair',
  pull: 'firm',
  with: 'chosen',
  ...patch,
});

const MIDDLES = pass('middle', { pull: 'snug' });
const CORNERS = pass('corner', { sides: ['top', 'bottom'], pull: 'gentle' });
const check = (pass: number, part: number, says: string): RouteCheck => ({ pass, part, says });
const GRAIN = 'After the four middles: a tight diamond from middle to middle, threads parallel to the bars.';
const FOLD = 'Begin the corner folds while there is room.';
const FRONT = 'Look at the front: the face lies in the middle, nothing is creased.';
/** Part of the way out at which the folds are begun. */
const ROOM = 0.75;

export const ROUTES = [
  route({
    id: 'compass',
    name: 'Compass, opposites',
    suits: 'most new work up to a metre or so',
    trades: 'the most even of the simple orders; a turn of the frame for every pair',
    checks: [check(1, 0, GRAIN), check(1, 0.5, FRONT), check(1, ROOM, FOLD)],
    passes: [MIDDLES, pass('outward'), CORNERS],
  }),
  route({
    id: 'diagonal',
    name: 'Diagonal opposites',
    suits: 'keeping the weave from sliding to one side',
    trades: 'twice the turns: each fastener is answered diagonally across',
    checks: [check(1, 0, GRAIN), check(1, 0.5, FRONT), check(1, ROOM, FOLD)],
    passes: [MIDDLES, pass('outward', { answer: 'diagonal' }), CORNERS],
  }),
  route({
    id: 'longFirst',
    name: 'Long sides first',
    suits: 'oblong frames: the long sides give most',
    trades: 'fewer turns; the short sides are pulled against cloth that is held already',
    checks: [
      check(1, 0, GRAIN),
      check(2, 0, 'Long sides half-way out: lines run straight across.'),
      check(3, 0, FRONT),
      check(3, ROOM, FOLD),
    ],
    passes: [
      MIDDLES,
      pass('outward', { sides: ['longA', 'longB'], part: [0, 0.5] }),
      pass('outward', { sides: ['shortA', 'shortB'] }),
      pass('outward', { sides: ['longA', 'longB'], part: [0.5, 1] }),
      CORNERS,
    ],
  }),
  route({
    id: 'halving',
    name: 'Halving',
    suits: 'one pair of hands with pliers, light cloth',
    trades: 'few turns; two sides are fixed unpulled, so they must lie true to the thread',
    checks: [
      check(1, 0, 'The first end and side lie along one thread, unpulled.'),
      check(1, 1, 'Halve each gap; look for scallops.'),
      check(2, 0, FOLD),
    ],
    passes: [
      pass('halving', { sides: ['shortA', 'longA'], pull: 'none', with: 'hand' }),
      pass('halving', { sides: ['shortB', 'longB'] }),
      CORNERS,
    ],
  }),
  route({
    id: 'quick',
    needsPulls: true,
    name: 'Quick, by its list of pulls',
    suits: 'hands tried on the scale, and little time',
    trades: 'the fewest turns of all; without its list of pulls it ends badly',
    checks: [check(1, 0, GRAIN), check(1, 1, 'Each side whole before the next, by the list; halve each gap.'), check(2, 0, FOLD)],
    passes: [MIDDLES, pass('halving', { middlesIn: true }), CORNERS],
  }),
  route({
    id: 'cornerHeld',
    name: 'Corner-held',
    suits: 'large cloths that would sag from the middles',
    trades: 'four temporary fasteners more, to be taken out again',
    checks: [
      check(1, 0, GRAIN),
      check(2, 0, 'The temporary ones spread the pull: no lines from a corner.'),
      check(2, ROOM, FOLD),
      check(3, 0, 'All temporary ones are out.'),
    ],
    passes: [MIDDLES, pass('temporary', { sides: ['longA', 'longB'], part: [1], pull: 'snug' }), pass('outward'), CORNERS],
  }),
  route({
    id: 'registered',
    registers: true,
    name: 'Registered',
    suits: 'finished work: the image is lined up in clamps first',
    trades: 'slow, low force, visible tacks where the margin is short',
    checks: [
      check(1, 0, 'In clamps: look at the front, every edge along its bar.'),
      check(3, 0, 'Look at the front after every side.'),
      check(4, ROOM, FOLD),
      check(5, 0, 'All clamps are off.'),
    ],
    passes: [
      pass('temporary', { part: [0, 0.5], pull: 'gentle', with: 'clamps' }),
      pass('middle', { sides: ['top'], pull: 'none' }),
      pass('outward', { sides: ['top'], answer: 'side', pull: 'none' }),
      pass('middle', { sides: ['bottom', 'right', 'left'], pull: 'gentle' }),
      pass('outward', { sides: ['bottom', 'right', 'left'], answer: 'side', pull: 'gentle' }),
      CORNERS,
    ],
  }),
] as const;

export type RouteId = (typeof ROUTES)[number]['id'];
