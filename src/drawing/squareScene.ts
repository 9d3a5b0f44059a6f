/*
 * The frame as the tape found it: deviations drawn larger by a stated factor over the rectangle it should be,
 * the longer diagonal marked with where to press.
 */
import { type Squareness, rackedCorners } from '@/core/frame/squareness';
import { finerTape, printFine, printLength } from '@/core/units/length';
import { frameMarks } from './frameMarks';
import { type Mark, type Point, type Scene, point, rectangle } from './scene';
import { type SceneInput, faceBounds, frameShape } from './stageScenes';

interface Corners {
  tl: Point;
  tr: Point;
  br: Point;
  bl: Point;
}

export function squareScene({ inputs, plan, tape }: SceneInput): Scene {
  const shape = frameShape(inputs);
  const { widthMm: w, heightMm: h } = shape;
  const { result } = plan.square;
  const measured = result.kind === 'measured' ? result : null;
  const found = measured && exaggerated(measured, w, h);
  const corners: Corners = found?.corners ?? { tl: point(0, 0), tr: point(w, 0), br: point(w, h), bl: point(0, h) };
  const outline: Mark[] = found
    ? [
        { kind: 'path', points: [...rectangle(0, 0, w, h), point(0, 0)], role: 'guide' },
        ...barsThrough(corners, shape.profile.widthMm),
      ]
    : frameMarks({ ...shape, bracesUpright: 0, bracesLevel: 0 });
  const beyond = Math.max(w, h) * 0.06;
  const note: Mark[] = found
    ? [
        {
          kind: 'words',
          at: point(w / 2, h),
          text: `deviations drawn ${found.factor} × larger`,
          anchor: 'middle',
          role: 'quiet',
          shiftPx: point(0, 42),
        },
      ]
    : [];
  return {
    bounds: faceBounds(inputs, found ? beyond : 0),
    padPx: { top: 36, right: 56, bottom: 66, left: 56 },
    marks: [
      ...outline,
      ...diagonalMarks(corners, inputs.square, measured, tape),
      ...sideMarks(corners, inputs.square, tape),
      ...pressMarks(corners, measured, Math.max(w, h) * 0.09),
      ...note,
    ],
    says: measured
      ? `The frame as measured, the diagonals ${printFine(Math.abs(measured.differenceMm), tape)} apart.`
      : 'The frame, still to be measured.',
  };
}

/** Corners moved off the rectangle, larger by a round factor so that the greatest move is about a twentieth of the frame. */
function exaggerated(measured: Squareness, w: number, h: number): { corners: Corners; factor: number } {
  const { bottomLeft, bottomRight, topLeft, topRight } = rackedCorners(measured);
  const middle = point(
    (bottomLeft.x + bottomRight.x + topLeft.x + topRight.x) / 4,
    (bottomLeft.y + bottomRight.y + topLeft.y + topRight.y) / 4,
  );
  const off = (at: Point, x: number, y: number) => point(at.x - middle.x + w / 2 - x, middle.y - at.y + h / 2 - y);
  const moves = { tl: off(topLeft, 0, 0), tr: off(topRight, w, 0), br: off(bottomRight, w, h), bl: off(bottomLeft, 0, h) };
  const worst = Math.max(...Object.values(moves).map(({ x, y }) => Math.hypot(x, y)), 0.2);
  const wished = (Math.max(w, h) * 0.05) / worst;
  const factor = [100, 50, 20, 10, 5, 2].find((one) => one <= wished) ?? 1;
  const moved = (name: keyof Corners, x: number, y: number) => point(x + moves[name].x * factor, y + moves[name].y * factor);
  return { factor, corners: { tl: moved('tl', 0, 0), tr: moved('tr', w, 0), br: moved('br', w, h), bl: moved('bl', 0, h) } };
}

/** The four bars drawn through racked corners, mitred. */
function barsThrough({ tl, tr, br, bl }: Corners, barMm: number): Mark[] {
  const centre = point((tl.x + tr.x + br.x + bl.x) / 4, (tl.y + tr.y + br.y + bl.y) / 4);
  const inner = (at: Point) => point(at.x + Math.sign(centre.x - at.x) * barMm, at.y + Math.sign(centre.y - at.y) * barMm);
  const bar = (a: Point, b: Point): Mark => ({ kind: 'area', points: [a, b, inner(b), inner(a)], role: 'timber' });
  return [bar(tl, tr), bar(bl, br), bar(tl, bl), bar(tr, br)];
}

function diagonalMarks(
  { tl, tr, br, bl }: Corners,
  square: SceneInput['inputs']['square'],
  measured: Squareness | null,
  tape: SceneInput['tape'],
): Mark[] {
  const role = (name: 'down' | 'up') => (measured?.longer === name ? 'stop' : 'measure');
  const along = (a: Point, b: Point, t: number) => point(a.x + (b.x - a.x) * t, a.y + (b.y - a.y) * t);
  const words = (a: Point, b: Point, name: 'down' | 'up', text: string): Mark[] => [
    { kind: 'path', points: [a, b], role: role(name) },
    { kind: 'words', at: along(a, b, 0.3), text, anchor: 'middle', role: role(name), strong: true, shiftPx: point(0, -12) },
  ];
  return [
    ...words(tl, br, 'down', square.down ? printLength(square.down.mm, finerTape(tape)) : 'down ?'),
    ...words(tr, bl, 'up', square.up ? printLength(square.up.mm, finerTape(tape)) : 'up ?'),
  ];
}

function sideMarks({ tl, tr, br, bl }: Corners, square: SceneInput['inputs']['square'], tape: SceneInput['tape']): Mark[] {
  const text = (name: 'top' | 'right' | 'bottom' | 'left') =>
    square[name] ? printLength(square[name].mm, finerTape(tape)) : `${name} ?`;
  return [
    { kind: 'dimension', from: tl, to: tr, offPx: 20, text: text('top') },
    { kind: 'dimension', from: tr, to: br, offPx: 20, text: text('right') },
    { kind: 'dimension', from: br, to: bl, offPx: 20, text: text('bottom') },
    { kind: 'dimension', from: bl, to: tl, offPx: 20, text: text('left') },
  ];
}

/** Two arrows that press the ends of the longer diagonal together. */
function pressMarks({ tl, tr, br, bl }: Corners, measured: Squareness | null, lengthMm: number): Mark[] {
  if (!measured?.longer || Math.abs(measured.differenceMm) < 0.25) return [];
  const [a, b] = measured.longer === 'down' ? [tl, br] : [tr, bl];
  const whole = Math.hypot(b.x - a.x, b.y - a.y);
  const unit = point((b.x - a.x) / whole, (b.y - a.y) / whole);
  const away = (at: Point, sign: 1 | -1, far: number) => point(at.x - sign * unit.x * far, at.y - sign * unit.y * far);
  return [
    { kind: 'arrow', from: away(a, 1, lengthMm), to: away(a, 1, lengthMm * 0.15), role: 'stop' },
    { kind: 'arrow', from: away(b, -1, lengthMm), to: away(b, -1, lengthMm * 0.15), role: 'stop' },
  ];
}
