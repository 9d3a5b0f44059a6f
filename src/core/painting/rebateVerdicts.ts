/* What is judged of a canvas in the frame that it goes into: does it go in, is its edge hidden, does it stand proud of the back. */
import { agreementVerdict, checkEachOther } from '../stages/square/agreementVerdict';
import { assumed } from '../house/houseRules';
import { fabricOf, profileOf } from '../house/materials';
import type { JobInputs } from '../job/job';
import { SIDES, isLevel } from '../job/sides';
import { FRONT_WORDS } from '../job/sideWords';
import { type Verdict, verdict } from '../job/verdict';
import type { PlanContext } from '../stages/planContext';
import { printFine, printSize } from '../units/length';
import { byId } from '../house/schools';
import { REBATE_FIXINGS } from './rebateFixings';
import { type RebatePlan, faceForRebate, planRebate } from './planRebate';
import { type WorstEnd, leastAround } from './rebateFit';

/** "at the right, lower end": the brief is drawn and read from the front, whatever view the stages on the back have. */
const endWords = ({ side, end }: WorstEnd): string =>
  `at the ${FRONT_WORDS.side(side)}, ${isLevel(side) ? (end === 'first' ? 'left' : 'right') : end === 'first' ? 'upper' : 'lower'} end`;

export function rebateVerdicts(inputs: JobInputs, context: PlanContext): Verdict[] {
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
  return [
    ...readings,
    fitVerdict(rebate.plan, inputs, context),
    ...lipVerdicts(rebate.plan, context),
    ...keyedVerdicts(rebate.plan, context),
    ...depthVerdicts(inputs, context),
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

function lipVerdicts({ hidden }: RebatePlan, context: PlanContext): Verdict[] {
  const { tape, rules } = context;
  const read = SIDES.flatMap((side) => {
    const there = hidden[side];
    return there ? (['first', 'second'] as const).map((end): WorstEnd => ({ side, end, mm: there[end] })) : [];
  });
  if (read.length === 0) return [];
  const worst = read.reduce((least, one) => (one.mm < least.mm ? one : least));
  const wanted = assumed(rules, 'lipHides');
  const level = worst.mm <= 0 ? 'stop' : worst.mm < wanted ? 'watch' : 'good';
  return [
    verdict({
      id: 'rebateLip',
      about: 'what the lip hides',
      level,
      measured: worst.mm,
      limit: wanted,
      of: 'rebateGap',
      says:
        worst.mm <= 0
          ? `Light falls between lip and canvas ${endWords(worst)}: ${printFine(-worst.mm, tape)} are missing.`
          : `The lip hides ${printFine(worst.mm, tape)} of the face ${endWords(worst)}, more elsewhere.`,
      because: 'The lip reaches over the step; what it hides is its width less the gap.',
      doThis: level === 'good' ? '' : 'Take a larger face, build the step out with a strip, or lay the canvas towards this side.',
      uses: ['lipHides'],
    }),
  ];
}

/** What the corners can still be opened by, once it is in its frame. */
function keyedVerdicts({ fit, keyed }: RebatePlan, { tape }: PlanContext): Verdict[] {
  // What does not go in unkeyed is told once.
  if (!keyed || fit.leastMm < 0) return [];
  const { grows, room } = keyed;
  const least = leastAround(keyed.fit.gaps);
  const binds = least.mm < 0;
  return [
    verdict({
      id: 'rebateKeyed',
      about: 'growth by the keys',
      level: binds ? 'watch' : 'good',
      measured: least.mm,
      limit: 0,
      of: 'rebateGap',
      says: binds
        ? `Opened to its end it grows ${printFine(grows.widthMm, tape)} across and ${printFine(grows.heightMm, tape)} down, and binds ${endWords(least)}; ${printFine(room.widthMm, tape)} across or ${printFine(room.heightMm, tape)} down is all it may.`
        : `Opened to its end it still goes in: ${printFine(least.mm, tape)} of gap is left ${endWords(least)}.`,
      because: 'All four corners opened as far as the joint holds, laid anew in the frame as measured.',
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

function depthVerdicts({ brief, bars, cloth }: JobInputs, { rules, tape }: PlanContext): Verdict[] {
  const depth = brief.rebate.depth?.mm ?? null;
  if (depth === null) return [];
  // The bar, with the cloth on its face and turned over on its back.
  const deep = profileOf(rules, bars.profile).depthMm + 2 * fabricOf(rules, cloth.fabric).thicknessMm;
  const proud = deep - depth;
  const toBuild =
    brief.rebate.fixing === 'clips'
      ? 'Spring clips press it the harder the prouder it stands: build the back of the frame up, or take offset plates.'
      : 'Build the back of the frame up, take a shallower bar, or plates that are offset.';
  return [
    verdict({
      id: 'rebateDepth',
      about: 'depth of the rebate',
      level: proud > 0 ? 'watch' : 'good',
      measured: deep,
      limit: depth,
      of: 'rebateDepthTaken',
      says:
        proud > 0
          ? `The canvas stands ${printFine(proud, tape)} proud of the back of the frame.`
          : `The canvas lies ${printFine(-proud, tape)} below the back of the frame.`,
      because: 'Depth of the bar with the cloth on both its faces, against the rebate.',
      doThis: proud > 0 ? toBuild : '',
    }),
  ];
}
