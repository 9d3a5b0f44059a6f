/*
 * A bar as a beam: direct stiffness on Euler–Bernoulli elements (Przemieniecki, Theory of Matrix Structural
 * Analysis, 1968), any places of the braces, rigid or elastic, ends free to turn or partly fixed, a load that
 * may vary in a straight line along the bar. Exact at every point: each element adds its own particular solution.
 * x runs along the bar from its left (or top) end; deflection and load are positive inwards. Units: mm, N.
 */

import { solveDense } from '../linear/dense';

/** A brace under the beam; Infinity is a brace that does not give. */
export interface Support {
  atMm: number;
  stiffnessNPerMm: number;
}

export interface Beam {
  lengthMm: number;
  eNPerMm2: number;
  inertiaMm4: number;
  /** Load at the first end and at the last, N/mm, straight between them. */
  loadNPerMm: readonly [first: number, last: number];
  /** Inner supports in any order. The ends always rest on the corners. */
  supports: readonly Support[];
  /**
   * Fixity of the corners, 0 free to turn (a pin) to below 1: r = 1 / (1 + 3 E I / (k L)), k the corner's
   * rotational stiffness (Monforton & Wu, Matrix analysis of semi-rigidly connected frames, 1963).
   */
  endFixity: number;
}

/** The solved beam: deflection (mm) and slope at its nodes, which are the ends and the supports. */
export interface BeamSolution {
  beam: Beam;
  nodesMm: number[];
  deflections: number[];
  slopes: number[];
  /** Force of each node's support on the bar, N, positive outwards (against the cloth), as `nodesMm`. */
  reactionsN: number[];
}

/** I = depth · width³ / 12, mm⁴: the bar bends in the plane of the canvas, so its width counts to the third power. */
export const inertiaInPlane = (widthMm: number, depthMm: number): number => (depthMm * widthMm ** 3) / 12;

/**
 * Solves a bar under the pull of the cloth. Valid for small bows (below a hundredth of the span).
 *
 * One span gives 5 w L⁴ / (384 E I) at its middle; two equal spans w s⁴ / (184.6 E I) at most.
 *
 * @throws RangeError for a length, load, stiffness, fixity or support that no bar has
 * @example deflectionAt(solveBeam({ lengthMm: 1000, eNPerMm2: 10_000, inertiaMm4: 100_000, loadNPerMm: [0.25, 0.25], supports: [], endFixity: 0 }), 500) // 3.2552…
 */
export function solveBeam(beam: Beam): BeamSolution {
  check(beam);
  const supports = [...beam.supports].sort((a, b) => a.atMm - b.atMm);
  const nodesMm = [0, ...supports.map((one) => one.atMm), beam.lengthMm];
  const springs = [Infinity, ...supports.map((one) => one.stiffnessNPerMm), Infinity];
  const count = nodesMm.length;
  const stiffness = Array.from({ length: 2 * count }, () => new Float64Array(2 * count));
  const load = new Float64Array(2 * count);
  for (let index = 0; index < count - 1; index += 1) addElement(beam, nodesMm, index, stiffness, load);
  const twist = (3 * beam.eNPerMm2 * beam.inertiaMm4 * beam.endFixity) / (beam.lengthMm * (1 - beam.endFixity));
  stiffness[1]![1]! += twist;
  stiffness[2 * count - 1]![2 * count - 1]! += twist;
  const free = stiffness.map((row) => row.slice());
  springs.forEach((spring, node) => {
    if (Number.isFinite(spring)) free[2 * node]![2 * node]! += spring;
    else hold(free, 2 * node);
  });
  const moves = solveDense(
    free,
    load.map((value, dof) => (dof % 2 === 0 && !Number.isFinite(springs[dof / 2]!) ? 0 : value)),
  )!;
  const reactionsN = nodesMm.map((_at, node) => {
    const row = stiffness[2 * node]!;
    return load[2 * node]! - row.reduce((sum, value, dof) => sum + value * moves[dof]!, 0);
  });
  return {
    beam,
    nodesMm,
    deflections: nodesMm.map((_at, node) => moves[2 * node]!),
    slopes: nodesMm.map((_at, node) => moves[2 * node + 1]!),
    reactionsN,
  };
}

function check({ lengthMm, eNPerMm2, inertiaMm4, loadNPerMm, supports, endFixity }: Beam): void {
  for (const [name, value] of Object.entries({ lengthMm, eNPerMm2, inertiaMm4 })) {
    if (!(value > 0) || !Number.isFinite(value)) throw new RangeError(`${name} must be above 0, got ${value}`);
  }
  for (const value of loadNPerMm)
    if (!(value >= 0) || !Number.isFinite(value)) throw new RangeError(`loadNPerMm must be 0 or more, got ${value}`);
  if (!(endFixity >= 0 && endFixity < 1)) throw new RangeError(`endFixity must be from 0 to below 1, got ${endFixity}`);
  const places = [0, ...supports.map((one) => one.atMm).sort((a, b) => a - b), lengthMm];
  places.slice(1).forEach((at, index) => {
    if (!(at - places[index]! > 1e-6)) throw new RangeError(`supports must lie apart and inside 0 to ${lengthMm}, got ${at}`);
  });
  for (const { stiffnessNPerMm } of supports)
    if (!(stiffnessNPerMm > 0)) throw new RangeError(`a support’s stiffness must be above 0, got ${stiffnessNPerMm}`);
}

/** The element's part of the load: its start, and what it rises by to its end. */
function elementLoad({ loadNPerMm: [first, last], lengthMm }: Beam, fromMm: number, toMm: number): [number, number] {
  const at = (x: number) => first + ((last - first) * x) / lengthMm;
  return [at(fromMm), at(toMm) - at(fromMm)];
}

function addElement(beam: Beam, nodesMm: number[], index: number, stiffness: Float64Array[], load: Float64Array): void {
  const span = nodesMm[index + 1]! - nodesMm[index]!;
  const [start, rise] = elementLoad(beam, nodesMm[index]!, nodesMm[index + 1]!);
  const k = (beam.eNPerMm2 * beam.inertiaMm4) / span ** 3;
  const own = [
    [12, 6 * span, -12, 6 * span],
    [6 * span, 4 * span ** 2, -6 * span, 2 * span ** 2],
    [-12, -6 * span, 12, -6 * span],
    [6 * span, 2 * span ** 2, -6 * span, 4 * span ** 2],
  ];
  const forces = [
    (start * span) / 2 + (3 * rise * span) / 20,
    (start * span ** 2) / 12 + (rise * span ** 2) / 30,
    (start * span) / 2 + (7 * rise * span) / 20,
    -(start * span ** 2) / 12 - (rise * span ** 2) / 20,
  ];
  for (let row = 0; row < 4; row += 1) {
    load[2 * index + row]! += forces[row]!;
    for (let column = 0; column < 4; column += 1) stiffness[2 * index + row]![2 * index + column]! += k * own[row]![column]!;
  }
}

function hold(matrix: Float64Array[], dof: number): void {
  matrix.forEach((row) => (row[dof] = 0));
  matrix[dof]!.fill(0);
  matrix[dof]![dof] = 1;
}

/** The element a place lies in, and how far along it, 0 to 1. */
function locate({ nodesMm }: BeamSolution, alongMm: number): [index: number, t: number] {
  const last = nodesMm.length - 2;
  let index = 0;
  while (index < last && alongMm > nodesMm[index + 1]!) index += 1;
  return [index, (alongMm - nodesMm[index]!) / (nodesMm[index + 1]! - nodesMm[index]!)];
}

/** Bow at a place along the bar, mm. */
export function deflectionAt(solution: BeamSolution, alongMm: number): number {
  const { beam, nodesMm, deflections: y, slopes } = solution;
  const [i, t] = locate(solution, alongMm);
  const span = nodesMm[i + 1]! - nodesMm[i]!;
  const [start, rise] = elementLoad(beam, nodesMm[i]!, nodesMm[i + 1]!);
  const bent =
    y[i]! * (1 - 3 * t ** 2 + 2 * t ** 3) +
    slopes[i]! * span * (t - 2 * t ** 2 + t ** 3) +
    y[i + 1]! * (3 * t ** 2 - 2 * t ** 3) +
    slopes[i + 1]! * span * (t ** 3 - t ** 2);
  const held = (start * t ** 2 * (1 - t) ** 2) / 24 + (rise * t ** 2 * (1 - t) ** 2 * (2 + t)) / 120;
  return bent + (held * span ** 4) / (beam.eNPerMm2 * beam.inertiaMm4);
}

/** Bending moment at a place along the bar, N mm, positive where the outside of the bar is pressed together. */
export function momentAt(solution: BeamSolution, alongMm: number): number {
  const { beam, nodesMm, deflections: y, slopes } = solution;
  const [i, t] = locate(solution, alongMm);
  const span = nodesMm[i + 1]! - nodesMm[i]!;
  const [start, rise] = elementLoad(beam, nodesMm[i]!, nodesMm[i + 1]!);
  const bent =
    y[i]! * (-6 + 12 * t) + slopes[i]! * span * (-4 + 6 * t) + y[i + 1]! * (6 - 12 * t) + slopes[i + 1]! * span * (6 * t - 2);
  const held = (start * (2 - 12 * t + 12 * t ** 2)) / 24 + (rise * (4 - 18 * t + 20 * t ** 3)) / 120;
  return -((bent * beam.eNPerMm2 * beam.inertiaMm4) / span ** 2 + held * span ** 2);
}

/** The greatest bow between each pair of neighbouring supports: where it is and how much, mm. */
export function spanBows(solution: BeamSolution): { fromMm: number; toMm: number; atMm: number; bowMm: number }[] {
  const { nodesMm } = solution;
  return nodesMm.slice(1).map((toMm, index) => {
    const fromMm = nodesMm[index]!;
    const size = (x: number) => Math.abs(deflectionAt(solution, x));
    const steps = Array.from({ length: 9 }, (_, step) => fromMm + ((toMm - fromMm) * step) / 8);
    const best = steps.reduce((top, x, step) => (size(x) > size(steps[top]!) ? step : top), 0);
    let [low, high] = [steps[Math.max(0, best - 1)]!, steps[Math.min(8, best + 1)]!];
    for (let turn = 0; turn < 24; turn += 1) {
      const [a, b] = [low + 0.382 * (high - low), low + 0.618 * (high - low)];
      if (size(a) < size(b)) low = a;
      else high = b;
    }
    // A support that gives can bow further than anything between it and the next.
    const atMm = [(low + high) / 2, fromMm, toMm].reduce((a, b) => (size(b) > size(a) ? b : a));
    return { fromMm, toMm, atMm, bowMm: size(atMm) };
  });
}

/**
 * A checker: the energy stored in the bent bar and its supports, and half the work of the load, N mm. Clapeyron:
 * for an exact solution both are the same.
 */
export function beamEnergy(solution: BeamSolution): { storedNmm: number; workNmm: number } {
  const { beam, nodesMm, deflections, slopes } = solution;
  const flex = beam.eNPerMm2 * beam.inertiaMm4;
  let [storedNmm, workNmm] = [0, 0];
  nodesMm.slice(1).forEach((toMm, index) => {
    const span = toMm - nodesMm[index]!;
    for (const [t, weight] of GAUSS) {
      const x = nodesMm[index]! + t * span;
      const load = elementLoad(beam, 0, x)[0] + elementLoad(beam, 0, x)[1];
      storedNmm += (weight * span * momentAt(solution, x) ** 2) / (2 * flex);
      workNmm += (weight * span * load * deflectionAt(solution, x)) / 2;
    }
  });
  for (const { atMm, stiffnessNPerMm } of beam.supports)
    if (Number.isFinite(stiffnessNPerMm)) storedNmm += (stiffnessNPerMm * deflections[nodesMm.indexOf(atMm)]! ** 2) / 2;
  const twist = (3 * flex * beam.endFixity) / (beam.lengthMm * (1 - beam.endFixity));
  storedNmm += (twist * (slopes[0]! ** 2 + slopes.at(-1)! ** 2)) / 2;
  return { storedNmm, workNmm };
}

/** Gauss–Legendre points and weights on 0 to 1, exact to degree 7. */
const GAUSS: readonly [number, number][] = [
  [0.06943184420297371, 0.17392742256872693],
  [0.33000947820757187, 0.32607257743127307],
  [0.6699905217924281, 0.32607257743127307],
  [0.9305681557970263, 0.17392742256872693],
];
