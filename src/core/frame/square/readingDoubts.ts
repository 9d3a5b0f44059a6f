/*
 * Do the readings agree, and if not, which one is to be doubted: chi-square of the residuals, and standardised
 * residuals (Baarda, A testing procedure for use in geodetic networks, 1968).
 */
import type { Side } from '../../job/sides';
import { type Corner, type DiagonalName, isDiagonal } from './corners';
import type { Knowledge, Observation } from './readings';

/** What the readings' disagreement most likely comes from. */
export type Doubt =
  | { kind: 'side'; name: Side; likelyMm: number }
  | { kind: 'diagonal'; name: DiagonalName; likelyMm: number }
  /** One of the two, which cannot be told: either would have to read so. */
  | { kind: 'diagonals'; likelyMm: Record<DiagonalName, number> }
  | { kind: 'gap'; corner: Corner; likelyMm: number }
  /** The bars themselves: one of a pair is longer, or the pair is not of the planned length. */
  | { kind: 'pair'; pair: 'width' | 'height'; offMm: number }
  | { kind: 'size'; pair: 'width' | 'height'; offMm: number };

/** `closure`: how far the diagonals together are off what the sides allow, in standard deviations, 0 and more; null when untold. */
export interface Agreement {
  chiSquare: number;
  freedom: number;
  limit: number;
  closure: number | null;
  agrees: boolean;
}

/** Readings that miss each other by so many times what chance brings are built on by nobody. */
const CONTRADICTION = 4;

/** Whether nothing may be built on readings: they contradict each other far beyond chance. */
export const contradicts = ({ agrees, chiSquare, limit }: Agreement): boolean => !agrees && chiSquare > CONTRADICTION * limit;

/** Upper 5 % points of chi-square for 1, 2, … degrees of freedom. */
const CHI_95 = [3.841, 5.991, 7.815, 9.488, 11.07, 12.592, 14.067, 15.507, 16.919, 18.307, 19.675, 21.026];
/**
 * A slip in a diagonal shows in one number alone, the closure, so that is looked at on its own: beyond 2.241
 * (2.5 % by chance). Derived here: chi-square limits for 2, 3, … degrees of freedom at which both tests together
 * alarm in 5 % of good readings, from 1 − ∫ φ(z) P(χ²[n−1] < limit − z²) dz over |z| < 2.241 = 0.05.
 */
const CLOSURE_LIMIT = 2.241;
const CHI_BESIDE_CLOSURE = [6.312, 8.54, 10.453, 12.211, 13.874, 15.47, 17.016, 18.523, 19.999, 21.449, 22.876];

/** An observation held against the fit. */
export interface Tested extends Observation {
  /** Read less fitted. */
  off: number;
  /** The residual by its own standard deviation. */
  standardised: number;
  /** What the reading would have to be for the others to agree with it. */
  likely: number;
}

/** Whether the observations fit one frame, at 5 % of false alarms. */
export function agreementOf(tests: readonly Tested[]): Agreement {
  const freedom = Math.max(0, tests.length - 5);
  const chiSquare = tests.reduce((sum, { off, sd }) => sum + (off / sd) ** 2, 0);
  const ties = tests.filter(({ is, standardised }) => is.kind === 'tape' && isDiagonal(is.name) && standardised !== 0);
  // Alike in both where nothing but the tape was held to it; else their root mean square, which is the same in the mirror.
  const closure =
    ties.length === 2 && freedom >= 2 ? Math.hypot(ties[0]!.standardised, ties[1]!.standardised) / Math.SQRT2 : null;
  const at = (table: readonly number[], place: number) => table[Math.min(place, table.length) - 1]!;
  const limit = freedom === 0 ? Infinity : closure === null ? at(CHI_95, freedom) : at(CHI_BESIDE_CLOSURE, freedom - 1);
  const agrees = chiSquare <= limit && (closure ?? 0) <= CLOSURE_LIMIT;
  return { chiSquare, freedom, limit, closure, agrees };
}

/** The observation with its residual `off`, whose variance is what the fit leaves of its own. */
export function tested(one: Observation, off: number, variance: number): Tested {
  const told = variance > 1e-9 * one.sd ** 2;
  return {
    ...one,
    off,
    standardised: told ? off / Math.sqrt(variance) : 0,
    likely: told ? one.value - (off * one.sd ** 2) / variance : one.value,
  };
}

/** A reading is doubted before the bars are: reading again costs less than sawing again. */
const BARS_HANDICAP = 6;
/** Evidence, as a drop of chi-square, that tells one diagonal from the other. */
const TELLS_APART = 4;

/** Whether this observation is the one in doubt. */
export function isDoubted({ is }: Observation, doubt: Doubt): boolean {
  if (is.kind === 'tape') return (doubt.kind === 'side' || doubt.kind === 'diagonal') && doubt.name === is.name;
  if (is.kind === 'gap') return doubt.kind === 'gap' && doubt.corner === is.corner;
  return doubt.kind === is.kind && doubt.pair === is.pair;
}

/** The observation without which the rest agrees best. */
export function doubtOf(tests: readonly Tested[], { bladeMm }: Knowledge): Doubt {
  const weight = ({ is, standardised }: Tested) =>
    standardised ** 2 - (is.kind === 'pair' || is.kind === 'size' ? BARS_HANDICAP : 0);
  const [first, ...others] = [...tests].sort((a, b) => weight(b) - weight(a)) as [Tested, ...Tested[]];
  const { is } = first;
  if (is.kind === 'gap') return { kind: 'gap', corner: is.corner, likelyMm: first.likely * bladeMm };
  if (is.kind === 'pair' || is.kind === 'size') return { kind: is.kind, pair: is.pair, offMm: first.likely - first.value };
  if (!isDiagonal(is.name)) return { kind: 'side', name: is.name, likelyMm: first.likely };
  const twin = others.find((one) => one.is.kind === 'tape' && isDiagonal(one.is.name));
  if (!twin || first.standardised ** 2 - twin.standardised ** 2 >= TELLS_APART)
    return { kind: 'diagonal', name: is.name, likelyMm: first.likely };
  const [down, up] = is.name === 'down' ? [first.likely, twin.likely] : [twin.likely, first.likely];
  return { kind: 'diagonals', likelyMm: { down, up } };
}
