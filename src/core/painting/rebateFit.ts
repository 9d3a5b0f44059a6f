/*
 * A canvas in the frame that it goes into: where it lies so that the narrowest gap is as wide as can be, what the lip hides of
 * it, and how far its keys may open it. The opening between the steps may be out of square; the canvas is a rectangle. The gap
 * at each end of each side is linear in a shift and a small turn, so the best place is a vertex of eight planes, found by trying
 * all of them. Derived here. Seen from the front, x right, y down, mm.
 */
import { SIDE_ENDS } from '../cloth/registration';
import { CORNERS, type Corner, type Point2 } from '../frame/square/corners';
import { SIDES, type Side, isLevel } from '../job/sides';
import { solveDense } from '../linear/dense';

/** The ends of a side: the left or upper one, the right or lower one. */
export interface SideEnds {
  first: number;
  second: number;
}
export type Around = Record<Side, SideEnds>;

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

/** Where a corner lies from the middle, in halves of the canvas. */
const AWAY: Record<Corner, Point2> = {
  topLeft: { x: -1, y: -1 },
  topRight: { x: 1, y: -1 },
  bottomRight: { x: 1, y: 1 },
  bottomLeft: { x: -1, y: 1 },
};
const DEGREES = 180 / Math.PI;
/** A gap less than this below the narrowest is the narrowest, mm. */
const DUST_MM = 1e-7;

/** No bulk, no bare edge, no lip. */
export const NOTHING_AROUND: Around = {
  top: { first: 0, second: 0 },
  right: { first: 0, second: 0 },
  bottom: { first: 0, second: 0 },
  left: { first: 0, second: 0 },
};

/** One gap as it changes: what it is unmoved, and by a mm right, a mm down, a radian clockwise. */
interface Gap {
  side: Side;
  still: number;
  right: number;
  down: number;
  turn: number;
}

/** The middle of four corners. */
export const middleOf = (corners: Record<Corner, Point2>): Point2 => ({
  x: CORNERS.reduce((sum, corner) => sum + corners[corner].x, 0) / 4,
  y: CORNERS.reduce((sum, corner) => sum + corners[corner].y, 0) / 4,
});

function gapsOf(opening: Record<Corner, Point2>, { widthMm, heightMm, bulkMm }: CanvasToFit): Gap[] {
  const middle = middleOf(opening);
  return SIDES.flatMap((side) => {
    const [from, to] = SIDE_ENDS[side].map((corner) => opening[corner]) as [Point2, Point2];
    const long = Math.hypot(to.x - from.x, to.y - from.y);
    // Into the opening: right of the way for the top and the right side, left of it for the others.
    const way = side === 'top' || side === 'right' ? 1 : -1;
    const normal = { x: (-way * (to.y - from.y)) / long, y: (way * (to.x - from.x)) / long };
    return SIDE_ENDS[side].map((corner, end): Gap => {
      const arm = { x: (AWAY[corner].x * widthMm) / 2, y: (AWAY[corner].y * heightMm) / 2 };
      const bulk = end === 0 ? bulkMm[side].first : bulkMm[side].second;
      return {
        side,
        still: normal.x * (middle.x + arm.x - from.x) + normal.y * (middle.y + arm.y - from.y) - bulk,
        right: normal.x,
        down: normal.y,
        turn: -normal.x * arm.y + normal.y * arm.x,
      };
    });
  });
}

const gapAt = ({ still, right, down, turn }: Gap, x: number, y: number, angle: number): number =>
  still + right * x + down * y + turn * angle;

/** The place where the narrowest gap is widest: four gaps are alike there, and none is narrower. */
function widest(gaps: readonly Gap[]): { x: number; y: number; angle: number; least: number } {
  let best = { x: 0, y: 0, angle: 0, least: Math.min(...gaps.map(({ still }) => still)) };
  for (let a = 0; a < gaps.length; a += 1)
    for (let b = a + 1; b < gaps.length; b += 1)
      for (let c = b + 1; c < gaps.length; c += 1)
        for (let d = c + 1; d < gaps.length; d += 1) {
          const four = [gaps[a]!, gaps[b]!, gaps[c]!, gaps[d]!];
          const solved = solveDense(
            four.map(({ right, down, turn }) => [right, down, turn, -1]),
            four.map(({ still }) => -still),
            1e-9,
          );
          if (!solved) continue;
          const [x, y, angle, least] = solved as [number, number, number, number];
          if (least <= best.least + DUST_MM) continue;
          if (gaps.every((gap) => gapAt(gap, x, y, angle) >= least - DUST_MM)) best = { x, y, angle, least };
        }
  return best;
}

/** Moves the canvas to the middle between two sides, as its turn is. */
function centred(gaps: readonly Gap[], place: { x: number; y: number; angle: number }): { x: number; y: number; angle: number } {
  let { x, y } = place;
  const least = (side: Side) => Math.min(...gaps.filter((gap) => gap.side === side).map((gap) => gapAt(gap, x, y, place.angle)));
  // What moving across does to the gaps above and below is small, and settled the second time.
  for (let time = 0; time < 3; time += 1) {
    x += (least('right') - least('left')) / 2;
    y += (least('bottom') - least('top')) / 2;
  }
  return { x, y, angle: place.angle };
}

/**
 * Where a canvas lies best in an opening, and the gap that is left at each end of each side.
 *
 * @param opening corners of the opening between the steps; out of square by a few degrees at most
 * @returns also where it does not go in: then gaps are below 0
 * @example rebateFit({ topLeft: { x: 0, y: 0 }, topRight: { x: 404, y: 0 }, bottomRight: { x: 404, y: 306 }, bottomLeft: { x: 0, y: 306 } }, { widthMm: 400, heightMm: 300, bulkMm: NOTHING_AROUND }).gaps.left.first // 2
 */
export function rebateFit(opening: Record<Corner, Point2>, canvas: CanvasToFit): RebateFit {
  const gaps = gapsOf(opening, canvas);
  const best = widest(gaps);
  const middle = centred(gaps, best);
  const leastAt = (place: { x: number; y: number; angle: number }) =>
    Math.min(...gaps.map((gap) => gapAt(gap, place.x, place.y, place.angle)));
  const place = leastAt(middle) >= best.least - DUST_MM ? middle : best;
  const told = gaps.map((gap) => gapAt(gap, place.x, place.y, place.angle));
  return {
    shift: { x: place.x, y: place.y },
    turnDegrees: place.angle * DEGREES,
    gaps: Object.fromEntries(
      SIDES.map((side, index) => [side, { first: told[2 * index]!, second: told[2 * index + 1]! }]),
    ) as unknown as Around,
    leastMm: leastAt(place),
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

/**
 * How far keys may open the canvas before it binds, in all, mm across and down, each with the other as it is; 0 where it binds
 * already. As a canvas grows it settles between the steps anew.
 */
export function roomToGrow(opening: Record<Corner, Point2>, canvas: CanvasToFit): { widthMm: number; heightMm: number } {
  const grownLeast = (width: number, height: number) =>
    rebateFit(opening, { ...canvas, widthMm: canvas.widthMm + width, heightMm: canvas.heightMm + height }).leastMm;
  const most = (least: (by: number) => number): number => {
    if (least(0) <= 0) return 0;
    let [holds, binds] = [0, 1];
    while (least(binds) > 0) binds *= 2;
    while (binds - holds > 0.005) {
      const middle = (holds + binds) / 2;
      if (least(middle) > 0) holds = middle;
      else binds = middle;
    }
    return holds;
  };
  return { widthMm: most((by) => grownLeast(by, 0)), heightMm: most((by) => grownLeast(0, by)) };
}

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
