/*
 * Faces that could be had for a painted image, from bars that are sold and bars that are sawn, ranked by what the image loses
 * round the edges and what shows bare on each side. What the lip of its frame hides of bare cloth shows on no side.
 */
import { bestFace, type FaceSize } from '../cloth/bestFace';
import { type Registration, UNSEEN_MM, register } from '../cloth/registration';
import type { Point2 } from '../frame/square/corners';
import { assumed } from '../house/houseRules';
import { profileOf } from '../house/materials';
import type { JobInputs } from '../job/job';
import { SIDES, type Side, everySide, isLevel } from '../job/sides';
import type { PlanContext } from '../stages/planContext';
import { roundToStep } from '../units/length';
import { faceOnFolds } from './foundLines';
import { linesOf, meanSides, paintedImage, prioritiesOf } from './planPainting';
import { bulkOf, faceForRebate, planRebate } from './planRebate';
import { hiddenBy, hiddenOfFace, rebateFit } from './rebateFit';

/** How a length is come by: sold in pairs, or sawn. */
export type HadAs = 'sold' | 'sawn';

export interface OfferedSize extends FaceSize {
  across: HadAs;
  down: HadAs;
  /** Its edges lie on the old folds. */
  onFolds: boolean;
  registration: Registration;
  /** What goes round each edge and is lost to the face, and what shows bare on it, mm at the worst place. */
  sides: Record<Side, { lostMm: number; shownMm: number }>;
  /** Both together over all edges, mm². */
  offMm2: number;
  /** Within what may go round and what may show. */
  holds: boolean;
  /** Gap in the frame that it goes into, mm; null where that is not measured. */
  gapMm: number | null;
}

/** Lengths this much longer or shorter than the image are looked at, as a part of it. */
const NEAR = 0.12;
/** As many as a maker reads. */
const MOST_OFFERED = 8;

/** How far outside the face a point of a painted edge lies, mm; below 0 it is bare. */
const outsideFace = (side: Side, { x, y }: Point2, { widthMm, heightMm }: FaceSize): number =>
  ({ top: -y, right: x - widthMm, bottom: y - heightMm, left: -x })[side];

interface CandidateLength {
  mm: number;
  had: HadAs;
}

/** Lengths near one: the nearest sold at or below and above it, sawn to what it fills, to 5 mm, to its mean and to its frame. */
function lengthsNear(
  imageMm: number,
  filledMm: number,
  framedMm: number | null,
  soldMm: readonly number[],
  stepMm: number,
): CandidateLength[] {
  const near = soldMm.filter((mm) => Math.abs(mm - imageMm) <= NEAR * imageMm);
  const sold = [near.findLast((mm) => mm <= imageMm), near.find((mm) => mm > imageMm)].filter((mm) => mm !== undefined);
  const sawn = [
    roundToStep(filledMm, stepMm, 'down'),
    roundToStep(filledMm, 5, 'down'),
    roundToStep(imageMm, stepMm, 'down'),
    ...(framedMm === null ? [] : [framedMm]),
  ].filter((mm, index, all) => mm > 0 && all.indexOf(mm) === index && !sold.includes(mm));
  return [...sold.map((mm) => ({ mm, had: 'sold' as const })), ...sawn.map((mm) => ({ mm, had: 'sawn' as const }))];
}

/**
 * Sizes for the image as it was measured, those that hold first, then by what they lose and show; none while its shape is not
 * told. One that leaves too little gap in the measured frame comes after those that fit, one that does not go in last.
 */
export function offeredSizes(inputs: JobInputs, context: PlanContext): OfferedSize[] {
  const { image } = paintedImage(inputs, context);
  if (!image) return [];
  const { rules, tape } = context;
  const priorities = prioritiesOf(inputs.brief.placing);
  const mean = meanSides(image.corners);
  const filled = bestFace(image, priorities);
  const sold = profileOf(rules, inputs.bars.profile)
    .pairs.map(({ mm }) => mm)
    .sort((a, b) => a - b);
  const framed = faceForRebate(inputs, context);
  const across = lengthsNear(mean.widthMm, filled.widthMm, framed && framed.widthMm, sold, tape.stepMm);
  const down = lengthsNear(mean.heightMm, filled.heightMm, framed && framed.heightMm, sold, tape.stepMm);
  const folds = faceOnFolds(inputs.cloth.found, mean, filled);
  const rebate = planRebate(inputs, context);
  const bulkMm = bulkOf(inputs, rules);
  const lips = everySide((side) => inputs.brief.rebate.lip[side]?.mm ?? 0);
  const offer = (widthMm: number, heightMm: number, had: Pick<OfferedSize, 'across' | 'down' | 'onFolds'>): OfferedSize => {
    const face = { widthMm, heightMm };
    const registration = register(image, face, priorities, linesOf(inputs));
    const fit = rebate?.kind === 'measured' ? rebateFit(rebate.plan.opening, { ...face, bulkMm }) : null;
    const hidden = fit && hiddenOfFace(hiddenBy(lips, fit), bulkMm);
    let offMm2 = 0;
    const sides = everySide((side) => {
      const points = registration.outline[side];
      const long = isLevel(side) ? widthMm : heightMm;
      let [lostMm, shownMm] = [0, 0];
      points.forEach((point, index) => {
        const along = points.length > 1 ? index / (points.length - 1) : 0;
        const lip = hidden ? Math.max(0, hidden[side].first + along * (hidden[side].second - hidden[side].first)) : 0;
        const outside = outsideFace(side, point, face);
        const [lost, shown] = [Math.max(0, outside), Math.max(0, -outside - lip)];
        lostMm = Math.max(lostMm, lost);
        shownMm = Math.max(shownMm, shown);
        offMm2 += ((lost + shown) * long) / points.length;
      });
      return { lostMm, shownMm };
    });
    const shows = SIDES.some((side) => sides[side].shownMm > UNSEEN_MM);
    return {
      ...face,
      ...had,
      registration,
      sides,
      offMm2,
      holds: !registration.wrapsTooFar && (priorities.mayBare || !shows),
      gapMm: fit && fit.leastMm,
    };
  };
  const all = across.flatMap((one) =>
    down.map((other) => offer(one.mm, other.mm, { across: one.had, down: other.had, onFolds: false })),
  );
  if (folds) {
    const [widthMm, heightMm] = [roundToStep(folds.widthMm, tape.stepMm), roundToStep(folds.heightMm, tape.stepMm)];
    const had = (mm: number): HadAs => (sold.includes(mm) ? 'sold' : 'sawn');
    all.push(offer(widthMm, heightMm, { across: had(widthMm), down: had(heightMm), onFolds: true }));
  }
  const wanted = assumed(rules, 'rebateGap');
  const rank = ({ gapMm, holds }: OfferedSize) =>
    gapMm !== null && gapMm < 0 ? 3 : !holds ? 2 : gapMm !== null && gapMm < wanted ? 1 : 0;
  const ranked = all.sort((a, b) => rank(a) - rank(b) || a.offMm2 - b.offMm2);
  // Bars that nobody has to saw are always told of, and where the old folds would lie.
  const ready = ranked.find((one) => one.across === 'sold' && one.down === 'sold');
  return ranked.filter((one, index) => index < MOST_OFFERED || one === ready || one.onFolds);
}
