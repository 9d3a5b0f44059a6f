import { type DiagonalName, type Squareness, type SquarenessResult, squareness } from '../frame/squareness';
import { assumed } from '../job/houseRules';
import { type JobInputs } from '../job/job';
import { SIDES } from '../job/sides';
import type { Reading } from '../job/logEntry';
import { EDGES, byId } from '../job/schools';
import { type Verdict, levelAtMost, verdict } from '../job/verdict';
import { finerTape, printFine, printLength } from '../units/length';
import type { PlanContext, StagePlan } from './context';

export interface SquarePlan extends StagePlan {
  result: SquarenessResult;
  /** What both diagonals should read, mm. */
  targetDiagonalMm: number;
  limitMm: number;
}

export const DIAGONAL_WORDS: Record<DiagonalName, string> = { down: 'top left to bottom right', up: 'bottom left to top right' };

/** Squareness from the readings so far: skew, what to press, size, taper and wind. */
export function planSquare(inputs: JobInputs, context: PlanContext): SquarePlan {
  const { rules, tape } = context;
  const { brief, square } = inputs;
  const nominal = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const { top, right, bottom, left, down, up } = square;
  const read = {
    top: top?.mm ?? null,
    right: right?.mm ?? null,
    bottom: bottom?.mm ?? null,
    left: left?.mm ?? null,
    down: down?.mm ?? null,
    up: up?.mm ?? null,
  };
  const result = squareness(read, nominal, assumed(rules, 'tapePrecision'));
  const targetDiagonalMm = Math.hypot(nominal.widthMm, nominal.heightMm);
  const limitMm = (assumed(rules, byId(EDGES, brief.edges).squareLimit) * targetDiagonalMm) / 1000;
  return {
    answer:
      result.kind === 'measured' ? printFine(Math.abs(result.differenceMm), tape) : `2 × ${printLength(targetDiagonalMm, tape)}`,
    answerNote:
      result.kind === 'measured'
        ? `between the diagonals, ± ${printFine(result.uncertaintyMm, tape)}; limit ${printFine(limitMm, tape)}`
        : 'is what both diagonals should read',
    verdicts: [...squareVerdicts(result, limitMm, inputs, context), ...windVerdict(inputs, targetDiagonalMm, context)],
    readings: squareReadings(inputs, assumed(rules, 'tapePrecision')),
    setsMinutes: null,
    result,
    targetDiagonalMm,
    limitMm,
  };
}

function squareVerdicts(result: SquarenessResult, limitMm: number, inputs: JobInputs, context: PlanContext): Verdict[] {
  if (result.kind === 'missing') {
    return [
      verdict({
        about: 'diagonals',
        level: 'stop',
        says: 'Both diagonals are still to be read.',
        because: 'Four equal angles cannot be told from the sides alone.',
        doThis: 'Hook the tape in the outer corners, both ways.',
      }),
    ];
  }
  if (result.kind === 'impossible') {
    const name =
      result.reading === 'down' || result.reading === 'up'
        ? `The diagonal ${DIAGONAL_WORDS[result.reading]}`
        : `The ${result.reading} side`;
    return [
      verdict({
        about: 'reading',
        level: 'stop',
        measured: result.readMm,
        limit: result.mostMm,
        unit: 'mm',
        says: `${name} reads ${printLength(result.readMm, context.tape)}: no frame has that.`,
        because: `${result.because[0]!.toUpperCase()}${result.because.slice(1)}.`,
        doThis: `Read it again; a square frame of this size would show ${printLength(Math.hypot(result.mostMm > 0 ? inputs.brief.width.mm : 0, inputs.brief.height.mm), context.tape)}.`,
      }),
    ];
  }
  return [
    rackVerdict(result, limitMm, inputs, context),
    ...tapeVerdict(result, limitMm, context),
    ...taperVerdict(result, limitMm, context),
    ...agreementVerdict(result, context),
    ...sizeVerdict(result, inputs, context),
  ];
}

function rackVerdict(result: Squareness, limitMm: number, { brief }: JobInputs, { tape }: PlanContext): Verdict {
  const off = Math.abs(result.differenceMm);
  const level = levelAtMost(off, limitMm, 2 * limitMm);
  const lean = result.slideMm > 0 ? 'left' : 'right';
  const press = result.longer
    ? `Press the ends of the longer diagonal, ${DIAGONAL_WORDS[result.longer]}, together by ${printFine(off / 2, tape)}, until both read ${printLength(result.squareDiagonalMm, finerTape(tape))}.`
    : '';
  return verdict({
    about: 'rack',
    level,
    measured: off,
    limit: limitMm,
    unit: 'mm',
    says:
      off === 0
        ? 'Both diagonals read the same.'
        : `The diagonals differ by ${printFine(off, tape)}: the top stands ${printFine(Math.abs(result.slideMm), tape)} to the ${lean} (${Math.abs(result.skewDegrees).toFixed(2)}°).`,
    because: `d₁² − d₂² = 4 W H sin θ. ${byId(EDGES, brief.edges).name}: up to ${printFine(limitMm, tape)} on this diagonal.`,
    doThis: level === 'good' ? '' : press,
    uses: [byId(EDGES, brief.edges).squareLimit, 'tapePrecision'],
  });
}

function tapeVerdict({ uncertaintyMm }: Squareness, limitMm: number, { tape }: PlanContext): Verdict[] {
  if (uncertaintyMm * 2 <= limitMm) return [];
  return [
    verdict({
      about: 'tape',
      level: 'watch',
      measured: uncertaintyMm,
      limit: limitMm / 2,
      unit: 'mm',
      says: `The tape is good to ± ${printFine(uncertaintyMm, tape)} on the difference; the limit is ${printFine(limitMm, tape)}.`,
      because: 'Two readings, each with its own error: √2 × the precision of one.',
      doThis: 'Read both diagonals three times and enter the mean, or use two pointed sticks.',
      uses: ['tapePrecision'],
    }),
  ];
}

function taperVerdict({ taper, differenceMm, uncertaintyMm }: Squareness, limitMm: number, { tape }: PlanContext): Verdict[] {
  if (!taper)
    return [
      verdict({
        about: 'sides',
        level: 'watch',
        says: 'The sides are not all read yet.',
        because: 'A trapezium has equal diagonals too: unequal opposite bars hide from the diagonals.',
        doThis: 'Read all four sides.',
      }),
    ];
  const worst =
    Math.abs(taper.widthMm) >= Math.abs(taper.heightMm)
      ? { mm: taper.widthMm, longer: taper.widthMm > 0 ? 'top' : 'bottom', pair: 'top and bottom' }
      : { mm: taper.heightMm, longer: taper.heightMm > 0 ? 'right' : 'left', pair: 'left and right' };
  const off = Math.abs(worst.mm);
  const level = levelAtMost(off, Math.max(limitMm / 2, uncertaintyMm), Math.max(limitMm, 2 * uncertaintyMm));
  const hidden = level !== 'good' && Math.abs(differenceMm) <= limitMm;
  return [
    verdict({
      about: 'pairs',
      level,
      measured: off,
      limit: Math.max(limitMm / 2, uncertaintyMm),
      unit: 'mm',
      says:
        level === 'good'
          ? `Opposite bars match within ${printFine(off, tape)}.`
          : `The ${worst.longer} bar is ${printFine(off, tape)} longer than its pair${hidden ? ': a trapezium, though its diagonals agree' : ''}.`,
      because: `${worst.pair[0]!.toUpperCase()}${worst.pair.slice(1)} must be one length; pressing corners cannot mend a bar.`,
      doThis: level === 'good' ? '' : 'Look for an open joint at that bar; if closed, re-cut or exchange the longer one.',
      uses: ['tapePrecision'],
    }),
  ];
}

function agreementVerdict({ diagonalsOffMm, uncertaintyMm, down, up }: Squareness, { tape }: PlanContext): Verdict[] {
  if (diagonalsOffMm === null) return [];
  const limit = Math.max(2, 3 * uncertaintyMm);
  if (Math.abs(diagonalsOffMm) <= limit) return [];
  const way = diagonalsOffMm > 0 ? 'longer' : 'shorter';
  return [
    verdict({
      about: 'agreement',
      level: 'watch',
      measured: Math.abs(diagonalsOffMm),
      limit,
      unit: 'mm',
      says: `The diagonals (${printLength(down, tape)}, ${printLength(up, tape)}) are ${printFine(Math.abs(diagonalsOffMm), tape)} ${way} than these sides allow.`,
      because: 'Six readings over-determine four corners by one: d₁² + d₂² must equal the sum of the squared sides.',
      doThis: 'One reading is wrong, or the tape was not in the corner. Read the diagonals again, then the sides.',
      uses: ['tapePrecision'],
    }),
  ];
}

function sizeVerdict({ widthMm, heightMm, sidesRead }: Squareness, { brief }: JobInputs, { tape }: PlanContext): Verdict[] {
  if (!sidesRead) return [];
  const off = [widthMm - brief.width.mm, heightMm - brief.height.mm] as const;
  const worst = Math.max(Math.abs(off[0]), Math.abs(off[1]));
  const limit = brief.edges === 'rebate' ? Math.max(1, brief.rebateClearance.mm / 2) : 2;
  const signed = (mm: number) => `${mm > 0 ? '+' : mm < 0 ? '−' : ''}${printFine(Math.abs(mm), tape)}`;
  const level = levelAtMost(worst, limit, 2 * limit);
  return [
    verdict({
      about: 'size',
      level,
      measured: worst,
      limit,
      unit: 'mm',
      says:
        worst === 0 ? 'The size is as planned.' : `The size is off by ${signed(off[0])} in width, ${signed(off[1])} in height.`,
      because:
        brief.edges === 'rebate'
          ? 'Half of the rebate clearance is kept for the cloth.'
          : 'The cut size is reckoned from the face.',
      doThis: level === 'good' ? '' : 'Change the face in the brief to what was built, or re-cut.',
    }),
  ];
}

function windVerdict({ square }: JobInputs, diagonalMm: number, { tape, rules }: PlanContext): Verdict[] {
  if (!square.lift)
    return [
      verdict({
        about: 'wind',
        level: 'watch',
        says: 'Not looked at for wind yet.',
        because: 'A twisted frame stands off the wall and cannot be pressed square.',
        doThis: 'Lay it on a flat table, hold three corners, measure under the fourth; type 0 if none.',
      }),
    ];
  const perMetre = (square.lift.mm / diagonalMm) * 1000;
  const level = levelAtMost(perMetre, assumed(rules, 'windFine'), assumed(rules, 'windShows'));
  return [
    verdict({
      about: 'wind',
      level,
      measured: perMetre,
      limit: assumed(rules, 'windFine'),
      unit: 'mm/m',
      says:
        square.lift.mm === 0
          ? 'It lies flat: no wind.'
          : `One corner lifts ${printFine(square.lift.mm, tape)}, ${perMetre.toFixed(1)} mm a metre of diagonal.`,
      because: 'A bowed bar, a mitre or a saw off 90°.',
      doThis: level === 'good' ? '' : 'Sight along each bar; re-cut the mitre or exchange the bowed bar.',
      uses: ['windFine', 'windShows'],
    }),
  ];
}

function squareReadings({ square }: JobInputs, precision: number): Reading[] {
  const tape = (quantity: string, mm: number): Reading => ({ quantity, value: mm, unit: 'mm', precision, tool: 'tape' });
  const sides = SIDES.flatMap((side) => (square[side] ? [tape(`${side} side`, square[side].mm)] : []));
  const diagonals = (['down', 'up'] as const).flatMap((name) =>
    square[name] ? [tape(`diagonal ${name}`, square[name].mm)] : [],
  );
  return [...sides, ...diagonals, ...(square.lift ? [tape('corner lift', square.lift.mm)] : [])];
}
