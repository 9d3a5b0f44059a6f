/*
 * The centring check: margins measured near both ends of each side, the frame lying on the cloth, against what they
 * should be. A shift and a small turn of the frame change the eight margins linearly; least squares gives the three.
 * x right, y down, seen from the front. Derived here.
 */
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
  /** Worst margin off after the move, less what all are off alike, mm. */
  leftOverMm: number;
  /** Worst margin off now, mm. */
  offMm: number;
  readings: number;
}

/** Where the margins are measured, as a part of the side from its middle. */
const NEAR_END = 0.45;

/**
 * How to move a frame so that its margins are as wanted.
 *
 * @returns null while fewer than five margins, or none on two neighbouring sides, tell it
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
  if (rows.length < 5) return null;
  const solved = solve3(rows);
  if (!solved) return null;
  const [rightMm, downMm, turn] = solved;
  const after = rows.map(({ off, by }) => off + by[0] * rightMm + by[1] * downMm + by[2] * turn);
  const alike = after.reduce((sum, one) => sum + one, 0) / after.length;
  const offs = rows.map(({ off }) => off);
  const allAlike = offs.reduce((sum, one) => sum + one, 0) / offs.length;
  return {
    rightMm,
    downMm,
    clockwiseDegrees: (turn * 180) / Math.PI,
    endsMoveMm: (turn * Math.max(face.widthMm, face.heightMm)) / 2,
    leftOverMm: Math.max(...after.map((one) => Math.abs(one - alike))),
    offMm: Math.max(...offs.map((one) => Math.abs(one - allAlike))),
    readings: rows.length,
  };
}

/** What a mm to the right, a mm down and a radian clockwise do to a margin. */
function changes(
  side: Side,
  part: number,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): [number, number, number] {
  switch (side) {
    case 'top':
      return [0, 1, part * widthMm];
    case 'bottom':
      return [0, -1, -part * widthMm];
    case 'left':
      return [1, 0, -part * heightMm];
    case 'right':
      return [-1, 0, part * heightMm];
  }
}

/** Least squares in three unknowns by the normal equations, columns scaled; null when they do not tell all three. */
function solve3(rows: readonly { off: number; by: readonly [number, number, number] }[]): [number, number, number] | null {
  const size = [0, 1, 2].map((column) => Math.hypot(...rows.map(({ by }) => by[column]!)));
  if (size.some((one) => one < 1e-9)) return null;
  const scaled = rows.map(({ off, by }) => ({ off, by: by.map((value, column) => value / size[column]!) }));
  const matrix = [0, 1, 2].map((row) => [
    ...[0, 1, 2].map((column) => scaled.reduce((sum, { by }) => sum + by[row]! * by[column]!, 0)),
    scaled.reduce((sum, { off, by }) => sum - by[row]! * off, 0),
  ]);
  for (let pivot = 0; pivot < 3; pivot += 1) {
    const best = [0, 1, 2]
      .slice(pivot)
      .reduce((most, row) => (Math.abs(matrix[row]![pivot]!) > Math.abs(matrix[most]![pivot]!) ? row : most));
    [matrix[pivot], matrix[best]] = [matrix[best]!, matrix[pivot]!];
    const by = matrix[pivot]![pivot]!;
    if (Math.abs(by) < 1e-9) return null;
    for (let row = 0; row < 3; row += 1) {
      if (row === pivot) continue;
      const factor = matrix[row]![pivot]! / by;
      matrix[row] = matrix[row]!.map((value, column) => value - factor * matrix[pivot]![column]!);
    }
  }
  return [0, 1, 2].map((row) => matrix[row]![3]! / matrix[row]![row]! / size[row]!) as [number, number, number];
}
