/*
 * Squareness from a tape: four sides and two diagonals, mm, as seen from the front.
 * `down` runs top left to bottom right, `up` bottom left to top right.
 * For a parallelogram (law of cosines) down² − up² = 4 W H sin θ; the top slides H sin θ to the left of the
 * bottom when `down` is the longer. Euler's theorem on quadrilaterals ties the two diagonals to the four sides:
 * down² + up² = Σ sides² − 4 m², m being the distance between the middles of the diagonals.
 */
import type { Side } from '../job/sides';

export interface TapeReadings extends Record<Side, number | null> {
  down: number | null;
  up: number | null;
}

export type DiagonalName = 'down' | 'up';

export interface Squareness {
  kind: 'measured';
  /** Width and height the angles were worked out with: read where read, else nominal. */
  widthMm: number;
  heightMm: number;
  sidesRead: boolean;
  down: number;
  up: number;
  differenceMm: number;
  /** One standard deviation of the difference, from the tape. */
  uncertaintyMm: number;
  longer: DiagonalName | null;
  /** Rack angle, degrees, positive when the top lies to the left. */
  skewDegrees: number;
  /** How far the top stands to the left of square against the bottom. */
  slideMm: number;
  /** What both diagonals read once it is square. */
  squareDiagonalMm: number;
  /** How far the diagonals (squared mean) differ from what the sides ask for; null without four sides. */
  diagonalsOffMm: number | null;
  /** Top less bottom, right less left; null without four sides. */
  taper: { widthMm: number; heightMm: number } | null;
}

export type SquarenessResult =
  | Squareness
  | { kind: 'missing'; needs: 'diagonals' }
  | { kind: 'impossible'; reading: keyof TapeReadings; readMm: number; mostMm: number; because: string };

/**
 * Squareness of a frame from two diagonals and, when read, its sides.
 *
 * @param readings mm above 0, or null where nothing was read
 * @param nominal size the frame should have, used for sides not read
 * @param tapePrecisionMm one standard deviation of a reading
 * @returns the measure, or what is missing, or which reading no frame can have
 * @example squareness({ top: null, right: null, bottom: null, left: null, down: 500, up: 500 }, { widthMm: 400, heightMm: 300 }, 0.5).differenceMm // 0
 */
export function squareness(
  readings: TapeReadings,
  nominal: { widthMm: number; heightMm: number },
  tapePrecisionMm: number,
): SquarenessResult {
  const { top, right, bottom, left, down, up } = readings;
  const widthMm = mean([top, bottom]) ?? nominal.widthMm;
  const heightMm = mean([left, right]) ?? nominal.heightMm;
  const impossible = impossibleReading(readings, widthMm, heightMm);
  if (impossible) return impossible;
  if (down === null || up === null) return { kind: 'missing', needs: 'diagonals' };
  const sine = (down ** 2 - up ** 2) / (4 * widthMm * heightMm);
  if (Math.abs(sine) > 1) {
    const reading = down > up ? 'down' : 'up';
    return {
      kind: 'impossible',
      reading,
      readMm: Math.max(down, up),
      mostMm: widthMm + heightMm,
      because: 'no parallelogram of these sides has two diagonals so unlike',
    };
  }
  const allSides = top !== null && right !== null && bottom !== null && left !== null;
  return {
    kind: 'measured',
    widthMm,
    heightMm,
    sidesRead: allSides,
    down,
    up,
    differenceMm: down - up,
    uncertaintyMm: tapePrecisionMm * Math.SQRT2,
    longer: down === up ? null : down > up ? 'down' : 'up',
    skewDegrees: (Math.asin(sine) * 180) / Math.PI,
    slideMm: heightMm * sine,
    squareDiagonalMm: Math.sqrt((down ** 2 + up ** 2) / 2),
    diagonalsOffMm: allSides ? diagonalsOff({ top, right, bottom, left }, down, up) : null,
    taper: allSides ? { widthMm: top - bottom, heightMm: right - left } : null,
  };
}

function mean(values: (number | null)[]): number | null {
  const read = values.filter((value) => value !== null);
  return read.length === 0 ? null : read.reduce((sum, value) => sum + value, 0) / read.length;
}

/** Derived here: with unequal opposite sides the middles of the diagonals part by half of each difference. */
function diagonalsOff(sides: Record<Side, number>, down: number, up: number): number {
  const squares = sides.top ** 2 + sides.right ** 2 + sides.bottom ** 2 + sides.left ** 2;
  const apart = (sides.top - sides.bottom) ** 2 + (sides.right - sides.left) ** 2;
  return Math.sqrt((down ** 2 + up ** 2) / 2) - Math.sqrt((squares - apart) / 2);
}

function impossibleReading(
  readings: TapeReadings,
  widthMm: number,
  heightMm: number,
): Extract<SquarenessResult, { kind: 'impossible' }> | null {
  for (const name of Object.keys(readings) as (keyof TapeReadings)[]) {
    const read = readings[name];
    if (read === null) continue;
    if (!(read > 0)) return { kind: 'impossible', reading: name, readMm: read, mostMm: 0, because: 'a length is above 0' };
    const most = widthMm + heightMm;
    if ((name === 'down' || name === 'up') && read >= most) {
      return {
        kind: 'impossible',
        reading: name,
        readMm: read,
        mostMm: most,
        because: 'a diagonal is shorter than two sides together',
      };
    }
    if ((name === 'down' || name === 'up') && read <= Math.abs(widthMm - heightMm)) {
      return {
        kind: 'impossible',
        reading: name,
        readMm: read,
        mostMm: most,
        because: 'a diagonal is longer than the difference of two sides',
      };
    }
  }
  return null;
}

/** Corners of the frame from the readings, origin at the bottom left corner, x right, y up, mm: for drawing. */
export function rackedCorners({ widthMm, heightMm, skewDegrees, slideMm, taper }: Squareness) {
  const rise = heightMm * Math.cos((skewDegrees * Math.PI) / 180);
  const narrow = (taper?.widthMm ?? 0) / 2;
  return {
    bottomLeft: { x: narrow / 2, y: 0 },
    bottomRight: { x: widthMm - narrow / 2, y: 0 },
    topLeft: { x: -slideMm - narrow / 2, y: rise - (taper?.heightMm ?? 0) / 2 },
    topRight: { x: widthMm - slideMm + narrow / 2, y: rise + (taper?.heightMm ?? 0) / 2 },
  };
}
