/*
 * Places on the edge of the membrane. A fastener holds the mean move over its crown, a jaw is an even pull outwards over
 * its width: both as consistent weights of the nodes they span, for a single node gives way more the finer the mesh is.
 */
import { type Side, isLevel } from '../../job/sides';
import type { Membrane } from './membrane';
import type { MembraneMesh } from './membraneMesh';

export interface EdgePlace {
  side: Side;
  /** From the middle of the side, mm, positive right or down. */
  offsetMm: number;
}

/** Crown of a fastener; what pliers and what fingers take hold of, mm. */
export const CROWN_MM = 12;
export const JAW_MM = { pliers: 55, hand: 25 } as const;

/** Outwards, x and y, of each side. */
export const OUTWARDS: Record<Side, readonly [x: number, y: number]> = {
  top: [0, -1],
  right: [1, 0],
  bottom: [0, 1],
  left: [-1, 0],
};

export const linesAlong = ({ xs, ys }: MembraneMesh, side: Side): Float64Array => (isLevel(side) ? xs : ys);

/** Which node of the edge, clockwise from the top left corner, a line of a side ends in. */
function edgeIndex({ xs, ys }: MembraneMesh, side: Side, line: number): number {
  const [right, bottom] = [xs.length - 1, ys.length - 1];
  switch (side) {
    case 'top':
      return line;
    case 'right':
      return right + line;
    case 'bottom':
      return 2 * right + bottom - line;
    case 'left':
      return (2 * (right + bottom) - line) % (2 * (right + bottom));
  }
}

/**
 * Share of an even load over a stretch of a side that each node of the edge takes; the shares make 1. What would lie
 * beyond the corner is left off.
 *
 * @throws RangeError for a place beyond the side
 */
export function edgeWeights(mesh: MembraneMesh, { side, offsetMm }: EdgePlace, wideMm: number): [edge: number, share: number][] {
  const lines = linesAlong(mesh, side);
  const long = lines.at(-1)!;
  const middle = long / 2 + offsetMm;
  if (!(middle >= 0 && middle <= long))
    throw new RangeError(`a place lies within ±${long / 2} mm of the middle, got ${offsetMm}`);
  const [from, to] = [Math.max(0, middle - wideMm / 2), Math.min(long, middle + wideMm / 2)];
  const shares = new Map<number, number>();
  const add = (line: number, share: number) => shares.set(line, (shares.get(line) ?? 0) + share);
  for (let line = 0; line < lines.length - 1; line += 1) {
    const [start, end] = [lines[line]!, lines[line + 1]!];
    const [a, b] = [Math.max(from, start), Math.min(to, end)];
    if (b <= a) continue;
    const part = (b - a) / (to - from);
    const towards = ((a + b) / 2 - start) / (end - start);
    add(line, part * (1 - towards));
    add(line + 1, part * towards);
  }
  return [...shares].map(([line, share]) => [edgeIndex(mesh, side, line), share]);
}

/** How places move for unit forces at places: all that the pulling and fastening of a route needs. */
export interface PlaceCompliance {
  places: readonly EdgePlace[];
  /** Where each place lies on the face, mm right and down from its top left corner. */
  at: readonly (readonly [x: number, y: number])[];
  /** Mean moves of the crowns, x and y beside each other, for unit forces at them, mm/N: 2n × 2n. */
  crown: Float64Array;
  /** The same for a unit pull outwards of a jaw at each place: 2n × n. */
  jaw: Float64Array;
  /** How far each jaw itself moves outwards under its unit pull, mm/N. */
  jawOwn: Float64Array;
}

function pointOn({ xs, ys }: MembraneMesh, { side, offsetMm }: EdgePlace): readonly [x: number, y: number] {
  const [wide, high] = [xs.at(-1)!, ys.at(-1)!];
  if (isLevel(side)) return [wide / 2 + offsetMm, side === 'top' ? 0 : high];
  return [side === 'left' ? 0 : wide, high / 2 + offsetMm];
}

/** @throws RangeError for a place beyond its side */
export function placeCompliance(membrane: Membrane, places: readonly EdgePlace[], jawMm: number): PlaceCompliance {
  const { mesh, edge, compliance } = membrane;
  const stride = 2 * edge.length;
  const crowns = places.map((place) => edgeWeights(mesh, place, CROWN_MM));
  const jaws = places.map((place) => edgeWeights(mesh, place, jawMm));
  const between = (one: readonly [number, number][], x: number, other: readonly [number, number][], y: number): number => {
    let sum = 0;
    for (let i = 0; i < one.length; i += 1)
      for (let j = 0; j < other.length; j += 1) {
        const [a, share] = one[i]!;
        const [b, part] = other[j]!;
        sum += share * part * compliance[(2 * a + x) * stride + 2 * b + y]!;
      }
    return sum;
  };
  const count = places.length;
  const crown = new Float64Array(4 * count * count);
  const jaw = new Float64Array(2 * count * count);
  const axisOf = (place: number) => (isLevel(places[place]!.side) ? 1 : 0);
  const signOf = (place: number) => OUTWARDS[places[place]!.side][axisOf(place)]!;
  for (let a = 0; a < count; a += 1)
    for (let b = 0; b < count; b += 1)
      for (const x of [0, 1]) {
        for (const y of [0, 1]) crown[(2 * a + x) * 2 * count + 2 * b + y] = between(crowns[a]!, x, crowns[b]!, y);
        jaw[(2 * a + x) * count + b] = signOf(b) * between(crowns[a]!, x, jaws[b]!, axisOf(b));
      }
  return {
    places,
    at: places.map((place) => pointOn(mesh, place)),
    crown,
    jaw,
    jawOwn: Float64Array.from(places, (_place, at) => between(jaws[at]!, axisOf(at), jaws[at]!, axisOf(at))),
  };
}

/** Forces on the nodes of the edge that the fasteners' forces make, two an edge node, N. */
export function edgeForces({ mesh, edge }: Membrane, places: readonly EdgePlace[], forces: ArrayLike<number>): Float64Array {
  const out = new Float64Array(2 * edge.length);
  places.forEach((place, at) => {
    if (forces[2 * at] === 0 && forces[2 * at + 1] === 0) return;
    for (const [node, share] of edgeWeights(mesh, place, CROWN_MM)) {
      out[2 * node]! += share * forces[2 * at]!;
      out[2 * node + 1]! += share * forces[2 * at + 1]!;
    }
  });
  return out;
}
