import { squareEffort, withMinutes } from '../../effort/effort';
import { printed } from '../../quantities/printed';
import { liftFromStrings } from '../../frame/square/wind';
import { type PressPlan, pressPlan } from '../../frame/square/press';
import { CORNERS, type TapeName } from '../../frame/square/corners';
import { type CornerGaps, NO_GAPS, type TapeReadings } from '../../frame/square/readings';
import { type QuadrilateralResult, fitQuadrilateral } from '../../frame/square/quadrilateral';
import { type HouseRules, assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import type { SquareInputs } from './squareInputs';
import type { Reading } from '../../log/logEntry';
import { reading } from '../../log/reading';
import type { ReadingId } from '../../log/readingKinds';
import { EDGES, byId } from '../../house/schools';
import { SIDES } from '../../job/sides';
import { RECORD_TAPE, type Length, finerTape, printFine, printLength } from '../../units/length';
import type { PlanContext, StagePlan } from '../planContext';
import { squareVerdicts } from './squareVerdicts';

export interface SquarePlan extends StagePlan {
  result: QuadrilateralResult;
  /** What pressing can do; null until the frame is measured. */
  press: PressPlan | null;
  /** What both diagonals should read, mm. */
  targetDiagonalMm: number;
  limitMm: number;
  /** Lift of the fourth corner, from the table or from strings; null when neither was read. */
  liftMm: number | null;
  /** Every try so far, oldest first, and the present one last. */
  tries: { differenceMm: number; slideMm: number }[];
}

/** Squareness from the readings so far: the fitted frame, what to press, which reading to doubt, size, wind. */
export function planSquare(inputs: JobInputs, context: PlanContext): SquarePlan {
  const { rules, tape } = context;
  const { brief, square } = inputs;
  const nominal = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const fit = (readings: TapeReadings, gaps: CornerGaps) => fitQuadrilateral(readings, gaps, nominal, knowledge(square, rules));
  const result = fit(tapeReadings(square), cornerGaps(square));
  const targetDiagonalMm = Math.hypot(nominal.widthMm, nominal.heightMm);
  const limitMm = (assumed(rules, byId(EDGES, brief.edges).squareLimit) * targetDiagonalMm) / 1000;
  const press = result.kind === 'fitted' ? pressPlan(result.corners) : null;
  const liftMm = square.lift?.mm ?? (square.strings ? liftFromStrings(square.strings.mm) : null);
  const earlier = square.tries.map((one) => fit(one, NO_GAPS));
  const tries = [...earlier, result].flatMap((one) =>
    one.kind === 'fitted' ? [{ differenceMm: one.difference.value, slideMm: one.slideMm.value }] : [],
  );
  return {
    answer:
      result.kind === 'fitted'
        ? printFine(Math.abs(result.difference.value), tape)
        : `2 × ${printLength(targetDiagonalMm, finerTape(tape))}`,
    answerNote:
      result.kind === 'fitted'
        ? `between the diagonals, ± ${printFine(result.difference.sd, tape)}; limit ${printFine(limitMm, tape)}`
        : 'is what both diagonals should read',
    verdicts: squareVerdicts({ inputs, result, press, limitMm, targetDiagonalMm, liftMm }, context),
    readings: squareReadings(square, rules),
    ...withMinutes(squareEffort(rules, nominal)),
    setsMinutes: null,
    result,
    press,
    targetDiagonalMm,
    limitMm,
    liftMm,
    tries,
  };
}

/** The readings so far kept as a try, and both diagonals open to be read anew. */
export const anotherTry = (square: SquareInputs): Partial<SquareInputs> => ({
  tries: [...square.tries, tapeReadings(square)],
  down: null,
  up: null,
});

/** Readings as typed, in mm. */
export const tapeReadings = ({ top, right, bottom, left, down, up }: Record<TapeName, Length | null>): TapeReadings => ({
  top: top?.mm ?? null,
  right: right?.mm ?? null,
  bottom: bottom?.mm ?? null,
  left: left?.mm ?? null,
  down: down?.mm ?? null,
  up: up?.mm ?? null,
});

const cornerGaps = ({ gaps }: SquareInputs): CornerGaps =>
  Object.fromEntries(
    CORNERS.map((corner) => {
      const one = gaps[corner];
      return [corner, one === null ? null : one.gap.mm * (one.wider ? 1 : -1)];
    }),
  ) as CornerGaps;

const knowledge = ({ trust, blade }: SquareInputs, rules: HouseRules) => ({
  tapeMm: assumed(rules, 'tapePrecision'),
  pairMm: trust === 'bars' ? assumed(rules, 'pairPrecision') : Infinity,
  nominalMm: trust === 'bars' ? assumed(rules, 'nominalPrecision') : Infinity,
  gapMm: assumed(rules, 'gapPrecision'),
  bladeMm: blade.mm,
});

function squareReadings(square: SquareInputs, rules: HouseRules): Reading[] {
  const practice = square.tape === 'practice';
  const tape = (quantity: ReadingId, of: string, mm: number): Reading =>
    reading(quantity, mm, 'mm', {
      of,
      precision: assumed(rules, 'tapePrecision'),
      tool: practice ? 'practice tape' : 'tape',
      known: practice ? 'simulated' : 'measured',
    });
  const sides = SIDES.flatMap((side) => (square[side] ? [tape('side', side, square[side].mm)] : []));
  const diagonals = (['down', 'up'] as const).flatMap((name) => (square[name] ? [tape('diagonal', name, square[name].mm)] : []));
  const corners = CORNERS.flatMap((corner): Reading[] => {
    const one = square.gaps[corner];
    if (!one) return [];
    const tool = `set square of ${printed('blade', square.blade.mm, RECORD_TAPE)}`;
    const precision = assumed(rules, 'gapPrecision');
    return [reading(one.wider ? 'gapAtTip' : 'gapAtHeel', one.gap.mm, 'mm', { of: corner, precision, tool })];
  });
  const tries = square.tries.flatMap((one, index) =>
    (['down', 'up'] as const).flatMap((name) =>
      one[name] === null ? [] : [tape('tryDiagonal', `${index + 1} ${name}`, one[name])],
    ),
  );
  return [
    ...sides,
    ...diagonals,
    ...corners,
    ...tries,
    ...(square.lift ? [tape('cornerLift', '', square.lift.mm)] : []),
    ...(square.strings ? [tape('stringsGap', '', square.strings.mm)] : []),
  ];
}
