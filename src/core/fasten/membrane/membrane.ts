/*
 * The cloth on its frame as finite elements, condensed to its edge: how every place of the edge moves for a unit force
 * at every other. With it any route is a matter of small dense matrices; the inside is worked out only where it is shown.
 * Weak springs to the ground, lumped by area, make the free cloth solvable. mm, N, N/mm; x right, y down.
 */
import {
  type BandMatrix,
  TOGETHER,
  bandColumns,
  bandMatrix,
  bandPlace,
  factorBand,
  solveBand,
  solveFour,
} from '../../linear/bandMatrix';
import { type Elasticity, type MembraneCloth, elasticity, elementStiffness } from './membraneCloth';
import { type MembraneMesh, eachElement, elementNodes, nodeAt } from './membraneMesh';

export interface Membrane {
  mesh: MembraneMesh;
  d: Elasticity;
  /** Cholesky factor of the stiffness. */
  factor: BandMatrix;
  /** The same, column by column. */
  columns: Float64Array;
  /** Numbers of the nodes of the edge, clockwise from the top left corner. */
  edge: number[];
  /** Move of an edge node for a unit force at another: 2 × edge squared, x and y beside each other. */
  compliance: Float64Array;
}

/** All the springs to the ground together, each way, N/mm. */
export const GROUND_SPRINGS = 1e-3;

/** Stiffness of the free cloth on its springs. */
export function membraneStiffness(mesh: MembraneMesh, d: Elasticity, springs: number): BandMatrix {
  const { xs, ys } = mesh;
  const face = xs.at(-1)! * ys.at(-1)!;
  const matrix = bandMatrix(2 * xs.length * ys.length, 2 * Math.min(xs.length, ys.length) + 3);
  const known = new Map<string, Float64Array>();
  eachElement(mesh, (i, j) => {
    const [width, height] = [xs[i + 1]! - xs[i]!, ys[j + 1]! - ys[j]!];
    const key = `${width.toFixed(9)} ${height.toFixed(9)}`;
    const own = known.get(key) ?? elementStiffness(width, height, d);
    known.set(key, own);
    const nodes = elementNodes(mesh, i, j);
    const spring = (springs * width * height) / face / 4;
    for (let a = 0; a < 8; a += 1) {
      const row = 2 * nodes[a >> 1]! + (a & 1);
      for (let b = 0; b < 8; b += 1) {
        const column = 2 * nodes[b >> 1]! + (b & 1);
        if (column <= row) matrix.values[bandPlace(matrix, row, column)]! += own[a * 8 + b]! + (a === b ? spring : 0);
      }
    }
  });
  return matrix;
}

/** Lines across and down that meet in the nodes of the edge, clockwise from the top left corner. */
function edgeOf({ xs, ys }: MembraneMesh): [i: number, j: number][] {
  const [right, bottom] = [xs.length - 1, ys.length - 1];
  return [
    ...Array.from({ length: right }, (_, i): [number, number] => [i, 0]),
    ...Array.from({ length: bottom }, (_, j): [number, number] => [right, j]),
    ...Array.from({ length: right }, (_, i): [number, number] => [right - i, bottom]),
    ...Array.from({ length: bottom }, (_, j): [number, number] => [0, bottom - j]),
  ];
}

/** Nodes whose unit forces, two each, are solved for together. */
const NODES = TOGETHER / 2;

/**
 * Assembles, factors and condenses the membrane; yields between pieces of work, so that it can be called off.
 *
 * The mesh is its own mirror image, so a quarter of the edge is solved for, or half of it where the cloth is off-grain.
 *
 * @throws RangeError for a cloth that `elasticity` refuses
 */
export function* condensedMembrane(
  mesh: MembraneMesh,
  cloth: MembraneCloth,
  springs = GROUND_SPRINGS,
): Generator<undefined, Membrane> {
  const d = elasticity(cloth);
  const factor = factorBand(membraneStiffness(mesh, d, springs));
  yield;
  const places = edgeOf(mesh);
  const edge = places.map(([i, j]) => nodeAt(mesh, i, j));
  const images = mirrorImages(mesh, places, cloth.offGrainDeg === 0);
  const compliance = new Float64Array((2 * edge.length) ** 2);
  const todo = edge.map((_node, index) => index).filter((index) => images.every(({ of }) => of[index]! >= index));
  const columns = bandColumns(factor);
  yield;
  for (let start = 0; start < todo.length; start += NODES) {
    const some = todo.slice(start, start + NODES);
    const right = new Float64Array(factor.size * TOGETHER);
    some.forEach((index, place) => {
      for (const axis of [0, 1]) right[(2 * edge[index]! + axis) * TOGETHER + 2 * place + axis] = 1;
    });
    solveFour(factor, columns, right, Math.min(...some.map((index) => 2 * edge[index]!)));
    some.forEach((index, place) => {
      for (const axis of [0, 1] as const)
        fillColumn(compliance, edge, images, index, axis, (node) => right[node * TOGETHER + 2 * place + axis]!);
    });
    yield;
  }
  makeSymmetric(compliance, 2 * edge.length);
  return { mesh, d, factor, columns, edge, compliance };
}

/** What rounding made unlike on both sides of the diagonal becomes the mean of both. */
function makeSymmetric(matrix: Float64Array, size: number): void {
  for (let row = 0; row < size; row += 1)
    for (let column = 0; column < row; column += 1) {
      const [one, other] = [row * size + column, column * size + row];
      matrix[one] = matrix[other] = (matrix[one]! + matrix[other]!) / 2;
    }
}

/** One of the mirrorings that leave the cloth as it is: the edge node each one falls on, and the signs of x and y. */
interface MirrorImage {
  of: number[];
  signs: readonly [x: 1 | -1, y: 1 | -1];
}

function mirrorImages({ xs, ys }: MembraneMesh, places: readonly [number, number][], onGrain: boolean): MirrorImage[] {
  const index = new Map(places.map(([i, j], at) => [`${i} ${j}`, at]));
  const image = (x: 1 | -1, y: 1 | -1): MirrorImage => ({
    of: places.map(([i, j]) => index.get(`${x < 0 ? xs.length - 1 - i : i} ${y < 0 ? ys.length - 1 - j : j}`)!),
    signs: [x, y],
  });
  return [image(1, 1), image(-1, -1), ...(onGrain ? [image(-1, 1), image(1, -1)] : [])];
}

function fillColumn(
  compliance: Float64Array,
  edge: readonly number[],
  images: readonly MirrorImage[],
  index: number,
  axis: 0 | 1,
  moveOf: (dof: number) => number,
): void {
  const stride = 2 * edge.length;
  for (const { of, signs } of images)
    edge.forEach((node, at) => {
      const from = 2 * of[at]! * stride + 2 * of[index]! + axis;
      compliance[from] = moveOf(2 * node) * signs[0] * signs[axis];
      compliance[from + stride] = moveOf(2 * node + 1) * signs[1] * signs[axis];
    });
}

/** Moves of all nodes, x and y beside each other, for forces on nodes of the edge (two an edge node, N). */
export function movesUnder({ factor, edge }: Membrane, forces: Float64Array): Float64Array {
  const moves = new Float64Array(factor.size);
  edge.forEach((node, at) => {
    moves[2 * node] = forces[2 * at]!;
    moves[2 * node + 1] = forces[2 * at + 1]!;
  });
  return solveBand(factor, moves);
}

/** As `movesUnder`, for up to four loads in one way through the matrix. */
export function movesUnderFour({ factor, columns, edge }: Membrane, loads: readonly Float64Array[]): Float64Array[] {
  const moves = new Float64Array(TOGETHER * factor.size);
  loads.forEach((forces, load) =>
    edge.forEach((node, at) => {
      moves[TOGETHER * 2 * node + load] = forces[2 * at]!;
      moves[TOGETHER * (2 * node + 1) + load] = forces[2 * at + 1]!;
    }),
  );
  solveFour(factor, columns, moves);
  return loads.map((_forces, load) => Float64Array.from({ length: factor.size }, (_, dof) => moves[TOGETHER * dof + load]!));
}

/** Strain (εx, εy, γ) in the middle of every element, three an element. */
export function strainsOf({ mesh }: Pick<Membrane, 'mesh'>, moves: Float64Array): Float64Array {
  const { xs, ys } = mesh;
  const strains = new Float64Array(3 * (xs.length - 1) * (ys.length - 1));
  eachElement(mesh, (i, j, index) => {
    const [wide, high] = [2 * (xs[i + 1]! - xs[i]!), 2 * (ys[j + 1]! - ys[j]!)];
    const [a, b] = [2 * nodeAt(mesh, i, j), 2 * nodeAt(mesh, i + 1, j)];
    const [c, d] = [2 * nodeAt(mesh, i + 1, j + 1), 2 * nodeAt(mesh, i, j + 1)];
    const right = (axis: 0 | 1) => moves[b + axis]! + moves[c + axis]! - moves[a + axis]! - moves[d + axis]!;
    const down = (axis: 0 | 1) => moves[c + axis]! + moves[d + axis]! - moves[a + axis]! - moves[b + axis]!;
    strains[3 * index] = right(0) / wide;
    strains[3 * index + 1] = down(1) / high;
    strains[3 * index + 2] = down(0) / high + right(1) / wide;
  });
  return strains;
}

/** Tension (x, y, shear) in the middle of every element, N/mm, three an element. */
export function tensionsOf({ d }: Pick<Membrane, 'd'>, strains: Float64Array): Float64Array {
  const tensions = new Float64Array(strains.length);
  for (let at = 0; at < strains.length; at += 3)
    for (let row = 0; row < 3; row += 1)
      tensions[at + row] = d[row * 3]! * strains[at]! + d[row * 3 + 1]! * strains[at + 1]! + d[row * 3 + 2]! * strains[at + 2]!;
  return tensions;
}
