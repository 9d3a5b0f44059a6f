/*
 * The frame as a quadrilateral, fitted by least squares to what was read: up to four sides, two diagonals and
 * set-square gaps at the corners. Five unknowns (eight coordinates less position and turn); readings weigh by
 * the tape's precision. Gauss–Newton adjustment by observation equations.
 * Corners as seen from the front; origin at the bottom left, x right, y up, mm.
 */
import { SIDES, type Side, isLevel } from '../../job/sides';
import {
  CORNERS,
  type Corner,
  type Corners,
  type DiagonalName,
  LENGTHS,
  type TapeName,
  cornerOver,
  goesRound,
  isDiagonal,
  lengthsOf,
} from './corners';
import { inverseOf, quadratic } from '../../linear/dense';
import { type Agreement, type Doubt, agreementOf, doubtOf, isDoubted, tested } from './readingDoubts';
import {
  type CornerGaps,
  HARDLY,
  type ImpossibleReading,
  type Knowledge,
  type Observation,
  type TapeReadings,
  impossibleGap,
  impossibleReading,
  observationsOf,
} from './readings';

export interface Estimate {
  value: number;
  /** One standard deviation. */
  sd: number;
}

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
  agreement: Agreement;
  doubt: Doubt | null;
  /** All four sides were read. */
  sidesRead: boolean;
  diagonalsRead: boolean;
}

export type QuadrilateralResult = Quadrilateral | { kind: 'missing' } | ImpossibleReading;

const DEGREES = 180 / Math.PI;

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
  const impossible = impossibleReading(readings, nominal) ?? impossibleGap(gaps, knowledge.bladeMm);
  if (impossible) return impossible;
  const observations = observationsOf(readings, gaps, nominal, knowledge);
  const tellsAngle = ({ is }: Observation) => is.kind === 'gap' || (is.kind === 'tape' && isDiagonal(is.name));
  if (!observations.some(tellsAngle)) return { kind: 'missing' };
  const [leaning, ...others] = starts(readings, nominal);
  const first = solved(observations, leaning!, readings, knowledge);
  // Readings that contradict each other fit several frames badly: the least bad of them is told.
  const fit = first?.agreement.agrees
    ? first
    : [first, ...others.map((from) => solved(observations, from, readings, knowledge))].reduce(
        (best, one) => (one && (!best || one.agreement.chiSquare < best.agreement.chiSquare - 1e-6) ? one : best),
        null,
      );
  const far = fit && farOff(fit, nominal);
  if (!fit || far) return contradiction(observations, readings, nominal, far);
  const { doubt, agreement } = fit;
  if (doubt === null) return fit;
  /** The frame fitted again without what is doubted, so that it does not bend the rest; null where that is none. */
  const without = (doubted: Doubt): Quadrilateral | null => {
    const freed = observations.map((one) => (isDoubted(one, doubted) ? { ...one, sd: one.sd * HARDLY } : one));
    const again = solved(freed, leaning!, readings, knowledge);
    return again && !farOff(again, nominal) ? again : null;
  };
  if (doubt.kind === 'diagonals') {
    const likely = (name: DiagonalName) => without({ kind: 'diagonal', name, likelyMm: 0 })?.fitted[name] ?? doubt.likelyMm[name];
    return widened(fit, { ...doubt, likelyMm: { down: likely('down'), up: likely('up') } }, readings);
  }
  const again = without(doubt);
  // Without the doubted one the rest contradicts itself as badly: nothing of this frame is known.
  if ((again ?? fit).agreement.chiSquare > HOPELESS) return contradiction(observations, readings, nominal, null);
  return again ? { ...again, agreement, doubt: inThatFrame(doubt, again) } : fit;
}

/** Readings that miss each other by twenty standard deviations, in squares, tell nothing. */
const HOPELESS = 400;

/** What the doubted reading would be in the frame that the others tell; far off, the residual tells it short. */
const inThatFrame = (doubt: Exclude<Doubt, { kind: 'diagonals' }>, { fitted }: Quadrilateral): Doubt =>
  doubt.kind === 'side' || doubt.kind === 'diagonal' ? { ...doubt, likelyMm: fitted[doubt.name] } : doubt;

/** A fitted side this many times off the plan is no frame of it. */
const FAR_PART = 0.3;

/** What came out far off the plan, or null: readings that contradict each other badly pull the fit away. */
const farOff = ({ fitted, corners }: Quadrilateral, nominal: { widthMm: number; heightMm: number }): TapeName | null => {
  const side = SIDES.find((one) => Math.abs(fitted[one] / plannedMm(one, nominal) - 1) > FAR_PART);
  if (side) return side;
  return goesRound(corners) ? null : fitted.down > fitted.up ? 'down' : 'up';
};

const plannedMm = (side: Side, { widthMm, heightMm }: { widthMm: number; heightMm: number }): number =>
  isLevel(side) ? widthMm : heightMm;

/** The reading that no frame of this plan shows together with the others: the one furthest off the planned rectangle. */
function contradiction(
  observations: readonly Observation[],
  readings: TapeReadings,
  nominal: { widthMm: number; heightMm: number },
  side: TapeName | null,
): ImpossibleReading {
  const { widthMm, heightMm } = nominal;
  const square = cornersOf([widthMm, 0, heightMm, widthMm, heightMm]);
  const read = observations.flatMap(({ is, value, of }) =>
    is.kind === 'tape' ? [{ name: is.name, value, wanted: of(square), off: Math.abs(value / of(square) - 1) }] : [],
  );
  const worst = read.reduce(
    (a, b) => (b.off > a.off ? b : a),
    read[0] ?? { name: side ?? 'top', value: 0, wanted: widthMm, off: 0 },
  );
  return {
    kind: 'impossible',
    reading: worst.name,
    readMm: readings[worst.name] ?? worst.value,
    limitMm: worst.wanted,
    because: 'no frame of this plan shows it together with the other readings',
  };
}

/** Either diagonal may be the misread one: what rests on their difference is as unsure as the two answers are apart. */
function widened(fit: Quadrilateral, doubt: Extract<Doubt, { kind: 'diagonals' }>, { down, up }: TapeReadings): Quadrilateral {
  const { value, sd } = fit.difference;
  const answers = [doubt.likelyMm.down - up!, down! - doubt.likelyMm.up, value];
  const apart = (Math.max(...answers) - Math.min(...answers)) / 2;
  const factor = Math.max(1, Math.hypot(sd, apart) / Math.max(sd, 1e-9));
  const wider = (one: Estimate): Estimate => ({ ...one, sd: one.sd * factor });
  return { ...fit, doubt, difference: wider(fit.difference), skewDegrees: wider(fit.skewDegrees), slideMm: wider(fit.slideMm) };
}

/**
 * Gauss–Newton from a first guess, damped where a step would make the misfit worse (Levenberg, A method for the solution of
 * certain non-linear problems in least squares, 1944), and what the solution says; null where the readings hold no frame.
 */
function solved(
  observations: readonly Observation[],
  first: readonly number[],
  readings: TapeReadings,
  knowledge: Knowledge,
): Quadrilateral | null {
  const misfit = (at: readonly number[]) => {
    const corners = cornersOf(at);
    return observations.reduce((sum, { value, sd, of }) => sum + ((value - of(corners)) / sd) ** 2, 0);
  };
  let unknowns = [...first];
  let damping = 0;
  let here = misfit(unknowns);
  for (let count = 0; count < 60; count += 1) {
    const round = adjust(observations, unknowns, damping);
    if (!round) return null;
    const next = unknowns.map((value, index) => value + round.step[index]!);
    const there = misfit(next);
    if (!(there <= here * (1 + 1e-12))) {
      damping = damping === 0 ? 1e-3 : damping * 8;
      if (damping > 1e12) break;
      continue;
    }
    const settled = round.step.every((move) => Math.abs(move) < 1e-7);
    [unknowns, here, damping] = [next, there, damping / 8];
    if (damping < 1e-6) damping = 0;
    if (settled) break;
  }
  const last = adjust(observations, unknowns, 0);
  return last && Number.isFinite(here) ? describe(observations, unknowns, last.inverse, readings, knowledge) : null;
}

/** Unknowns: x of the bottom right corner, x and y of the top left, x and y of the top right. */
const cornersOf = ([brx, tlx, tly, trx, tryy]: readonly number[]): Corners => ({
  bottomLeft: { x: 0, y: 0 },
  bottomRight: { x: brx!, y: 0 },
  topLeft: { x: tlx!, y: tly! },
  topRight: { x: trx!, y: tryy! },
});

/** Rack: half of what the bottom left and top right corners open together, radians. */
const skewOf = (corners: Corners) => (cornerOver(corners, 'bottomLeft') + cornerOver(corners, 'topRight')) / 2;

/** Where the fit begins: the rectangle of the sides read, leaning as the diagonals say, then upright, then leaning the other way. */
function starts(readings: TapeReadings, nominal: { widthMm: number; heightMm: number }): number[][] {
  const mean = (...values: (number | null)[]) => {
    const read = values.filter((value) => value !== null);
    return read.length === 0 ? null : read.reduce((sum, value) => sum + value, 0) / read.length;
  };
  const w = mean(readings.top, readings.bottom) ?? nominal.widthMm;
  const h = mean(readings.left, readings.right) ?? nominal.heightMm;
  const square = Math.hypot(w, h);
  const lean = ((readings.down ?? square) ** 2 - (readings.up ?? square) ** 2) / (4 * w);
  const most = Math.max(-0.9 * h, Math.min(0.9 * h, lean));
  return [most, 0, -most].map((slide) => {
    const rise = Math.sqrt(h ** 2 - slide ** 2);
    return [w, -slide, rise, w - slide, rise];
  });
}

/** How a measure of the frame changes with each unknown: central differences. */
function gradient(of: (corners: Corners) => number, unknowns: readonly number[]): number[] {
  const step = 1e-3;
  return unknowns.map((_value, index) => {
    const moved = (by: number) => of(cornersOf(unknowns.map((value, at) => (at === index ? value + by : value))));
    return (moved(step) - moved(-step)) / (2 * step);
  });
}

/** One round of the adjustment: the step of the unknowns and the inverse of the normal matrix; null where it has none. */
function adjust(
  observations: readonly Observation[],
  unknowns: readonly number[],
  damping: number,
): { step: number[]; inverse: number[][] } | null {
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
  normal.forEach((row, index) => (row[index]! *= 1 + damping));
  const inverse = normal.every((row) => row.every(Number.isFinite)) ? inverseOf(normal) : null;
  return inverse && { inverse, step: inverse.map((row) => row.reduce((sum, value, index) => sum + value * right[index]!, 0)) };
}

function describe(
  observations: readonly Observation[],
  unknowns: readonly number[],
  inverse: number[][],
  readings: TapeReadings,
  knowledge: Knowledge,
): Quadrilateral {
  const corners = cornersOf(unknowns);
  const estimate = (of: (at: Corners) => number, factor = 1): Estimate => ({
    value: of(corners) * factor,
    sd: Math.sqrt(Math.max(0, quadratic(inverse, gradient(of, unknowns)))) * factor,
  });
  const heightOf = (at: Corners) => (LENGTHS.left(at) + LENGTHS.right(at)) / 2;
  const tests = observations.map((one) =>
    tested(one, one.value - one.of(corners), one.sd ** 2 - quadratic(inverse, gradient(one.of, unknowns))),
  );
  const trustsBars = Number.isFinite(knowledge.pairMm) || Number.isFinite(knowledge.nominalMm);
  const counted = trustsBars ? tests : tests.filter(({ is }) => is.kind === 'tape' || is.kind === 'gap');
  const agreement = agreementOf(counted);
  return {
    kind: 'fitted',
    corners,
    fitted: lengthsOf(corners),
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
    sidesRead: SIDES.every((side) => readings[side] !== null),
    diagonalsRead: readings.down !== null && readings.up !== null,
  };
}
