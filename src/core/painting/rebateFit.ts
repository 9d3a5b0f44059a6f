/*
 * A canvas in the frame that it goes into: where it lies so that the narrowest gap is as wide as can be and the gaps are even,
 * what the lip hides of it there, and how far its keys may open it. The opening between the steps may be out of square; the
 * canvas is a rectangle. Seen from the front, x right, y down, mm.
 */
import { CORNERS, type Corner, type Point2 } from '../frame/square/corners';
import { SIDES, type Side, isLevel } from '../job/sides';
import { atPlace, evenGap, keysMost, widestGap } from './sight';
import type { Around, SideEnds, Sight } from './sightForms';

export interface CanvasToFit {
  widthMm: number;
  heightMm: number;
  /** How far the folded cloth stands out beyond the face at the ends of each side, mm. */
  bulkMm: Around;
}

export interface RebateFit {
  /** From the middle of the opening’s corners to the middle of the canvas, mm. */
  shift: Point2;
  /** Clockwise, degrees. */
  turnDegrees: number;
  /** Between cloth and step at the ends of each side, mm; below 0 it does not go in. */
  gaps: Around;
  leastMm: number;
}

/** No bulk, no bare edge, no lip. */
export const NOTHING_AROUND: Around = {
  top: { first: 0, second: 0 },
  right: { first: 0, second: 0 },
  bottom: { first: 0, second: 0 },
  left: { first: 0, second: 0 },
};

/** The middle of four corners. */
export const middleOf = (corners: Record<Corner, Point2>): Point2 => ({
  x: CORNERS.reduce((sum, corner) => sum + corners[corner].x, 0) / 4,
  y: CORNERS.reduce((sum, corner) => sum + corners[corner].y, 0) / 4,
});

/** A rectangle from its top left corner, grown by so much on every side. */
export const rectangleOf = (widthMm: number, heightMm: number, by = 0): Record<Corner, Point2> => ({
  topLeft: { x: -by, y: -by },
  topRight: { x: widthMm + by, y: -by },
  bottomRight: { x: widthMm + by, y: heightMm + by },
  bottomLeft: { x: -by, y: heightMm + by },
});

const NO_LIPS = { top: 0, right: 0, bottom: 0, left: 0 };

/** As far as gaps are asked for: no lip, the image to the edge. */
function gapsAlone(opening: Record<Corner, Point2>, { widthMm, heightMm, bulkMm }: CanvasToFit): Sight {
  const canvas = rectangleOf(widthMm, heightMm);
  return { opening, lips: NO_LIPS, canvas, image: canvas, bulkMm };
}

/** The widest that the narrowest gap can be, mm; below 0 it does not go in. */
export const leastGap = (opening: Record<Corner, Point2>, canvas: CanvasToFit): number => widestGap(gapsAlone(opening, canvas));

/**
 * Where a canvas lies best in an opening, and the gap that is left at each end of each side.
 *
 * @param opening corners of the opening between the steps; out of square by a few degrees at most
 * @returns also where it does not go in: then gaps are below 0
 * @example rebateFit({ topLeft: { x: 0, y: 0 }, topRight: { x: 404, y: 0 }, bottomRight: { x: 404, y: 306 }, bottomLeft: { x: 0, y: 306 } }, { widthMm: 400, heightMm: 300, bulkMm: NOTHING_AROUND }).gaps.left.first // 2
 */
export function rebateFit(opening: Record<Corner, Point2>, canvas: CanvasToFit): RebateFit {
  const sight = gapsAlone(opening, canvas);
  const { place, leastMm } = evenGap(sight);
  const middle = middleOf(opening);
  return {
    shift: { x: place.x - middle.x, y: place.y - middle.y },
    turnDegrees: place.turnDegrees,
    gaps: atPlace(sight, place).gaps,
    leastMm,
  };
}

/** Which end of which side, and how much. */
export interface WorstEnd {
  side: Side;
  end: keyof SideEnds;
  mm: number;
}

/** The least of something all round. */
export function leastAround(around: Around): WorstEnd {
  const all = SIDES.flatMap((side) => (['first', 'second'] as const).map((end) => ({ side, end, mm: around[side][end] })));
  return all.reduce((least, one) => (one.mm < least.mm ? one : least));
}

/**
 * How much of the face the lip hides at each end, mm: what it reaches over the step less the gap. At 0 or below, light falls
 * through between lip and canvas.
 *
 * @param lips how far the lip reaches over the opening at each side, mm
 * @example hiddenBy({ top: 6, right: 6, bottom: 6, left: 6 }, { shift: { x: 0, y: 0 }, turnDegrees: 0, gaps: NOTHING_AROUND, leastMm: 0 }).top.first // 6
 */
export const hiddenBy = (lips: Record<Side, number>, { gaps }: RebateFit): Around =>
  Object.fromEntries(
    SIDES.map((side) => [side, { first: lips[side] - gaps[side].first, second: lips[side] - gaps[side].second }]),
  ) as unknown as Around;

/**
 * How much of the face of the bars the lip hides, mm: what it hides of the canvas less the cloth that stands out beyond the face.
 * Bare cloth is measured from that face too.
 *
 * @example hiddenOfFace(hiddenBy({ top: 6, right: 6, bottom: 6, left: 6 }, { shift: { x: 0, y: 0 }, turnDegrees: 0, gaps: NOTHING_AROUND, leastMm: 0 }), NOTHING_AROUND).top.first // 6
 */
export const hiddenOfFace = (hidden: Around, bulk: Around): Around =>
  Object.fromEntries(
    SIDES.map((side) => [
      side,
      { first: hidden[side].first - bulk[side].first, second: hidden[side].second - bulk[side].second },
    ]),
  ) as unknown as Around;

/** How far keys may open every corner, both ways alike, mm, with the gap that keys must leave; null where less is left already. */
export const keysRoom = (opening: Record<Corner, Point2>, canvas: CanvasToFit): number | null =>
  keysMost(gapsAlone(opening, canvas));

/**
 * The opening to order for a canvas, mm: its face with the bulk of both ends, the gap to each side, and what keys may open it by.
 *
 * @param gapMm on each side
 * @example rebateToOrder({ widthMm: 400, heightMm: 300, bulkMm: NOTHING_AROUND }, 2, { widthMm: 3, heightMm: 2 }) // { widthMm: 407, heightMm: 306 }
 */
export function rebateToOrder(
  { widthMm, heightMm, bulkMm }: CanvasToFit,
  gapMm: number,
  growth: { widthMm: number; heightMm: number },
): { widthMm: number; heightMm: number } {
  const bulk = (side: Side) => Math.max(bulkMm[side].first, bulkMm[side].second);
  const beyond = (level: boolean) => SIDES.filter((side) => isLevel(side) === level).reduce((sum, side) => sum + bulk(side), 0);
  return {
    widthMm: widthMm + beyond(false) + 2 * gapMm + growth.widthMm,
    heightMm: heightMm + beyond(true) + 2 * gapMm + growth.heightMm,
  };
}
