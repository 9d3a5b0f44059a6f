import { clothEffort, effortOf, withMinutes } from '../../effort/effort';
import { type CutSize, cutSize } from '../../cloth/cutSize';
import { type CuttingPlan, cuttingSteps } from '../../cloth/cuttingSteps';
import type { Fabric } from '../../cloth/fabrics';
import { MARGIN_STYLES, marginEnds, type MarginStyleId } from '../../cloth/marginStyles';
import { waysToFit } from '../../cloth/narrowCloth';
import { type RollFit, rollFit } from '../../cloth/rollFit';
import { rollPrice } from '../../cloth/rollPrice';
import type { JobInputs } from '../../job/job';
import { fabricOf, profileOf } from '../../house/materials';
import { USES, byId } from '../../house/schools';
import { type Tape, printSize } from '../../units/length';
import { fabricVerdicts, holdVerdicts, layVerdicts, rollWidthVerdict } from './clothVerdicts';
import type { PlanContext, StagePlan } from '../planContext';
import { measuredVerdicts } from '../../painting/paintingVerdicts';
import { type FoldPlan, foldVerdicts, planFold } from './planFold';
import { type PaintingPlan, meanSides, paintingReadings, planPainting } from '../../painting/planPainting';

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
  /** Where the frame lies on a painting, and what each side allows; null where cloth is cut. */
  painting: PaintingPlan | null;
  corners: FoldPlan;
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
      note: `${marginEnds(id, cut.margin.returnMm, profile.widthMm)}${cut.margin.gripMm > 0 ? '; trim the grip' : ''}`,
    };
  });
  const { cut } = rows.find((row) => row.style === cloth.marginStyle)!;
  const fit = rollFit(cut, cloth.warp, cloth.rollWidth.mm);
  const cutting = cuttingSteps(fabric, fit, cloth.washFirst, tape);
  const painted = byId(USES, brief.use).painted;
  const painting = painted ? planPainting(inputs, context) : null;
  const corners = planFold(inputs, { profile, fabric, cut, painting });
  return {
    painted,
    fabric,
    rows,
    cut,
    fit,
    cutting,
    painting,
    corners,
    ...(painting
      ? measuredAnswer(painting, tape)
      : {
          answer: printSize(cut.widthMm, cut.heightMm, tape, 'up'),
          answerNote: `${fabric.name}, warp along the ${cloth.warp}; ${fabric.tearsTrue && !cloth.washFirst ? 'tear along a thread' : fabric.tearsTrue ? 'wash, then tear' : 'cut, do not tear'}`,
        }),
    verdicts: painting
      ? // The paint is measured, and it is seen from the front.
        measuredVerdicts(inputs, painting, { ...context, view: 'front' })
      : [
          ...holdVerdicts(cut, inputs, context),
          rollWidthVerdict(fit, fit.fits ? null : waysToFit(face, cloth, profile, rules, tape), inputs, context),
          ...layVerdicts(inputs, fabric, cutting),
          ...fabricVerdicts(inputs, fabric, cut, context),
          ...foldVerdicts(inputs, corners, context),
        ],
    readings: painting ? paintingReadings(inputs, rules) : [],
    ...withMinutes(painting ? effortOf(rules, [], { measureEach: 1 }) : clothEffort(rules, cut)),
    setsMinutes: null,
  };
}

/** The image as it was read, by its mean sides. */
function measuredAnswer({ image }: PaintingPlan, tape: Tape): { answer: string; answerNote: string } {
  const answerNote = 'the painting keeps all the cloth it has';
  if (image.kind !== 'fitted') return { answer: 'Do not cut', answerNote };
  const { widthMm, heightMm } = meanSides(image.corners);
  return { answer: printSize(widthMm, heightMm, tape), answerNote: `of image, by its mean sides; ${answerNote}` };
}

const heldWords = ({ margin }: CutSize, grip: JobInputs['cloth']['grip']): string =>
  margin.gripMm > 0 ? 'after trimming' : margin.onEdge ? 'on the edge' : grip === 'hand' ? 'by hand' : 'by pliers';
