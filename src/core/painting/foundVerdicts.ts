/* What is judged of old folds and old holes under a placed face. */
import { assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { sideWords } from '../job/sideWords';
import { SIDES } from '../job/sides';
import { type Verdict, verdict } from '../job/verdict';
import type { PlanContext } from '../stages/planContext';
import { listOfWords } from '../units/inWords';
import { printFine } from '../units/length';
import { type FoldOff, foldsOff, roomBetween, rowOf } from './foundLines';
import type { PaintingPlan } from './planPainting';

const worstOf = ({ firstMm, secondMm }: FoldOff): number => (Math.abs(firstMm) >= Math.abs(secondMm) ? firstMm : secondMm);

/** Where each old fold comes to lie: on the edge, beside it, or on the face. */
export function oldFoldVerdicts(
  { cloth }: JobInputs,
  { registration }: PaintingPlan,
  { rules, tape, view }: PlanContext,
): Verdict[] {
  if (!registration) return [];
  const say = sideWords(view);
  const [on, beside] = [assumed(rules, 'oldFoldOn'), assumed(rules, 'oldFoldBeside')];
  const off = foldsOff(cloth.found, registration);
  return SIDES.flatMap((side) => {
    const one = off[side];
    if (!one) return [];
    const worst = worstOf(one);
    const far = Math.abs(worst);
    const where = worst < 0 ? 'on the face' : 'round the edge';
    const level = far <= on || (worst > 0 && far > beside) ? 'good' : 'watch';
    return [
      verdict({
        id: `oldFold ${side}`,
        about: `old fold, ${say.side(side)}`,
        level,
        measured: worst,
        limit: on,
        of: 'offsetFromFold',
        says:
          far <= on
            ? `The old fold lies on the ${say.side(side)} edge.`
            : `The old fold of the ${say.side(side)} lies ${printFine(far, tape)} ${where}.`,
        because:
          worst < 0
            ? 'On the face it stays to be seen as a line, and paint is broken along it.'
            : far <= beside
              ? 'A new fold close beside an old one breaks the strip between them.'
              : 'So far off it is bent no more.',
        doThis:
          level === 'good'
            ? ''
            : 'Take the face whose edges are the old folds (under Sizes), or let more or less go round; warm room, slow bends.',
        uses: ['oldFoldOn', 'oldFoldBeside'],
      }),
    ];
  });
}

/** Sides whose holes stand so close that no fastener goes between. */
export function oldHoleVerdicts({ cloth }: JobInputs, { rules, tape, view }: PlanContext): Verdict[] {
  const say = sideWords(view);
  const clear = assumed(rules, 'holeClear');
  const rows = SIDES.flatMap((side) => {
    const row = rowOf(cloth.found.holes[side]);
    return row ? [{ side, row }] : [];
  });
  if (rows.length === 0) return [];
  const tight = rows.filter(({ row }) => !roomBetween(row, clear)).map(({ side }) => side);
  const closest = Math.min(...rows.map(({ row }) => row.apartMm));
  return [
    verdict({
      id: 'oldHoles',
      about: 'old holes',
      level: tight.length > 0 ? 'watch' : 'good',
      measured: closest / 2,
      limit: clear,
      of: 'holeClearance',
      says:
        tight.length > 0
          ? `At the ${listOfWords(tight.map(say.side))} the old holes stand too close to set between them.`
          : `Fasteners keep ${printFine(clear, tape)} clear of the old holes.`,
      because: 'A torn hole holds nothing, and the next one tears into it.',
      doThis:
        tight.length > 0
          ? 'Set in another row, nearer the fold or further back, or hold the side with a strip behind the fasteners.'
          : '',
      uses: ['holeClear'],
    }),
  ];
}
