/* What is judged of a canvas in the frame that it goes into: does it go in, is its edge hidden, does it stand proud of the back. */
import { assumed } from '../house/houseRules';
import { fabricOf, profileOf } from '../house/materials';
import type { JobInputs } from '../job/job';
import { SIDES, isLevel } from '../job/sides';
import { FRONT_WORDS } from '../job/sideWords';
import { type Verdict, verdict } from '../job/verdict';
import type { PlanContext } from '../stages/planContext';
import { printFine, printSize } from '../units/length';
import { type RebatePlan, faceForRebate, planRebate } from './planRebate';
import { type WorstEnd, leastAround } from './rebateFit';

/** "at the right, lower end": the brief is drawn and read from the front, whatever view the stages on the back have. */
const endWords = ({ side, end }: WorstEnd): string =>
  `at the ${FRONT_WORDS.side(side)}, ${isLevel(side) ? (end === 'first' ? 'left' : 'right') : end === 'first' ? 'upper' : 'lower'} end`;

export function rebateVerdicts(inputs: JobInputs, context: PlanContext): Verdict[] {
  const rebate = planRebate(inputs, context);
  if (rebate === null || rebate.kind === 'missing') return [];
  if (rebate.kind === 'impossible')
    return [
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
    fitVerdict(rebate.plan, inputs, context),
    ...lipVerdicts(rebate.plan, context),
    ...depthVerdicts(inputs, context),
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
    unit: 'mm',
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
      unit: 'mm',
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

function depthVerdicts({ brief, bars, cloth }: JobInputs, { rules, tape }: PlanContext): Verdict[] {
  const depth = brief.rebate.depth?.mm ?? null;
  if (depth === null) return [];
  // The bar, with the cloth on its face and turned over on its back.
  const deep = profileOf(rules, bars.profile).depthMm + 2 * fabricOf(rules, cloth.fabric).thicknessMm;
  const proud = deep - depth;
  return [
    verdict({
      id: 'rebateDepth',
      about: 'depth of the rebate',
      level: proud > 0 ? 'watch' : 'good',
      measured: deep,
      limit: depth,
      unit: 'mm',
      says:
        proud > 0
          ? `The canvas stands ${printFine(proud, tape)} proud of the back of the frame.`
          : `The canvas lies ${printFine(-proud, tape)} below the back of the frame.`,
      because: 'Depth of the bar with the cloth on both its faces, against the rebate.',
      doThis: proud > 0 ? 'Build the back of the frame up, take a shallower bar, or plates that are offset.' : '',
    }),
  ];
}
