/* What is seen of a canvas in its frame, side by side and to scale: step, lip with its slip, gap, and where the image begins. */
import { UNSEEN_MM } from '@/core/cloth/registration';
import { FRONT_WORDS } from '@/core/job/sideWords';
import { SIDES } from '@/core/job/sides';
import type { FramingWay } from '@/core/painting/framingWays';
import { type Tape, printFine } from '@/core/units/length';
import { type Mark, type Scene, point, rectangle } from '../scene/scene';

const WALL_MM = 6;
const BEYOND_MM = 6;

/** One row a side, the step at its left; the canvas and its image below, the lip over them above. */
export function sightScene(way: FramingWay, tape: Tape): Scene {
  const { sight, at, slipMm } = way;
  const reach = Math.max(...SIDES.map((side) => Math.max(sight.lips[side], 0) + at.seen[side])) + BEYOND_MM;
  const high = (reach + WALL_MM) / 6;
  const rows = SIDES.flatMap((side, index): Mark[] => {
    const y = index * high * 1.5;
    const lip = sight.lips[side];
    const gap = Math.max(0, Math.min(at.gaps[side].first, at.gaps[side].second));
    const seen = at.seen[side];
    const image = seen > UNSEEN_MM ? lip + seen : Math.max(gap, lip - at.hidden[side]);
    const words =
      seen > UNSEEN_MM ? `${printFine(seen, tape)} shows` : `hides ${printFine(Math.max(0, at.hidden[side]), tape)} of it`;
    return [
      { kind: 'area', points: rectangle(gap, y + high / 2, reach - gap, high / 2), role: 'cloth' },
      { kind: 'area', points: rectangle(image, y + high / 2, reach - image, high / 2), role: 'face' },
      ...(seen > UNSEEN_MM
        ? [{ kind: 'area' as const, points: rectangle(lip, y + high / 2, seen, high / 2), role: 'barred' as const }]
        : []),
      { kind: 'area', points: rectangle(-WALL_MM, y, WALL_MM, high), role: 'edge' },
      { kind: 'area', points: rectangle(0, y, Math.max(0, lip - slipMm[side]), high / 2), role: 'edge' },
      ...(slipMm[side] > 0
        ? [{ kind: 'area' as const, points: rectangle(lip - slipMm[side], y, slipMm[side], high / 2), role: 'timber' as const }]
        : []),
      { kind: 'path', points: [point(lip, y), point(lip, y + high)], role: seen > UNSEEN_MM ? 'stop' : 'guide' },
      {
        kind: 'words',
        at: point(-WALL_MM, y + high / 2),
        text: FRONT_WORDS.side(side),
        anchor: 'end',
        role: 'measure',
        shiftPx: point(-8, 4),
      },
      {
        kind: 'words',
        at: point(reach, y + high / 2),
        text: words,
        anchor: 'start',
        role: seen > UNSEEN_MM ? 'stop' : 'measure',
        shiftPx: point(8, 4),
      },
    ];
  });
  const shown = SIDES.filter((side) => at.seen[side] > UNSEEN_MM).map((side) => FRONT_WORDS.side(side));
  return {
    bounds: { minX: -WALL_MM, minY: 0, maxX: reach, maxY: high * 5.5 },
    padPx: { top: 6, right: 104, bottom: 6, left: 52 },
    marks: rows,
    says: `The lip over the canvas at each side: ${shown.length === 0 ? 'nothing but the image shows' : `more than the image shows at ${shown.join(', ')}`}.`,
  };
}
