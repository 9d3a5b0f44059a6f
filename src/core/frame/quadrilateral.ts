/*
 * The frame as a quadrilateral, fitted by least squares to what was read: up to four sides, two diagonals and
 * set-square gaps at the corners. Five unknowns (eight coordinates less position and turn); readings weigh by
 * the tape's precision, and soft knowledge joins them: opposite bars are a pair, and have their nominal length.
 * Gauss–Newton adjustment by observation equations; a chi-square test says whether the readings agree, and
 * standardised residuals name the most doubtful one (Baarda, A testing procedure for use in geodetic networks, 1968).
 * Corners as seen from the front; origin at the bottom left, x right, y up, mm.
 */
import type { Side } from '../job/sides';
import { type Matrix5, inverse5, quadratic5 } from './matrix5';

export type DiagonalName = 'down' | 'up';
export type TapeName = Side | DiagonalName;
export type Corner = 'topLeft' | 'topRight' | 'bottomRight' | 'bottomLeft';
export const CORNERS: readonly Corner[] = ['topLeft', 'topRight', 'bottomRight', 'bottomLeft'];

/** mm above 0, null where nothing was read. `down` runs top left to bottom right, `up` bottom left to top right. */
export type TapeReadings = Record<TapeName, number | null>;
/** How far a corner opens beyond (+) or falls short of (−) a right angle over the blade, mm; null where not tried. */
export type CornerGaps = Record<Corner, number | null>;

export interface Knowledge {
  /** One standard deviation of a tape reading, mm. */
  tapeMm: number;
  /** Of the difference between opposite bars, mm; Infinity when nothing is known. */
  pairMm: number;
  /** Of a pair's mean length against the plan, mm; Infinity when nothing is known. */
  nominalMm: number;
  /** Of a gap under the blade, mm. */
  gapMm: number;
  bladeMm: number;
}

export interface Point2 {
  x: number;
  y: number;
}
export type Corners = Record<Corner, Point2>;

export interface Estimate {
  value: number;
  /** One standard deviation. */
  sd: number;
}

/** What the readings' disagreement most likely comes from. */
export type Doubt =
  | { kind: 'side'; name: Side; likelyMm: number }
  | { kind: 'diagonal'; name: DiagonalName; likelyMm: number }
  /** One of the two, which cannot be told: either would have to read so. */
  | { kind: 'diagonals'; likelyMm: Record<DiagonalName, number> }
  | { kind: 'gap'; corner: Corner; likelyMm: number }
  /** The bars themselves: one of a pair is longer, or the pair is not of the planned length. */
  | { kind: 'pair'; pair: 'width' | 'height'; offMm: number }
  | { kind: 'size'; pair: 'width' | 'height'; offMm: number };

export interface Quadrilateral {
  kind: 'fitted';
  corners: Corners;
  /** Lengths of the fitted frame, mm. */
  fitted: Record<TapeName, number>;
  /** Down less up, mm. */
  difference: Estimate;
  /** Rack: positive when the top lies to the left of square, degrees. */
  skewDegrees: Estimate;
  /** How far the top stands to the left of square against the bottom, mm. */
  slideMm: Estimate;
  widthMm: Estimate;
  heightMm: Estimate;
  /** Top less bottom, right less left, mm. */
  taperWidthMm: Estimate;
  taperHeightMm: Estimate;
  /** Corner less 90°, degrees. */
  cornersDegrees: Record<Corner, Estimate>;
  /** `closure`: how far the diagonals together are off what the sides allow, in standard deviations; null when untold. */
  agreement: { chiSquare: number; freedom: number; limit: number; closure: number | null; agrees: boolean };
  doubt: Doubt | null;
  /** All four sides were read. */
  sidesRead: boolean;
  diagonalsRead: boolean;
}

export type QuadrilateralResult =
  | Quadrilateral
  | { kind: 'missing' }
  | { kind: 'impossible'; reading: TapeName; readMm: number; mostMm: number; because: string };

/** Upper 5 % points of chi-square for 1, 2, … degrees of freedom. */
const CHI_95 = [3.841, 5.991, 7.815, 9.488, 11.07, 12.592, 14.067, 15.507, 16.919, 18.307, 19.675, 21.026];
/**
 * A slip in a diagonal shows in one number alone, the closure, so that is looked at on its own: beyond 2.241
 * (2.5 % by chance). Derived here: chi-square limits for 2, 3, … degrees of freedom at which both tests together
 * alarm in 5 % of good readings, from 1 − ∫ φ(z) P(χ²[n−1] < limit − z²) dz over |z| < 2.241 = 0.05.
 */
const CLOSURE_LIMIT = 2.241;
const CHI_BESIDE_CLOSURE = [6.312, 8.54, 10.453, 12.211, 13.874, 15.47, 17.016, 18.523, 19.999, 21.449, 22.876];
const SIDE_NAMES: readonly Side[] = ['top', 'right', 'bottom', 'left'];
const DEGREES = 180 / Math.PI;

interface Observation {
  is:
    | { kind: 'tape'; name: TapeName }
    | { kind: 'gap'; corner: Corner }
    | { kind: 'pair'; pair: 'width' | 'height' }
    | { kind: 'size'; pair: 'width' | 'height' };
  value: number;
  sd: number;
  of: (corners: Corners) => number;
}

/**
 * Fits the frame to the readings. At least a diagonal or a set-square gap is needed; what was not read is filled
 * with what is known of the bars, and the stated error grows accordingly.
 *
 * @param nominal size the frame should have, mm
 * @returns the fitted frame, or that nothing tells the angles yet, or which reading no frame of this plan has
 * @example fitQuadrilateral({ top: 400, right: 300, bottom: 400, left: 300, down: 501, up: 499 }, NO_GAPS, { widthMm: 400, heightMm: 300 }, { tapeMm: 0.5, pairMm: 0.5, nominalMm: 1, gapMm: 0.2, bladeMm: 300 }).skewDegrees.value // 0.238…
 */
export function fitQuadrilateral(
  readings: TapeReadings,
  gaps: CornerGaps,
  nominal: { widthMm: number; heightMm: number },
  knowledge: Knowledge,
): QuadrilateralResult {
  const impossible = impossibleReading(readings, nominal);
  if (impossible) return impossible;
  const observations = observationsOf(readings, gaps, nominal, knowledge);
  const tellsAngle = ({ is }: Observation) => is.kind === 'gap' || (is.kind === 'tape' && isDiagonal(is.name));
  if (!observations.some(tellsAngle)) return { kind: 'missing' };
  const fit = solved(observations, start(readings, nominal), readings, knowledge);
  const { doubt, agreement } = fit;
  if (doubt?.kind !== 'pair' && doubt?.kind !== 'size') return fit;
  // The bars are not what was thought: the frame is fitted again without that belief, the doubt stands.
  const freed = observations.map((one) =>
    one.is.kind === doubt.kind && one.is.pair === doubt.pair ? { ...one, sd: HARDLY_MM } : one,
  );
  return { ...solved(freed, start(readings, nominal), readings, knowledge), agreement, doubt };
}

/** Gauss–Newton from a first guess, and what the solution says. */
function solved(
  observations: readonly Observation[],
  first: readonly number[],
  readings: TapeReadings,
  knowledge: Knowledge,
): Quadrilateral {
  let unknowns = [...first];
  let round = adjust(observations, unknowns);
  for (let count = 0; count < 12; count += 1) {
    unknowns = unknowns.map((value, index) => value + round.step[index]!);
    round = adjust(observations, unknowns);
    if (round.step.every((move) => Math.abs(move) < 1e-7)) break;
  }
  return describe(observations, unknowns, round.inverse, readings, knowledge);
}

export const NO_GAPS: CornerGaps = { topLeft: null, topRight: null, bottomRight: null, bottomLeft: null };
const isDiagonal = (name: TapeName): name is DiagonalName => name === 'down' || name === 'up';

/** Unknowns: x of the bottom right corner, x and y of the top left, x and y of the top right. */
const cornersOf = ([brx, tlx, tly, trx, tryy]: readonly number[]): Corners => ({
  bottomLeft: { x: 0, y: 0 },
  bottomRight: { x: brx!, y: 0 },
  topLeft: { x: tlx!, y: tly! },
  topRight: { x: trx!, y: tryy! },
});

const apart = (a: Point2, b: Point2) => Math.hypot(a.x - b.x, a.y - b.y);
const LENGTHS: Record<TapeName, (corners: Corners) => number> = {
  top: ({ topLeft, topRight }) => apart(topLeft, topRight),
  right: ({ topRight, bottomRight }) => apart(topRight, bottomRight),
  bottom: ({ bottomLeft, bottomRight }) => apart(bottomLeft, bottomRight),
  left: ({ topLeft, bottomLeft }) => apart(topLeft, bottomLeft),
  down: ({ topLeft, bottomRight }) => apart(topLeft, bottomRight),
  up: ({ bottomLeft, topRight }) => apart(bottomLeft, topRight),
};

const NEIGHBOURS: Record<Corner, readonly [Corner, Corner]> = {
  topLeft: ['topRight', 'bottomLeft'],
  topRight: ['bottomRight', 'topLeft'],
  bottomRight: ['bottomLeft', 'topRight'],
  bottomLeft: ['topLeft', 'bottomRight'],
};

/** A corner's angle less a right angle, radians. */
export function cornerOver(corners: Corners, corner: Corner): number {
  const [one, other] = NEIGHBOURS[corner].map((name) => ({
    x: corners[name].x - corners[corner].x,
    y: corners[name].y - corners[corner].y,
  })) as [Point2, Point2];
  return Math.atan2(Math.abs(one.x * other.y - one.y * other.x), one.x * other.x + one.y * other.y) - Math.PI / 2;
}

/** Rack: half of what the bottom left and top right corners open together, radians. */
const skewOf = (corners: Corners) => (cornerOver(corners, 'bottomLeft') + cornerOver(corners, 'topRight')) / 2;

const PAIRS = { width: ['top', 'bottom'], height: ['right', 'left'] } as const;

function observationsOf(
  readings: TapeReadings,
  gaps: CornerGaps,
  nominal: { widthMm: number; heightMm: number },
  { tapeMm, pairMm, nominalMm, gapMm, bladeMm }: Knowledge,
): Observation[] {
  const tape = (Object.keys(LENGTHS) as TapeName[]).flatMap((name): Observation[] =>
    readings[name] === null ? [] : [{ is: { kind: 'tape', name }, value: readings[name], sd: tapeMm, of: LENGTHS[name] }],
  );
  const square = CORNERS.flatMap((corner): Observation[] =>
    gaps[corner] === null
      ? []
      : [{ is: { kind: 'gap', corner }, value: gaps[corner] / bladeMm, sd: gapMm / bladeMm, of: (at) => cornerOver(at, corner) }],
  );
  const known = (['width', 'height'] as const).flatMap((pair): Observation[] => {
    const [one, other] = PAIRS[pair].map((side) => LENGTHS[side]) as [(at: Corners) => number, (at: Corners) => number];
    const wanted = pair === 'width' ? nominal.widthMm : nominal.heightMm;
    return [
      { is: { kind: 'pair', pair }, value: 0, sd: Math.min(pairMm, HARDLY_MM), of: (at) => one(at) - other(at) },
      { is: { kind: 'size', pair }, value: wanted, sd: Math.min(nominalMm, HARDLY_MM), of: (at) => (one(at) + other(at)) / 2 },
    ];
  });
  return [...tape, ...square, ...known];
}

/** Standing in for "nothing is known", so that a side not read still has a length. */
const HARDLY_MM = 200;

/** The rectangle of the sides read, leaning as the diagonals say. */
function start(readings: TapeReadings, nominal: { widthMm: number; heightMm: number }): number[] {
  const mean = (...values: (number | null)[]) => {
    const read = values.filter((value) => value !== null);
    return read.length === 0 ? null : read.reduce((sum, value) => sum + value, 0) / read.length;
  };
  const w = mean(readings.top, readings.bottom) ?? nominal.widthMm;
  const h = mean(readings.left, readings.right) ?? nominal.heightMm;
  const square = Math.hypot(w, h);
  const lean = ((readings.down ?? square) ** 2 - (readings.up ?? square) ** 2) / (4 * w);
  const slide = Math.max(-0.9 * h, Math.min(0.9 * h, lean));
  const rise = Math.sqrt(h ** 2 - slide ** 2);
  return [w, -slide, rise, w - slide, rise];
}

/** How a measure of the frame changes with each unknown: central differences. */
function gradient(of: (corners: Corners) => number, unknowns: readonly number[]): number[] {
  const step = 1e-3;
  return unknowns.map((_value, index) => {
    const moved = (by: number) => of(cornersOf(unknowns.map((value, at) => (at === index ? value + by : value))));
    return (moved(step) - moved(-step)) / (2 * step);
  });
}

/** One round of the adjustment: the step of the unknowns and the inverse of the normal matrix. */
function adjust(observations: readonly Observation[], unknowns: readonly number[]): { step: number[]; inverse: Matrix5 } {
  const normal = Array.from({ length: 5 }, () => [0, 0, 0, 0, 0]);
  const right = [0, 0, 0, 0, 0];
  const corners = cornersOf(unknowns);
  for (const { value, sd, of } of observations) {
    const slope = gradient(of, unknowns);
    const off = value - of(corners);
    for (let row = 0; row < 5; row += 1) {
      right[row]! += (slope[row]! * off) / sd ** 2;
      for (let column = 0; column < 5; column += 1) normal[row]![column]! += (slope[row]! * slope[column]!) / sd ** 2;
    }
  }
  const inverse = inverse5(normal);
  return { inverse, step: inverse.map((row) => row.reduce((sum, value, index) => sum + value * right[index]!, 0)) };
}

function describe(
  observations: readonly Observation[],
  unknowns: readonly number[],
  inverse: Matrix5,
  readings: TapeReadings,
  knowledge: Knowledge,
): Quadrilateral {
  const corners = cornersOf(unknowns);
  const estimate = (of: (at: Corners) => number, factor = 1): Estimate => ({
    value: of(corners) * factor,
    sd: Math.sqrt(Math.max(0, quadratic5(inverse, gradient(of, unknowns)))) * factor,
  });
  const heightOf = (at: Corners) => (LENGTHS.left(at) + LENGTHS.right(at)) / 2;
  const tests = observations.map((one) => tested(one, corners, unknowns, inverse));
  const trustsBars = Number.isFinite(knowledge.pairMm) || Number.isFinite(knowledge.nominalMm);
  const counted = trustsBars ? tests : tests.filter(({ is }) => is.kind === 'tape' || is.kind === 'gap');
  const agreement = agreementOf(counted);
  return {
    kind: 'fitted',
    corners,
    fitted: Object.fromEntries(Object.entries(LENGTHS).map(([name, of]) => [name, of(corners)])) as Record<TapeName, number>,
    difference: estimate((at) => LENGTHS.down(at) - LENGTHS.up(at)),
    skewDegrees: estimate(skewOf, DEGREES),
    slideMm: estimate((at) => heightOf(at) * Math.sin(skewOf(at))),
    widthMm: estimate((at) => (LENGTHS.top(at) + LENGTHS.bottom(at)) / 2),
    heightMm: estimate(heightOf),
    taperWidthMm: estimate((at) => LENGTHS.top(at) - LENGTHS.bottom(at)),
    taperHeightMm: estimate((at) => LENGTHS.right(at) - LENGTHS.left(at)),
    cornersDegrees: Object.fromEntries(
      CORNERS.map((corner) => [corner, estimate((at) => cornerOver(at, corner), DEGREES)]),
    ) as Record<Corner, Estimate>,
    agreement,
    doubt: agreement.agrees ? null : doubtOf(counted, knowledge),
    sidesRead: SIDE_NAMES.every((side) => readings[side] !== null),
    diagonalsRead: readings.down !== null && readings.up !== null,
  };
}

function agreementOf(tests: readonly Tested[]): Quadrilateral['agreement'] {
  const freedom = Math.max(0, tests.length - 5);
  const chiSquare = tests.reduce((sum, { off, sd }) => sum + (off / sd) ** 2, 0);
  const ties = tests.filter(({ is, standardised }) => is.kind === 'tape' && isDiagonal(is.name) && standardised !== 0);
  const closure = ties.length === 2 && freedom >= 2 ? ties[0]!.standardised : null;
  const at = (table: readonly number[], place: number) => table[Math.min(place, table.length) - 1]!;
  const limit = freedom === 0 ? Infinity : closure === null ? at(CHI_95, freedom) : at(CHI_BESIDE_CLOSURE, freedom - 1);
  const agrees = chiSquare <= limit && Math.abs(closure ?? 0) <= CLOSURE_LIMIT;
  return { chiSquare, freedom, limit, closure, agrees };
}

interface Tested extends Observation {
  /** Read less fitted. */
  off: number;
  /** The residual by its own standard deviation. */
  standardised: number;
  /** What the reading would have to be for the others to agree with it. */
  likely: number;
}

function tested(one: Observation, corners: Corners, unknowns: readonly number[], inverse: Matrix5): Tested {
  const off = one.value - one.of(corners);
  const variance = one.sd ** 2 - quadratic5(inverse, gradient(one.of, unknowns));
  const told = variance > 1e-9 * one.sd ** 2;
  return {
    ...one,
    off,
    standardised: told ? off / Math.sqrt(variance) : 0,
    likely: told ? one.value - (off * one.sd ** 2) / variance : one.value,
  };
}

/** A reading is doubted before the bars are: reading again costs less than sawing again. */
const BARS_HANDICAP = 6;
/** Evidence, as a drop of chi-square, that tells one diagonal from the other. */
const TELLS_APART = 4;

/** The observation without which the rest agrees best. */
function doubtOf(tests: readonly Tested[], { bladeMm }: Knowledge): Doubt {
  const weight = ({ is, standardised }: Tested) =>
    standardised ** 2 - (is.kind === 'pair' || is.kind === 'size' ? BARS_HANDICAP : 0);
  const [first, ...others] = [...tests].sort((a, b) => weight(b) - weight(a)) as [Tested, ...Tested[]];
  const { is } = first;
  if (is.kind === 'gap') return { kind: 'gap', corner: is.corner, likelyMm: first.likely * bladeMm };
  if (is.kind === 'pair' || is.kind === 'size') return { kind: is.kind, pair: is.pair, offMm: first.likely - first.value };
  if (!isDiagonal(is.name)) return { kind: 'side', name: is.name, likelyMm: first.likely };
  const twin = others.find((one) => one.is.kind === 'tape' && isDiagonal(one.is.name));
  if (!twin || first.standardised ** 2 - twin.standardised ** 2 >= TELLS_APART)
    return { kind: 'diagonal', name: is.name, likelyMm: first.likely };
  const [down, up] = is.name === 'down' ? [first.likely, twin.likely] : [twin.likely, first.likely];
  return { kind: 'diagonals', likelyMm: { down, up } };
}

function impossibleReading(
  readings: TapeReadings,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): Extract<QuadrilateralResult, { kind: 'impossible' }> | null {
  const side = (name: Side) => readings[name] ?? (name === 'top' || name === 'bottom' ? widthMm : heightMm);
  for (const name of Object.keys(LENGTHS) as TapeName[]) {
    const readMm = readings[name];
    if (readMm === null) continue;
    const wrong = (mostMm: number, because: string) => ({ kind: 'impossible' as const, reading: name, readMm, mostMm, because });
    if (!(readMm > 0) || !Number.isFinite(readMm)) return wrong(0, 'a length is above 0');
    if (!isDiagonal(name)) {
      const planned = name === 'top' || name === 'bottom' ? widthMm : heightMm;
      if (readMm > 1.25 * planned || readMm < 0.75 * planned)
        return wrong(planned, 'it is more than a quarter off the plan; a unit may have slipped');
      continue;
    }
    const most = Math.min(side('top') + side('right'), side('left') + side('bottom'));
    if (readMm >= most) return wrong(most, 'a diagonal is shorter than two sides together');
    const least = Math.max(Math.abs(side('top') - side('right')), Math.abs(side('left') - side('bottom')));
    if (readMm <= least) return wrong(most, 'a diagonal is longer than the difference of two sides');
  }
  const { down, up } = readings;
  if (down !== null && up !== null && Math.abs(down ** 2 - up ** 2) > 2 * widthMm * heightMm)
    return {
      kind: 'impossible',
      reading: down > up ? 'down' : 'up',
      readMm: Math.max(down, up),
      mostMm: widthMm + heightMm,
      because: 'two diagonals so unlike would lean the frame by more than 30 degrees',
    };
  return null;
}
