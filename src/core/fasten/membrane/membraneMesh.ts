/*
 * The face as rectangles for the membrane: lines across and down, mirror images about both middles. The size of an
 * element divides the pitch of the fasteners, for else the mean tension shifts by 6 to 10 %; only the strips beyond the
 * last fastener have a size of their own. x right, y down, mm, origin at the top left of the face.
 */
import type { HalfRow } from '../fastenerPlaces';

export interface MembraneMesh {
  /** Lines from the left to the right and from the top to the bottom, ascending. */
  xs: Float64Array;
  ys: Float64Array;
}

export const evenLines = (lengthMm: number, count: number): Float64Array =>
  Float64Array.from({ length: count + 1 }, (_, index) => (lengthMm * index) / count);

/** Two places nearer than this share a line, mm: an element between them would be a sliver. */
const SLIVER_MM = 5;

/**
 * Lines of half a side: one at every place, so that no two crowns lie in one element, and between them what `parts` to a
 * pitch make. Beyond the last place the strips have a size of their own.
 */
function sideLines(sideMm: number, { offsetsMm, pitchMm }: HalfRow, parts: number): Float64Array {
  const places = [...offsetsMm].filter((offset) => offset > SLIVER_MM).sort((a, b) => a - b);
  const held = places.filter((offset, index) => index === 0 || offset - places[index - 1]! > SLIVER_MM);
  if (held.length === 0) return evenLines(sideMm, 4 * parts);
  const size = (pitchMm > 0 ? pitchMm : held[0]!) / parts;
  const half: number[] = [];
  let from = 0;
  for (const place of [...held, sideMm / 2]) {
    const gap = place - from;
    if (gap <= 1e-9) continue;
    const strips = Math.max(1, Math.round(gap / size));
    for (let strip = 1; strip <= strips; strip += 1) half.push(from + (gap * strip) / strips);
    from = place;
  }
  const away = [...half].reverse().map((offset) => sideMm / 2 - offset);
  return Float64Array.from([...away, sideMm / 2, ...half.map((offset) => sideMm / 2 + offset)]);
}

const elements = ({ xs, ys }: MembraneMesh): number => (xs.length - 1) * (ys.length - 1);

/** Elements of the mesh to play with, about 36 × 24, and of the fine one, about 72 × 48. */
export const PLAY_ELEMENTS = 1100;
export const FINE_ELEMENTS = 3600;

/**
 * The finest mesh with at most `most` elements that divides both pitches; one element to a pitch at the least.
 *
 * @param rows places of the fasteners along the width and along the height, from the middle outward, and their pitch
 * @example membraneMesh({ widthMm: 400, heightMm: 300 }, [{ offsetsMm: [80, 160], pitchMm: 80 }, { offsetsMm: [55, 110], pitchMm: 55 }], 200).xs.length // 11
 */
export function membraneMesh(
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  [across, down]: readonly [HalfRow, HalfRow],
  most: number,
): MembraneMesh {
  const mesh = (parts: number): MembraneMesh => ({ xs: sideLines(widthMm, across, parts), ys: sideLines(heightMm, down, parts) });
  let parts = 1;
  while (elements(mesh(parts + 1)) <= most) parts += 1;
  return mesh(parts);
}

/** Number of the node where line i across and line j down meet: counted along the shorter way, so that the band is narrow. */
export const nodeAt = ({ xs, ys }: MembraneMesh, i: number, j: number): number =>
  ys.length <= xs.length ? i * ys.length + j : j * xs.length + i;

/** Numbers of an element's nodes, clockwise from its upper left one. */
export const elementNodes = (mesh: MembraneMesh, i: number, j: number): [number, number, number, number] => [
  nodeAt(mesh, i, j),
  nodeAt(mesh, i + 1, j),
  nodeAt(mesh, i + 1, j + 1),
  nodeAt(mesh, i, j + 1),
];

/** Elements row by row from the top left: number j · across + i. */
export function eachElement(mesh: MembraneMesh, visit: (i: number, j: number, index: number) => void): void {
  const across = mesh.xs.length - 1;
  for (let j = 0; j < mesh.ys.length - 1; j += 1) for (let i = 0; i < across; i += 1) visit(i, j, j * across + i);
}
