/*
 * A corner of the frame on the bench, back up, seen from outside the corner: how far the fold is at a step. Drawn for
 * the corner whose end lies at the right hand and mirrored for the other two, by one rule, so that no corner can be
 * folded the wrong way round.
 */
import type { CornerFold, FoldStep, SeamFaces } from '@/core/cloth/cornerFolds';
import type { CornerPattern } from '@/core/cloth/cornerTemplate';
import { type Corner, DIAGONAL_ENDS } from '@/core/frame/square/corners';
import type { SideWords } from '@/core/job/sideWords';
import { flapsOf } from '@/core/stages/cloth/planFold';
import { type Mark, type Point, type Role, type Scene, point } from '../scene/scene';

/** Whether the end lies at the left hand of somebody who stands before this corner of a frame lying back up. */
export function endAtLeft(corner: Corner, seams: SeamFaces): boolean {
  return DIAGONAL_ENDS[seams === 'topBottom' ? 'up' : 'down'].includes(corner);
}

interface Step {
  fold: CornerFold;
  shows: FoldStep['shows'];
  /** Depth over the edge, width of the bar on the back, cloth on the back, mm. */
  depthMm: number;
  barMm: number;
  returnMm: number;
  pattern: CornerPattern | null;
}

/** x inward along the end, y inward along the side, z up from the face. */
type Solid = readonly [x: number, y: number, z: number];

const [C, S] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)];
const project = ([x, y, z]: Solid): Point => point((x - y) * C, -(x + y) * S - z);

/** Length of bar drawn, mm. */
const LONG = 130;
/** Cloth drawn beyond the edges while it lies flat, mm. */
const MOST_FLAT = 60;

/** @param say how its two sides are called, for whoever looks at it */
export function cornerStepScene(step: Step, corner: Corner, seams: SeamFaces, say: SideWords): Scene {
  const mirrored = endAtLeft(corner, seams);
  const { side, end } = flapsOf(corner, seams);
  const put = (solid: Solid): Point => {
    const at = project(solid);
    return mirrored ? point(-at.x, at.y) : at;
  };
  const area = (role: Role, ...points: Solid[]): Mark => ({ kind: 'area', points: points.map(put), role });
  const line = (role: Role, ...points: Solid[]): Mark => ({ kind: 'path', points: points.map(put), role });
  const words = (text: string, at: Solid): Mark => ({ kind: 'words', at: put(at), text, anchor: 'middle', role: 'quiet' });
  const marks = [...frame(step, area), ...clothAt(step, area, line)];
  const { depthMm: d } = step;
  return {
    bounds: boundsOf(marks),
    padPx: { top: 8, right: 10, bottom: 20, left: 10 },
    marks: [...marks, words(say.side(side), [0, LONG * 0.8, d / 2]), words(say.side(end), [LONG * 0.8, 0, d / 2])],
    says: `The ${say.side(end)} and ${say.side(side)} edges at a corner, back up: ${SHOWS[step.shows]}.`,
  };
}

const SHOWS: Record<FoldStep['shows'], string> = {
  flat: 'the cloth lies flat',
  cut: 'the spare cloth is cut off',
  sideUp: 'the side flap is up, the corner stands out',
  ear: 'the corner is creased from the face corner',
  tucked: 'the corner lies on the end',
  endUp: 'the end flap is over it',
};

type Draw = (role: Role, ...points: Solid[]) => Mark;

/** Back and outer edges of the two bars, mitred. */
function frame({ depthMm: d, barMm: b }: Step, area: Draw): Mark[] {
  return [
    area('timber', [0, 0, d], [0, LONG, d], [b, LONG, d], [b, b, d]),
    area('timber', [0, 0, d], [LONG, 0, d], [LONG, b, d], [b, b, d]),
    area('brace', [0, 0, 0], [0, LONG, 0], [0, LONG, d], [0, 0, d]),
    area('brace', [0, 0, 0], [LONG, 0, 0], [LONG, 0, d], [0, 0, d]),
  ];
}

function clothAt(step: Step, area: Draw, line: Draw): Mark[] {
  const { shows, depthMm: d, pattern } = step;
  const far = Math.min(MOST_FLAT, d + step.returnMm);
  const flatSide = area('cloth', [0, 0, 0], [0, LONG, 0], [-far, LONG, 0], [-far, 0, 0]);
  const flatEnd = area('cloth', [0, 0, 0], [LONG, 0, 0], [LONG, -far, 0], [0, -far, 0]);
  const corner = flatCorner(pattern, far);
  // While flat the corner cloth is the square beyond both; with the side up it stands in the plane of the side.
  const lying = area('cloth', ...corner.map(([u, v]): Solid => [-u, -v, 0]));
  const standing = area('cloth', ...corner.map(([u, v]): Solid => [0, -v, u]));
  const sideUp = [area('cloth', [0, 0, 0], [0, LONG, 0], [0, LONG, d], [0, 0, d]), returned(step, area, 'side')];
  const cuts = pattern ? [line('cutLine', ...newEdge(pattern, far).map(([u, v]): Solid => [-u, -v, 0]))] : [];
  switch (shows) {
    case 'flat':
      return [flatEnd, lying, flatSide, line('fold', [0, 0, 0], [-far, -far, 0])];
    case 'cut':
      return [flatEnd, lying, flatSide, ...cuts];
    case 'sideUp':
      return [flatEnd, standing, ...sideUp];
    case 'ear':
      return [flatEnd, standing, ...sideUp, line('measure', [0, 0, 0], [0, -far, far])];
    case 'tucked':
      return [...sideUp, ...ears(step, area), flatEnd];
    case 'endUp':
      return [
        ...sideUp,
        area('cloth', [0, 0, 0], [LONG, 0, 0], [LONG, 0, d], [0, 0, d]),
        returned(step, area, 'end'),
        line('cutLine', [0, 0, 0], [0, 0, d]),
        ...seams(step, line),
      ];
  }
}

/** The cloth of a flap that lies on the back; a templated one ends in its mitre. */
function returned({ depthMm: d, returnMm: r, fold }: Step, area: Draw, which: 'side' | 'end'): Mark {
  const mitred = fold.cut === 'template';
  const inner = mitred ? r : 0;
  return which === 'side'
    ? area('returnBand', [0, 0, d], [0, LONG, d], [r, LONG, d], [r, inner, d])
    : area('returnBand', [0, 0, d], [LONG, 0, d], [LONG, r, d], [inner, r, d]);
}

/** The square of cloth beyond both flaps, or what a pattern leaves of it. */
const flatCorner = (pattern: CornerPattern | null, far: number): [number, number][] =>
  pattern
    ? [[0, 0], ...newEdge(pattern, far)]
    : [
        [0, 0],
        [far, 0],
        [far, far],
        [0, far],
      ];

const newEdge = ({ edge }: CornerPattern, far: number): [number, number][] => {
  const inside = edge
    .filter(({ u, v }) => u >= 0 && v >= 0)
    .map(({ u, v }): [number, number] => [Math.min(u, far), Math.min(v, far)]);
  return inside;
};

/** How far a fold that is pleated on both sides lies over each at the back edge, mm; null where the cloth goes one way alone. */
function pleatWidth({ creases }: Step['fold'], depthMm: number): number | null {
  const onSide = Math.max(...creases.map(([, folded]) => -folded));
  return onSide > 0 ? depthMm * Math.tan((onSide * Math.PI) / 180) : null;
}

/** The corner cloth folded round the arris on to the end, as far as the depth. */
function ears({ fold, depthMm: d }: Step, area: Draw): Mark[] {
  const wide = pleatWidth(fold, d);
  if (wide !== null) {
    return [area('tab', [0, 0, 0], [wide, 0, d], [0, 0, d]), area('tab', [0, 0, 0], [0, wide, d], [0, 0, d])];
  }
  if (fold.cut === 'template') return [area('tab', [0, 0, 0], [12, 0, 12], [12, 0, d], [0, 0, d])];
  return [area('tab', [0, 0, 0], [d, 0, d], [0, 0, d])];
}

/** What is seen of a fold that is done, beside the seam on the arris. */
function seams({ fold, depthMm: d, returnMm: r }: Step, line: Draw): Mark[] {
  const wide = pleatWidth(fold, d);
  if (wide !== null)
    return [line('fold', [0, 0, 0], [wide, 0, d]), line('fold', [0, 0, 0], [0, wide, d]), line('cutLine', [0, 0, d], [r, r, d])];
  if (fold.cut === 'template') return [line('cutLine', [0, 0, d], [r, r, d])];
  return [line('cutLine', [0, 0, d], [0, r, d])];
}

function boundsOf(marks: readonly Mark[]): Scene['bounds'] {
  const points = marks.flatMap((mark) => (mark.kind === 'area' || mark.kind === 'path' ? mark.points : []));
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return { minX: Math.min(...xs), minY: Math.min(...ys), maxX: Math.max(...xs), maxY: Math.max(...ys) };
}
