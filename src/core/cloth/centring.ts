/*
 * The centring check: margins measured near both ends of each side, the frame lying on the cloth, against what they
 * should be. A shift and a small turn of the frame change the eight margins linearly, and so does cloth that is wider
 * or higher than planned, which no move can mend and none needs to; least squares gives the five.
 * x right, y down, seen from the front. Derived here.
 */
import { solveDense } from '../linear/dense';
import { SIDES, type Side } from '../job/sides';

export type EndMargins = Record<Side, readonly [first: number | null, second: number | null]>;

export interface Centring {
  /** Move the frame on the cloth: right and down, mm. */
  rightMm: number;
  downMm: number;
  /** And turn it clockwise, degrees. */
  clockwiseDegrees: number;
  /** How far the ends of the longer side move in that turn, mm. */
  endsMoveMm: number;
  /** Worst margin off after the move, but for what the cloth is larger or smaller all along, mm. */
  leftOverMm: number;
  /** Worst margin off now, but for the same, mm. */
  offMm: number;
  readings: number;
}

/** Where the margins are measured, as a part of the side from its middle. */
const NEAR_END = 0.45;

/**
 * How to move a frame so that its margins are as wanted.
 *
 * @returns null while the margins do not tell it: one on every side is the least, and both ends of two
 * @example centring({ top: [40, 44], right: [40, 40], bottom: [44, 40], left: [40, 40] }, { top: [42, 42], right: [40, 40], bottom: [42, 42], left: [40, 40] }, { widthMm: 900, heightMm: 600 })?.readings // 8
 */
export function centring(measured: EndMargins, wanted: EndMargins, face: { widthMm: number; heightMm: number }): Centring | null {
  const rows = SIDES.flatMap((side) =>
    ([0, 1] as const).flatMap((end) => {
      const [is, should] = [measured[side][end], wanted[side][end]];
      if (is === null || should === null) return [];
      return [{ off: is - should, by: changes(side, (end === 0 ? -1 : 1) * NEAR_END, face) }];
    }),
  );
  const solved = rows.length < 6 ? null : leastSquares(rows);
  if (!solved) return null;
  const [rightMm, downMm, turn, wider, higher] = solved as [number, number, number, number, number];
  const without = (move: number) =>
    Math.max(
      ...rows.map(({ off, by }) =>
        Math.abs(off + move * (by[0] * rightMm + by[1] * downMm + by[2] * turn) + by[3] * wider + by[4] * higher),
      ),
    );
  return {
    rightMm,
    downMm,
    clockwiseDegrees: (turn * 180) / Math.PI,
    endsMoveMm: (turn * Math.max(face.widthMm, face.heightMm)) / 2,
    leftOverMm: without(1),
    offMm: without(0),
    readings: rows.length,
  };
}

type Row = readonly [right: number, down: number, turn: number, wider: number, higher: number];

/** What a mm to the right, a mm down, a radian clockwise, and cloth a mm smaller at both sides or ends do to a margin. */
function changes(side: Side, part: number, { widthMm, heightMm }: { widthMm: number; heightMm: number }): Row {
  switch (side) {
    case 'top':
      return [0, 1, part * widthMm, 0, 1];
    case 'bottom':
      return [0, -1, -part * widthMm, 0, 1];
    case 'left':
      return [1, 0, -part * heightMm, 1, 0];
    case 'right':
      return [-1, 0, part * heightMm, 1, 0];
  }
}

/** What makes the offs least, by the normal equations with columns scaled; null when they do not tell all five. */
function leastSquares(rows: readonly { off: number; by: Row }[]): number[] | null {
  const columns = [0, 1, 2, 3, 4] as const;
  const size = columns.map((column) => Math.hypot(...rows.map(({ by }) => by[column])));
  if (size.some((one) => one < 1e-9)) return null;
  const scaled = rows.map(({ off, by }) => ({ off, by: by.map((value, column) => value / size[column]!) }));
  const found = solveDense(
    columns.map((row) => columns.map((column) => scaled.reduce((sum, { by }) => sum + by[row]! * by[column]!, 0))),
    columns.map((row) => scaled.reduce((sum, { by, off }) => sum - by[row]! * off, 0)),
    1e-6,
  );
  return found && found.map((value, column) => value / size[column]!);
}
