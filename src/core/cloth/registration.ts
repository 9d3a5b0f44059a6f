/*
 * Registration: where the rectangle of a face lies on a painted image that is none. For every turn of the frame the
 * shifts across and down come apart and have closed answers; the turn is found on a grid and then by the golden
 * section. Two ways: weighted least squares over points along the painted edges, or the least of the worst place.
 * Edges that must stay parallel weigh fully, the others hardly, so that these take the error. Bare cloth on the face
 * and too much image round the edge are limits. Derived here.
 * Seen from the front, x right, y down, mm; offsets are positive where the image goes round the edge.
 */
import { CORNERS, type Corner, type Point2 } from '../frame/square/corners';
import { SIDES, type Side } from '../job/sides';

export interface PaintedImage {
  corners: Record<Corner, Point2>;
  /** How far each edge stands outward of its straight line, at its middle, mm. */
  bow: Record<Side, number>;
}

export interface Priorities {
  /** Edges that must lie parallel to the bar. */
  keep: readonly Side[];
  mostWrapMm: number;
  mayBare: boolean;
  way: 'leastSquares' | 'leastMost';
}

export interface EdgeOffsets {
  /** At the left or upper end, in the middle, at the right or lower end, mm. */
  firstMm: number;
  middleMm: number;
  secondMm: number;
  leastMm: number;
  mostMm: number;
}

export interface Registration {
  /** The frame turned clockwise on the image, degrees. */
  turnDegrees: number;
  sides: Record<Side, EdgeOffsets>;
  /** The image’s corner as seen from the face’s: right and down, mm. */
  corners: Record<Corner, Point2>;
  /** Points along the painted edges in the coordinates of the face, its top left at 0, 0. */
  outline: Record<Side, Point2[]>;
  mostWrapMm: number;
  mostBareMm: number;
  /** More of it goes round than may, or bare cloth shows where none may: by more than any tape reads. */
  wrapsTooFar: boolean;
  baresTooMuch: boolean;
  /** Neither limit is passed. */
  holds: boolean;
}

/** Ends of each side, in the order offsets are given. */
export const SIDE_ENDS: Record<Side, readonly [Corner, Corner]> = {
  top: ['topLeft', 'topRight'],
  right: ['topRight', 'bottomRight'],
  bottom: ['bottomLeft', 'bottomRight'],
  left: ['topLeft', 'bottomLeft'],
};

/** Less than any tape reads, mm: two sizes or places closer than this are one. */
export const UNSEEN_MM = 0.05;
/** Points along an edge, ends included. */
const POINTS = 9;
/** What an edge weighs that need not stay parallel. */
const HARDLY = 0.02;
const MOST_TURN = (4 * Math.PI) / 180;
const GRID = 80;
/** A limit passed costs far more than any error. */
const BREACH = 1e4;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

type Outline = Record<Side, Point2[]>;

/**
 * The best place of a face on an image.
 *
 * @param face mm, above 0
 * @param lines what the edges of the face are laid on in place of the painted ones: so far outside each, mm, null for the paint;
 *   old folds are such lines, and across a width or height that has one they go before every limit and every other edge
 * @returns also when a limit cannot be kept: then `holds` is false and the breach is shared out
 */
export function register(
  image: PaintedImage,
  face: { widthMm: number; heightMm: number },
  priorities: Priorities,
  lines: Record<Side, number | null> | null = null,
): Registration {
  if (!(face.widthMm > 0 && face.heightMm > 0))
    throw new RangeError(`face must be above 0, got ${face.widthMm} × ${face.heightMm} mm`);
  const points = outlineOf(image);
  const laid = lines ? outside(points, lines) : points;
  const kept = (sides: readonly Side[]) => (lines ? onLines(lines, sides, priorities) : priorities);
  const ways = { across: kept(['left', 'right']), down: kept(['top', 'bottom']) };
  const place = (turn: number) => placed(turned(laid, turn), face, ways);
  const turn = leastTurn((at) => place(at).cost);
  return described(turned(points, turn), place(turn), face, priorities, turn);
}

/** The points so far outside the image, each side by its own. */
const outside = ({ top, right, bottom, left }: Outline, by: Record<Side, number | null>): Outline => ({
  top: top.map(({ x, y }) => ({ x, y: y - (by.top ?? 0) })),
  right: right.map(({ x, y }) => ({ x: x + (by.right ?? 0), y })),
  bottom: bottom.map(({ x, y }) => ({ x, y: y + (by.bottom ?? 0) })),
  left: left.map(({ x, y }) => ({ x: x - (by.left ?? 0), y })),
});

/** What two opposite edges keep to where one of them has a line: that line alone, without limits. */
function onLines(lines: Record<Side, number | null>, sides: readonly Side[], priorities: Priorities): Priorities {
  const keep = sides.filter((side) => lines[side] !== null);
  return keep.length === 0 ? priorities : { ...priorities, keep, mostWrapMm: Infinity, mayBare: true };
}

/** Points along the four edges about the middle of the image; a bow is a parabola. */
export function outlineOf({ corners, bow }: PaintedImage): Outline {
  const middle = CORNERS.reduce((sum, corner) => ({ x: sum.x + corners[corner].x / 4, y: sum.y + corners[corner].y / 4 }), {
    x: 0,
    y: 0,
  });
  const along = (side: Side): Point2[] => {
    const [from, to] = SIDE_ENDS[side].map((corner) => corners[corner]);
    const [dx, dy] = [to!.x - from!.x, to!.y - from!.y];
    const long = Math.hypot(dx, dy);
    const outward = side === 'top' || side === 'right' ? 1 : -1;
    const [nx, ny] = [(outward * dy) / long, (-outward * dx) / long];
    return Array.from({ length: POINTS }, (_, index) => {
      const t = index / (POINTS - 1);
      const off = 4 * t * (1 - t) * bow[side];
      return { x: from!.x + t * dx + off * nx - middle.x, y: from!.y + t * dy + off * ny - middle.y };
    });
  };
  return { top: along('top'), right: along('right'), bottom: along('bottom'), left: along('left') };
}

/** The image as it lies when the frame is turned clockwise by this much. */
export function turned(points: Outline, turn: number): Outline {
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const one = ({ x, y }: Point2) => ({ x: c * x + s * y, y: c * y - s * x });
  return { top: points.top.map(one), right: points.right.map(one), bottom: points.bottom.map(one), left: points.left.map(one) };
}

interface Place {
  x: number;
  y: number;
  cost: number;
}

function placed(
  points: Outline,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  { across, down }: { across: Priorities; down: Priorities },
): Place {
  const x = shift(
    points.left.map((point) => point.x + widthMm / 2),
    points.right.map((point) => point.x - widthMm / 2),
    [edgeWeight('left', across.keep), edgeWeight('right', across.keep)],
    across,
  );
  const y = shift(
    points.top.map((point) => point.y + heightMm / 2),
    points.bottom.map((point) => point.y - heightMm / 2),
    [edgeWeight('top', down.keep), edgeWeight('bottom', down.keep)],
    down,
  );
  const cost = across.way === 'leastMost' ? Math.max(x.cost, y.cost) + 1e-3 * (x.cost + y.cost) : x.cost + y.cost;
  return { x: x.at, y: y.at, cost };
}

/**
 * The middle of the face along one direction: at `s` the near edge goes round by s − near, the far one by far − s.
 * Limits first, then the least cost between them; limits that cross are broken equally. Where the image is larger than the
 * face, what it is larger by is shared by both edges, whatever they weigh: a fold at the very edge of the image is bared by
 * half a millimetre of the tape.
 */
function shift(
  near: readonly number[],
  far: readonly number[],
  [weighsNear, weighsFar]: readonly [number, number],
  { mostWrapMm, mayBare, way }: Priorities,
): { at: number; cost: number } {
  const least = mayBare ? -Infinity : 0;
  const low = Math.max(Math.max(...near) + least, Math.max(...far) - mostWrapMm);
  const high = Math.min(Math.min(...far) - least, Math.min(...near) + mostWrapMm);
  const squares = (s: number) => weighsNear * meanSquare(near, s) + weighsFar * meanSquare(far, s);
  const worst = (s: number) =>
    Math.max(
      weighsNear * Math.max(...near.map((one) => Math.abs(s - one))),
      weighsFar * Math.max(...far.map((one) => Math.abs(one - s))),
    );
  const cost = way === 'leastSquares' ? squares : (s: number) => worst(s) + 1e-6 * squares(s);
  if (low > high) {
    const at = (low + high) / 2;
    return { at, cost: cost(at) + BREACH * (low - high) ** 2 };
  }
  const free =
    way === 'leastSquares'
      ? (weighsNear * mean(near) + weighsFar * mean(far)) / (weighsNear + weighsFar)
      : goldenSection(cost, Math.min(...near, ...far), Math.max(...near, ...far));
  const within = (s: number) => Math.min(high, Math.max(low, s));
  const [nearest, furthest] = [Math.max(...near), Math.min(...far)];
  // On lines there are no limits, and nothing to share.
  if (furthest <= nearest || mostWrapMm === Infinity) return { at: within(free), cost: cost(within(free)) };
  const shared = way === 'leastSquares' ? (nearest + furthest) / 2 : (Math.max(...far) + Math.min(...near)) / 2;
  return { at: within(shared), cost: cost(within(free)) };
}

/** What an edge weighs: fully where it must stay parallel, hardly where it takes the error. */
export const edgeWeight = (side: Side, keep: readonly Side[]): number => (keep.includes(side) ? 1 : HARDLY);

export const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const meanSquare = (values: readonly number[], s: number) => values.reduce((sum, one) => sum + (one - s) ** 2, 0) / values.length;

/** The turn of least cost, radians. */
export function leastTurn(cost: (turn: number) => number): number {
  const grid = Array.from({ length: GRID + 1 }, (_, index) => (index / GRID - 0.5) * 2 * MOST_TURN);
  const best = grid.reduce((least, turn) => (cost(turn) < cost(least) ? turn : least));
  const step = (2 * MOST_TURN) / GRID;
  return goldenSection(cost, best - step, best + step);
}

/** Where a function with one valley is least (Kiefer 1953), to 1e-9 of the span. */
function goldenSection(cost: (at: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  let [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
  let [ca, cb] = [cost(a), cost(b)];
  for (let round = 0; round < 44; round += 1) {
    if (ca < cb) {
      [high, b, cb] = [b, a, ca];
      a = high - GOLDEN * (high - low);
      ca = cost(a);
    } else {
      [low, a, ca] = [a, b, cb];
      b = low + GOLDEN * (high - low);
      cb = cost(b);
    }
  }
  return (low + high) / 2;
}

function described(
  points: Outline,
  place: Place,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  { mostWrapMm: limit, mayBare }: Priorities,
  turn: number,
): Registration {
  const [left, top] = [place.x - widthMm / 2, place.y - heightMm / 2];
  const onFace = (list: Point2[]) => list.map(({ x, y }) => ({ x: x - left, y: y - top }));
  const outline: Outline = {
    top: onFace(points.top),
    right: onFace(points.right),
    bottom: onFace(points.bottom),
    left: onFace(points.left),
  };
  const round = (side: Side, { x, y }: Point2) => ({ top: -y, left: -x, right: x - widthMm, bottom: y - heightMm })[side];
  const sides = Object.fromEntries(
    SIDES.map((side): [Side, EdgeOffsets] => {
      const offsets = outline[side].map((point) => round(side, point));
      return [
        side,
        {
          firstMm: offsets[0]!,
          middleMm: offsets[(POINTS - 1) / 2]!,
          secondMm: offsets.at(-1)!,
          leastMm: Math.min(...offsets),
          mostMm: Math.max(...offsets),
        },
      ];
    }),
  ) as Record<Side, EdgeOffsets>;
  const mostWrapMm = Math.max(0, ...SIDES.map((side) => sides[side].mostMm));
  const mostBareMm = Math.max(0, ...SIDES.map((side) => -sides[side].leastMm));
  const wrapsTooFar = mostWrapMm > limit + UNSEEN_MM;
  const baresTooMuch = !mayBare && mostBareMm > UNSEEN_MM;
  return {
    turnDegrees: (turn * 180) / Math.PI,
    sides,
    corners: {
      topLeft: outline.top[0]!,
      topRight: { x: outline.top.at(-1)!.x - widthMm, y: outline.top.at(-1)!.y },
      bottomRight: { x: outline.bottom.at(-1)!.x - widthMm, y: outline.bottom.at(-1)!.y - heightMm },
      bottomLeft: { x: outline.bottom[0]!.x, y: outline.bottom[0]!.y - heightMm },
    },
    outline,
    mostWrapMm,
    mostBareMm,
    wrapsTooFar,
    baresTooMuch,
    holds: !wrapsTooFar && !baresTooMuch,
  };
}
