/*
 * Names and places of a frame's corners, as seen from the front; origin at the bottom left, x right, y up, mm.
 */
import type { Side } from '../../job/sides';

export type DiagonalName = 'down' | 'up';
export type TapeName = Side | DiagonalName;
/** In the order of a list. */
export const TAPE_NAMES: readonly TapeName[] = ['top', 'right', 'bottom', 'left', 'down', 'up'];
export type Corner = 'topLeft' | 'topRight' | 'bottomRight' | 'bottomLeft';
export const CORNERS: readonly Corner[] = ['topLeft', 'topRight', 'bottomRight', 'bottomLeft'];

export interface Point2 {
  x: number;
  y: number;
}
export type Corners = Record<Corner, Point2>;

export const isDiagonal = (name: TapeName): name is DiagonalName => name === 'down' || name === 'up';
export const isCorner = (name: TapeName | Corner): name is Corner => CORNERS.some((corner) => corner === name);

/** The corners that each diagonal runs between. */
export const DIAGONAL_ENDS: Record<DiagonalName, readonly Corner[]> = {
  down: ['topLeft', 'bottomRight'],
  up: ['bottomLeft', 'topRight'],
};

const apart = (a: Point2, b: Point2) => Math.hypot(a.x - b.x, a.y - b.y);

/** What an exact tape would read between the corners, mm. */
export const LENGTHS: Record<TapeName, (corners: Corners) => number> = {
  top: ({ topLeft, topRight }) => apart(topLeft, topRight),
  right: ({ topRight, bottomRight }) => apart(topRight, bottomRight),
  bottom: ({ bottomLeft, bottomRight }) => apart(bottomLeft, bottomRight),
  left: ({ topLeft, bottomLeft }) => apart(topLeft, bottomLeft),
  down: ({ topLeft, bottomRight }) => apart(topLeft, bottomRight),
  up: ({ bottomLeft, topRight }) => apart(bottomLeft, topRight),
};

/** All six lengths of a frame, mm. */
export const lengthsOf = (corners: Corners): Record<TapeName, number> =>
  Object.fromEntries(Object.entries(LENGTHS).map(([name, of]) => [name, of(corners)])) as Record<TapeName, number>;

const NEIGHBOURS: Record<Corner, readonly [Corner, Corner]> = {
  topLeft: ['topRight', 'bottomLeft'],
  topRight: ['bottomRight', 'topLeft'],
  bottomRight: ['bottomLeft', 'topRight'],
  bottomLeft: ['topLeft', 'bottomRight'],
};

/** The four bars go round once, and no corner points inward. */
export const goesRound = ({ topLeft, topRight, bottomRight, bottomLeft }: Corners): boolean => {
  const round = [bottomLeft, bottomRight, topRight, topLeft];
  return round.every((at, index) => {
    const [next, after] = [round[(index + 1) % 4]!, round[(index + 2) % 4]!];
    return (next.x - at.x) * (after.y - next.y) - (next.y - at.y) * (after.x - next.x) > 0;
  });
};

/** A corner's angle less a right angle, radians. */
export function cornerOver(corners: Corners, corner: Corner): number {
  const [one, other] = NEIGHBOURS[corner].map((name) => ({
    x: corners[name].x - corners[corner].x,
    y: corners[name].y - corners[corner].y,
  })) as [Point2, Point2];
  return Math.atan2(Math.abs(one.x * other.y - one.y * other.x), one.x * other.x + one.y * other.y) - Math.PI / 2;
}
