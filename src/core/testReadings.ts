/* For tests: work with readings on every side, and the same work with left and right exchanged. */
import { CORNERS, type Corner } from './frame/square/corners';
import { type JobInputs, newInputs } from './job/job';
import { SIDES, type Side, isLevel } from './job/sides';
import type { FoundInputs } from './painting/foundInputs';
import type { SideEnds } from './painting/paintingInputs';
import { length } from './units/length';

const OTHER_SIDE: Record<Side, Side> = { top: 'top', right: 'left', bottom: 'bottom', left: 'right' };
export const OTHER_CORNER: Record<Corner, Corner> = {
  topLeft: 'topRight',
  topRight: 'topLeft',
  bottomRight: 'bottomLeft',
  bottomLeft: 'bottomRight',
};

const swapped = <K extends string, O extends Record<K, unknown>>(of: O, other: Record<K, K>): Pick<O, K> =>
  Object.fromEntries((Object.keys(other) as K[]).map((key) => [key, of[other[key]]])) as Pick<O, K>;

const OTHER_TAPE = { ...OTHER_SIDE, down: 'up', up: 'down' } as const;
/** The ends of a level side change places with the side itself. */
const endsMirrored = (ends: Record<Side, SideEnds>): Record<Side, SideEnds> =>
  Object.fromEntries(
    SIDES.map((side) => {
      const { first, second } = ends[OTHER_SIDE[side]];
      return [side, isLevel(side) ? { first: second, second: first } : { first, second }];
    }),
  ) as Record<Side, SideEnds>;

/** The same work with left and right exchanged; rows of holes along a level side would begin at the other end, and are not told here. */
export function mirrored(inputs: JobInputs): JobInputs {
  const { brief, bars, look, square, cloth, fasten, tune } = inputs;
  const { painting } = cloth;
  return {
    ...inputs,
    look: { ...look, conditions: look.conditions.map((one) => ({ ...one, at: one.at && { ...one.at, x: 1 - one.at.x } })) },
    brief: {
      ...brief,
      rebate: { ...brief.rebate, ...swapped(brief.rebate, OTHER_TAPE), lip: swapped(brief.rebate.lip, OTHER_SIDE) },
      placing: { ...brief.placing, keep: brief.placing.keep.map((side) => OTHER_SIDE[side]) },
    },
    bars: { ...bars, bracesUpright: bars.bracesUpright.map((place) => 1 - place).reverse() },
    square: { ...square, ...swapped(square, OTHER_TAPE), gaps: swapped(square.gaps, OTHER_CORNER) },
    cloth: {
      ...cloth,
      ownMargin: swapped(cloth.ownMargin, OTHER_SIDE),
      left: endsMirrored(cloth.left),
      painting: { ...painting, ...swapped(painting, OTHER_TAPE), bow: swapped(painting.bow, OTHER_SIDE) },
      found: {
        fold: swapped(cloth.found.fold, OTHER_SIDE),
        holes: swapped(cloth.found.holes, OTHER_SIDE),
        torn: cloth.found.torn.map((one) => ({ ...one, side: OTHER_SIDE[one.side] })),
      },
    },
    fasten: {
      ...fasten,
      laid: endsMirrored(fasten.laid),
      knots: fasten.knots.map((knot) => ({
        side: OTHER_SIDE[knot.side],
        at: isLevel(knot.side) ? length(inputs.brief.width.mm - knot.at.mm) : knot.at,
      })),
    },
    tune: { ...tune, corners: swapped(tune.corners, OTHER_CORNER) },
  };
}

/** A canvas of 900 × 600 mm or a painting on it, every reading a little off. */
export function readJob(random: () => number): JobInputs {
  const about = (mm: number, by: number) => length(mm + (random() - 0.5) * 2 * by);
  const made = newInputs('Mirror', length(900), length(600));
  const diagonal = Math.hypot(900, 600);
  const ends = (mm: number, by: number) =>
    Object.fromEntries(SIDES.map((side) => [side, { first: about(mm, by), second: about(mm, by) }])) as Record<Side, SideEnds>;
  const read = (by: number) => ({
    top: about(900, by),
    bottom: about(900, by),
    left: about(600, by),
    right: about(600, by),
    down: about(diagonal, by),
    up: about(diagonal, by),
  });
  const painted = random() < 0.5;
  return {
    ...made,
    look: { ...made.look, conditions: [{ kind: 'dent', at: { x: 0.125, y: 0.5 }, note: '' }] },
    brief: {
      ...made.brief,
      use: painted ? 'finished' : made.brief.use,
      placing: { ...made.brief.placing, mayBare: random() < 0.5 },
    },
    square: {
      ...made.square,
      ...read(random() < 0.5 ? 3 : 12),
      gaps: { ...made.square.gaps, [CORNERS[Math.floor(random() * 4)]!]: { gap: about(3, 3), wider: random() < 0.5 } },
    },
    cloth: {
      ...made.cloth,
      ownMargin: { ...made.cloth.ownMargin, left: about(40, 30), right: about(70, 10) },
      left: ends(50, 30),
      painting: { ...made.cloth.painting, ...read(4) },
      found: {
        fold: Object.fromEntries(SIDES.map((side) => [side, { by: about(4, 4), within: random() < 0.5 }])) as FoundInputs['fold'],
        holes: { ...made.cloth.found.holes, left: { first: about(20, 9), apart: about(30, 12) } },
        torn: [{ side: 'left', from: length(60), to: length(80) }],
      },
    },
    fasten: { ...made.fasten, laid: ends(70, 12), knots: [{ side: random() < 0.5 ? 'left' : 'top', at: about(200, 100) }] },
    tune: {
      ...made.tune,
      corners: { topLeft: about(1, 1), topRight: about(3, 1), bottomRight: about(6, 1), bottomLeft: about(2, 1) },
    },
  };
}

/** What a tape reads of a true rectangle, sides and diagonals. */
export const trueTape = (widthMm: number, heightMm: number) => ({
  top: length(widthMm),
  bottom: length(widthMm),
  left: length(heightMm),
  right: length(heightMm),
  down: length(Math.hypot(widthMm, heightMm)),
  up: length(Math.hypot(widthMm, heightMm)),
});
