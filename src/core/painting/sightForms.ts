/*
 * A canvas in its frame by what is seen: where it lies best, packed or free, what of it shows in the sight opening and what the
 * lips hide, which slip would cover it, how far its keys may open. Seen from the front, x right, y down, mm.
 *
 * At a given turn every distance asked for is linear in a shift of the canvas and in the width of a slip; over the small turns
 * that a rebate leaves it is nearly so. Each question is a linear programme, laid anew at the turn it found until it stays there,
 * so that the turn is exact. Derived here.
 */
import { SIDE_ENDS } from '../cloth/registration';
import { CORNERS, type Corner, type Point2 } from '../frame/square/corners';
import { SIDES, type Side } from '../job/sides';
import { type Limit, greatest } from '../linear/linearProgram';

export type Quad = Record<Corner, Point2>;

/** The ends of a side: the left or upper one, the right or lower one. */
export interface SideEnds {
  first: number;
  second: number;
}
export type Around = Record<Side, SideEnds>;

export interface Sight {
  /** Corners of the rebate between its steps. */
  opening: Quad;
  /** How far the lip covers inward from each step, mm. */
  lips: Record<Side, number>;
  /** Outside of the canvas with its cloth once round the edge, in its own measure. */
  canvas: Quad;
  /** How far folded corners stand out beyond that at the ends of each side, mm. */
  bulkMm: Around;
  /** The image, in the measure of the canvas. */
  image: Quad;
}

/** Where the middle of the canvas lies, and its turn clockwise, degrees. */
export interface Place extends Point2 {
  turnDegrees: number;
}

/** Gaps between steps and canvas count as the widest least one within so much, mm. */
export const WITHIN_MM = 0.02;
/** Less than any arithmetic here is good for, mm. */
export const DUST_MM = 1e-6;
export const RADIANS = Math.PI / 180;
/** The turn is reckoned in mm at a metre, so that it weighs as a shift does. */
const METRE = 1000;

/** What is asked for at a turn (radians): what it is unmoved, by a mm right, by a mm down, and by a mm of each width. */
export type Form = (turn: number) => readonly number[];

const minus = (one: Point2, other: Point2): Point2 => ({ x: one.x - other.x, y: one.y - other.y });
export const dot = (one: Point2, other: Point2): number => one.x * other.x + one.y * other.y;
export const turned = ({ x, y }: Point2, turn: number): Point2 => ({
  x: x * Math.cos(turn) - y * Math.sin(turn),
  y: x * Math.sin(turn) + y * Math.cos(turn),
});
/** Crosswise to a direction. */
const across = ({ x, y }: Point2): Point2 => ({ x: -y, y: x });

export interface Step {
  /** Into the opening. */
  normal: Point2;
  from: number;
}

export function stepOf(opening: Quad, side: Side): Step {
  const [one, other] = SIDE_ENDS[side].map((corner) => opening[corner]) as [Point2, Point2];
  const way = side === 'top' || side === 'right' ? 1 : -1;
  const long = Math.hypot(other.x - one.x, other.y - one.y);
  const normal = { x: (-way * (other.y - one.y)) / long, y: (way * (other.x - one.x)) / long };
  return { normal, from: dot(normal, one) };
}

/** The side that meets a side at each of its ends. */
const NEIGHBOURS: Record<Side, readonly [Side, Side]> = {
  top: ['left', 'right'],
  right: ['top', 'bottom'],
  bottom: ['left', 'right'],
  left: ['top', 'bottom'],
};

export const middle = (quad: Quad): Point2 => ({
  x: CORNERS.reduce((sum, corner) => sum + quad[corner].x, 0) / 4,
  y: CORNERS.reduce((sum, corner) => sum + quad[corner].y, 0) / 4,
});

const RING: readonly Corner[] = ['topLeft', 'topRight', 'bottomRight', 'bottomLeft'];

/** What two shapes have in common, both convex and clockwise as they are seen. */
function common(one: Quad, other: Quad): Point2[] {
  return RING.reduce<Point2[]>(
    (left, corner, index) => {
      const from = other[corner];
      const inward = across(minus(other[RING[(index + 1) % 4]!], from));
      const inside = (point: Point2) => dot(inward, minus(point, from));
      return left.flatMap((point, at) => {
        const next = left[(at + 1) % left.length]!;
        const [here, there] = [inside(point), inside(next)];
        const part = here / (here - there);
        const crossing = { x: point.x + part * (next.x - point.x), y: point.y + part * (next.y - point.y) };
        return [...(here >= 0 ? [point] : []), ...(here >= 0 !== there >= 0 ? [crossing] : [])];
      });
    },
    RING.map((corner) => one[corner]),
  );
}

/** Every distance that is asked for of a canvas in its frame. Widths of a slip: none, one for all sides, or four in the order of the sides. */
export function formsOf({ opening, lips, canvas, bulkMm, image }: Sight, widths: 0 | 1 | 4) {
  const centre = middle(canvas);
  const own = (point: Point2) => minus(point, centre);
  const steps = Object.fromEntries(SIDES.map((side) => [side, stepOf(opening, side)])) as Record<Side, Step>;
  const widthOf = (side: Side): number[] =>
    Array.from({ length: widths }, (_, index) => (widths === 1 || SIDES[index] === side ? 1 : 0));
  const none = widthOf('top').map(() => 0);
  const painted = common(image, canvas).map(own);
  const distance =
    (side: Side, point: Point2): Form =>
    (turn) => {
      const { normal, from } = steps[side];
      return [dot(normal, turned(point, turn)) - from, normal.x, normal.y, ...none];
    };
  const less =
    (form: Form, by: number): Form =>
    (turn) =>
      form(turn).map((one, index) => (index === 0 ? one - by : one));

  const gaps = SIDES.flatMap((side) =>
    SIDE_ENDS[side].map((corner, end) => ({
      side,
      corner,
      form: less(distance(side, own(canvas[corner])), end === 0 ? bulkMm[side].first : bulkMm[side].second),
    })),
  );

  /** How far an edge lies in from the sight edge of its side, along the neighbouring sight edge at one end. */
  const bareOf =
    (side: Side, end: 0 | 1, edge: Quad): Form =>
    (turn) => {
      const [first, second] = SIDE_ENDS[side].map((corner) => turned(own(edge[corner]), turn)) as [Point2, Point2];
      const neighbour = NEIGHBOURS[side][end]!;
      const [here, there] = [steps[side].normal, steps[neighbour].normal];
      const along = across(there);
      const go = { x: along.x / dot(here, along), y: along.y / dot(here, along) };
      // The corner of the sight opening: both lips away from their steps, moved by the slips.
      const turnOf = here.x * there.y - here.y * there.x;
      const corner = (mine: number, its: number): Point2 => ({
        x: (mine * there.y - its * here.y) / turnOf,
        y: (its * here.x - mine * there.x) / turnOf,
      });
      const rim = across(minus(second, first));
      const scale = dot(rim, go);
      const still = corner(steps[side].from + lips[side], steps[neighbour].from + lips[neighbour]);
      const moved = widthOf(side).map((mine, index) => -dot(rim, corner(mine, widthOf(neighbour)[index]!)) / scale);
      return [dot(rim, minus(first, still)) / scale, rim.x / scale, rim.y / scale, ...moved];
    };
  const ends = [0, 1] as const;
  const light = Object.fromEntries(SIDES.map((side) => [side, ends.map((end) => bareOf(side, end, canvas))])) as Record<
    Side,
    Form[]
  >;
  const seen = Object.fromEntries(
    SIDES.map((side) => [side, [...ends.map((end) => bareOf(side, end, image)), ...light[side]]]),
  ) as Record<Side, Form[]>;
  const hidden = Object.fromEntries(
    SIDES.map((side) => [
      side,
      painted.map((point): Form => (turn) => {
        const [still, right, down] = distance(side, point)(turn) as [number, number, number];
        return [lips[side] - still, -right, -down, ...widthOf(side)];
      }),
    ]),
  ) as Record<Side, Form[]>;
  return { gaps, light, seen, hidden, start: middle(opening) };
}

export type Forms = ReturnType<typeof formsOf>;

export interface Asked {
  forms: Forms;
  /** Variables beyond the place: widths first, then what is greatest or least. */
  more: number;
  /** What is greatest: of the variables beyond the place, or a form of it. */
  gain: { form: Form } | { of: readonly number[] } | { clockwise: 1 | -1 };
  /** Each at most nothing: a form, and how much of the variables beyond the place that are no widths is added. */
  limits: readonly { form: Form; times: 1 | -1; add: readonly number[]; most: number }[];
}

export interface Found {
  place: Place;
  /** What the variables beyond the place are. */
  more: number[];
}

export const MOST_ROUNDS = 16;
/** A turn goes no further at a time, mm at a metre; less and less, so that it settles. */
const REACH_MM = 40;
const TURN_STEP = 1e-5;

/** A form as it is at a turn, with its slope in the turn at a place, mm a metre. */
function linear(form: Form, turn: number, { x, y }: Point2, widths: readonly number[]): { still: number; row: number[] } {
  const [still, right, down, ...wide] = form(turn) as [number, number, number, ...number[]];
  const at = (of: readonly number[]) =>
    of[0]! + of[1]! * x + of[2]! * y + wide.reduce((sum, _one, index) => sum + of[3 + index]! * (widths[index] ?? 0), 0);
  const slope = (at(form(turn + TURN_STEP)) - at(form(turn - TURN_STEP))) / (2 * TURN_STEP * METRE);
  return { still, row: [right, down, slope, ...wide] };
}

/** What is greatest, as a row of the place and the variables beyond it. */
function wantedOf(gain: Asked['gain'], more: number, turn: number, place: Point2, widths: readonly number[]): number[] {
  if ('of' in gain) return [0, 0, 0, ...gain.of];
  const beyond = Array.from({ length: more }, () => 0);
  if ('clockwise' in gain) return [0, 0, gain.clockwise, ...beyond];
  return [...linear(gain.form, turn, place, widths).row, ...beyond].slice(0, 3 + more);
}

/** Answers a question by a linear programme, laid anew at the turn that it found. */
export function solve({ forms, more, gain, limits }: Asked, from: Place | null): Found | null {
  let place: Place = from ?? { ...forms.start, turnDegrees: 0 };
  let found: Found | null = null;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const turn = place.turnDegrees * RADIANS;
    const widths = found?.more ?? [];
    const rows = limits.map(({ form, times, add, most }): Limit => {
      const { still, row } = linear(form, turn, place, widths);
      const whole = [...row.map((one) => times * one), ...Array.from({ length: more - (row.length - 3) }, () => 0)];
      add.forEach((one, index) => (whole[3 + index] = (whole[3 + index] ?? 0) + one));
      return { of: whole, most: most - times * still };
    });
    const reach = [1, -1].map((way): Limit => ({
      of: [0, 0, way, ...Array.from({ length: more }, () => 0)],
      most: REACH_MM / 2 ** Math.max(0, round - 3),
    }));
    const wanted = wantedOf(gain, more, turn, place, widths);
    const solved = greatest(wanted, [...rows, ...reach]);
    if (!solved) return found;
    const [x, y, by] = solved as [number, number, number];
    const next = { x, y, turnDegrees: (turn + by / METRE) / RADIANS };
    found = { place: next, more: solved.slice(3) };
    place = next;
    if (Math.abs(by) < 1e-7) return found;
  }
  return found;
}

export const valueAt = (form: Form, { x, y, turnDegrees }: Place, widths: readonly number[] = []): number => {
  const [still, right, down, ...wide] = form(turnDegrees * RADIANS) as [number, number, number, ...number[]];
  return still + right * x + down * y + wide.reduce((sum, one, index) => sum + one * (widths[index] ?? 0), 0);
};

export const ofAllSides = (of: Record<Side, Form[]>): Form[] => SIDES.flatMap((side) => of[side]);
export const goesIn = (forms: Forms, least = 0) =>
  forms.gaps.map(({ form }) => ({ form, times: -1 as const, add: [], most: -least }));
export const atLeast = (of: readonly Form[], add: readonly number[]) =>
  of.map((form) => ({ form, times: -1 as const, add, most: 0 }));
export const atMost = (of: readonly Form[], add: readonly number[], most = 0) =>
  of.map((form) => ({ form, times: 1 as const, add, most }));
