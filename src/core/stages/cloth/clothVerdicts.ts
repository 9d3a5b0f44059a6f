/* What is judged about cloth that will be cut: is there enough to hold, does it lie on the roll, how does it lie. */
import { toldTo } from '../../quantities/toldTo';
import { printed } from '../../quantities/printed';
import type { CutSize } from '../../cloth/cutSize';
import type { CuttingPlan } from '../../cloth/cuttingSteps';
import type { Fabric } from '../../cloth/fabrics';
import { MARGIN_STYLES } from '../../cloth/marginStyles';
import type { WaysToFit } from '../../cloth/narrowCloth';
import type { RollFit } from '../../cloth/rollFit';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { byId } from '../../house/schools';
import { SIDES } from '../../job/sides';
import { sideWords } from '../../job/sideWords';
import { type Verdict, verdict } from '../../job/verdict';
import { printFine, printLength } from '../../units/length';
import type { PlanContext } from '../planContext';
import { capital } from '../../painting/paintingVerdicts';

/** The side with least, by a measure. */
const worstSide = (cut: CutSize, of: (side: (typeof SIDES)[number]) => number) =>
  SIDES.reduce((worst, side) => (of(side) < of(worst) - 1e-9 ? side : worst), SIDES[0]!);

const unequal = (cut: CutSize) => new Set(SIDES.map((side) => cut.margins[side].totalMm)).size > 1;

export function holdVerdicts(cut: CutSize, { cloth }: JobInputs, { tape, rules, view }: PlanContext): Verdict[] {
  const need = assumed(rules, cloth.grip === 'hand' ? 'handGrip' : 'pliersGrip');
  const pliers = assumed(rules, 'pliersGrip');
  const least = assumed(rules, 'rawEdge');
  const side = worstSide(cut, (one) => cut.margins[one].toHoldMm);
  const margin = cut.margins[side];
  const where = unequal(cut) ? `${capital(sideWords(view).side(side))}, the least: ` : '';
  const holds = margin.toHoldMm >= need - 1e-9;
  const withGrip = margin.gripMm > 0;
  const rawSide = worstSide(cut, (one) => cut.margins[one].fastenerToEdgeMm);
  const toEdge = cut.margins[rawSide].fastenerToEdgeMm;
  const edgeOk = toEdge >= least - 1e-9;
  return [
    verdict({
      id: 'grip',
      about: 'grip',
      level: holds ? 'good' : margin.toHoldMm >= pliers ? 'watch' : 'stop',
      measured: margin.toHoldMm,
      limit: need,
      of: 'marginLeft',
      says: `${where}${printLength(margin.toHoldMm, tape)} beyond the last fold to hold, ${printLength(need, tape)} needed${withGrip ? `; ${printLength(margin.gripMm, tape, 'up')} of it is added for the grip` : ''}.`,
      because: cloth.grip === 'hand' ? 'Fingers slip on less.' : 'Depth of the pliers’ jaw.',
      doThis: !holds
        ? margin.toHoldMm >= pliers
          ? 'Pull that side with pliers, or give it more.'
          : 'Give that side more: there is nothing to hold.'
        : withGrip
          ? 'Trim the grip off when the last fastener is in.'
          : '',
      uses: ['handGrip', 'pliersGrip'],
    }),
    verdict({
      id: 'rawEdge',
      about: 'fastener to raw edge',
      level: edgeOk ? 'good' : toEdge >= 6 ? 'watch' : 'stop',
      measured: toEdge,
      limit: least,
      of: 'marginLeft',
      says: `Fasteners stand ${printFine(toEdge, tape)} from the edge of the cloth, ${printLength(least, tape)} needed.`,
      because: toldTo('Nearer than {8 to 10 mm} a fastener tears through.', tape),
      doThis: edgeOk ? '' : 'Take a deeper bar or a margin that goes round to the back.',
      uses: ['rawEdge'],
    }),
  ];
}

export function rollWidthVerdict(fit: RollFit, ways: WaysToFit | null, { cloth }: JobInputs, { tape }: PlanContext): Verdict {
  const roll = printLength(cloth.rollWidth.mm, tape);
  return verdict({
    id: 'roll',
    about: 'roll',
    level: fit.fits ? 'good' : 'stop',
    measured: fit.acrossMm,
    limit: cloth.rollWidth.mm,
    of: 'cutLength',
    says: fit.fits
      ? `Fits across the ${roll} roll with ${printLength(fit.sparesMm, tape)} to spare; takes ${printLength(fit.alongMm, tape, 'up')} of its length.`
      : `${printLength(fit.acrossMm, tape, 'up')} does not lie across a ${roll} roll.`,
    because: 'The warp runs along the roll, so the other size lies across it.',
    doThis: ways ? wayOut(ways, fit, cloth, tape) : '',
    uses: ['pliersGrip'],
  });
}

/** Ways out of a narrow roll, best first, as one sentence each. */
function wayOut(ways: WaysToFit, fit: RollFit, cloth: JobInputs['cloth'], tape: PlanContext['tape']): string {
  const other = cloth.warp === 'width' ? 'height' : 'width';
  const [one, two] = cloth.warp === 'width' ? ['top', 'bottom'] : ['left', 'right'];
  const styles = ways.styles.slice(0, 2).map((id) => byId(MARGIN_STYLES, id).name.toLowerCase());
  const sentences = [
    ...(ways.rollsMm.length > 0 ? [`A ${printLength(ways.rollsMm[0]!, tape)} roll of it would do.`] : []),
    ...(ways.turned ? [`Run the warp along the ${other} instead: ${printLength(fit.alongMm, tape, 'up')} fits across.`] : []),
    ...(styles.length > 0 ? [`Or a leaner margin: ${styles.join(', ')}.`] : []),
    ...(ways.marginsAcrossMm >= ways.leastAcrossMm
      ? [
          `Or type less for ${one} and ${two}: ${printLength(ways.marginsAcrossMm, tape, 'down')} together is there, ${printLength(ways.leastAcrossMm, tape, 'up')} is the least that is held.`,
        ]
      : []),
  ];
  return sentences.length > 0
    ? sentences.join(' ')
    : 'Stop: no margin, turn or roll of this cloth makes it fit, and cloth is never joined. Take another cloth or a smaller face.';
}

export function layVerdicts({ brief, cloth }: JobInputs, fabric: Fabric, cutting: CuttingPlan): Verdict[] {
  const long = brief.width.mm >= brief.height.mm ? 'width' : 'height';
  const square = Math.abs(brief.width.mm - brief.height.mm) < 1;
  const alongLong = square || cloth.warp === long;
  const [warp, weft] = [fabric.stretchWarp, fabric.stretchWeft].map((part) => printed('stretch', part));
  return [
    verdict({
      id: 'lie',
      about: 'lie of the cloth',
      level: alongLong ? 'good' : 'watch',
      says: `Warp along the ${cloth.warp}: it gives ${warp} that way, ${weft} across it. ${fabric.primed ? 'Primed side down.' : 'Face side down.'}`,
      because: 'Cloth gives least along the warp; along the long side it sags least.',
      doThis: alongLong ? 'Lay a thread parallel to the bars at all four middles.' : `Usual is the warp along the ${long}.`,
    }),
    verdict({
      id: 'beforeCut',
      about: 'before the cut',
      level: cloth.laidAgain ? 'good' : 'watch',
      says: cloth.laidAgain ? 'The frame was laid on it and looked at again.' : 'Not yet looked at with the frame lying on it.',
      because: 'Too big can be trimmed, too small is lost.',
      doThis: cloth.laidAgain
        ? cutting.steps[0]!
        : 'Lay the frame on the cloth, fold each margin over the bar, then tick “Frame laid on the cloth and checked”.',
    }),
  ];
}

export function fabricVerdicts({ cloth }: JobInputs, fabric: Fabric, cut: CutSize, { tape }: PlanContext): Verdict[] {
  const list: Verdict[] = [];
  if (fabric.wantsPliers && cloth.grip === 'hand')
    list.push(
      verdict({
        id: 'pull',
        about: 'pull',
        level: 'watch',
        says: `${fabric.name} wants pliers.`,
        because: 'Heavy (above 12 oz), primed or dense cloth is too stiff for fingers.',
        doThis: 'Choose pliers: they also need less margin.',
      }),
    );
  if (cloth.washFirst && fabric.primed)
    list.push(
      verdict({
        id: 'washing',
        about: 'washing',
        level: 'stop',
        says: 'Primed cloth is not washed.',
        because: 'Water lifts the ground from the threads.',
        doThis: 'Leave the washing out.',
      }),
    );
  if (cut.shrinkWidthMm > 0)
    list.push(
      verdict({
        id: 'shrinkage',
        about: 'shrinkage',
        level: 'good',
        says: `Cut ${printLength(cut.shrinkWidthMm, tape, 'up')} wider and ${printLength(cut.shrinkHeightMm, tape, 'up')} higher: it shrinks when washed.`,
        because: `Warp ${printed('shrinkage', fabric.shrinkWarp)}, weft ${printed('shrinkage', fabric.shrinkWeft)}.`,
        doThis: 'Wash, dry, iron damp; measure again before the final trim.',
      }),
    );
  if (cut.giveWidthMm > 0)
    list.push(
      verdict({
        id: 'stretchTakenOff',
        about: 'stretch taken off',
        level: 'watch',
        measured: cut.giveWidthMm,
        limit: null,
        of: 'give',
        says: `${printLength(cut.giveWidthMm, tape)} by ${printLength(cut.giveHeightMm, tape)} is taken off for what the cloth gives.`,
        because: `${printed('stretch', fabric.stretchWarp)} of the face along the warp, ${printed('stretch', fabric.stretchWeft)} across it, at working tension.`,
        doThis: 'Too big can be trimmed, too small is lost: look again with the frame lying on it.',
      }),
    );
  return list;
}
