/* Whether the readings of a frame or of a painted image can all be true together, and which of them is doubted. */
import { type Corner, type TapeName, isCorner, isDiagonal } from '../../frame/square/corners';
import type { AssumptionId } from '../../house/assumptions';
import type { Quadrilateral } from '../../frame/square/quadrilateral';
import { type Doubt, contradicts } from '../../frame/square/readingDoubts';
import { type SideWords, sideWords } from '../../job/sideWords';
import { type Level, type Verdict, verdict } from '../../job/verdict';
import { bare, printed } from '../../quantities/printed';
import { type Tape, finerTape, printLength } from '../../units/length';
import type { PlanContext } from '../planContext';

/** What was measured, as it is judged: what is said when all agree, where one reads, what stays when a reading stays. */
interface Measured {
  id: string;
  about: string;
  agree: string;
  where: string;
  stays: string;
  /** Where it is a pair that does not go together: how that begins, and what to do. */
  pair: string;
  pairStays: string;
  /** What two sides that go together are called. */
  sides: string;
  /** Nothing is built on readings of it that contradict each other. */
  stops: boolean;
  /** What is assumed of how exactly it is read and made. */
  uses: readonly AssumptionId[];
}
const MEASURED = {
  frame: {
    id: 'agreement',
    about: 'agreement',
    agree: 'The readings agree with each other.',
    where: 'the tape in the corner',
    stays: 'the bar is to blame: believe the tape alone.',
    pair: 'The bars contradict the plan: the',
    sides: 'bars',
    pairStays: 'If both were read twice, believe the tape alone and mend the bar; else read both again.',
    stops: false,
    uses: ['tapePrecision', 'pairPrecision', 'nominalPrecision', 'gapPrecision'],
  },
  image: {
    id: 'image',
    about: 'image',
    agree: 'The readings of the image agree.',
    where: 'corner to corner of the paint',
    stays: 'the paint ends elsewhere than it was taken to: find its corners again.',
    pair: 'The edges contradict each other: the',
    sides: 'edges',
    pairStays: 'Read both again, corner to corner of the paint: an image is seldom so far out of true.',
    stops: true,
    uses: ['tapePrecision'],
  },
  rebate: {
    id: 'rebateReadings',
    about: 'readings of the rebate',
    agree: 'The readings of the rebate agree.',
    where: 'from step to step, the diagonals into the corners',
    stays: 'the step is not true there: measure its narrowest place.',
    pair: 'The sides of the rebate contradict each other: the',
    pairStays: 'Read both again from step to step; if they stay, the frame is that much out of true.',
    sides: 'sides',
    stops: true,
    uses: ['tapePrecision'],
  },
} as const satisfies Record<string, Measured>;

/** Of each pair the one whose excess counts as more than nothing, and the other. */
const LONGER = { width: ['top', 'bottom'], height: ['right', 'left'] } as const;
export const PAIR_WORDS = { width: 'top and bottom', height: 'left and right' } as const;
/** A gap that nobody sees under a blade, mm. */
const NO_GAP_MM = 0.05;
/** From here on a sum of squares says only that the readings do not belong together. */
const MOST_TOLD = 1000;

export const SQUARE_AGAIN = 'Check that the square is true, turn it over, read that corner again.';

/** "the diagonal top left to bottom right", "the left side". */
export const readingWords = (name: TapeName | Corner, say: SideWords): string =>
  isCorner(name)
    ? `the set square at the ${say.corner(name)}`
    : isDiagonal(name)
      ? `the diagonal ${say.diagonal(name)}`
      : `the ${say.side(name)} side`;

/** Whether readings check each other: with one missing they agree for want of one that could contradict. */
export const checkEachOther = ({ agreement, sidesRead, diagonalsRead }: Quadrilateral): boolean =>
  !agreement.agrees || (sidesRead && diagonalsRead);

/** The verdict on readings that check each other; none where there is one reading too few for that. */
export function agreementVerdict(
  { agreement, doubt }: Quadrilateral,
  measured: keyof typeof MEASURED,
  { tape, view }: PlanContext,
): Verdict[] {
  const { chiSquare, limit, freedom, agrees } = agreement;
  if (freedom === 0) return [];
  const of: Measured = MEASURED[measured];
  const sum = chiSquare < MOST_TOLD ? `= ${bare('chiSquare', chiSquare)}` : `over ${MOST_TOLD}`;
  const test = `χ² ${sum} with ${freedom} degree${freedom > 1 ? 's' : ''} of freedom, up to ${bare('chiSquare', limit)}; one good set in twenty is doubted by chance.`;
  if (agrees || !doubt)
    return [verdict({ id: of.id, about: of.about, level: 'good', says: of.agree, because: test, uses: [...of.uses] })];
  const level: Level = of.stops && contradicts(agreement) ? 'stop' : 'watch';
  return [
    verdict({
      id: of.id,
      about: of.about,
      level,
      measured: chiSquare,
      limit,
      of: 'chiSquare',
      ...doubtWords(doubt, of, finerTape(tape), sideWords(view)),
      because: `${test} More readings than a shape of four sides has freedoms: they must fit one.`,
      uses: [...of.uses],
    }),
  ];
}

function doubtWords(doubt: Doubt, { where, stays, pair, pairStays, sides }: Measured, tape: Tape, say: SideWords) {
  const signed = (mm: number) => `${printLength(Math.abs(mm), tape)} ${mm > 0 ? 'longer' : 'shorter'}`;
  switch (doubt.kind) {
    case 'side':
    case 'diagonal':
      return {
        says: `The readings contradict each other, most likely ${readingWords(doubt.name, say)}: ${printLength(doubt.likelyMm, tape)} would fit.`,
        doThis: `Read ${readingWords(doubt.name, say)} again, ${where}. If it stays, ${stays}`,
      };
    case 'diagonals':
      return {
        says: `The readings contradict each other: one of the diagonals is misread. Down ${printLength(doubt.likelyMm[say.seen('down')], tape)} or up ${printLength(doubt.likelyMm[say.seen('up')], tape)} would fit.`,
        doThis:
          'Read both again: their sum is fixed by the sides, their difference is the rack. A set square in a corner tells which.',
      };
    case 'gap':
      return {
        says: `The set square at the ${say.corner(doubt.corner)} contradicts the tape: ${Math.abs(doubt.likelyMm) < NO_GAP_MM ? 'it would stand without a gap' : `a gap of ${printed('gap', Math.abs(doubt.likelyMm), tape)} ${doubt.likelyMm >= 0 ? 'at the tip' : 'at the heel'} would fit`}.`,
        doThis: SQUARE_AGAIN,
      };
    case 'pair':
      return {
        says: `${pair} ${say.side(LONGER[doubt.pair][doubt.offMm > 0 ? 0 : 1])} is ${printLength(Math.abs(doubt.offMm), tape)} longer than its pair.`,
        doThis: pairStays,
      };
    case 'size':
      return {
        says: `The ${PAIR_WORDS[doubt.pair]} ${sides} are ${signed(doubt.offMm)} than planned.`,
        doThis: 'Change the face in the brief to what was built, or re-cut.',
      };
  }
}
