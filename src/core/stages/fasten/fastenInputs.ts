/* What is typed for the fastening, and how it went. */
import { textOf } from '../../shape/texts';
import { FASTENERS } from '../../fasten/fasteners';
import { PULL_WAYS } from '../../fasten/pullWays';
import { ROUTES, type Route, type RouteId } from '../../fasten/routes';
import { byId } from '../../house/schools';
import { SIDES } from '../../job/sides';
import { endsOfSides } from '../../painting/paintingInputs';
import { type ShapeOf, flag, lengthOf, listOf, oneOf, optional, part, numberOf } from '../../shape/shape';

/** Most notes at places of a frame. */
export const MOST_NOTES = 20;
/** Most knots marked on a frame. */
export const MOST_KNOTS = 20;

const knotShape = { side: oneOf(SIDES), at: lengthOf('tapeReading') };
export interface Knot extends ShapeOf<typeof knotShape> {}

/** What was seen or done at a place of a bar. */
const placeNoteShape = { ...knotShape, text: textOf('remark') };
export interface PlaceNote extends ShapeOf<typeof placeNoteShape> {}

/** Most pulls told of one frame. */
export const MOST_TOLD_PULLS = 60;
/** One pull as it was asked for and as the scale told it. */
const toldPullShape = { askedN: numberOf('pull'), pulledN: numberOf('pullRead') };
export interface ToldPull extends ShapeOf<typeof toldPullShape> {}

/** How the fastening went, as far as somebody noted it. */
export const asDoneShape = {
  /** Fasteners drawn and set again. */
  drawn: optional(numberOf('fasteners')),
  /** Firm pull as it was, N. */
  pullN: optional(numberOf('pull')),
  /** Pulls with the scale between hand and cloth. */
  pulls: listOf(part('toldPull', toldPullShape), MOST_TOLD_PULLS),
  minutes: optional(numberOf('recordedTime')),
  notes: listOf(part('placeNote', placeNoteShape), MOST_NOTES),
};
export interface AsDone extends ShapeOf<typeof asDoneShape> {}

export type UpToThree = 1 | 2 | 3;
const upToThree = oneOf<UpToThree>([1, 2, 3]);

export const fastenShape = {
  fastener: oneOf(FASTENERS, 'staple8'),
  route: oneOf(ROUTES, 'compass'),
  spacing: lengthOf('spacing', 45),
  lastFromCorner: lengthOf('lastFromCorner', 45),
  starters: upToThree,
  perTurn: upToThree,
  /** Firm pull at a place, N; null takes the one that the simulated cloth asks for. */
  firmPull: optional(numberOf('pull')),
  /** By what is taught, or worked out. */
  pulls: oneOf(PULL_WAYS, 'taught'),
  /** How much firmer the last pull of a side is than the one at its middle: 1 is even. */
  ramp: numberOf('ramp', 1),
  /** Slant of a staple's crown to the edge, degrees. */
  slantDeg: numberOf('slant', 25),
  /** Staples go through a strip of card, so that they come out later without tearing the cloth. */
  overCard: flag(),
  /** All fasteners drawn and set again once, before the corners. */
  secondRound: flag(),
  /** Knots that no fastener goes into: the side, and how far from its left or upper end. */
  knots: listOf(part('knot', knotShape), MOST_KNOTS),
  /** Margins with the frame lying on the cloth, before the first fastener. */
  laid: endsOfSides,
  asDone: part('asDone', asDoneShape),
};

export interface FastenInputs extends ShapeOf<typeof fastenShape> {}

/**
 * What choosing a route changes: one that needs its list of pulls brings it.
 *
 * @example takenRoute('quick') // { route: 'quick', pulls: 'worked' }
 */
export function takenRoute(route: RouteId): Partial<FastenInputs> {
  const row: Route = byId(ROUTES, route);
  return row.needsPulls ? { route, pulls: 'worked' } : { route };
}
