/*
 * A folded corner as a piecewise isometry, and what can be counted on it. Flat cloth: u beyond the edge of the side
 * flap, v beyond the edge of the end flap, the face corner at 0, 0, mm. Folded: the side and the end of the frame as
 * (a, z), a inward from the arris and z down from the face; the back as (x, y), x inward from the side's outer edge
 * and y inward from the end's. Rays of the corner cloth keep their length and come to lie as the fold's creases say.
 * The end flap lies over all else on the end, the side flap on the side. Derived here.
 */
import type { CornerFold } from './cornerFolds';

export interface FlatPoint {
  u: number;
  v: number;
}

export interface FoldedPoint {
  on: 'face' | 'side' | 'end' | 'back';
  /** a or x, and z or y, mm. */
  p: number;
  q: number;
}

export interface CornerCloth {
  /** From the face to the back, cloth and all, mm. */
  depthMm: number;
  /** What lies beyond the face on the side flap and the end flap, mm. */
  sideMm: number;
  endMm: number;
  /** What is cut away: cloth is there where this says so, within the margins. */
  kept: (point: FlatPoint) => boolean;
}

const DEGREES = 180 / Math.PI;

/** Where a ray of the corner cloth comes to lie, degrees from the arris; below 0 on the side. */
export function foldedAngle(creases: CornerFold['creases'], flatDegrees: number): number {
  const after = Math.max(
    1,
    creases.findIndex(([flat]) => flat >= flatDegrees - 1e-12),
  );
  const [[f0, p0], [f1, p1]] = [creases[after - 1]!, creases[after]!];
  return p0 + ((flatDegrees - f0) * (p1 - p0)) / (f1 - f0);
}

/**
 * Where a point of the flat cloth comes to lie.
 *
 * @example foldedPoint([[0, 0], [90, 90]], { u: 30, v: -50 }, 20) // { on: 'back', p: 10, q: 50 }
 */
export function foldedPoint(creases: CornerFold['creases'], { u, v }: FlatPoint, depthMm: number): FoldedPoint {
  if (u <= 0 && v <= 0) return { on: 'face', p: u, q: v };
  if (v <= 0) return u <= depthMm ? { on: 'side', p: -v, q: u } : { on: 'back', p: u - depthMm, q: -v };
  if (u <= 0) return v <= depthMm ? { on: 'end', p: -u, q: v } : { on: 'back', p: -u, q: v - depthMm };
  const folded = foldedAngle(creases, Math.atan2(v, u) * DEGREES) / DEGREES;
  const long = Math.hypot(u, v);
  const [a, z] = [long * Math.abs(Math.sin(folded)), long * Math.cos(folded)];
  if (z <= depthMm) return { on: folded < 0 ? 'side' : 'end', p: a, q: z };
  return folded < 0 ? { on: 'back', p: z - depthMm, q: a } : { on: 'back', p: a, q: z - depthMm };
}

/** Points of the flat cloth that come to lie at a place, the flap that is seen first; cloth cut away is not there. */
export function layersAt(creases: CornerFold['creases'], at: FoldedPoint, cloth: CornerCloth): FlatPoint[] {
  const { depthMm } = cloth;
  const flaps: FlatPoint[] =
    at.on === 'side'
      ? [{ u: at.q, v: -at.p }]
      : at.on === 'end'
        ? [{ u: -at.p, v: at.q }]
        : [
            { u: -at.p, v: at.q + depthMm },
            { u: at.p + depthMm, v: -at.q },
          ];
  const rays =
    at.on === 'side'
      ? raysTo(creases, -at.p, at.q)
      : at.on === 'end'
        ? raysTo(creases, at.p, at.q)
        : [...raysTo(creases, at.p, at.q + depthMm), ...raysTo(creases, -at.q, at.p + depthMm)];
  return [...flaps, ...rays].filter((point) => isCloth(point, cloth));
}

/** Points of the corner cloth that fold to `a` (below 0 on the side) and `z`. */
function raysTo(creases: CornerFold['creases'], a: number, z: number): FlatPoint[] {
  const [angle, long] = [Math.atan2(a, z) * DEGREES, Math.hypot(a, z)];
  return creases.slice(1).flatMap(([f1, p1], index) => {
    const [f0, p0] = creases[index]!;
    const part = (angle - p0) / (p1 - p0);
    // The very edges belong to the flaps.
    if (!(part > 1e-9 && part < 1 - 1e-9)) return [];
    const flat = (f0 + part * (f1 - f0)) / DEGREES;
    return [{ u: long * Math.cos(flat), v: long * Math.sin(flat) }];
  });
}

const isCloth = (point: FlatPoint, { sideMm, endMm, kept }: CornerCloth): boolean =>
  point.u <= sideMm + 1e-9 && point.v <= endMm + 1e-9 && kept(point);

export interface CornerLayers {
  /** Most layers on the end of the frame, on its side, and on its back. */
  edge: number;
  back: number;
}

/** Step of the grid that layers are counted on, and how far from the corner they can lie on each other most, mm. */
const STEP = 6;
const NEAR = 45;

/** The most layers of cloth lying on each other at a corner, on the edges and on the back. */
export function cornerLayers(creases: CornerFold['creases'], cloth: CornerCloth): CornerLayers {
  const { depthMm, sideMm, endMm } = cloth;
  const count = (on: FoldedPoint['on'], most: [number, number]) => {
    let layers = 0;
    for (let p = STEP / 2; p < most[0]; p += STEP)
      for (let q = STEP / 2; q < most[1]; q += STEP) layers = Math.max(layers, layersAt(creases, { on, p, q }, cloth).length);
    return layers;
  };
  return {
    edge: Math.max(count('end', [depthMm, depthMm]), count('side', [depthMm, depthMm])),
    back: count('back', [Math.min(NEAR, sideMm - depthMm), Math.min(NEAR, endMm - depthMm)]),
  };
}
