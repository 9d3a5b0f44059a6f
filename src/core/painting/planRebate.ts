/* The frame that a canvas goes into, as it was measured, and how the canvas lies in it. */
import { CORNERS, type Corner, type Point2, TAPE_NAMES } from '../frame/square/corners';
import { type Quadrilateral, type QuadrilateralResult, fitQuadrilateral } from '../frame/square/quadrilateral';
import { contradicts } from '../frame/square/readingDoubts';
import { NO_GAPS } from '../frame/square/readings';
import { type HouseRules, assumed } from '../house/houseRules';
import { JOINTS } from '../frame/joints';
import { foldLayers, usedFold } from '../cloth/usedFold';
import { fabricOf, profileOf } from '../house/materials';
import { EDGES, byId } from '../house/schools';
import type { JobInputs } from '../job/job';
import { SIDES, type Side, everySide, isLevel } from '../job/sides';
import { once } from '../onDemand';
import type { Reading } from '../log/logEntry';
import { reading } from '../log/reading';
import type { PlanContext } from '../stages/planContext';
import { allCorners, openCorners } from '../tension/openCorners';
import { type Length, roundToStep } from '../units/length';
import {
  type CanvasToFit,
  type RebateFit,
  hiddenBy,
  hiddenOfFace,
  keysRoom,
  leastGap,
  rectangleOf,
  rebateFit,
} from './rebateFit';
import type { Around, Sight } from './sightForms';
import { canvasDepth } from './canvasDepth';
import { framePlates } from './framePlates';
import type { RebateInputs } from './rebateInputs';

export interface RebatePlan {
  opening: Record<Corner, Point2>;
  /** No diagonal was read: it is taken for square. */
  takenForSquare: boolean;
  canvas: CanvasToFit;
  fit: RebateFit;
  /** What the lip hides at each end of the canvas with its cloth, and of the face of the bars; null at sides whose lip was not read. */
  hidden: Record<Side, Around[Side] | null>;
  hiddenFace: Record<Side, Around[Side] | null>;
  /** Where plates or clips stand along each side, mm; none while nobody said what holds it. */
  plates: Record<Side, number[]>;
  /** Null where the corners do not open. */
  keyed: KeyedToTheEnd | null;
}

/** The canvas with its corners opened to their end, in the same opening. */
export interface KeyedToTheEnd {
  grows: { widthMm: number; heightMm: number };
  fit: RebateFit;
  /** How far every corner may be opened, both ways alike, before a gap is less than keys must leave; null where one is. */
  cornerMm: number | null;
}

/** What the readings of a rebate give: nothing yet, a contradiction, or a plan; beside it what is fitted to them. */
export type MeasuredRebate =
  | { kind: 'missing' }
  | { kind: 'impossible'; fitted: Quadrilateral | null }
  | { kind: 'measured'; fitted: Quadrilateral | null; plan: RebatePlan };

const mean = (...read: (Length | null)[]): number | null => {
  const there = read.flatMap((one) => (one ? [one.mm] : []));
  return there.length === 0 ? null : there.reduce((sum, mm) => sum + mm, 0) / there.length;
};

/** How thick the cloth lies once round the edge, and how much more the folded corners stand out at the ends of each side, mm. */
export function clothAround({ brief, bars, cloth }: Pick<JobInputs, 'brief' | 'bars' | 'cloth'>, rules: HouseRules) {
  const { thicknessMm } = fabricOf(rules, cloth.fabric);
  const folded =
    (foldLayers(usedFold({ brief, cloth }), canvasDepth(profileOf(rules, bars.profile), thicknessMm).bodyMm).edge - 1) *
    thicknessMm;
  const corners = everySide((side) => {
    const mm = isLevel(side) === (cloth.seams === 'topBottom') ? folded : 0;
    return { first: mm, second: mm };
  });
  return { thicknessMm, corners };
}

/** How far the cloth stands out beyond the bars at the ends of each side: once round every edge, and the folds of the corners. */
export function bulkOf(inputs: Pick<JobInputs, 'brief' | 'bars' | 'cloth'>, rules: HouseRules): Around {
  const { thicknessMm, corners } = clothAround(inputs, rules);
  return everySide((side) => ({ first: thicknessMm + corners[side].first, second: thicknessMm + corners[side].second }));
}

/** What the corners of a job add across and down when all are opened to their end, mm; null where they do not open. */
export function wholeGrowth({ brief, bars }: Pick<JobInputs, 'brief' | 'bars'>, rules: HouseRules) {
  if (byId(JOINTS, bars.joint).opener === null) return null;
  const { widthMm, heightMm } = openCorners(
    allCorners(assumed(rules, 'keyEnd')),
    { widthMm: brief.width.mm, heightMm: brief.height.mm },
    [1, 1],
  );
  return { widthMm, heightMm };
}

/** A canvas grown by its keys. */
export const grownBy = (canvas: CanvasToFit, grows: { widthMm: number; heightMm: number }): CanvasToFit => ({
  ...canvas,
  widthMm: canvas.widthMm + grows.widthMm,
  heightMm: canvas.heightMm + grows.heightMm,
});

type Opening =
  | { kind: 'missing' }
  | { kind: 'impossible'; fitted: Quadrilateral | null }
  | { kind: 'read'; fitted: Quadrilateral | null; corners: Record<Corner, Point2> };

function openingOf(rebate: RebateInputs, rules: HouseRules): Opening {
  const [widthMm, heightMm] = [mean(rebate.top, rebate.bottom), mean(rebate.left, rebate.right)];
  if (widthMm === null || heightMm === null) return { kind: 'missing' };
  const read = Object.fromEntries(TAPE_NAMES.map((name) => [name, rebate[name]?.mm ?? null])) as Record<
    (typeof TAPE_NAMES)[number],
    number | null
  >;
  const fit: QuadrilateralResult = fitQuadrilateral(
    read,
    NO_GAPS,
    { widthMm, heightMm },
    // Nothing pairs the sides of an old frame: what is not read is hardly known.
    { tapeMm: assumed(rules, 'tapePrecision'), pairMm: 5, nominalMm: 20, gapMm: 1, bladeMm: 300 },
  );
  if (fit.kind === 'impossible') return { kind: 'impossible', fitted: null };
  if (fit.kind === 'fitted') {
    if (contradicts(fit.agreement)) return { kind: 'impossible', fitted: fit };
    const corners = Object.fromEntries(
      CORNERS.map((corner) => [corner, { x: fit.corners[corner].x, y: -fit.corners[corner].y }]),
    ) as Record<Corner, Point2>;
    return { kind: 'read', fitted: fit, corners };
  }
  // The narrower of two widths counts where nothing tells how they lie to each other.
  const [width, height] = [
    Math.min(rebate.top?.mm ?? Infinity, rebate.bottom?.mm ?? Infinity),
    Math.min(rebate.left?.mm ?? Infinity, rebate.right?.mm ?? Infinity),
  ];
  const corners = {
    topLeft: { x: 0, y: 0 },
    topRight: { x: width, y: 0 },
    bottomRight: { x: width, y: height },
    bottomLeft: { x: 0, y: height },
  };
  return { kind: 'read', fitted: null, corners };
}

/** How the canvas lies in the frame it goes into; null where it goes into none. */
export function planRebate(inputs: JobInputs, { rules }: PlanContext): MeasuredRebate | null {
  const { brief } = inputs;
  if (!byId(EDGES, brief.edges).inRebate) return null;
  const opening = openingOf(brief.rebate, rules);
  if (opening.kind !== 'read') return opening;
  const canvas: CanvasToFit = { widthMm: brief.width.mm, heightMm: brief.height.mm, bulkMm: bulkOf(inputs, rules) };
  const fit = rebateFit(opening.corners, canvas);
  const lips = everySide((side) => brief.rebate.lip[side]?.mm ?? 0);
  const hidden = hiddenBy(lips, fit);
  const hiddenFace = hiddenOfFace(hidden, canvas.bulkMm);
  // Many ask where it lies, few how far it may grow, which is worth a search.
  const keyed = once((): KeyedToTheEnd | null => {
    const grows = wholeGrowth(inputs, rules);
    return (
      grows && { grows, fit: rebateFit(opening.corners, grownBy(canvas, grows)), cornerMm: keysRoom(opening.corners, canvas) }
    );
  });
  return {
    kind: 'measured',
    fitted: opening.fitted,
    plan: {
      opening: opening.corners,
      takenForSquare: opening.fitted === null,
      canvas,
      fit,
      hidden: everySide((side) => (brief.rebate.lip[side] ? hidden[side] : null)),
      hiddenFace: everySide((side) => (brief.rebate.lip[side] ? hiddenFace[side] : null)),
      plates: brief.rebate.fixing === 'notKnown' ? everySide(() => []) : framePlates(inputs, rules),
      get keyed() {
        return keyed();
      },
    },
  };
}

/**
 * What is needed to say what is seen of a canvas in its frame; null until every lip is read.
 *
 * @param corners the image’s corners as seen from the face’s, mm; null where nobody measured it: it is taken to go to the edge
 */
export function sightOf(
  { opening, canvas }: RebatePlan,
  inputs: JobInputs,
  rules: HouseRules,
  corners: Record<Corner, Point2> | null,
): Sight | null {
  const { lip } = inputs.brief.rebate;
  if (SIDES.some((side) => lip[side] === null)) return null;
  const around = clothAround(inputs, rules);
  const face = rectangleOf(canvas.widthMm, canvas.heightMm);
  const outside = rectangleOf(canvas.widthMm, canvas.heightMm, around.thicknessMm);
  const image = corners
    ? (Object.fromEntries(
        CORNERS.map((corner) => [corner, { x: face[corner].x + corners[corner].x, y: face[corner].y + corners[corner].y }]),
      ) as Record<Corner, Point2>)
    : outside;
  return { opening, lips: everySide((side) => lip[side]!.mm), canvas: outside, bulkMm: around.corners, image };
}

/** The room between canvas and rebate, in all, each way: as measured, else as it is planned. */
export function rebateRoom(inputs: JobInputs, context: PlanContext): { mm: number; measured: boolean } {
  const rebate = planRebate(inputs, context);
  return rebate?.kind === 'measured'
    ? { mm: Math.max(0, 2 * rebate.plan.fit.leastMm), measured: true }
    : { mm: inputs.brief.rebateClearance.mm, measured: false };
}

/**
 * What is left in the frame once the canvas has grown, mm; below 0 it binds. In a measured frame it is the narrowest gap, laid
 * anew as well as can be; else the clearance that is planned, less what it grows. Null where it goes into no frame.
 */
export function leftOnceGrown(
  inputs: JobInputs,
  context: PlanContext,
  grows: { widthMm: number; heightMm: number },
): { mm: number; measured: boolean } | null {
  const rebate = planRebate(inputs, context);
  if (rebate === null) return null;
  if (rebate.kind === 'measured')
    return { mm: leastGap(rebate.plan.opening, grownBy(rebate.plan.canvas, grows)), measured: true };
  return { mm: inputs.brief.rebateClearance.mm - Math.max(grows.widthMm, grows.heightMm), measured: false };
}

const sum = (one: { across: number; down: number }, more: { across: number; down: number }) => ({
  across: one.across + more.across,
  down: one.down + more.down,
});

/** An opening that takes more than this off a face is no frame for it. */
const MOST_LESS_MM = 100;

/**
 * The face that leaves the planned clearance in the rebate as measured, to the step of the tape; null while it is not measured.
 */
export function faceForRebate(inputs: JobInputs, context: PlanContext): { widthMm: number; heightMm: number } | null {
  const rebate = planRebate(inputs, context);
  if (rebate?.kind !== 'measured') return null;
  const { opening, canvas } = rebate.plan;
  const wanted = inputs.brief.rebateClearance.mm / 2;
  const least = (less: { across: number; down: number }) =>
    leastGap(opening, { ...canvas, widthMm: less.across, heightMm: less.down });
  // From the smallest of the opening inwards until every gap is as wide as it should be: both ways alike.
  const across = Math.min(opening.topRight.x - opening.topLeft.x, opening.bottomRight.x - opening.bottomLeft.x);
  const down = Math.min(opening.bottomLeft.y - opening.topLeft.y, opening.bottomRight.y - opening.topRight.y);
  const { stepMm } = context.tape;
  for (let less = 0; less <= MOST_LESS_MM; less += stepMm) {
    const face = { across: roundToStep(across - less, stepMm, 'down'), down: roundToStep(down - less, stepMm, 'down') };
    if (least(face) < wanted - 1e-6) continue;
    // Folded corners ask for more one way than the other: each way is given back what it did not need.
    const given = (one: { across: number; down: number }, more: { across: number; down: number }) => {
      let held = one;
      for (let next = sum(held, more); least(next) >= wanted - 1e-6; next = sum(held, more)) held = next;
      return held;
    };
    const { across: widthMm, down: heightMm } = given(given(face, { across: stepMm, down: 0 }), { across: 0, down: stepMm });
    return { widthMm, heightMm };
  }
  return null;
}

/** What was read of the frame, for the log. */
export function rebateReadings({ brief: { edges, rebate } }: JobInputs, rules: HouseRules): Reading[] {
  if (!byId(EDGES, edges).inRebate) return [];
  const precision = assumed(rules, 'tapePrecision');
  const tape = (quantity: 'rebate' | 'lip' | 'rebateDepth', of: string, length: Length | null): Reading[] =>
    length ? [reading(quantity, length.mm, 'mm', { of, precision, tool: 'tape' })] : [];
  return [
    ...TAPE_NAMES.flatMap((name) => tape('rebate', name, rebate[name])),
    ...tape('rebateDepth', '', rebate.depth),
    ...SIDES.flatMap((side) => tape('lip', side, rebate.lip[side])),
  ];
}
