/*
 * The cloth under tension: bands of its mean pull, strokes along the greater and the lesser pull, slack parts hatched, and
 * the force at every fastener as a bar outside the edge, over its pitch, with a line where the mean lies.
 */
import { contours } from 'd3-contour';
import { type EdgePlace, OUTWARDS } from '@/core/fasten/membrane/edgePlaces';
import { placeOnFace } from '@/core/fasten/routeSteps';
import { principal } from '@/core/fasten/membrane/clothMeasures';
import type { MembraneMesh } from '@/core/fasten/membrane/membraneMesh';
import { SIDES, isLevel } from '@/core/job/sides';
import { type Mark, type Point, type Role, type Scene, point, rectangle } from './scene/scene';

export interface TensionInput {
  face: { widthMm: number; heightMm: number };
  mesh: MembraneMesh;
  places: readonly EdgePlace[];
  widths: readonly number[];
  /** Tension at every place and (x, y, shear) in every element, N/m. */
  edgeNPerM: ArrayLike<number>;
  tensionsNPerM: ArrayLike<number>;
  targetNPerM: number;
  /** Place that is worked on. */
  now: number | null;
}

/** Lower bounds of the bands, as parts of the tension aimed at. */
export const TENSION_BANDS = [0, 0.25, 0.5, 0.75, 1, 1.25, 1.5] as const;
const BAND_ROLES: readonly Role[] = ['tension0', 'tension1', 'tension2', 'tension3', 'tension4', 'tension5', 'tension6'];

/** A bar outside the edge at the tension aimed at, as a part of the shorter side; no bar is longer than twice that. */
const BAR_PART = 0.06;
const MOST_BARS = 2.2;
/** Strokes across and down. */
const STROKES = 15;

export function tensionScene(input: TensionInput): Scene {
  const { face, targetNPerM } = input;
  const { widthMm: w, heightMm: h } = face;
  const unit = BAR_PART * Math.min(w, h);
  const room = unit * MOST_BARS;
  return {
    bounds: { minX: -room, minY: -room, maxX: w + room, maxY: h + room },
    padPx: { top: 26, right: 26, bottom: 34, left: 26 },
    marks: [
      { kind: 'area', points: rectangle(0, 0, w, h), role: 'tension0' },
      ...bands(input),
      ...slack(input),
      ...strokes(input),
      { kind: 'path', points: [...rectangle(0, 0, w, h), point(0, 0)], role: 'stroke' },
      ...edgeBars(input, unit),
      ...targetLines(face, unit),
      { kind: 'words', at: point(w / 2, -room), text: 'Top', anchor: 'middle', role: 'quiet', strong: true },
    ],
    says: `The tension of the cloth; the line outside the edge is ${Math.round(targetNPerM)} newtons a metre.`,
  };
}

/** Along a direction of the mesh: lines, and mm of a place counted in elements. */
const along = (lines: Float64Array, counted: number): number => {
  const from = Math.min(lines.length - 2, Math.max(0, Math.floor(counted)));
  return lines[from]! + (lines[from + 1]! - lines[from]!) * (counted - from);
};

function rings({ mesh }: TensionInput, values: number[], threshold: number): Point[][] {
  const { coordinates } = contours()
    .size([mesh.xs.length - 1, mesh.ys.length - 1])
    .contour(values, threshold);
  return coordinates.flatMap((polygon) =>
    polygon.map((ring) => ring.map(([x, y]) => point(along(mesh.xs, x!), along(mesh.ys, y!)))),
  );
}

const eachElementOf = <T>({ tensionsNPerM }: TensionInput, of: (x: number, y: number, shear: number) => T): T[] =>
  Array.from({ length: tensionsNPerM.length / 3 }, (_, index) =>
    of(tensionsNPerM[3 * index]!, tensionsNPerM[3 * index + 1]!, tensionsNPerM[3 * index + 2]!),
  );

function bands(input: TensionInput): Mark[] {
  const values = eachElementOf(input, (x, y) => (x + y) / 2 / input.targetNPerM);
  return TENSION_BANDS.flatMap((from, index): Mark[] =>
    index === 0 ? [] : [{ kind: 'region', rings: rings(input, values, from), role: BAND_ROLES[index]! }],
  );
}

/** Where the lesser pull is under a fifth of the mean, once there is tension at all. */
function slack(input: TensionInput): Mark[] {
  const means = eachElementOf(input, (x, y) => (x + y) / 2);
  const mean = means.reduce((sum, value) => sum + value, 0) / means.length;
  if (mean < 0.05 * input.targetNPerM) return [];
  const values = eachElementOf(input, (x, y, shear) => 0.2 - principal(x, y, shear).minor / mean);
  return [{ kind: 'region', rings: rings(input, values, 0), role: 'slack' }];
}

function strokes(input: TensionInput): Mark[] {
  const { mesh, face, tensionsNPerM, targetNPerM } = input;
  const [across, down] = [mesh.xs.length - 1, mesh.ys.length - 1];
  const cell = Math.max(face.widthMm, face.heightMm) / STROKES;
  const [columns, rows] = [Math.max(2, Math.round(face.widthMm / cell)), Math.max(2, Math.round(face.heightMm / cell))];
  const marks: Mark[] = [];
  for (let column = 0; column < columns; column += 1)
    for (let row = 0; row < rows; row += 1) {
      const at = point(((column + 0.5) * face.widthMm) / columns, ((row + 0.5) * face.heightMm) / rows);
      const element = lineBefore(mesh.ys, at.y, down) * across + lineBefore(mesh.xs, at.x, across);
      const { major, minor, angle } = principal(
        tensionsNPerM[3 * element]!,
        tensionsNPerM[3 * element + 1]!,
        tensionsNPerM[3 * element + 2]!,
      );
      const length = (pull: number) => (cell * 0.44 * Math.min(1.6, Math.max(0, pull / targetNPerM))) / 1.6;
      for (const [pull, turn] of [
        [major, angle],
        [minor, angle + Math.PI / 2],
      ] as const) {
        const half = length(pull);
        if (half < cell * 0.03) continue;
        const by = point(half * Math.cos(turn), half * Math.sin(turn));
        marks.push({ kind: 'path', points: [point(at.x - by.x, at.y - by.y), point(at.x + by.x, at.y + by.y)], role: 'stroke' });
      }
    }
  return marks;
}

const lineBefore = (lines: Float64Array, at: number, count: number): number =>
  Math.min(count - 1, Math.max(0, lines.findIndex((line) => line > at) - 1));

/** Where a place stands on the face, mm. */
export function placePoint({ side, offsetMm }: EdgePlace, face: TensionInput['face']): Point {
  const { xMm, yMm } = placeOnFace(side, offsetMm, face);
  return point(xMm, yMm);
}

function edgeBars({ face, places, widths, edgeNPerM, targetNPerM, now }: TensionInput, unit: number): Mark[] {
  return places.flatMap((place, index): Mark[] => {
    const tension = edgeNPerM[index]!;
    if (tension === 0) return [];
    const at = placePoint(place, face);
    const [x, y] = OUTWARDS[place.side];
    const long = unit * Math.min(MOST_BARS, Math.max(0.06, tension / targetNPerM));
    const half = Math.min(widths[index]! * 0.36, unit * 0.5);
    const [dx, dy] = [half * Math.abs(y), half * Math.abs(x)];
    const points = [
      point(at.x - dx, at.y - dy),
      point(at.x + dx, at.y + dy),
      point(at.x + dx + x * long, at.y + dy + y * long),
      point(at.x - dx + x * long, at.y - dy + y * long),
    ];
    const role: Role = index === now ? 'pullNow' : tension < 0.5 * targetNPerM ? 'pullLow' : 'pull';
    return [{ kind: 'area', points, role }];
  });
}

/** Where a bar of the tension aimed at would end. */
function targetLines({ widthMm: w, heightMm: h }: TensionInput['face'], unit: number): Mark[] {
  return SIDES.map((side): Mark => {
    const [x, y] = OUTWARDS[side];
    const ends = isLevel(side)
      ? [point(0, side === 'top' ? 0 : h), point(w, side === 'top' ? 0 : h)]
      : [point(side === 'left' ? 0 : w, 0), point(side === 'left' ? 0 : w, h)];
    return { kind: 'path', points: ends.map((at) => point(at.x + x * unit, at.y + y * unit)), role: 'guide' };
  });
}
