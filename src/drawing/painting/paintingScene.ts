/*
 * A painting on its frame: the face, the image as it lies on it with its deviations drawn larger than they are by a
 * stated factor, and the cloth left beyond each edge in its true width.
 */
import { FRONT_WORDS, type SideWords } from '@/core/job/sideWords';
import { SIDE_ENDS, type Registration } from '@/core/cloth/registration';
import { CORNERS, type Corner } from '@/core/frame/square/corners';
import { SIDES, type Side } from '@/core/job/sides';
import type { PaintedSide } from '@/core/painting/planPainting';
import type { FoundInputs } from '@/core/painting/foundInputs';
import { foldsOff, holesOf, tornOnFace } from '@/core/painting/foundLines';
import { type Tape, printFine, printLength } from '@/core/units/length';
import { type Mark, type Point, type Scene, point, rectangle } from '../scene/scene';
import { lipMarks, rebateMarks } from './rebateMarks';
import type { SceneInput } from '../stageScenes';

/** The largest deviation is drawn about this part of the smaller side. */
const SHOWN_PART = 0.05;
const MOST_FACTOR = 60;

/** A round factor that makes a deviation visible, at least 1. */
export function deviationFactor(largestMm: number, smallerSideMm: number): number {
  if (largestMm < 1e-6) return 1;
  const wanted = Math.min(MOST_FACTOR, (SHOWN_PART * smallerSideMm) / largestMm);
  return Math.max(1, [1, 2, 5, 10, 20, 50].findLast((factor) => factor <= wanted) ?? 1);
}

export function paintingScene({ inputs, plan, tape, say = FRONT_WORDS }: SceneInput): Scene {
  const [w, h] = [inputs.brief.width.mm, inputs.brief.height.mm];
  const { sides, registration } = plan.cloth.painting!;
  const beyond = (side: Side) => {
    const found = sides.find((one) => one.side === side)!;
    return Math.max(0, found.leastMm ?? 0);
  };
  const [top, right, bottom, leftMm] = SIDES.map(beyond) as [number, number, number, number];
  const largest = registration ? Math.max(registration.mostWrapMm, registration.mostBareMm) : 0;
  const factor = deviationFactor(largest, Math.min(w, h));
  return {
    bounds: { minX: -leftMm, minY: -top, maxX: w + right, maxY: h + bottom },
    padPx: { top: 48, right: 92, bottom: 74, left: 124 },
    marks: [
      { kind: 'area', points: rectangle(-leftMm, -top, w + leftMm + right, h + top + bottom), role: 'cloth' },
      ...(registration ? imageMarks(registration, [w, h], factor, tape, say) : plainImage(w, h)),
      ...(registration ? foundMarks(inputs.cloth.found, registration, [w, h]) : []),
      ...SIDES.map((side): Mark =>
        marginWords(
          sides.find((one) => one.side === side)!,
          [w, h],
          beyond(side),
          tape,
          say,
        ),
      ),
      {
        kind: 'dimension',
        from: point(w, h + bottom),
        to: point(0, h + bottom),
        offPx: 48,
        text: `face ${printLength(w, tape)}`,
      },
      { kind: 'dimension', from: point(-leftMm, h), to: point(-leftMm, 0), offPx: 100, text: `face ${printLength(h, tape)}` },
    ],
    says: registration
      ? `The image on the face, its deviations drawn ${factor} × larger; the cloth left on each side.`
      : 'The painted cloth with the margin left on each side.',
  };
}

const plainImage = (w: number, h: number): Mark[] => [
  { kind: 'area', points: rectangle(0, 0, w, h), role: 'face' },
  { kind: 'words', at: point(w / 2, h / 2), text: 'painted image', anchor: 'middle', role: 'quiet' },
];

function imageMarks(registration: Registration, [w, h]: [number, number], factor: number, tape: Tape, say: SideWords): Mark[] {
  const drawn = Object.fromEntries(
    SIDES.map((side): [Side, Point[]] => [side, registration.outline[side].map((at, index) => larger(at, side, index / 8))]),
  ) as Record<Side, Point[]>;
  // A point of an edge keeps its place along the face; how far it stands off is drawn larger.
  function larger({ x, y }: Point, side: Side, part: number): Point {
    const [first, second] = SIDE_ENDS[side].map((corner) => registration.corners[corner]);
    const level = side === 'top' || side === 'bottom';
    const along = level ? { x: part * w, y: side === 'top' ? 0 : h } : { x: side === 'left' ? 0 : w, y: part * h };
    const endOff = (of: 'x' | 'y') => (1 - part) * first![of] + part * second![of];
    return point(along.x + factor * (level ? endOff('x') : x - along.x), along.y + factor * (level ? y - along.y : endOff('y')));
  }
  const outline = [
    ...drawn.top,
    ...drawn.right.slice(1),
    ...[...drawn.bottom].reverse().slice(1),
    ...[...drawn.left].reverse().slice(1),
  ];
  return [
    { kind: 'area', points: outline, role: 'face' },
    { kind: 'path', points: [...rectangle(0, 0, w, h), point(0, 0)], role: 'measure' },
    { kind: 'words', at: point(w / 2, h / 2), text: 'painted image', anchor: 'middle', role: 'quiet' },
    {
      kind: 'words',
      at: point(w / 2, h / 2),
      text: `+ goes round, − is bare; drawn ${factor > 1 ? `${factor} × larger` : 'as it is'}`,
      anchor: 'middle',
      role: 'quiet',
      shiftPx: point(0, 18),
    },
    ...CORNERS.flatMap((corner) => cornerWords(corner, registration, [w, h], tape, say)),
  ];
}

const line = (points: Point[], role: 'fold' | 'stop'): Mark => ({ kind: 'path', points, role });

/** How far out of the edge a torn stretch is drawn, mm: as deep as most margins are. */
const TORN_MM = 25;

/** Old folds as lines, old holes as ticks across the edge, torn stretches as what keeps clear, where they lie under this face: as they are, not larger. */
function foundMarks(found: FoundInputs, registration: Registration, [w, h]: [number, number]): Mark[] {
  const folds = foldsOff(found, registration);
  const holes = holesOf(found, registration, { widthMm: w, heightMm: h });
  const at = (side: Side, along: number, outMm: number): Point =>
    ({ top: point(along, -outMm), bottom: point(along, h + outMm), left: point(-outMm, along), right: point(w + outMm, along) })[
      side
    ];
  const torn = tornOnFace(found, registration, { widthMm: w, heightMm: h }).flatMap(({ side, fromMm, toMm }): Mark[] => [
    {
      kind: 'area',
      points: [at(side, fromMm, 0), at(side, toMm, 0), at(side, toMm, TORN_MM), at(side, fromMm, TORN_MM)],
      role: 'barred',
    },
    line([at(side, fromMm, 0), at(side, fromMm, TORN_MM)], 'stop'),
    line([at(side, toMm, 0), at(side, toMm, TORN_MM)], 'stop'),
  ]);
  const rows = SIDES.flatMap((side): Mark[] => {
    const long = side === 'top' || side === 'bottom' ? w : h;
    const fold = folds[side];
    return [
      ...(fold ? [line([at(side, 0, fold.firstMm), at(side, long, fold.secondMm)], 'fold')] : []),
      ...holes[side].map((along) => line([at(side, along, 2), at(side, along, 8)], 'stop')),
    ];
  });
  return [...rows, ...torn];
}

/** How far the image’s corner goes round the face’s two edges, inside the corner: + round, − bare. */
function cornerWords(corner: Corner, { corners }: Registration, [w, h]: [number, number], tape: Tape, say: SideWords): Mark[] {
  const atTop = corner.startsWith('top');
  const atLeft = corner.endsWith('Left');
  const off = corners[corner];
  const words = (edge: string, mm: number) =>
    `${edge} ${Math.abs(mm) < 0.05 ? '0' : `${mm > 0 ? '+' : '−'}${printFine(Math.abs(mm), tape)}`}`;
  const lines = [
    words(say.side(atLeft ? 'left' : 'right'), atLeft ? -off.x : off.x),
    words(atTop ? 'top' : 'bottom', atTop ? -off.y : off.y),
  ];
  return lines.map((text, line): Mark => ({
    kind: 'words',
    at: point(atLeft ? 0 : w, atTop ? 0 : h),
    text,
    anchor: atLeft ? 'start' : 'end',
    role: 'measure',
    strong: true,
    shiftPx: point(atLeft ? 10 : -10, atTop ? 18 + 16 * line : -16 * (2 - line)),
  }));
}

function marginWords(
  { side, leastMm, fixing }: PaintedSide,
  [w, h]: [number, number],
  beyondMm: number,
  tape: Tape,
  say: SideWords,
): Mark {
  const [at, shiftPx, anchor] = {
    top: [point(w / 2, -beyondMm), point(0, -14), 'middle'],
    bottom: [point(w / 2, h + beyondMm), point(0, 24), 'middle'],
    left: [point(-beyondMm, h / 2), point(-12, 0), 'end'],
    right: [point(w + beyondMm, h / 2), point(12, 0), 'start'],
  }[side] as [Point, Point, 'start' | 'middle' | 'end'];
  return {
    kind: 'words',
    at,
    text: leastMm === null ? `${say.side(side)} ?` : `${say.side(side)} ${printLength(leastMm, tape, 'down')}`,
    anchor,
    role: fixing === 'none' || fixing === null ? 'stop' : fixing === 'backByHand' ? 'good' : 'watch',
    strong: true,
    shiftPx,
  };
}

/** The face placed on the image, and the frame it goes into round both where that was measured. */
export function placeScene(input: SceneInput): Scene {
  const placed = paintingScene({ ...input, say: FRONT_WORDS });
  const rebate = input.plan.brief.rebate;
  if (rebate?.kind !== 'measured') return placed;
  const frame = rebateMarks(rebate.plan, input.tape);
  // The frame lies under the cloth that goes round it; how wide the gaps are is read on top.
  const under = frame.filter(({ kind }) => kind === 'area');
  const words = frame.filter(({ kind }) => kind !== 'area');
  return { ...placed, marks: [...under, ...placed.marks, ...lipMarks(rebate.plan), ...words] };
}
