/*
 * What a stretched cloth is judged by: tension at every fastener over its pitch, how unlike they are, tension inside,
 * the slack part of the face, how far the weave is out of square and its middle drawn aside. Tension in N/m.
 */
import { type Membrane, strainsOf, tensionsOf } from './membrane';
import { type EdgePlace, OUTWARDS } from './edgePlaces';
import { type MembraneMesh, eachElement, nodeAt } from './membraneMesh';

export interface ClothMeasures {
  /** Tension at every place over its width, N/m; 0 where no fastener holds. */
  edgeNPerM: Float64Array;
  /** Mean of those that hold. */
  meanEdgeNPerM: number;
  /** Their standard deviation over the mean; one that would push counts as holding nothing. */
  unevenness: number;
  /** Fasteners that would push: what no fastener does. */
  pushing: number;
  /** Mean tension across and down in the middle 80 % of the face, N/m. */
  acrossNPerM: number;
  downNPerM: number;
  /** Part of the face, 0 to 1, that is pulled less than a fifth of the mean in one direction. */
  slackShare: number;
  /** Mean departure of the threads from a right angle, degrees. */
  skewDeg: number;
  /** How far the middle of the cloth went right and down, mm. */
  drift: { xMm: number; yMm: number };
  /** Places that hold less than half the mean. */
  low: number[];
}

/** Part of the mean below which one direction is slack; part of the mean edge below which a fastener holds little. */
const SLACK_PART = 0.2;
const LOW_PART = 0.5;
/** Edge that the only fastener of a side is reckoned over, mm. */
const ALONE_MM = 1000;

/**
 * Length of edge that each place holds, mm: half-way to its neighbours; the last of a side as far outwards as inwards.
 *
 * @example edgeWidths([{ side: 'top', offsetMm: 0 }, { side: 'top', offsetMm: 40 }, { side: 'top', offsetMm: -40 }]) // [40, 40, 40]
 */
export function edgeWidths(places: readonly EdgePlace[]): number[] {
  return places.map(({ side, offsetMm }) => {
    const gaps = places.filter((other) => other.side === side).map((other) => other.offsetMm - offsetMm);
    const after = Math.min(...gaps.filter((gap) => gap > 1e-6));
    const before = Math.min(...gaps.filter((gap) => gap < -1e-6).map((gap) => -gap));
    const both = [before, after].filter(Number.isFinite);
    return both.length === 0 ? ALONE_MM : both.reduce((sum, gap) => sum + gap, 0) / both.length;
  });
}

/** The greater and the lesser pull at a point, and the direction of the greater, radians from x towards y. */
export function principal(x: number, y: number, shear: number): { major: number; minor: number; angle: number } {
  const middle = (x + y) / 2;
  const reach = Math.hypot((x - y) / 2, shear);
  return { major: middle + reach, minor: middle - reach, angle: Math.atan2(2 * shear, x - y) / 2 };
}

/** How far each place is pulled outwards, N. */
export const outwardForces = (places: readonly EdgePlace[], forces: ArrayLike<number>): number[] =>
  places.map(({ side }, at) => forces[2 * at]! * OUTWARDS[side][0] + forces[2 * at + 1]! * OUTWARDS[side][1]);

/** Mean and standard deviation over mean; 0 and 0 of nothing. Where the mean is none or pushes, nothing is even: 1. */
export function spread(values: readonly number[]): { mean: number; unevenness: number } {
  if (values.length === 0) return { mean: 0, unevenness: 0 };
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length;
  return { mean, unevenness: mean > 0 ? Math.sqrt(variance) / mean : 1 };
}

/**
 * How even an edge is: a fastener that would push holds nothing, for none pushes.
 *
 * @example evenness([100, 300]) // { mean: 200, unevenness: 0.5, pushing: 0 }
 */
export function evenness(edge: readonly number[]): { mean: number; unevenness: number; pushing: number } {
  const { mean, unevenness } = spread(edge);
  const pushing = edge.filter((one) => one < 0).length;
  const held = mean > 0 && pushing > 0 ? spread(edge.map((one) => Math.max(0, one))).unevenness : unevenness;
  return { mean, unevenness: held, pushing };
}

/** The node in the middle of the cloth, or nearest to it. */
export const middleNode = (mesh: MembraneMesh): number => nodeAt(mesh, (mesh.xs.length - 1) >> 1, (mesh.ys.length - 1) >> 1);

/**
 * Measures of the cloth.
 *
 * @param forces of the fasteners on the cloth, x and y of each place, N
 * @param moves of all nodes, as `movesUnder` gives them
 * @param widths of the edge that each place holds, mm
 */
export function clothMeasures(
  membrane: Membrane,
  places: readonly EdgePlace[],
  widths: readonly number[],
  forces: ArrayLike<number>,
  moves: Float64Array,
): ClothMeasures & { tensions: Float64Array } {
  const { mesh } = membrane;
  const strains = strainsOf(membrane, moves);
  const tensions = tensionsOf(membrane, strains);
  const edgeNPerM = Float64Array.from(outwardForces(places, forces), (force, at) => (1000 * force) / widths[at]!);
  const holding = places.map((_place, at) => at).filter((at) => forces[2 * at] !== 0 || forces[2 * at + 1] !== 0);
  const { mean, unevenness, pushing } = evenness(holding.map((at) => edgeNPerM[at]!));
  const inside = insideMeans(membrane, strains, tensions);
  const node = middleNode(mesh);
  return {
    edgeNPerM,
    meanEdgeNPerM: mean,
    unevenness,
    pushing,
    ...inside,
    drift: { xMm: moves[2 * node]!, yMm: moves[2 * node + 1]! },
    low: holding.filter((at) => edgeNPerM[at]! < LOW_PART * mean),
    tensions,
  };
}

function insideMeans({ mesh }: Membrane, strains: Float64Array, tensions: Float64Array) {
  const { xs, ys } = mesh;
  const [wide, high] = [xs.at(-1)!, ys.at(-1)!];
  let [area, across, down, skew] = [0, 0, 0, 0];
  const areaOf = (i: number, j: number) => (xs[i + 1]! - xs[i]!) * (ys[j + 1]! - ys[j]!);
  eachElement(mesh, (i, j, index) => {
    const own = areaOf(i, j);
    skew += (own * strains[3 * index + 2]!) / (wide * high);
    const x = Math.abs((xs[i]! + xs[i + 1]!) / wide - 1);
    const y = Math.abs((ys[j]! + ys[j + 1]!) / high - 1);
    if (x > 0.8 || y > 0.8) return;
    area += own;
    across += own * tensions[3 * index]!;
    down += own * tensions[3 * index + 1]!;
  });
  const mean = area > 0 ? (across + down) / area / 2 : 0;
  let slack = 0;
  eachElement(mesh, (i, j, index) => {
    const { minor } = principal(tensions[3 * index]!, tensions[3 * index + 1]!, tensions[3 * index + 2]!);
    if (minor < SLACK_PART * mean) slack += areaOf(i, j);
  });
  return {
    acrossNPerM: area > 0 ? (1000 * across) / area : 0,
    downNPerM: area > 0 ? (1000 * down) / area : 0,
    slackShare: mean > 0 ? slack / (wide * high) : 1,
    skewDeg: (skew * 180) / Math.PI,
  };
}
