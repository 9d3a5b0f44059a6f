/* What is judged of a canvas in the frame that it goes into: does it go in, is its edge hidden, does it stand proud of the back. */
import { agreementVerdict, checkEachOther } from '../stages/square/agreementVerdict';
import { assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { SIDES, type Side, isLevel } from '../job/sides';
import type { Corner, Point2 } from '../frame/square/corners';
import { UNSEEN_MM } from '../cloth/registration';
import { FRONT_WORDS } from '../job/sideWords';
import { type Verdict, verdict } from '../job/verdict';
import type { PlanContext } from '../stages/planContext';
import { type Tape, printFine, printLength, printSize } from '../units/length';
import { byId } from '../house/schools';
import { REBATE_FIXINGS } from './rebateFixings';
import { depthVerdicts } from './depthVerdicts';
import { type RebatePlan, faceForRebate, planRebate, sightOf } from './planRebate';
import { KEYED_GAP_MM, atPlace, freeSight, packedSight } from './sight';
import type { Sight } from './sightForms';
import { type Slip, slipWhenPacked, uniformWhenFree } from './slip';
import { type WorstEnd, leastAround } from './rebateFit';

/** "at the right, lower end": the brief is drawn and read from the front, whatever view the stages on the back have. */
const endWords = ({ side, end }: WorstEnd): string =>
  `at the ${FRONT_WORDS.side(side)}, ${isLevel(side) ? (end === 'first' ? 'left' : 'right') : end === 'first' ? 'upper' : 'lower'} end`;

/** @param image the image’s corners as seen from the face’s, mm; null where nobody measured them */
export function rebateVerdicts(inputs: JobInputs, context: PlanContext, image: Record<Corner, Point2> | null): Verdict[] {
  const rebate = planRebate(inputs, context);
  if (rebate === null || rebate.kind === 'missing') return [];
  const { fitted } = rebate;
  const readings = fitted && checkEachOther(fitted) ? agreementVerdict(fitted, 'rebate', { ...context, view: 'front' }) : [];
  if (rebate.kind === 'impossible')
    return fitted
      ? readings
      : [
          verdict({
            id: 'rebateReadings',
            about: 'readings of the rebate',
            level: 'stop',
            says: 'The readings of the rebate cannot all be true.',
            because: 'No four-sided opening has these sides and diagonals.',
            doThis: 'Read them again from step to step, the diagonals into the corners.',
          }),
        ];
  const sight = sightOf(rebate.plan, inputs, context.rules, image);
  return [
    ...readings,
    fitVerdict(rebate.plan, inputs, context),
    ...(sight ? sightVerdicts(rebate.plan, sight, context) : unreadLip(inputs)),
    ...depthVerdicts(inputs, context),
    ...keyedVerdicts(rebate.plan, context),
    ...fixingVerdicts(rebate.plan, inputs),
    ...(rebate.plan.takenForSquare
      ? [
          verdict({
            id: 'rebateSquare',
            about: 'squareness of the rebate',
            level: 'watch',
            says: 'No diagonal of the rebate was read: it is taken for square.',
            because: 'Old frames seldom are; a canvas binds at two corners first.',
            doThis: 'Read a diagonal from corner to corner of the opening, or both.',
          }),
        ]
      : []),
  ];
}

function fitVerdict({ fit }: RebatePlan, inputs: JobInputs, context: PlanContext): Verdict {
  const { tape, rules } = context;
  const worst = leastAround(fit.gaps);
  const wanted = assumed(rules, 'rebateGap');
  const level = worst.mm < 0 ? 'stop' : worst.mm < wanted ? 'watch' : 'good';
  const face = level === 'good' ? null : faceForRebate(inputs, context);
  return verdict({
    id: 'rebateFit',
    about: 'gap in the rebate',
    level,
    measured: worst.mm,
    limit: wanted,
    of: 'rebateGap',
    says:
      worst.mm < 0
        ? `It does not go into the rebate: ${endWords(worst)} it is ${printFine(-worst.mm, tape)} too large.`
        : `Laid as well as can be, ${printFine(worst.mm, tape)} of gap is left ${endWords(worst)}; ${printFine(wanted, tape)} is wanted all round.`,
    because: 'The cloth goes round the edge once; the canvas lies where its narrowest gap is widest.',
    doThis:
      level === 'good'
        ? ''
        : face
          ? `A face of ${printSize(face.widthMm, face.heightMm, tape, 'down')} leaves the clearance that is planned.`
          : 'Ease the rebate, or measure it again.',
    uses: ['rebateGap'],
  });
}

/** More of a painting than this part of a side is not meant to be under a lip. */
const MOST_HIDDEN = 1 / 20;

const sideOf = (of: Record<Side, number>): Side => SIDES.reduce((most, one) => (of[one] > of[most] ? one : most));

/** What is seen in the opening of the frame and what is hidden: packed where it lies best, and free to slide. */
function sightVerdicts({ canvas }: RebatePlan, sight: Sight, { tape, rules }: PlanContext): Verdict[] {
  const packed = packedSight(sight);
  // What does not go in is told of by its gap.
  if (!packed) return [];
  const at = (side: Side) => `at the ${FRONT_WORDS.side(side)}`;
  const what = (side: Side, of: { light: Record<Side, number> }) => (of.light[side] > UNSEEN_MM ? 'light' : 'bare cloth');
  if (packed.worstSeenMm > UNSEEN_MM) {
    const here = atPlace(sight, packed.place);
    const side = sideOf(here.seen);
    const slip = slipWhenPacked(sight)!;
    return [
      verdict({
        id: 'sightPacked',
        about: 'what shows in the frame',
        level: 'stop',
        measured: packed.worstSeenMm,
        limit: 0,
        of: 'sightSeen',
        says: `The opening of the frame is larger than the image: laid as well as can be, ${printFine(packed.worstSeenMm, tape)} of ${what(side, here)} shows ${at(side)}.`,
        because: 'The lip covers so much from the step; what lies further in is seen.',
        doThis: `${slipWords(slip, tape)} A larger face, or a frame with wider lips, does it too.`,
      }),
    ];
  }
  const free = freeSight(sight)!;
  const side = sideOf(free.seen);
  const shows = free.seen[side] > UNSEEN_MM;
  const covered = sideOf(free.hidden);
  const across = isLevel(covered) ? canvas.heightMm : canvas.widthMm;
  const wanted = assumed(rules, 'lipHides');
  const tooMuch = packed.worstHiddenMm > MOST_HIDDEN * across;
  const hides = `The lips hide up to ${printFine(packed.worstHiddenMm, tape)} of it`;
  return [
    verdict({
      id: 'sightPacked',
      about: 'what shows in the frame',
      level: tooMuch || packed.spareMm < wanted ? 'watch' : 'good',
      measured: packed.spareMm,
      limit: wanted,
      of: 'sightSeen',
      says: `Packed where it lies best, nothing but the image shows; its edge lies ${printFine(packed.spareMm, tape)} under the lip at the least. ${hides}.`,
      because: tooMuch
        ? 'No frame is meant to hide so much of an image.'
        : 'Steps, lips, image and folded corners as they were measured.',
      doThis: tooMuch
        ? 'Check the lips; a frame with narrower ones shows more of it.'
        : packed.spareMm < wanted
          ? 'Pack it close, so that it cannot settle out of the lip.'
          : '',
      uses: ['lipHides'],
    }),
    verdict({
      id: 'sightFree',
      about: 'sliding in the frame',
      level: shows ? 'watch' : 'good',
      measured: free.seen[side],
      limit: 0,
      of: 'sightSeen',
      says: shows
        ? `Left free it can slide until ${printFine(free.seen[side], tape)} of ${what(side, free)} shows ${at(side)}.`
        : 'Wherever it slides, nothing but the image shows.',
      because: 'All places in the rebate were tried, turned as far as the steps let it.',
      doThis: shows
        ? `Pack it all round with strips of cork or card. Free it would take a slip of ${printLength(uniformWhenFree(sight)!.widthsMm.top, tape, 'up')} all round.`
        : '',
    }),
  ];
}

/** Some lips are read and not all: what shows hangs on every one. */
const unreadLip = ({ brief: { rebate } }: JobInputs): Verdict[] =>
  SIDES.every((side) => rebate.lip[side] === null)
    ? []
    : [
        verdict({
          id: 'sightPacked',
          about: 'what shows in the frame',
          level: 'watch',
          says: 'What shows in the frame is not worked out yet: not every lip is read.',
          because: 'A canvas that is covered at one side may show at the other.',
          doThis: 'Read how far the lip covers at all four sides.',
        }),
      ];

/** The inner frame that covers what shows, of one width or of four, and what it costs. */
function slipWords({ uniform, perSide }: { uniform: Slip; perSide: Slip }, tape: Tape): string {
  const wide = printLength(uniform.widthsMm.top, tape, 'up');
  const sides = SIDES.filter((side) => perSide.widthsMm[side] > UNSEEN_MM).map(
    (side) => `${printLength(perSide.widthsMm[side], tape, 'up')} ${FRONT_WORDS.side(side)}`,
  );
  const each = sides.length < SIDES.length ? `, or a build-out of ${sides.join(', ')}` : '';
  return `A slip of ${wide} all round under the lips covers it${each}; it takes its thickness from the depth and hides ${printFine(uniform.worstHiddenMm, tape)}.`;
}

/** What the corners can still be opened by, once it is in its frame. */
function keyedVerdicts({ fit, keyed }: RebatePlan, { tape }: PlanContext): Verdict[] {
  // What does not go in unkeyed is told once.
  if (!keyed || fit.leastMm < 0) return [];
  const { grows, cornerMm } = keyed;
  const least = leastAround(keyed.fit.gaps);
  const binds = least.mm < KEYED_GAP_MM;
  return [
    verdict({
      id: 'rebateKeyed',
      about: 'growth by the keys',
      level: binds ? 'watch' : 'good',
      measured: least.mm,
      limit: KEYED_GAP_MM,
      of: 'rebateGap',
      says: binds
        ? `Opened to its end it grows ${printFine(grows.widthMm, tape)} across and ${printFine(grows.heightMm, tape)} down, and ${least.mm < 0 ? 'binds' : 'nearly binds'} ${endWords(least)}. ${cornerMm === null ? 'No corner may be opened at all' : `Each corner may be opened by ${printFine(cornerMm, tape)}, no more`}.`
        : `Opened to its end it still goes in: ${printFine(least.mm, tape)} of gap is left ${endWords(least)}.`,
      because: `All four corners opened as far as the joint holds, laid anew in the frame as measured; ${printFine(KEYED_GAP_MM, tape)} of gap must stay.`,
      doThis: binds ? 'Stretch it so that it needs little keying, take a smaller face, or ease the rebate.' : '',
      uses: ['keyEnd'],
    }),
  ];
}

/** Whether what holds it in the frame lets it be keyed, and reaches it. */
function fixingVerdicts({ keyed }: RebatePlan, { brief: { rebate } }: JobInputs): Verdict[] {
  const { name, letsGrow } = byId(REBATE_FIXINGS, rebate.fixing);
  if (letsGrow) return [];
  return [
    verdict({
      id: 'rebateFixing',
      about: 'fixing in the frame',
      level: 'watch',
      says: `Held by ${name}${keyed ? ', its corners cannot open' : ''}; each blow and each pull shakes the painting.`,
      because:
        'Nails stand against the outer edge of the bars, or through them: the canvas can neither grow nor come out softly.',
      doThis: 'Draw them without a lever on the bars, and hold it by plates screwed to the frame alone.',
    }),
  ];
}
