/* A cut through frame and canvas at the side with the least room: lip, step, gap and how deep each of them is, all to scale. */
import type { Profile } from '@/core/frame/profiles';
import type { JobInputs } from '@/core/job/job';
import { FRONT_WORDS } from '@/core/job/sideWords';
import { SIDES, type Side } from '@/core/job/sides';
import type { RebatePlan } from '@/core/painting/planRebate';
import { type Tape, printFine } from '@/core/units/length';
import { type Mark, type Scene, point, rectangle } from '../scene/scene';

/** How the frame is drawn beyond the step and in front of the lip, mm: nobody measured it. */
const WALL_MM = 14;
const LIP_THICK_MM = 4;

/** The end of a side where the least gap is. */
const tightEnd = ({ fit }: RebatePlan, side: Side) => (fit.gaps[side].first <= fit.gaps[side].second ? 'first' : 'second');
const leastGap = (plan: RebatePlan, side: Side): number => plan.fit.gaps[side][tightEnd(plan, side)];

/**
 * The section at the side where the gap is least; the face lies against the lip, the back of the frame downwards.
 *
 * @param plan the measured frame and how the canvas lies in it
 * @param deep of the canvas, its body and where its corners are folded, mm
 */
export function rebateSection(
  { brief }: Pick<JobInputs, 'brief'>,
  plan: RebatePlan,
  profile: Profile,
  deep: { bodyMm: number; cornerMm: number },
  thicknessMm: number,
  tape: Tape,
): Scene {
  const side = SIDES.reduce((least, one) => (leastGap(plan, one) < leastGap(plan, least) ? one : least));
  const gap = Math.max(0, leastGap(plan, side));
  const { widthMm, depthMm, beadMm } = profile;
  const cloth = thicknessMm;
  const lip = brief.rebate.lip[side]?.mm ?? null;
  const depth = brief.rebate.depth?.mm ?? null;
  const { bodyMm: canvasDeep, cornerMm } = deep;
  const back = depth ?? cornerMm;
  // What stands out at the edge, the folds of the corner with it.
  const bulk = plan.canvas.bulkMm[side][tightEnd(plan, side)];
  const bar = gap + bulk;
  // Opened to its end it is laid anew; the side drawn keeps what gap is left there, or goes into the step.
  const keyedGap = plan.keyed && Math.min(plan.keyed.fit.gaps[side].first, plan.keyed.fit.gaps[side].second);
  const keyedLine: Mark[] =
    keyedGap === null
      ? []
      : [
          { kind: 'path', points: [point(keyedGap, canvasDeep), point(keyedGap, 0)], role: keyedGap < 0 ? 'stop' : 'guide' },
          {
            kind: 'words',
            at: point((bar + widthMm) / 2, Math.max(back, cornerMm)),
            text:
              keyedGap < 0
                ? `keyed to its end it binds, by ${printFine(-keyedGap, tape)}`
                : `keyed to its end ${printFine(keyedGap, tape)} is left`,
            anchor: 'middle',
            role: keyedGap < 0 ? 'stop' : 'quiet',
            shiftPx: point(0, 56),
          },
        ];
  const frame = [
    point(-WALL_MM, -LIP_THICK_MM),
    point(lip ?? WALL_MM / 2, -LIP_THICK_MM),
    point(lip ?? WALL_MM / 2, 0),
    point(0, 0),
    point(0, back),
    point(-WALL_MM, back),
  ];
  const proud = depth === null ? null : cornerMm - depth;
  const marks: Mark[] = [
    { kind: 'area', points: frame, role: 'edge' },
    // The folded corner: its layers at the edge and on the back.
    { kind: 'area', points: rectangle(gap, 0, bulk, cornerMm), role: 'cloth' },
    ...(cornerMm > canvasDeep
      ? [
          {
            kind: 'area' as const,
            points: rectangle(gap, canvasDeep, bulk + widthMm / 2, cornerMm - canvasDeep),
            role: 'cloth' as const,
          },
        ]
      : []),
    { kind: 'area', points: rectangle(bar, cloth + beadMm, widthMm, depthMm), role: 'timber' },
    { kind: 'area', points: rectangle(bar, cloth, Math.max(2, widthMm / 6), beadMm), role: 'timber' },
    {
      kind: 'path',
      points: [
        point(bar + widthMm, 0),
        point(bar - cloth, 0),
        point(bar - cloth, canvasDeep),
        point(bar + widthMm / 2, canvasDeep),
      ],
      role: 'measure',
    },
    {
      kind: 'words',
      at: point(gap / 2, Math.max(back, cornerMm)),
      text: `gap ${printFine(gap, tape)}`,
      anchor: 'middle',
      role: 'measure',
      strong: true,
      shiftPx: point(0, 18),
    },
    {
      kind: 'dimension',
      from: point(0, -LIP_THICK_MM),
      to: point(lip ?? WALL_MM / 2, -LIP_THICK_MM),
      offPx: 12,
      text: lip === null ? 'lip ?' : `lip ${printFine(lip, tape)}`,
    },
    {
      kind: 'dimension',
      from: point(-WALL_MM, back),
      to: point(-WALL_MM, 0),
      offPx: 16,
      text: depth === null ? 'depth ?' : printFine(depth, tape),
    },
    {
      kind: 'dimension',
      from: point(bar + widthMm, 0),
      to: point(bar + widthMm, cornerMm),
      offPx: 16,
      text: printFine(cornerMm, tape),
    },
    {
      kind: 'words',
      at: point((bar + widthMm) / 2, Math.max(back, cornerMm)),
      text:
        proud === null
          ? 'depth of the frame not read'
          : proud > 0
            ? `stands ${printFine(proud, tape)} proud of the back`
            : `lies ${printFine(-proud, tape)} within the back`,
      anchor: 'middle',
      role: proud !== null && proud > 0 ? 'watch' : 'quiet',
      shiftPx: point(0, 38),
    },
    ...keyedLine,
  ];
  return {
    bounds: { minX: -WALL_MM, minY: -LIP_THICK_MM, maxX: bar + widthMm, maxY: Math.max(back, cornerMm) },
    padPx: { top: 30, right: 76, bottom: keyedGap === null ? 48 : 66, left: 76 },
    marks,
    says: `A cut through frame and canvas at the ${FRONT_WORDS.side(side)}, where the gap is least.`,
  };
}
