/* What is judged about the squareness of a frame, one verdict each. */
import { printed } from '../../quantities/printed';
import { rebateRoom } from '../../painting/planRebate';
import { JOINTS } from '../../frame/joints';
import type { PressPlan } from '../../frame/square/press';
import { isCorner, isDiagonal } from '../../frame/square/corners';
import { type Estimate, type Quadrilateral, type QuadrilateralResult } from '../../frame/square/quadrilateral';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import type { Side } from '../../job/sides';
import { type SideWords, sideWords } from '../../job/sideWords';
import type { SquareInputs } from './squareInputs';
import { EDGES, byId } from '../../house/schools';
import { type Verdict, levelAtMost, verdict } from '../../job/verdict';
import { type Length, type Tape, finerTape, printFine, printLength } from '../../units/length';
import type { PlanContext } from '../planContext';
import { PAIR_WORDS, SQUARE_AGAIN, agreementVerdict, readingWords } from './agreementVerdict';
import { windVerdict } from './windVerdict';

export interface SquareCase {
  inputs: JobInputs;
  result: QuadrilateralResult;
  press: PressPlan | null;
  limitMm: number;
  targetDiagonalMm: number;
  liftMm: number | null;
}

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);

/** All verdicts on the squareness of a job's frame. */
export function squareVerdicts(one: SquareCase, context: PlanContext): Verdict[] {
  return [...frameVerdicts(one, context), windVerdict(one, context), ...practiceVerdict(one)];
}

function frameVerdicts(one: SquareCase, context: PlanContext): Verdict[] {
  const { result, press } = one;
  if (result.kind === 'missing') {
    return [
      verdict({
        id: 'diagonals',
        about: 'diagonals',
        level: 'stop',
        says: 'Both diagonals are still to be read.',
        because: 'Four equal angles cannot be told from the sides alone.',
        doThis: 'Hook the tape in the outer corners, both ways. A set square in a corner tells something too.',
      }),
    ];
  }
  if (result.kind === 'impossible') return [impossibleVerdict(result, one, context)];
  return [
    rackVerdict(result, press!, one, context),
    ...tapeVerdict(result, one, context),
    ...(result.sidesRead ? [pairsVerdict(result, one, context)] : [unreadVerdict()]),
    ...openJointVerdict(result, one, context),
    ...barFaultVerdict(result, press!, one, context),
    ...agreementVerdict(result, 'frame', context),
    ...(result.sidesRead ? [sizeVerdict(result, one, context)] : []),
  ];
}

function impossibleVerdict(
  { reading, readMm, limitMm, because }: Extract<QuadrilateralResult, { kind: 'impossible' }>,
  { inputs: { brief }, targetDiagonalMm }: SquareCase,
  { tape, view }: PlanContext,
): Verdict {
  const planned = { top: brief.width.mm, bottom: brief.width.mm, left: brief.height.mm, right: brief.height.mm };
  const wouldBe = isCorner(reading) ? 0 : isDiagonal(reading) ? targetDiagonalMm : planned[reading];
  return verdict({
    id: 'reading',
    about: 'reading',
    level: 'stop',
    measured: readMm,
    limit: limitMm,
    of: 'misfit',
    says: `${capital(readingWords(reading, sideWords(view)))} reads ${printLength(readMm, finerTape(tape))}: no frame of this plan has that.`,
    because: `${capital(because)}.`,
    doThis: isCorner(reading)
      ? SQUARE_AGAIN
      : `Read it again: a square frame of this size shows ${printLength(wouldBe, finerTape(tape))}. If it was built to another size, change the brief.`,
  });
}

function rackVerdict(result: Quadrilateral, press: PressPlan, one: SquareCase, { tape, view }: PlanContext): Verdict {
  const { limitMm, inputs } = one;
  const say = sideWords(view);
  const off = Math.abs(result.difference.value);
  const level = levelAtMost(off, limitMm, 2 * limitMm);
  const edges = byId(EDGES, inputs.brief.edges);
  const lean = say.side(result.slideMm.value > 0 ? 'left' : 'right');
  const skew = printed('angle', Math.abs(result.skewDegrees.value));
  const slide = printFine(Math.abs(result.slideMm.value), tape);
  return verdict({
    id: 'rack',
    about: 'rack',
    level,
    measured: off,
    limit: limitMm,
    of: 'misfit',
    says:
      off < 0.05
        ? 'Both diagonals come out the same.'
        : `The diagonals differ by ${printFine(off, tape)}: the top stands ${slide} to the ${lean} (${skew}).`,
    because: `Least squares over what was read; for a parallelogram d₁² − d₂² = 4 W H sin θ. ± ${printFine(result.difference.sd, tape)} on the difference, ± ${printed('angle', result.skewDegrees.sd)} (one standard error). ${edges.name}: up to ${printFine(limitMm, tape)} on this diagonal.`,
    doThis: level === 'good' ? '' : misread(result) ? READ_FIRST : pressWords(press, inputs, tape, say),
    uses: [edges.squareLimit, 'tapePrecision', 'pairPrecision', 'nominalPrecision'],
  });
}

/** A reading is doubted: nothing is pressed or sawn on its word. */
const misread = ({ doubt }: Quadrilateral) => doubt !== null && doubt.kind !== 'pair' && doubt.kind !== 'size';
const READ_FIRST = 'A reading is doubted: read it again before anything is pressed or sawn.';

function pressWords({ longer, byMm, bothMm }: PressPlan, { bars }: JobInputs, tape: Tape, say: SideWords): string {
  if (!longer) return '';
  const fixed = byId(JOINTS, bars.joint).glued ? ' A glued corner moves only until the glue sets.' : '';
  return `Press the ends of the longer diagonal, ${say.diagonal(longer)}, together by ${printFine(byMm, tape)}, until both read ${printLength(bothMm, finerTape(tape))}.${fixed}`;
}

/** A difference known no better than this is not known, mm. */
const BELIEVED_SD_MM = 10;

function tapeVerdict({ difference }: Quadrilateral, { limitMm }: SquareCase, { tape }: PlanContext): Verdict[] {
  if (difference.sd * 2 <= limitMm) return [];
  if (difference.sd > BELIEVED_SD_MM)
    return [
      verdict({
        id: 'tape',
        about: 'tape',
        level: 'watch',
        says: 'What was read so far does not tell whether it is square.',
        because: 'One reading stands for another that is missing or doubted.',
        doThis: 'Read both diagonals and all four sides.',
        uses: ['tapePrecision'],
      }),
    ];
  return [
    verdict({
      id: 'tape',
      about: 'tape',
      level: 'watch',
      measured: difference.sd,
      limit: limitMm / 2,
      of: 'uncertainty',
      says: `These readings are good to ± ${printFine(difference.sd, tape)} on the difference; the limit is ${printFine(limitMm, tape)}.`,
      because: 'Each reading has its own error; the fit carries them through.',
      doThis: 'Read both diagonals three times and enter the mean, hold a set square in two corners, or use two pointed sticks.',
      uses: ['tapePrecision'],
    }),
  ];
}

const unreadVerdict = (): Verdict =>
  verdict({
    id: 'sides',
    about: 'sides',
    level: 'watch',
    says: 'The sides are not all read yet.',
    because: 'A trapezium has equal diagonals too: unequal opposite bars hide from the diagonals.',
    doThis: 'Read all four sides.',
  });

/** Differences between opposite bars as they were read: what is known of bars does not smooth them. */
function tapers({ top, bottom, left, right }: SquareInputs, tapeMm: number): { width: Estimate; height: Estimate } {
  const of = (one: Length | null, other: Length | null) => ({
    value: (one?.mm ?? 0) - (other?.mm ?? 0),
    sd: tapeMm * Math.SQRT2,
  });
  return { width: of(top, bottom), height: of(right, left) };
}

/** The greater of the two differences, and which bar is the longer. */
function worstPair(square: SquareInputs, tapeMm: number): { estimate: Estimate; longer: Side; pair: 'width' | 'height' } {
  const { width, height } = tapers(square, tapeMm);
  return Math.abs(width.value) >= Math.abs(height.value)
    ? { estimate: width, longer: width.value > 0 ? 'top' : 'bottom', pair: 'width' }
    : { estimate: height, longer: height.value > 0 ? 'right' : 'left', pair: 'height' };
}

function pairsVerdict(result: Quadrilateral, { limitMm, inputs }: SquareCase, { tape, rules, view }: PlanContext): Verdict {
  const { estimate, longer, pair } = worstPair(inputs.square, assumed(rules, 'tapePrecision'));
  const off = Math.abs(estimate.value);
  const limit = Math.max(limitMm / 2, 1.5 * estimate.sd);
  const doubted = misread(result);
  const level = levelAtMost(off, limit, doubted ? Infinity : 2 * limit);
  const hidden = level !== 'good' && Math.abs(result.difference.value) <= limitMm;
  return verdict({
    id: 'pairs',
    about: 'pairs',
    level,
    measured: off,
    limit,
    of: 'misfit',
    says:
      level === 'good'
        ? `Opposite bars match within ${printFine(off, tape)}.`
        : `The ${sideWords(view).side(longer)} bar ${doubted ? 'reads' : 'is'} ${printFine(off, tape)} longer than its pair${hidden && !doubted ? ': a trapezium, though its diagonals agree' : ''}.`,
    because: `${capital(PAIR_WORDS[pair])} must be one length; ± ${printFine(estimate.sd, tape)}, two readings.`,
    doThis:
      level === 'good'
        ? ''
        : doubted
          ? READ_FIRST
          : 'Look for an open joint at that bar; if closed, re-cut or exchange the longer one. Pressing cannot mend a bar.',
    uses: ['tapePrecision'],
  });
}

/** Both bars that meet in a corner read long against their pairs: the joint there stands open. */
function openJointVerdict(result: Quadrilateral, { inputs }: SquareCase, { tape, rules, view }: PlanContext): Verdict[] {
  const clear = ({ value, sd }: Estimate) => Math.abs(value) > Math.max(1, 2.2 * sd);
  const { width, height } = tapers(inputs.square, assumed(rules, 'tapePrecision'));
  if (!result.sidesRead || misread(result) || !clear(width) || !clear(height)) return [];
  const corner = `${width.value > 0 ? 'top' : 'bottom'} ${sideWords(view).side(height.value > 0 ? 'right' : 'left')}`;
  const open = (Math.abs(width.value) + Math.abs(height.value)) / 2;
  return [
    verdict({
      id: 'openJoint',
      about: 'open joint',
      level: 'watch',
      measured: open,
      limit: 1,
      of: 'misfit',
      says: `Both bars that meet at the ${corner} are long, by about ${printFine(open, tape)}: that joint may stand open.`,
      because: 'A joint that is not closed lengthens both bars of its corner and no other.',
      doThis: 'Look at it from front and back; knock it closed with a block, then read again.',
      uses: ['tapePrecision'],
    }),
  ];
}

function barFaultVerdict(
  result: Quadrilateral,
  press: PressPlan,
  { limitMm }: SquareCase,
  { tape, view }: PlanContext,
): Verdict[] {
  const { gapMm, degrees, corner } = press.left;
  if (!result.sidesRead || misread(result) || gapMm <= limitMm) return [];
  return [
    verdict({
      id: 'pressingLeaves',
      about: 'what pressing leaves',
      level: 'watch',
      measured: gapMm,
      limit: limitMm,
      of: 'misfit',
      says: `Pressing will not make it square: ${printFine(gapMm, tape)} stays at the ${sideWords(view).corner(corner)} (${printed('angle', degrees)}).`,
      because: 'With bars of these lengths equal diagonals are the best there is; the rest is a bar.',
      doThis: 'Re-cut or exchange the bar that does not match its pair.',
      uses: ['tapePrecision'],
    }),
  ];
}

function sizeVerdict(result: Quadrilateral, { inputs }: SquareCase, context: PlanContext): Verdict {
  const { widthMm, heightMm } = result;
  const { brief } = inputs;
  const { tape } = context;
  const off = [widthMm.value - brief.width.mm, heightMm.value - brief.height.mm] as const;
  const worst = Math.max(Math.abs(off[0]), Math.abs(off[1]));
  const { inRebate } = byId(EDGES, brief.edges);
  const limit = inRebate ? Math.max(1, rebateRoom(inputs, context).mm / 2) : 2;
  const signed = (mm: number) => `${mm > 0.05 ? '+' : mm < -0.05 ? '−' : ''}${printFine(Math.abs(mm), tape)}`;
  const doubted = misread(result);
  const level = levelAtMost(worst, limit, doubted ? Infinity : 2 * limit);
  return verdict({
    id: 'size',
    about: 'size',
    level,
    measured: worst,
    limit,
    of: 'misfit',
    says:
      worst < 0.05 ? 'The size is as planned.' : `The size is off by ${signed(off[0])} in width, ${signed(off[1])} in height.`,
    because: inRebate
      ? 'Half of the rebate clearance is kept for the cloth.'
      : `The cut size is reckoned from the face. ± ${printFine(Math.max(widthMm.sd, heightMm.sd), tape)}.`,
    doThis: level === 'good' ? '' : doubted ? READ_FIRST : 'Change the face in the brief to what was built, or re-cut.',
    uses: ['nominalPrecision'],
  });
}

function practiceVerdict({ inputs: { square } }: SquareCase): Verdict[] {
  if (square.tape !== 'practice') return [];
  return [
    verdict({
      id: 'practiceTape',
      about: 'practice tape',
      level: 'stop',
      says: 'These readings come from the practice tape, not from this frame.',
      because: 'The practice tape measures an invented frame, to learn on.',
      doThis: 'Put it away, then read the real frame.',
    }),
  ];
}
