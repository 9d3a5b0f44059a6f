/*
 * Both tensions from three taps at once, fitted in time. Every mode of the membrane rings down with an amplitude and a
 * phase of its own in each tap; these are linear and are integrated out with a Gaussian prior whose size follows from
 * where the finger and the microphone were. What is left — the two tensions, the sharpness and its slope, the high-pass
 * of the microphone — is found on a grid and then by Nelder & Mead. Derived here: the evidence of a linear Gaussian
 * model, its scale profiled out: `−½ ln|K| − ½ N ln q`, `K = I + λ D G D`, `q = yᵀy − λ cᵀD K⁻¹ D c`.
 */
import { inverseOf } from '../../linear/dense';
import {
  MICROPHONE_AT,
  MICROPHONE_HEIGHT,
  type Mode,
  type Pull,
  type Span,
  TAP_PLACES,
  type TapPlace,
  airMass,
  modesTo,
} from './membraneTone';
import { type Least, nelderMead } from './nelderMead';
import { lowPassPower, whitenerPower } from './tapSignal';

/** One tap, whitened and few samples a second. */
export interface ReadyTap {
  place: TapPlace;
  samples: Float64Array;
  /** Samples a second. */
  rate: number;
  whitener: readonly number[];
  /** Mean square of the whitened silence. */
  noise: number;
  cutHz: number;
}

/** ln √(Tx Ty), ln(Tx/Ty), ln Q of the lowest mode, slope of Q, ln of the microphone’s high-pass in Hz: what is believed before. */
const PRIOR: readonly (readonly [middle: number, spread: number])[] = [
  [Math.log(160), 0.5],
  [0, 0.45],
  [Math.log(10), 0.45],
  [0, 0.35],
  [Math.log(25), 0.6],
];
/** How well finger and microphone are placed, m (one standard deviation). */
const PLACED = 0.016;
/** Notes above this part of the low-pass are not heard. */
const BAND = 1.1;
/** A mode expected this much fainter than the loudest is left out of a tap, as a part of its power. */
const FAINT = 2e-3;
/** Most waves each way that lie in the band. */
const MOST_WAVES = 4;

export interface JointFit {
  pull: Pull;
  q: number;
  qSlope: number;
  /** The next best answer, and how far its log posterior lies behind; null where there is none. */
  rival: { pull: Pull; behind: number } | null;
  /** Spread of ln Tx, ln Ty and ln √(Tx Ty). */
  sd: { x: number; y: number; mean: number };
}

export const pullOf = ([mean, ratio]: readonly number[]): Pull => ({
  tx: Math.exp(mean! + ratio! / 2),
  ty: Math.exp(mean! - ratio! / 2),
});

/** The two tensions that the taps tell together; yields so that it can be called off. */
export function* jointFit(span: Span, sigma: number, taps: readonly ReadyTap[]): Generator<undefined, JointFit> {
  const model = evidenceModel(span, sigma, taps);
  const starts = yield* gridStarts(model);
  const found: Least[] = [];
  for (const start of starts) {
    yield undefined;
    found.push(nelderMead(model, start, [0.04, 0.08, 0.2, 0.2, 0.3], 120, 0.05));
  }
  found.sort((one, other) => one.value - other.value);
  const best = nelderMead(model, found[0]!.at, [0.02, 0.04, 0.1, 0.1, 0.15], 160, 2e-3);
  const other = found.find(({ at }) => Math.abs(at[0]! - best.at[0]!) > 0.1 || Math.abs(at[1]! - best.at[1]!) > 0.2);
  yield undefined;
  // A hair on the diagonal keeps it from having none.
  const covariance = inverseOf(hessian(model, best.at, [0.01, 0.02, 0.05, 0.06, 0.1]))!;
  const [vMean, vRatio, cross] = [covariance[0]![0]!, covariance[1]![1]!, covariance[0]![1]!];
  const root = (value: number) => Math.sqrt(Math.max(value, 1e-8));
  return {
    pull: pullOf(best.at),
    q: Math.exp(best.at[2]!),
    qSlope: best.at[3]!,
    rival: other ? { pull: pullOf(other.at), behind: other.value - best.value } : null,
    sd: { mean: root(vMean), x: root(vMean + vRatio / 4 + cross), y: root(vMean + vRatio / 4 - cross) },
  };
}

/** Few good places of the grid, apart from each other. */
function* gridStarts(cost: (at: readonly number[]) => number): Generator<undefined, number[][]> {
  const seen: { at: number[]; value: number }[] = [];
  for (let mean = Math.log(45); mean <= Math.log(650); mean += 0.1) {
    yield undefined;
    for (let ratio = -0.9; ratio <= 0.91; ratio += 0.2) {
      const at = [mean, ratio, Math.log(9), 0, Math.log(20)];
      seen.push({ at, value: cost(at) });
    }
  }
  seen.sort((one, other) => one.value - other.value);
  const kept: number[][] = [];
  for (const { at } of seen) {
    if (kept.every((one) => Math.abs(one[0]! - at[0]!) > 0.16 || Math.abs(one[1]! - at[1]!) > 0.35)) kept.push(at);
    if (kept.length === 3) break;
  }
  return kept;
}

/** Minus the log of the posterior at given parameters, up to a constant. */
function evidenceModel(span: Span, sigma: number, taps: readonly ReadyTap[]) {
  const modes = modesTo(MOST_WAVES).map((mode) => modeFacts(span, sigma, mode, taps));
  const { rate, cutHz } = taps[0]!;
  const count = Math.min(...taps.map(({ samples }) => samples.length));
  const heard = taps.map(({ samples, ...tap }) => {
    const few = samples.subarray(0, count);
    return { ...tap, samples: few, total: few.reduce((sum, value) => sum + value * value, 0) };
  });
  return (at: readonly number[]): number => {
    const prior = PRIOR.reduce((sum, [middle, spread], index) => sum + ((at[index]! - middle) / spread) ** 2 / 2, 0);
    if (Math.abs(at[1]!) > 1.6 || at[0]! > 7.5 || at[0]! < 2.5) return 1e6 + prior;
    const { tx, ty } = pullOf(at);
    const notes = modes.map(({ xx, yy }) => Math.sqrt(tx * xx + ty * yy));
    const [q, slope, highPass] = [Math.exp(at[2]!), at[3]!, Math.exp(at[4]!)];
    const ringing = modes.flatMap(({ power }, index): Ringing[] => {
      const f = notes[index]!;
      if (f > BAND * cutHz) return [];
      const square = (f / highPass) ** 2;
      const passed = lowPassPower(f, cutHz) * (square / (1 + square)) ** 2;
      const decay = (Math.PI * f) / (q * (f / notes[0]!) ** slope) / rate;
      return [
        rung(
          decay,
          (2 * Math.PI * f) / rate,
          count,
          power.map((one) => one * passed),
        ),
      ];
    });
    const sums = gram(ringing, count);
    return heard.reduce((sum, tap, which) => sum - evidence(tap, ringing, sums, which), prior);
  };
}

interface ModeFacts {
  /** f² = tx · xx + ty · yy. */
  xx: number;
  yy: number;
  /** Expected power of the mode in each tap. */
  power: number[];
}

function modeFacts(span: Span, sigma: number, mode: Mode, taps: readonly ReadyTap[]): ModeFacts {
  const mass = sigma + airMass(span, mode);
  const [m, n] = mode;
  const k = Math.PI * Math.hypot(m / span.a, n / span.b);
  const seen = (waves: number, part: number, side: number) => {
    const angle = (waves * Math.PI) / side;
    return 0.5 * (1 - Math.cos(2 * waves * Math.PI * part) * Math.exp(-2 * (angle * PLACED) ** 2));
  };
  const at = ([x, y]: readonly [number, number]) => seen(m, x, span.a) * seen(n, y, span.b);
  const heard = at(MICROPHONE_AT) * Math.exp(-2 * k * MICROPHONE_HEIGHT);
  return {
    xx: ((m / span.a) ** 2 / mass) * 0.25,
    yy: ((n / span.b) ** 2 / mass) * 0.25,
    power: taps.map(({ place }) => (at(TAP_PLACES[place]) * heard) / mass ** 2),
  };
}

/** A mode as it rings in the few samples: z = e^(−decay + i·omega) a sample, and what z is after the last. */
interface Ringing {
  omega: number;
  z: Complex;
  end: Complex;
  /** Expected power in each tap. */
  power: number[];
}
interface Complex {
  re: number;
  im: number;
}

const polar = (size: number, angle: number): Complex => ({ re: size * Math.cos(angle), im: size * Math.sin(angle) });

const rung = (decay: number, omega: number, count: number, power: number[]): Ringing => ({
  omega,
  z: polar(Math.exp(-decay), omega),
  end: polar(Math.exp(-decay * count), omega * count),
  power,
});

/**
 * Log evidence of one tap, its scale profiled out.
 *
 * @param sums products of all damped cosines and sines, row by row
 */
function evidence(
  tap: Omit<ReadyTap, 'place'> & { total: number },
  modes: readonly Ringing[],
  sums: Float64Array,
  which: number,
): number {
  const { samples, noise, total } = tap;
  const count = samples.length;
  const wide = 2 * modes.length;
  const powers = modes.map(({ omega, power }) => power[which]! * whitenerPower(tap.whitener, omega));
  const faint = FAINT * Math.max(...powers);
  const heard = modes.flatMap((_mode, index) => (powers[index]! > faint ? [index] : []));
  const trace = heard.reduce((sum, i) => sum + powers[i]! * (sums[2 * i * (wide + 1)]! + sums[(2 * i + 1) * (wide + 1)]!), 0);
  const lambda = Math.max(total - count * noise, 0.05 * total) / noise / Math.max(trace, 1e-300);
  const rows = heard.flatMap((i) => [2 * i, 2 * i + 1]);
  const root = rows.map((row) => Math.sqrt(lambda * powers[row >> 1]!));
  const right = projections(
    samples,
    heard.map((i) => modes[i]!),
  );
  const { logDet, explained } = factored(rows, root, right, sums, wide);
  const rest = Math.max(total - explained, 0) + count * noise;
  return -0.5 * logDet - 0.5 * count * Math.log(rest);
}

/** `ln |K|` and `rightᵀ K⁻¹ right` (both scaled by `root`), K = 1 + root · sums · root factored by Cholesky as it is built. */
function factored(
  rows: readonly number[],
  root: readonly number[],
  right: Float64Array,
  sums: Float64Array,
  wide: number,
): { logDet: number; explained: number } {
  const size = rows.length;
  const low = new Float64Array(size * size);
  const solved = new Float64Array(size);
  let [logDet, explained] = [0, 0];
  for (let i = 0; i < size; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      let sum = root[i]! * root[j]! * sums[rows[i]! * wide + rows[j]!]! + (i === j ? 1 : 0);
      for (let p = 0; p < j; p += 1) sum -= low[i * size + p]! * low[j * size + p]!;
      low[i * size + j] = i === j ? Math.sqrt(Math.max(sum, 1e-12)) : sum / low[j * size + j]!;
    }
    let value = root[i]! * right[i]!;
    for (let p = 0; p < i; p += 1) value -= low[i * size + p]! * solved[p]!;
    solved[i] = value / low[i * size + i]!;
    logDet += 2 * Math.log(low[i * size + i]!);
    explained += solved[i]! ** 2;
  }
  return { logDet, explained };
}

/** Sums of products of all damped cosines and sines, in closed form, row by row. */
function gram(modes: readonly Ringing[], count: number): Float64Array {
  const size = 2 * modes.length;
  const sums = new Float64Array(size * size);
  const set = (p: number, r: number, value: number) => {
    sums[p * size + r] = value;
    sums[r * size + p] = value;
  };
  for (let i = 0; i < modes.length; i += 1)
    for (let j = 0; j <= i; j += 1) {
      const [sum, gap] = [geometric(modes[i]!, modes[j]!, 1, count), geometric(modes[i]!, modes[j]!, -1, count)];
      set(2 * i, 2 * j, 0.5 * (gap.re + sum.re));
      set(2 * i + 1, 2 * j + 1, 0.5 * (gap.re - sum.re));
      set(2 * i + 1, 2 * j, 0.5 * (sum.im + gap.im));
      set(2 * i, 2 * j + 1, 0.5 * (sum.im - gap.im));
    }
  return sums;
}

/** Σ (z w)^t for t = 0 … count − 1; with `turn` −1 w is taken conjugate. */
function geometric(one: Ringing, other: Ringing, turn: 1 | -1, count: number): { re: number; im: number } {
  const [wIm, wEndIm] = [turn * other.z.im, turn * other.end.im];
  const lowRe = 1 - (one.z.re * other.z.re - one.z.im * wIm);
  const lowIm = -(one.z.re * wIm + one.z.im * other.z.re);
  const topRe = 1 - (one.end.re * other.end.re - one.end.im * wEndIm);
  const topIm = -(one.end.re * wEndIm + one.end.im * other.end.re);
  const square = lowRe * lowRe + lowIm * lowIm;
  if (square < 1e-20) return { re: count, im: 0 };
  return { re: (topRe * lowRe + topIm * lowIm) / square, im: (topIm * lowRe - topRe * lowIm) / square };
}

/** Σ y_t z^t for every mode, cosine and sine. */
function projections(samples: Float64Array, modes: readonly Ringing[]): Float64Array {
  const sums = new Float64Array(2 * modes.length);
  modes.forEach(({ z }, mode) => {
    const { re: zRe, im: zIm } = z;
    let [re, im] = [0, 0];
    for (let index = samples.length - 1; index >= 0; index -= 1) {
      const next = re * zRe - im * zIm + samples[index]!;
      im = re * zIm + im * zRe;
      re = next;
    }
    sums[2 * mode] = re;
    sums[2 * mode + 1] = im;
  });
  return sums;
}

/** Second differences of a cost; a hair on the diagonal, so that it has an inverse: what is flat gets a wide spread. */
function hessian(cost: (at: readonly number[]) => number, at: readonly number[], steps: readonly number[]): number[][] {
  const moved = (...moves: [axis: number, by: number][]) => {
    const there = [...at];
    for (const [axis, by] of moves) there[axis] = there[axis]! + by;
    return cost(there);
  };
  const here = cost(at);
  return steps.map((step, i) =>
    steps.map((other, j) =>
      i === j
        ? (moved([i, step]) - 2 * here + moved([i, -step])) / step ** 2 + 1e-9
        : (moved([i, step], [j, other]) -
            moved([i, step], [j, -other]) -
            moved([i, -step], [j, other]) +
            moved([i, -step], [j, -other])) /
          (4 * step * other),
    ),
  );
}
