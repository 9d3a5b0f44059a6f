import type { EndMargins } from '../cloth/centring';
import { type FaceSize, type OfferedFace, bestFace, offeredFaces } from '../cloth/bestFace';
import { type Fixing, fixingFor } from '../cloth/marginLeft';
import { type PaintedImage, type Priorities, type Registration, register } from '../cloth/registration';
import { CORNERS, type Corner, type Point2, TAPE_NAMES } from '../frame/square/corners';
import { type QuadrilateralResult, fitQuadrilateral } from '../frame/square/quadrilateral';
import { contradicts } from '../frame/square/readingDoubts';
import { NO_GAPS } from '../frame/square/readings';
import { type HouseRules, assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import type { PlacingInputs, SideEnds } from './paintingInputs';
import type { Reading } from '../log/logEntry';
import { reading } from '../log/reading';
import type { ReadingId } from '../log/readingKinds';
import { profileOf } from '../house/materials';
import { SIDES, type Side, everySide } from '../job/sides';
import type { PlanContext } from '../stages/planContext';
import { type Length, roundToStep } from '../units/length';
import { faceOnFolds, foldLines } from './foundLines';
import { tapeReadings } from '../stages/square/planSquare';

export interface PaintedSide {
  side: Side;
  /** Cloth beyond the edge of the face at the two ends, mm; null where it was not read. */
  beyondMm: readonly [first: number | null, second: number | null];
  /** The lesser of them. */
  leastMm: number | null;
  fixing: Fixing | null;
  /** Held on the edge of the bar, by tacks that are seen. */
  onEdge: boolean;
}

export interface PaintingPlan {
  image: QuadrilateralResult;
  /** Null until a diagonal of the image is read, and where its readings contradict each other. */
  registration: Registration | null;
  sides: PaintedSide[];
}

export const prioritiesOf = ({ keep, mostWrap, mayBare, way }: PlacingInputs): Priorities => ({
  keep,
  mostWrapMm: mostWrap.mm,
  mayBare,
  way,
});

/** The old folds that the face is laid on; null where they are not measured, or others go before them. */
export const linesOf = ({ brief, cloth }: JobInputs) => (brief.placing.onFolds ? foldLines(cloth.found) : null);

/** The mean of what was read of two edges, mm; a guess where neither was. */
function meanRead(one: Length | null, other: Length | null, guess: Length): number {
  const read = [one, other].filter((edge) => edge !== null);
  return read.length === 0 ? guess.mm : read.reduce((sum, { mm }) => sum + mm, 0) / read.length;
}

/** The painted image as measured; null while its readings do not tell its shape, or contradict each other. */
export function paintedImage(
  inputs: JobInputs,
  { rules }: PlanContext,
): { fit: QuadrilateralResult; image: PaintedImage | null } {
  const { brief, cloth } = inputs;
  const { painting } = cloth;
  const fit = fitQuadrilateral(
    tapeReadings(painting),
    NO_GAPS,
    // The image is as large as it was read, whatever face is tried on it.
    {
      widthMm: meanRead(painting.top, painting.bottom, brief.width),
      heightMm: meanRead(painting.left, painting.right, brief.height),
    },
    // Nothing pairs the edges of an image: what is not read is hardly known.
    { tapeMm: assumed(rules, 'tapePrecision'), pairMm: 20, nominalMm: 60, gapMm: 1, bladeMm: 300 },
  );
  if (fit.kind !== 'fitted' || contradicts(fit.agreement)) return { fit, image: null };
  const down = ({ x, y }: Point2): Point2 => ({ x, y: -y });
  const corners = Object.fromEntries(CORNERS.map((corner) => [corner, down(fit.corners[corner])])) as Record<Corner, Point2>;
  const bow = Object.fromEntries(
    SIDES.map((side) => {
      const one = painting.bow[side];
      return [side, one ? one.by.mm * (one.outward ? 1 : -1) : 0];
    }),
  ) as PaintedImage['bow'];
  return { fit, image: { corners, bow } };
}

/** Where the frame lies on a painted image, and what each side then has to be held by. */
export function planPainting(inputs: JobInputs, context: PlanContext): PaintingPlan {
  const { brief, cloth } = inputs;
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const { fit, image } = paintedImage(inputs, context);
  const registration = image && register(image, face, prioritiesOf(brief.placing), linesOf(inputs));
  const profile = profileOf(context.rules, inputs.bars.profile);
  const sides = SIDES.map((side): PaintedSide => {
    const { first, second } = cloth.left[side];
    const round = registration?.sides[side];
    const beyondMm = [
      first ? first.mm + (round?.firstMm ?? 0) : null,
      second ? second.mm + (round?.secondMm ?? 0) : null,
    ] as const;
    const read = beyondMm.filter((one) => one !== null);
    const leastMm = read.length > 0 ? Math.min(...read) : null;
    const fixing = leastMm === null ? null : fixingFor(leastMm, profile, context.rules);
    return { side, beyondMm, leastMm, fixing, onEdge: fixing === 'edge' || fixing === 'edgeClamped' };
  });
  return { image: fit, registration, sides };
}

/** Mean width and height between corners, mm. */
export function meanSides({ topLeft, topRight, bottomRight, bottomLeft }: Record<Corner, Point2>): FaceSize {
  const apart = (one: Point2, other: Point2) => Math.hypot(one.x - other.x, one.y - other.y);
  return {
    widthMm: (apart(topLeft, topRight) + apart(bottomLeft, bottomRight)) / 2,
    heightMm: (apart(topLeft, bottomLeft) + apart(topRight, bottomRight)) / 2,
  };
}

export interface SizeRow extends OfferedFace {
  registration: Registration;
}

/** Faces the image fills, when the size is still free. */
export function sizeRows(inputs: JobInputs, context: PlanContext): SizeRow[] {
  const { image } = paintedImage(inputs, context);
  if (!image) return [];
  const priorities = prioritiesOf(inputs.brief.placing);
  const pairs = profileOf(context.rules, inputs.bars.profile).pairs.map(({ mm }) => mm);
  const filled = bestFace(image, priorities);
  const folds = faceOnFolds(inputs.cloth.found, meanSides(image.corners), filled);
  const step = context.tape.stepMm;
  const onFolds: OfferedFace[] = folds
    ? [{ widthMm: roundToStep(folds.widthMm, step), heightMm: roundToStep(folds.heightMm, step), why: 'folds' }]
    : [];
  return [...onFolds, ...offeredFaces(filled, pairs, step)].map((face) => ({
    ...face,
    registration: register(image, face, priorities, linesOf(inputs)),
  }));
}

export interface WouldHold {
  /** The largest face to the tape’s step that holds under the same limits, or null. */
  face: FaceSize | null;
  /** What would have to go round on the face as it is, mm; null where that alone is not enough. */
  wrapMm: number | null;
  /** Bare cloth that would show on the face as it is, mm; null where that alone is not enough or may be already. */
  bareMm: number | null;
}

/** What would hold instead of a place that does not. */
export function whatWouldHold(inputs: JobInputs, context: PlanContext): WouldHold {
  const { image } = paintedImage(inputs, context);
  if (!image) return { face: null, wrapMm: null, bareMm: null };
  const priorities = prioritiesOf(inputs.brief.placing);
  const face = { widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm };
  const freed = register(image, face, { ...priorities, mostWrapMm: image.corners.topRight.x - image.corners.topLeft.x });
  const bared = register(image, face, { ...priorities, mayBare: true });
  return {
    face: sizeRows(inputs, context).find(({ registration }) => registration.holds) ?? null,
    wrapMm: freed.baresTooMuch ? null : freed.mostWrapMm,
    bareMm: priorities.mayBare || bared.wrapsTooFar ? null : bared.mostBareMm,
  };
}

/** Other priorities beside the chosen ones. */
export const OTHER_PRIORITIES: readonly { id: string; name: string; keep: readonly Side[] }[] = [
  { id: 'usual', name: 'top and sides', keep: ['top', 'left', 'right'] },
  { id: 'all', name: 'all four alike', keep: SIDES },
  { id: 'level', name: 'top and bottom', keep: ['top', 'bottom'] },
  { id: 'upright', name: 'both sides', keep: ['left', 'right'] },
  { id: 'top', name: 'the top alone', keep: ['top'] },
  { id: 'bottom', name: 'the bottom alone', keep: ['bottom'] },
];

export interface TradeRow {
  id: string;
  name: string;
  keep: readonly Side[];
  registration: Registration;
}

/** The same image and face under other priorities: what each of them trades. */
export function tradeRows(inputs: JobInputs, context: PlanContext): TradeRow[] {
  const { image } = paintedImage(inputs, context);
  if (!image) return [];
  const face = { widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm };
  return OTHER_PRIORITIES.map((row) => ({
    ...row,
    registration: register(image, face, { ...prioritiesOf(inputs.brief.placing), keep: row.keep }),
  }));
}

/** What the eight margins should be before the first fastener: as planned, or where the painting was placed. */
export const wantedMargins = (painting: PaintingPlan | null, planned: Record<Side, { totalMm: number }>): EndMargins =>
  everySide((side) =>
    painting
      ? painting.sides.find((one) => one.side === side)!.beyondMm
      : ([planned[side].totalMm, planned[side].totalMm] as const),
  );

/** Margins as typed, mm. */
export const laidMargins = (laid: Record<Side, SideEnds>): EndMargins =>
  everySide((side) => [laid[side].first?.mm ?? null, laid[side].second?.mm ?? null]);

const tapeReading = (quantity: ReadingId, of: string, mm: number, rules: HouseRules): Reading =>
  reading(quantity, mm, 'mm', { of, precision: assumed(rules, 'tapePrecision'), tool: 'tape' });

/** Margins measured with the frame on the cloth. */
export const laidReadings = (laid: Record<Side, SideEnds>, rules: HouseRules): Reading[] => endReadings('margin', laid, rules);

const endReadings = (quantity: ReadingId, ends: Record<Side, SideEnds>, rules: HouseRules): Reading[] =>
  SIDES.flatMap((side) =>
    (['first', 'second'] as const).flatMap((end) => {
      const one = ends[side][end];
      return one ? [tapeReading(quantity, `${side} ${end}`, one.mm, rules)] : [];
    }),
  );

/** What was read of a painting: its image and the cloth left. */
export function paintingReadings({ cloth: { painting, left, found } }: JobInputs, rules: HouseRules): Reading[] {
  const image = TAPE_NAMES.flatMap((name) => (painting[name] ? [tapeReading('image', name, painting[name].mm, rules)] : []));
  const bows = SIDES.flatMap((side) => {
    const bow = painting.bow[side];
    return bow ? [tapeReading('edgeBow', `${side} ${bow.outward ? 'outward' : 'inward'}`, bow.by.mm, rules)] : [];
  });
  const folds = SIDES.flatMap((side) => {
    const fold = found.fold[side];
    return fold ? [tapeReading('oldFold', `${side} ${fold.within ? 'within' : 'outside'}`, fold.by.mm, rules)] : [];
  });
  const holes = SIDES.flatMap((side) => {
    const row = found.holes[side];
    return (['first', 'apart'] as const).flatMap((what) => {
      const one = row[what];
      return one ? [tapeReading('oldHoles', `${side} ${what}`, one.mm, rules)] : [];
    });
  });
  const torn = found.torn
    .filter(({ from, to }) => from.mm !== to.mm)
    .flatMap(({ side, from, to }) => [
      tapeReading('tornEdge', `${side} from`, from.mm, rules),
      tapeReading('tornEdge', `${side} to`, to.mm, rules),
    ]);
  return [...image, ...bows, ...endReadings('marginLeft', left, rules), ...folds, ...holes, ...torn];
}
