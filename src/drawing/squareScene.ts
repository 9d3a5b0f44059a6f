/*
 * The frame as it was measured: deviations drawn larger by a stated factor over the rectangle it should be, the
 * longer diagonal marked with where to press, and the tries so far as a trail of the top left corner.
 */
import type { Side } from '@/core/job/sides';
import { FRONT_WORDS, type SideWords } from '@/core/job/sideWords';
import { CORNERS, type Corner } from '@/core/frame/square/corners';
import { type Quadrilateral } from '@/core/frame/square/quadrilateral';
import { finerTape, printFine, printLength } from '@/core/units/length';
import { frameMarks } from './frameMarks';
import { type Mark, type Point, type Scene, point, rectangle } from './scene/scene';
import { type SceneInput, faceBounds, frameShape } from './stageScenes';

type Places = Record<Corner, Point>;

export function squareScene({ inputs, plan, tape, say = FRONT_WORDS }: SceneInput): Scene {
  const shape = frameShape({ inputs, plan });
  const { widthMm: w, heightMm: h } = shape;
  const { result, press, tries } = plan.square;
  const measured = result.kind === 'fitted' ? result : null;
  const square: Places = { topLeft: point(0, 0), topRight: point(w, 0), bottomRight: point(w, h), bottomLeft: point(0, h) };
  const found = measured && exaggerated(measured, square, plan.square.limitMm / 2, Math.max(w, h) * 0.05);
  // Marked to be pressed only where the difference is more than its use allows, as the verdict says.
  const longer = measured && Math.abs(measured.difference.value) > plan.square.limitMm ? (press?.longer ?? null) : null;
  const corners = found?.places ?? square;
  const outline: Mark[] = found
    ? [
        { kind: 'path', points: [...rectangle(0, 0, w, h), point(0, 0)], role: 'guide' },
        ...barsThrough(corners, shape.profile.widthMm),
      ]
    : frameMarks({ ...shape, bracesUpright: [], bracesLevel: [] });
  return {
    bounds: faceBounds(inputs, found ? Math.max(w, h) * 0.06 : 0),
    padPx: { top: 36, right: 78, bottom: 66, left: 78 },
    marks: [
      ...outline,
      ...diagonalMarks(corners, inputs.square, longer, plan.square.targetDiagonalMm, { tape, say }),
      ...sideMarks(corners, inputs.square, tape, say),
      ...cornerNames(corners, say),
      ...pressMarks(corners, longer, Math.max(w, h) * 0.09),
      ...(found && tries.length > 1 ? trail(tries, found.factor, w, h) : []),
      ...(found ? [note(w, h, found.factor)] : []),
    ],
    says: measured
      ? `The frame as measured, the diagonals ${printFine(Math.abs(measured.difference.value), tape)} apart${tries.length > 1 ? `, try ${tries.length}` : ''}.`
      : 'The frame, still to be measured.',
  };
}

const note = (w: number, h: number, factor: number): Mark => ({
  kind: 'words',
  at: point(w / 2, h),
  text: `deviations drawn ${factor} × larger`,
  anchor: 'middle',
  role: 'quiet',
  shiftPx: point(0, 42),
});

const middleOf = (places: Places) =>
  point(
    CORNERS.reduce((sum, corner) => sum + places[corner].x, 0) / 4,
    CORNERS.reduce((sum, corner) => sum + places[corner].y, 0) / 4,
  );

/**
 * Corners moved off the rectangle, larger by a round factor so that the greatest move is about `mostMm`. A frame far
 * within its limit, `fineMm`, is not blown up to look bad.
 */
function exaggerated(
  { corners }: Quadrilateral,
  square: Places,
  fineMm: number,
  mostMm: number,
): { places: Places; factor: number } {
  const real = Object.fromEntries(CORNERS.map((name) => [name, point(corners[name].x, -corners[name].y)])) as Places;
  const [middle, wanted] = [middleOf(real), middleOf(square)];
  const move = (name: Corner) =>
    point(real[name].x - middle.x - square[name].x + wanted.x, real[name].y - middle.y - square[name].y + wanted.y);
  const worst = Math.max(...CORNERS.map((name) => Math.hypot(move(name).x, move(name).y)), fineMm, 0.2);
  const factor = [100, 50, 20, 10, 5, 2].find((one) => one <= mostMm / worst) ?? 1;
  const places = Object.fromEntries(
    CORNERS.map((name) => [name, point(square[name].x + move(name).x * factor, square[name].y + move(name).y * factor)]),
  ) as Places;
  return { places, factor };
}

/** The four bars drawn through racked corners, mitred. */
function barsThrough(places: Places, barMm: number): Mark[] {
  const centre = middleOf(places);
  const inner = (at: Point) => point(at.x + Math.sign(centre.x - at.x) * barMm, at.y + Math.sign(centre.y - at.y) * barMm);
  const bar = (a: Corner, b: Corner): Mark => ({
    kind: 'area',
    points: [places[a], places[b], inner(places[b]), inner(places[a])],
    role: 'timber',
  });
  return [
    bar('topLeft', 'topRight'),
    bar('bottomLeft', 'bottomRight'),
    bar('topLeft', 'bottomLeft'),
    bar('topRight', 'bottomRight'),
  ];
}

function diagonalMarks(
  { topLeft, topRight, bottomRight, bottomLeft }: Places,
  square: SceneInput['inputs']['square'],
  longer: 'down' | 'up' | null,
  targetMm: number,
  { tape, say }: { tape: SceneInput['tape']; say: SideWords },
): Mark[] {
  const role = (name: 'down' | 'up') => (longer === name ? 'stop' : 'measure');
  const along = (a: Point, b: Point, t: number) => point(a.x + (b.x - a.x) * t, a.y + (b.y - a.y) * t);
  const target = printLength(targetMm, finerTape(tape));
  const words = (a: Point, b: Point, name: 'down' | 'up', t: number): Mark[] => [
    { kind: 'path', points: [a, b], role: role(name) },
    {
      kind: 'words',
      at: along(a, b, t),
      text: square[name] ? printLength(square[name].mm, finerTape(tape)) : `${say.seen(name)} ? should read ${target}`,
      anchor: 'middle',
      role: role(name),
      strong: true,
      shiftPx: point(0, -12),
    },
  ];
  // One above the other, so that they never meet, however narrow the frame.
  return [...words(topLeft, bottomRight, 'down', 0.28), ...words(topRight, bottomLeft, 'up', 0.72)];
}

/** Every corner by its name, outside the frame. */
const cornerNames = (places: Places, say: SideWords): Mark[] =>
  CORNERS.map((corner) => {
    const [atTop, atLeft] = [corner.startsWith('top'), corner.endsWith('Left')];
    return {
      kind: 'words',
      at: places[corner],
      text: say.corner(corner),
      anchor: atLeft ? 'end' : 'start',
      role: 'quiet',
      shiftPx: point(atLeft ? -14 : 14, atTop ? -14 : 24),
    };
  });

function sideMarks(
  { topLeft, topRight, bottomRight, bottomLeft }: Places,
  square: SceneInput['inputs']['square'],
  tape: SceneInput['tape'],
  say: SideWords,
): Mark[] {
  const text = (name: Side) => `${say.side(name)} ${square[name] ? printLength(square[name].mm, finerTape(tape)) : '?'}`;
  return [
    { kind: 'dimension', from: topLeft, to: topRight, offPx: 20, text: text('top') },
    { kind: 'dimension', from: topRight, to: bottomRight, offPx: 20, text: text('right') },
    { kind: 'dimension', from: bottomRight, to: bottomLeft, offPx: 20, text: text('bottom') },
    { kind: 'dimension', from: bottomLeft, to: topLeft, offPx: 20, text: text('left') },
  ];
}

/** Two arrows that press the ends of the longer diagonal together. */
function pressMarks(places: Places, longer: 'down' | 'up' | null, lengthMm: number): Mark[] {
  if (!longer) return [];
  const [a, b] = longer === 'down' ? [places.topLeft, places.bottomRight] : [places.topRight, places.bottomLeft];
  const whole = Math.hypot(b.x - a.x, b.y - a.y);
  const unit = point((b.x - a.x) / whole, (b.y - a.y) / whole);
  const away = (at: Point, sign: 1 | -1, far: number) => point(at.x - sign * unit.x * far, at.y - sign * unit.y * far);
  return [
    { kind: 'arrow', from: away(a, 1, lengthMm), to: away(a, 1, lengthMm * 0.15), role: 'stop' },
    { kind: 'arrow', from: away(b, -1, lengthMm), to: away(b, -1, lengthMm * 0.15), role: 'stop' },
  ];
}

/** The path to square: how far the top stood aside at each try, numbered, above a tick that marks square. */
function trail(tries: { slideMm: number }[], factor: number, w: number, h: number): Mark[] {
  const y = h * 0.2;
  const rise = (h * 0.14) / Math.max(2, tries.length - 1);
  const at = ({ slideMm }: { slideMm: number }, index: number) => point(w / 2 - (slideMm / 2) * factor, y + rise * index);
  const points = tries.map(at);
  const numbers = points.map((place, index): Mark => ({
    kind: 'words',
    at: place,
    text: `try ${index + 1}`,
    anchor: 'start',
    role: index === tries.length - 1 ? 'measure' : 'quiet',
    strong: index === tries.length - 1,
    shiftPx: point(9, 0),
  }));
  const steps = points.slice(1).map((place, index): Mark => ({ kind: 'arrow', from: points[index]!, to: place, role: 'quiet' }));
  return [
    { kind: 'path', points: [point(w / 2, y - rise / 2), point(w / 2, y + rise * (tries.length - 0.5))], role: 'guide' },
    { kind: 'words', at: point(w / 2, y - rise / 2), text: 'square', anchor: 'middle', role: 'quiet', shiftPx: point(0, -8) },
    ...steps,
    ...numbers,
  ];
}
