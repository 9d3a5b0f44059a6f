/* The ways to frame a canvas in the frame as it was measured, best first; each is tried by the calculation that judges it. */
import { SIDE_ENDS, UNSEEN_MM } from '../cloth/registration';
import { CORNERS, type Corner, type Point2 } from '../frame/square/corners';
import { assumed } from '../house/houseRules';
import { fabricOf } from '../house/materials';
import type { JobInputs } from '../job/job';
import { SIDES, type Side, everySide } from '../job/sides';
import type { PlanContext } from '../stages/planContext';
import { wholeDepth } from './canvasDepth';
import { type RebatePlan, faceForRebate, sightOf } from './planRebate';
import { rectangleOf } from './rebateFit';
import { type AtPlace, atPlace, evenGap, freeSight, packedSight } from './sight';
import { type Place, type Quad, type Sight, type Step, stepOf } from './sightForms';
import { slipWhenPacked, uniformWhenFree } from './slip';

/** What is done to frame or canvas; in the order in which a framer takes them, the least work first. */
export const FRAMING_WAYS = [
  { id: 'free', name: 'Laid in free' },
  { id: 'packed', name: 'Packed all round' },
  { id: 'buildOut', name: 'Packed, with a build-out' },
  { id: 'slip', name: 'Packed, with a slip' },
  { id: 'slipFree', name: 'Free, with a slip' },
  { id: 'eased', name: 'Rebate widened' },
  { id: 'face', name: 'Another face' },
] as const;
export type FramingWayId = (typeof FRAMING_WAYS)[number]['id'];

export interface FramingWay {
  id: FramingWayId;
  /** What is to be made, mm: strips under the lip (build-out, slip), what comes off each step, the other face. */
  slipMm: Record<Side, number>;
  easedMm: number;
  face: { widthMm: number; heightMm: number } | null;
  /** Frame and canvas as they are then, the slip among the lips. */
  sight: Sight;
  /** Where it is held; left free, where its gaps are most even. */
  place: Place;
  /** At that place; left free, the most that its sliding brings about at each side. */
  at: AtPlace;
  seenMm: number;
  hiddenMm: number;
  /** Nothing but the image shows. */
  covers: boolean;
  /** How far the whole stands proud of the back of the frame, its folded corners and a slip counted; null where no depth was read. */
  proudMm: number | null;
}

const NONE = everySide(() => 0);
const most = (of: Record<Side, number>): number => Math.max(...SIDES.map((side) => of[side]));

/** An opening with every step moved out, and lips that end where they ended. */
function eased(sight: Sight, by: number): Sight {
  const at = (corner: Corner): Point2 => {
    const [one, other] = SIDES.filter((side) => SIDE_ENDS[side].includes(corner)).map((side) => stepOf(sight.opening, side)) as [
      Step,
      Step,
    ];
    const [first, second] = [one.from - by, other.from - by];
    const turn = one.normal.x * other.normal.y - one.normal.y * other.normal.x;
    return {
      x: (first * other.normal.y - second * one.normal.y) / turn,
      y: (second * one.normal.x - first * other.normal.x) / turn,
    };
  };
  const opening = Object.fromEntries(CORNERS.map((corner) => [corner, at(corner)])) as Quad;
  return { ...sight, opening, lips: everySide((side) => sight.lips[side] + by) };
}

/** The same image on another face, which is laid about its middle. */
function onFace(sight: Sight, face: { widthMm: number; heightMm: number }, clothMm: number): Sight {
  const wide = sight.canvas.topRight.x - sight.canvas.topLeft.x - 2 * clothMm;
  const high = sight.canvas.bottomLeft.y - sight.canvas.topLeft.y - 2 * clothMm;
  const [right, down] = [(face.widthMm - wide) / 2, (face.heightMm - high) / 2];
  const image = Object.fromEntries(
    CORNERS.map((corner) => [corner, { x: sight.image[corner].x + right, y: sight.image[corner].y + down }]),
  ) as Quad;
  return { ...sight, canvas: rectangleOf(face.widthMm, face.heightMm, clothMm), image };
}

const withSlip = (sight: Sight, slipMm: Record<Side, number>): Sight => ({
  ...sight,
  lips: everySide((side) => sight.lips[side] + slipMm[side]),
});

type Held = Pick<FramingWay, 'sight' | 'place' | 'at' | 'seenMm' | 'hiddenMm'>;

function heldPacked(sight: Sight): Held | null {
  const packed = packedSight(sight);
  if (!packed) return null;
  const at = atPlace(sight, packed.place);
  return { sight, place: packed.place, at, seenMm: most(at.seen), hiddenMm: most(at.hidden) };
}

function leftFree(sight: Sight): Held | null {
  const free = freeSight(sight);
  if (!free) return null;
  const { place } = evenGap(sight);
  return {
    sight,
    place,
    at: { gaps: atPlace(sight, place).gaps, ...free },
    seenMm: most(free.seen),
    hiddenMm: most(free.hidden),
  };
}

/** Slips are cut a little wider than the calculation ends at, mm. */
const WIDER_MM = 0.1;
const cutWider = (widths: Record<Side, number>) => everySide((side) => (widths[side] > 0 ? widths[side] + WIDER_MM : 0));

/**
 * The ways to frame a canvas, those that let nothing but the image show before those that do not, the least work first; none
 * until every lip is read. A way that is not needed is not among them: no slip where nothing shows, no other face where it goes in.
 *
 * @param corners the image’s corners as seen from the face’s, mm; null where nobody measured it: it is taken to go to the edge
 */
export function framingWays(
  plan: RebatePlan,
  inputs: JobInputs,
  context: PlanContext,
  corners: Record<Corner, Point2> | null,
): FramingWay[] {
  const { rules } = context;
  const sight = sightOf(plan, inputs, rules, corners);
  if (!sight) return [];
  const { thicknessMm } = fabricOf(rules, inputs.cloth.fabric);
  const { cornerMm } = wholeDepth(inputs, rules);
  const depth = inputs.brief.rebate.depth?.mm ?? null;
  const way = (id: FramingWayId, held: Held | null, made: Partial<Pick<FramingWay, 'slipMm' | 'easedMm' | 'face'>> = {}) => {
    if (!held) return [];
    const slipMm = made.slipMm ?? NONE;
    const slip = most(slipMm) > 0 ? assumed(rules, 'slipThick') : 0;
    const proudMm = depth === null ? null : cornerMm + slip - depth;
    return [{ id, easedMm: 0, face: null, ...made, slipMm, ...held, covers: held.seenMm <= UNSEEN_MM, proudMm }];
  };
  /** Packed, and where something shows all the same, with the slip that covers it. */
  const covered = (id: FramingWayId, to: Sight, made: Partial<Pick<FramingWay, 'easedMm' | 'face'>>) => {
    const held = heldPacked(to);
    if (!held || held.seenMm <= UNSEEN_MM) return way(id, held, made);
    const slipMm = cutWider(slipWhenPacked(to)!.uniform.widthsMm);
    return way(id, heldPacked(withSlip(to, slipMm)), { ...made, slipMm });
  };
  const packed = heldPacked(sight);
  const free = packed && leftFree(sight);
  const ways: FramingWay[] = [...way('free', free), ...way('packed', packed)];
  if (packed && packed.seenMm > UNSEEN_MM) {
    const { uniform, perSide } = slipWhenPacked(sight)!;
    const [out, all] = [cutWider(perSide.widthsMm), cutWider(uniform.widthsMm)];
    ways.push(...way('buildOut', heldPacked(withSlip(sight, out)), { slipMm: out }));
    ways.push(...way('slip', heldPacked(withSlip(sight, all)), { slipMm: all }));
  }
  if (free && free.seenMm > UNSEEN_MM) {
    const all = cutWider(uniformWhenFree(sight)!.widthsMm);
    ways.push(...way('slipFree', leftFree(withSlip(sight, all)), { slipMm: all }));
  }
  if (!packed) {
    const easedMm = assumed(rules, 'rebateGap') - plan.fit.leastMm;
    ways.push(...covered('eased', eased(sight, easedMm), { easedMm }));
    const face = faceForRebate(inputs, context);
    if (face) ways.push(...covered('face', onFace(sight, face, thicknessMm), { face }));
  }
  return ways.sort((one, other) => Number(other.covers) - Number(one.covers));
}
