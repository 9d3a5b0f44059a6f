/*
 * The corner template at true size, as it lies on the back of the cloth: edge to cut along, folds, tabs, a 100 mm
 * check bar. One scene for the screen, SVG, DXF and PDF. This is the one place that puts the flat corner into its
 * corner of the canvas, so left and right cannot be mixed up.
 */
import { FRONT_WORDS, type SideWords } from '@/core/job/sideWords';
import type { SeamFaces } from '@/core/cloth/cornerFolds';
import type { CornerPattern } from '@/core/cloth/cornerTemplate';
import type { FlatPoint } from '@/core/cloth/foldedCorner';
import { type Corner } from '@/core/frame/square/corners';
import { flapsOf } from '@/core/stages/cloth/planFold';
import { type Tape, printFine } from '@/core/units/length';
import { type Mark, type Point, type Scene, point } from '../scene/scene';

/** Cloth of the face and of the flaps shown beside the corner, mm. */
export const BESIDE_MM = 55;
export const CHECK_BAR_MM = 100;

/**
 * Puts a point of the flat corner where it lies on the back of the cloth: as the cloth lies face down, the canvas's
 * top up, right and left as one looks at the back.
 */
export function atCorner(corner: Corner, seams: SeamFaces): (flat: FlatPoint) => Point {
  const { side } = flapsOf(corner, seams);
  const sideIsUpright = side === 'left' || side === 'right';
  // Seen from the back the left side lies at the right.
  const right = corner.endsWith('Left') ? 1 : -1;
  const up = corner.startsWith('top') ? -1 : 1;
  return ({ u, v }) => (sideIsUpright ? point(right * u, up * v) : point(right * v, up * u));
}

/**
 * The pattern of one corner, true to size.
 *
 * @param on a small drawing on the screen does without the check bar and the long words
 * @param say how sides and corners are called; on paper as from the front
 */
export function cornerTemplateScene(
  pattern: CornerPattern,
  corner: Corner,
  seams: SeamFaces,
  tape: Tape,
  on: 'paper' | 'screen' = 'paper',
  say: SideWords = FRONT_WORDS,
): Scene {
  const put = atCorner(corner, seams);
  const { side, end } = flapsOf(corner, seams);
  const { depthMm, sideMm, endMm, edge, slit, folds, tabs } = pattern;
  const near = (value: number) => Math.max(-BESIDE_MM, value);
  const outline = [{ u: -BESIDE_MM, v: -BESIDE_MM }, { u: sideMm, v: -BESIDE_MM }, ...edge, { u: -BESIDE_MM, v: endMm }];
  const shape = outline.map(put);
  const [xs, ys] = [shape.map(({ x }) => x), shape.map(({ y }) => y)];
  const bounds = { minX: Math.min(...xs), minY: Math.min(...ys), maxX: Math.max(...xs), maxY: Math.max(...ys) };
  const words = (u: number, v: number, text: string, strong = false): Mark => ({
    kind: 'words',
    at: put({ u, v }),
    text,
    anchor: 'middle',
    role: 'quiet',
    strong,
  });
  const barY = bounds.maxY + 16;
  const barX = (bounds.minX + bounds.maxX - CHECK_BAR_MM) / 2;
  return {
    bounds: on === 'paper' ? { ...bounds, maxY: barY + 10 } : bounds,
    padPx: { top: 24, right: 24, bottom: 24, left: 24 },
    marks: [
      { kind: 'area', points: shape, role: 'cloth' },
      ...tabs.map((tab): Mark => ({ kind: 'area', points: tab.map(put), role: 'tab' })),
      ...folds.map(([from, to]): Mark => ({
        kind: 'path',
        points: [put({ u: near(from.u), v: near(from.v) }), put({ u: near(to.u), v: near(to.v) })],
        role: 'fold',
      })),
      { kind: 'path', points: edge.map(put), role: 'cutLine' },
      ...(slit ? [{ kind: 'path', points: slit.map(put), role: 'cutLine' } as const] : []),
      words(-BESIDE_MM / 2, -BESIDE_MM / 2, on === 'paper' ? `face, ${say.corner(corner)}` : 'face', true),
      words(depthMm / 2, -BESIDE_MM / 2, say.side(side)),
      words(-BESIDE_MM / 2, depthMm / 2, say.side(end)),
      words((depthMm + sideMm) / 2, -BESIDE_MM * 0.75, 'back'),
      words(-BESIDE_MM * 0.6, (depthMm + endMm) / 2, 'back'),
      ...(on === 'paper' ? checkBar(barX, barY) : []),
    ],
    says: `Template of the ${say.corner(corner)} corner on the back of the cloth: ${say.side(side)} ${printFine(sideMm, tape)}, ${say.side(end)} ${printFine(endMm, tape)}, edge ${printFine(depthMm, tape)}; full lines are cut, broken lines are folded.`,
  };
}

/** A bar of 100 mm, from outer edge to outer edge of its end marks, which are drawn half a millimetre wide. */
const checkBar = (x: number, y: number): Mark[] => [
  { kind: 'path', points: [point(x, y), point(x + CHECK_BAR_MM, y)], role: 'cutLine' },
  ...[0.25, CHECK_BAR_MM - 0.25].map((at): Mark => ({
    kind: 'path',
    points: [point(x + at, y - 3), point(x + at, y + 3)],
    role: 'cutLine',
  })),
  {
    kind: 'words',
    at: point(x + CHECK_BAR_MM / 2, y + 6),
    text: 'measures 100 mm when printed true',
    anchor: 'middle',
    role: 'quiet',
  },
];
