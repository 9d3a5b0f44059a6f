import { type CutSize, cutSize } from '../cloth/cutSize';
import { FABRICS, type Fabric } from '../cloth/fabrics';
import { FIXING_WORDS, type Fixing, fixingFor } from '../cloth/marginLeft';
import { MARGIN_STYLES, type MarginStyleId } from '../cloth/marginStyles';
import { type RollFit, rollFit } from '../cloth/rollFit';
import { profileOf } from '../frame/materials';
import { assumed } from '../job/houseRules';
import { type JobInputs } from '../job/job';
import { SIDES, type Side } from '../job/sides';
import { USES, byId } from '../job/schools';
import { type Verdict, verdict } from '../job/verdict';
import { printFine, printLength, printSize } from '../units/length';
import { decimal } from '../units/numeral';
import type { PlanContext, StagePlan } from './context';

export interface StyleRow {
  style: MarginStyleId;
  cut: CutSize;
  /** How the margin is held: words for the table. */
  holds: string;
  note: string;
}

export interface ClothPlan extends StagePlan {
  painted: boolean;
  rows: StyleRow[];
  cut: CutSize;
  fit: RollFit;
  /** For painted work: what each side allows. */
  fixings: { side: Side; leftMm: number; fixing: Fixing }[];
}

/** Cut size for every margin style on this profile, what holds, and whether it lies on the roll. */
export function planCloth(inputs: JobInputs, context: PlanContext): ClothPlan {
  const { rules, tape } = context;
  const { brief, cloth } = inputs;
  const profile = profileOf(rules, inputs.bars.profile);
  const fabric: Fabric = byId(FABRICS, cloth.fabric);
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const rows = MARGIN_STYLES.map(({ id }): StyleRow => {
    const cut = cutSize(face, cloth, id, profile, rules, tape);
    return {
      style: id,
      cut,
      holds:
        cut.margin.gripMm > 0
          ? 'after trimming'
          : cut.margin.onEdge
            ? 'on the edge'
            : cloth.grip === 'hand'
              ? 'by hand'
              : 'by pliers',
      note: rowNote(id, cut),
    };
  });
  const { cut } = rows.find((row) => row.style === cloth.marginStyle)!;
  const fit = rollFit(cut, cloth.warp, cloth.rollWidth.mm);
  const painted = byId(USES, brief.use).painted;
  const fixings = SIDES.flatMap((side) =>
    cloth.left[side] ? [{ side, leftMm: cloth.left[side].mm, fixing: fixingFor(cloth.left[side].mm, profile, rules) }] : [],
  );
  return {
    painted,
    rows,
    cut,
    fit,
    fixings,
    answer: painted ? 'Do not cut' : printSize(cut.widthMm, cut.heightMm, tape, 'up'),
    answerNote: painted
      ? 'the painting keeps all the cloth it has'
      : `${fabric.name}, warp along the ${cloth.warp}; ${fabric.tearsTrue && !cloth.washFirst ? 'tear along a thread' : fabric.tearsTrue ? 'wash, then tear' : 'cut, do not tear'}`,
    verdicts: painted
      ? paintedVerdicts(inputs, fixings, context)
      : [
          ...holdVerdicts(cut, inputs, context),
          rollVerdict(fit, inputs, context),
          ...fabricVerdicts(inputs, fabric, cut, context),
        ],
    readings: painted
      ? fixings.map(({ side, leftMm }) => ({
          quantity: `margin left, ${side}`,
          value: leftMm,
          unit: 'mm',
          precision: assumed(rules, 'tapePrecision'),
          tool: 'tape',
        }))
      : [
          { quantity: 'cut width', value: cut.widthMm, unit: 'mm', precision: null, tool: 'computed' },
          { quantity: 'cut height', value: cut.heightMm, unit: 'mm', precision: null, tool: 'computed' },
        ],
    setsMinutes: null,
  };
}

function rowNote(style: MarginStyleId, { margin }: CutSize): string {
  const { ends } = byId(MARGIN_STYLES, style);
  const trim = margin.gripMm > 0 ? '; trim the grip' : '';
  return `${ends}${trim}`;
}

function holdVerdicts({ margin }: CutSize, { cloth }: JobInputs, { tape, rules }: PlanContext): Verdict[] {
  const need = assumed(rules, cloth.grip === 'hand' ? 'handGrip' : 'pliersGrip');
  const least = assumed(rules, 'rawEdge');
  const edgeOk = margin.fastenerToEdgeMm >= least - 1e-9;
  const withGrip = margin.gripMm > 0;
  return [
    verdict({
      about: 'grip',
      level: 'good',
      measured: margin.toHoldMm,
      limit: need,
      unit: 'mm',
      says: `${printLength(margin.toHoldMm, tape)} beyond the last fold to hold, ${printLength(need, tape)} needed${withGrip ? `; ${printLength(margin.gripMm, tape, 'up')} of it is added for the grip` : ''}.`,
      because: cloth.grip === 'hand' ? 'Fingers slip on less.' : 'Depth of the pliers’ jaw.',
      doThis: withGrip ? 'Trim the grip off when the last fastener is in.' : '',
      uses: [cloth.grip === 'hand' ? 'handGrip' : 'pliersGrip'],
    }),
    verdict({
      about: 'fastener to raw edge',
      level: edgeOk ? 'good' : margin.fastenerToEdgeMm >= 6 ? 'watch' : 'stop',
      measured: margin.fastenerToEdgeMm,
      limit: least,
      unit: 'mm',
      says: `Fasteners stand ${printFine(margin.fastenerToEdgeMm, tape)} from the edge of the cloth, ${printLength(least, tape)} needed.`,
      because: 'Nearer than 8 to 10 mm a fastener tears through.',
      doThis: edgeOk ? '' : 'Take a deeper bar or a margin that goes round to the back.',
      uses: ['rawEdge'],
    }),
  ];
}

function rollVerdict(fit: RollFit, { cloth }: JobInputs, { tape }: PlanContext): Verdict {
  const other = cloth.warp === 'width' ? 'height' : 'width';
  const roll = printLength(cloth.rollWidth.mm, tape);
  return verdict({
    about: 'roll',
    level: fit.fits ? 'good' : 'stop',
    measured: fit.acrossMm,
    limit: cloth.rollWidth.mm,
    unit: 'mm',
    says: fit.fits
      ? `Fits across the ${roll} roll with ${printLength(fit.sparesMm, tape)} to spare; takes ${printLength(fit.alongMm, tape, 'up')} of its length.`
      : `${printLength(fit.acrossMm, tape, 'up')} does not lie across a ${roll} roll.`,
    because: 'The warp runs along the roll, so the other size lies across it.',
    doThis: fit.fits
      ? ''
      : fit.fitsTurned
        ? `Run the warp along the ${other} instead: ${printLength(fit.alongMm, tape, 'up')} fits across.`
        : 'Take a wider roll or a leaner margin; cloth is never joined.',
  });
}

function fabricVerdicts({ cloth }: JobInputs, fabric: Fabric, cut: CutSize, { tape }: PlanContext): Verdict[] {
  const list: Verdict[] = [];
  if (fabric.wantsPliers && cloth.grip === 'hand')
    list.push(
      verdict({
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
        about: 'shrinkage',
        level: 'good',
        says: `Cut ${printLength(cut.shrinkWidthMm, tape, 'up')} wider and ${printLength(cut.shrinkHeightMm, tape, 'up')} higher: it shrinks when washed.`,
        because: `Warp ${decimal(fabric.shrinkWarp * 100, 1)} %, weft ${decimal(fabric.shrinkWeft * 100, 1)} %.`,
        doThis: 'Wash, dry, iron damp; measure again before the final trim.',
      }),
    );
  if (cut.giveWidthMm > 0)
    list.push(
      verdict({
        about: 'stretch taken off',
        level: 'watch',
        measured: cut.giveWidthMm,
        limit: null,
        unit: 'mm',
        says: `${printLength(cut.giveWidthMm, tape)} by ${printLength(cut.giveHeightMm, tape)} is taken off for what the cloth gives.`,
        because: `${decimal(fabric.stretch * 100, 1)} % of the face at working tension.`,
        doThis: 'Too big can be trimmed, too small is lost: look again with the frame lying on it.',
      }),
    );
  return list;
}

function paintedVerdicts({ cloth }: JobInputs, fixings: ClothPlan['fixings'], { tape }: PlanContext): Verdict[] {
  const unread = SIDES.filter((side) => !cloth.left[side]);
  const sides = fixings.map(({ side, leftMm, fixing }) =>
    verdict({
      about: `${side} margin`,
      level: fixing === 'none' ? 'stop' : fixing === 'backByHand' ? 'good' : 'watch',
      measured: leftMm,
      limit: null,
      unit: 'mm',
      says: `${side[0]!.toUpperCase()}${side.slice(1)}: ${printFine(leftMm, tape)} left, ${FIXING_WORDS[fixing]}.`,
      because: 'What is left must pass the depth of the bar and still be held; a fastener stands clear of the raw edge.',
      doThis: fixing === 'none' ? 'Stop here and ask a conservator about strip-lining.' : '',
      uses: ['handGrip', 'pliersGrip', 'rawEdge'],
    }),
  );
  if (unread.length === 0) return sides;
  return [
    ...sides,
    verdict({
      about: 'margins left',
      level: 'stop',
      says: `Still to measure: margin at ${unread.join(', ')}.`,
      because: 'A painting decides the size backwards: image, wrap, margin left.',
      doThis: 'Measure from the image to the edge of the cloth at its narrowest place.',
    }),
  ];
}
