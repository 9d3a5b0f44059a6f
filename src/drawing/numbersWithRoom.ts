/* Which numbers along the sides of a drawing are written, at the size it is drawn: what would run into another one is left out. */
import type { Point } from './scene/scene';

export interface PlacedNumber {
  /** Middle of its lettering, and how wide and high that is; any unit, px on a screen. */
  at: Point;
  wide: number;
  high: number;
  /** Away from the drawing; it tells the side it stands along. */
  outward: Point;
  /** Written whatever is near: what is set next. */
  due: boolean;
}

/** Left free between two, as a part of their height. */
const GAP = 0.25;

function touch(one: PlacedNumber, other: PlacedNumber): boolean {
  const free = GAP * Math.max(one.high, other.high);
  return (
    Math.abs(one.at.x - other.at.x) < (one.wide + other.wide) / 2 + free &&
    Math.abs(one.at.y - other.at.y) < (one.high + other.high) / 2 + free
  );
}

/**
 * The numbers to write: those that are due, and along each side every one, every second, third and so on from its middle outwards,
 * the most that do not touch.
 *
 * @example numbersWithRoom([0, 9, 18].map((x) => ({ at: { x, y: 0 }, wide: 12, high: 11, outward: { x: 0, y: -1 }, due: false }))).size // 1
 */
export function numbersWithRoom<N extends PlacedNumber>(numbers: readonly N[]): Set<N> {
  const kept = new Set(numbers.filter(({ due }) => due));
  const sides = new Map<string, N[]>();
  for (const number of numbers) {
    const side = `${number.outward.x} ${number.outward.y}`;
    sides.set(side, [...(sides.get(side) ?? []), number]);
  }
  for (const side of sides.values()) for (const number of mostAlong(side, [...kept])) kept.add(number);
  return kept;
}

/** Those of a side that stand clear of each other and of what is kept already. */
function mostAlong<N extends PlacedNumber>(side: readonly N[], kept: readonly N[]): N[] {
  const along = ({ at, outward }: PlacedNumber) => (outward.x === 0 ? at.x : at.y);
  const row = [...side].sort((one, other) => along(one) - along(other));
  const middle = row.length >> 1;
  const free = row.map((number) => !number.due && kept.every((other) => !touch(number, other)));
  for (let every = 1; ; every += 1) {
    const some = row.filter((_number, index) => free[index] && (index - middle) % every === 0);
    if (every > row.length || some.every((number, index) => index === 0 || !touch(some[index - 1]!, number))) return some;
  }
}
