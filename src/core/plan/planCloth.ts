import { type CutSize, cutSize } from '../cloth/cutSize';
import { type CuttingPlan, cuttingSteps } from '../cloth/cuttingSteps';
import type { Fabric } from '../cloth/fabrics';
import { FIXING_WORDS, type Fixing, fixingFor } from '../cloth/marginLeft';
import { MARGIN_STYLES, type MarginStyleId } from '../cloth/marginStyles';
import { waysToFit } from '../cloth/narrowCloth';
import { type RollFit, rollFit } from '../cloth/rollFit';
import { rollPrice } from '../cloth/rollPrice';
import { assumed } from '../job/houseRules';
import type { JobInputs, SideEnds } from '../job/job';
import { fabricOf, profileOf } from '../job/materials';
import { USES, byId } from '../job/schools';
import { SIDES, type Side } from '../job/sides';
import { type Verdict, verdict } from '../job/verdict';
import { printFine, printSize } from '../units/length';
import { fabricVerdicts, holdVerdicts, layVerdicts, rollVerdict } from './clothVerdicts';
import type { PlanContext, StagePlan } from './context';

export interface StyleRow {
  style: MarginStyleId;
  cut: CutSize;
  /** Off the roll chosen, minor units; null when it is too narrow or no price is known. */
  priceMinor: number | null;
  /** How the margin is held: words for the table. */
  holds: string;
  note: string;
}

export interface ClothPlan extends StagePlan {
  fabric: Fabric;
  painted: boolean;
  rows: StyleRow[];
  cut: CutSize;
  fit: RollFit;
  cutting: CuttingPlan;
  /** For painted work: what each side allows. */
  fixings: { side: Side; leftMm: number; fixing: Fixing }[];
}

/** The narrower of the two ends, mm, or null where neither was read. */
export function leastEnd({ first, second }: SideEnds): number | null {
  const read = [first, second].flatMap((one) => (one ? [one.mm] : []));
  return read.length === 0 ? null : Math.min(...read);
}

/** Cut size for every margin style on this profile, what holds, and whether it lies on the roll. */
export function planCloth(inputs: JobInputs, context: PlanContext): ClothPlan {
  const { rules, tape } = context;
  const { brief, cloth } = inputs;
  const profile = profileOf(rules, inputs.bars.profile);
  const fabric = fabricOf(rules, cloth.fabric);
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const rows = MARGIN_STYLES.map(({ id }): StyleRow => {
    const cut = cutSize(face, cloth, id, profile, rules, tape);
    const fit = rollFit(cut, cloth.warp, cloth.rollWidth.mm);
    return {
      style: id,
      cut,
      priceMinor: fit.fits ? rollPrice(fabric, cloth.rollWidth.mm, fit.alongMm) : null,
      holds: heldWords(cut, cloth.grip),
      note: rowNote(id, cut),
    };
  });
  const { cut } = rows.find((row) => row.style === cloth.marginStyle)!;
  const fit = rollFit(cut, cloth.warp, cloth.rollWidth.mm);
  const cutting = cuttingSteps(fabric, fit, cloth.washFirst, tape);
  const painted = byId(USES, brief.use).painted;
  const fixings = SIDES.flatMap((side) => {
    const leftMm = leastEnd(cloth.left[side]);
    return leftMm === null ? [] : [{ side, leftMm, fixing: fixingFor(leftMm, profile, rules) }];
  });
  return {
    painted,
    fabric,
    rows,
    cut,
    fit,
    cutting,
    fixings,
    answer: painted ? 'Do not cut' : printSize(cut.widthMm, cut.heightMm, tape, 'up'),
    answerNote: painted
      ? 'the painting keeps all the cloth it has'
      : `${fabric.name}, warp along the ${cloth.warp}; ${fabric.tearsTrue && !cloth.washFirst ? 'tear along a thread' : fabric.tearsTrue ? 'wash, then tear' : 'cut, do not tear'}`,
    verdicts: painted
      ? paintedVerdicts(inputs, fixings, context)
      : [
          ...holdVerdicts(cut, inputs, context),
          rollVerdict(fit, fit.fits ? null : waysToFit(face, cloth, profile, rules, tape), inputs, context),
          ...layVerdicts(inputs, fabric, cutting),
          ...fabricVerdicts(inputs, fabric, cut, context),
        ],
    readings: painted
      ? SIDES.flatMap((side) =>
          [cloth.left[side].first, cloth.left[side].second].flatMap((one, end) =>
            one
              ? [
                  {
                    quantity: `margin left, ${endWords(side, end)}`,
                    value: one.mm,
                    unit: 'mm',
                    precision: assumed(rules, 'tapePrecision'),
                    tool: 'tape',
                  },
                ]
              : [],
          ),
        )
      : [
          { quantity: 'cut width', value: cut.widthMm, unit: 'mm', precision: null, tool: 'computed' },
          { quantity: 'cut height', value: cut.heightMm, unit: 'mm', precision: null, tool: 'computed' },
        ],
    setsMinutes: null,
  };
}

/** "top at its left end". */
export const endWords = (side: Side, end: number): string =>
  `${side} at its ${side === 'top' || side === 'bottom' ? ['left', 'right'][end] : ['upper', 'lower'][end]} end`;

const heldWords = ({ margin }: CutSize, grip: JobInputs['cloth']['grip']): string =>
  margin.gripMm > 0 ? 'after trimming' : margin.onEdge ? 'on the edge' : grip === 'hand' ? 'by hand' : 'by pliers';

function rowNote(style: MarginStyleId, { margin }: CutSize): string {
  const { ends } = byId(MARGIN_STYLES, style);
  const trim = margin.gripMm > 0 ? '; trim the grip' : '';
  return `${ends}${trim}`;
}

function paintedVerdicts({ cloth }: JobInputs, fixings: ClothPlan['fixings'], { tape }: PlanContext): Verdict[] {
  const unread = SIDES.filter((side) => leastEnd(cloth.left[side]) === null);
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
      doThis: 'Measure from the image to the edge of the cloth at both ends of the side.',
    }),
  ];
}
