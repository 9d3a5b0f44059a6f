/* The frame that a canvas goes into, round its face: the step where it was measured to lie, the lip over it, the gaps. */
import type { RebatePlan } from '@/core/painting/planRebate';
import { middleOf } from '@/core/painting/rebateFit';
import { CORNERS, type Corner } from '@/core/frame/square/corners';
import { SIDES, type Side, isLevel } from '@/core/job/sides';
import { type Tape, printFine } from '@/core/units/length';
import { type Mark, type Point, point, rectangle } from '../scene/scene';

/** How wide the frame is drawn round the step, mm: nobody measured it. */
const FRAME_MM = 28;

/** The widest gap, mm: as far as the step lies from the face. */
export const widestGap = ({ fit }: RebatePlan): number =>
  Math.max(0, ...SIDES.flatMap((side) => [fit.gaps[side].first, fit.gaps[side].second]));

/** The corners of the opening as seen from the face, whose top left is at 0, 0. */
function openingRound({ opening, fit, canvas }: RebatePlan): Record<Corner, Point> {
  const turn = (-fit.turnDegrees * Math.PI) / 180;
  const { x: middleX, y: middleY } = middleOf(opening);
  return Object.fromEntries(
    CORNERS.map((corner) => {
      const [x, y] = [opening[corner].x - middleX - fit.shift.x, opening[corner].y - middleY - fit.shift.y];
      return [
        corner,
        point(
          canvas.widthMm / 2 + x * Math.cos(turn) - y * Math.sin(turn),
          canvas.heightMm / 2 + x * Math.sin(turn) + y * Math.cos(turn),
        ),
      ];
    }),
  ) as Record<Corner, Point>;
}

/** Corners moved outwards by as much on every side. */
const outwards = ({ topLeft, topRight, bottomRight, bottomLeft }: Record<Corner, Point>, by: number): Point[] => [
  point(topLeft.x - by, topLeft.y - by),
  point(topRight.x + by, topRight.y - by),
  point(bottomRight.x + by, bottomRight.y + by),
  point(bottomLeft.x - by, bottomLeft.y + by),
];

/** How wide a plate is drawn, mm. */
const PLATE_MM = 16;

/** Frame, step, lip and plates to scale, with the lesser gap of each side beside it. */
export function rebateMarks(plan: RebatePlan, tape: Tape): Mark[] {
  const step = openingRound(plan);
  const { widthMm: w, heightMm: h } = plan.canvas;
  const at: Record<Side, Point> = {
    top: point(w / 4, 0),
    right: point(w, h / 4),
    bottom: point(w / 4, h),
    left: point(0, h / 4),
  };
  return [
    { kind: 'area', points: outwards(step, FRAME_MM), role: 'timber' },
    { kind: 'area', points: outwards(step, 0), role: 'edge' },
    // What holds it: from the frame over the edge of the bar.
    ...SIDES.flatMap((side) =>
      plan.plates[side].map((along): Mark => {
        const middle = { top: point(along, 0), bottom: point(along, h), left: point(0, along), right: point(w, along) }[side];
        const [wide, high] = isLevel(side) ? [PLATE_MM, FRAME_MM] : [FRAME_MM, PLATE_MM];
        return { kind: 'area', points: rectangle(middle.x - wide / 2, middle.y - high / 2, wide, high), role: 'metal' };
      }),
    ),
    ...SIDES.map((side): Mark => {
      const { first, second } = plan.fit.gaps[side];
      const out = side === 'top' || side === 'left' ? -1 : 1;
      return {
        kind: 'words',
        at: at[side],
        text: `gap ${printFine(Math.min(first, second), tape)}`,
        // Beside an upright side it stands on the face: outside run the dimensions.
        anchor: isLevel(side) ? 'middle' : out < 0 ? 'start' : 'end',
        role: 'measure',
        shiftPx: isLevel(side) ? point(0, out < 0 ? -8 : 16) : point(-out * 12, 4),
      };
    }),
  ];
}

/** The edge of the lip over the face, as far as it was read: drawn upon the cloth. */
export function lipMarks(plan: RebatePlan): Mark[] {
  const { widthMm: w, heightMm: h } = plan.canvas;
  const line: Record<Side, (first: number, second: number) => Point[]> = {
    top: (first, second) => [point(0, first), point(w, second)],
    bottom: (first, second) => [point(0, h - first), point(w, h - second)],
    left: (first, second) => [point(first, 0), point(second, h)],
    right: (first, second) => [point(w - first, 0), point(w - second, h)],
  };
  return SIDES.flatMap((side): Mark[] => {
    const hidden = plan.hiddenFace[side];
    return hidden ? [{ kind: 'path', points: line[side](hidden.first, hidden.second), role: 'guide' }] : [];
  });
}
