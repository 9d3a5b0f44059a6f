/* What is judged of old folds, old holes and torn edges under a placed face. */
import { assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { sideWords } from '../job/sideWords';
import { profileOf } from '../house/materials';
import { SIDES, type Side } from '../job/sides';
import { type Verdict, verdict } from '../job/verdict';
import type { PlanContext } from '../stages/planContext';
import { listOfWords } from '../units/inWords';
import { type Tape, printFine } from '../units/length';
import { type FoldOff, foldsOff, roomBetween, rowOf, tornOnFace } from './foundLines';
import type { PaintingPlan } from './planPainting';

const worstOf = ({ firstMm, secondMm }: FoldOff): number => (Math.abs(firstMm) >= Math.abs(secondMm) ? firstMm : secondMm);

/** Where each old fold comes to lie: on the edge, beside it, or on the face. */
export function oldFoldVerdicts(
  { bars, cloth }: JobInputs,
  { registration }: PaintingPlan,
  { rules, tape, view }: PlanContext,
): Verdict[] {
  if (!registration) return [];
  const { depthMm, beadMm } = profileOf(rules, bars.profile);
  const say = sideWords(view);
  const [on, beside] = [assumed(rules, 'oldFoldOn'), assumed(rules, 'oldFoldBeside')];
  const off = foldsOff(cloth.found, registration);
  return SIDES.flatMap((side) => {
    const one = off[side];
    if (!one) return [];
    const worst = worstOf(one);
    const far = Math.abs(worst);
    const where = worst < 0 ? 'on the face' : 'round the edge';
    // Behind the bar the cloth is bent a second time.
    const offBack = Math.abs(worst - depthMm - beadMm);
    if (worst > 0 && far > beside && offBack < beside) return [backFoldVerdict(side, offBack, on, say.side(side), tape)];
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

/** An old fold that comes to lie at the back edge of the bar, where the cloth is bent again. */
const backFoldVerdict = (side: Side, offMm: number, onMm: number, words: string, tape: Tape): Verdict =>
  verdict({
    id: `oldFold ${side}`,
    about: `old fold, ${words}`,
    level: offMm <= onMm ? 'good' : 'watch',
    measured: offMm,
    limit: onMm,
    of: 'offsetFromFold',
    says:
      offMm <= onMm
        ? `The old fold of the ${words} lies on the back edge of the bar.`
        : `The old fold of the ${words} lies ${printFine(offMm, tape)} beside the back edge of the bar.`,
    because: 'There the cloth is bent a second time; a new fold close beside an old one breaks the strip between them.',
    doThis: offMm <= onMm ? '' : 'Take a deeper or shallower bar, or bend it slowly in a warm room.',
    uses: ['oldFoldOn', 'oldFoldBeside'],
  });

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

/** Torn stretches of the edges: what holds nothing is left out, and a long one is for a conservator. */
export function tornVerdicts(
  { brief, cloth }: Pick<JobInputs, 'brief' | 'cloth'>,
  { registration }: PaintingPlan,
  { rules, tape, view }: PlanContext,
): Verdict[] {
  const say = sideWords(view);
  const most = assumed(rules, 'tornMost');
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  return tornOnFace(cloth.found, registration, face).map(({ side, fromMm, toMm }, index) => {
    const long = toMm - fromMm;
    return verdict({
      id: `torn ${index + 1}`,
      about: `torn edge, ${say.side(side)}`,
      level: long > most ? 'stop' : 'watch',
      measured: long,
      limit: most,
      of: 'tapeReading',
      says: `At the ${say.side(side)} ${printFine(long, tape)} hold nothing, from ${printFine(fromMm, tape)} to ${printFine(toMm, tape)} of the ${say.end(side, 0)} end.`,
      because: 'A torn edge gives way under the pull, and the tear runs on into the image.',
      doThis:
        long > most
          ? 'That stretch is for a conservator: strip-lining there. The rest of the side can be fastened.'
          : 'Nothing is set there; go gently to both sides of it.',
      uses: ['tornMost'],
    });
  });
}
