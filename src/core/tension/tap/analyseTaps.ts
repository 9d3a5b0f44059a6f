/*
 * Tension along both ways from three taps, with its uncertainty, or why there is none: check, hum, low-pass, whitening,
 * peaks, joint fit, and the rule that accepts only what peaks and fit agree on. Simulated only, never checked on real
 * canvases.
 */
import { changedOver } from './changedOver';
import { jointFit, type JointFit, type ReadyTap } from './jointFit';
import { type Pull, type Span, TAP_PLACE_IDS, type TapPlace, airMass, modeHz, modesTo, referenceHz } from './membraneTone';
import { type TapRefusal, checkTap } from './tapCheck';
import { decimated, filtered, humOf, lowPass, whitened, whitener, withoutHum } from './tapSignal';
import { type SpectrumPoint, type TonePeaks, spectrum, tonePeaks } from './tonePeaks';
import type { Sound } from './wav';

/** The sound of one tap, with the quiet before it. */
export type TapRecording = Sound;

export interface TapsInput {
  span: Span;
  /** Mass of cloth and ground, kg/m², and its spread as a part of it. */
  sigma: number;
  sigmaPart: number;
  taps: Record<TapPlace, TapRecording>;
}

export interface TapPicture {
  spectrum: SpectrumPoint[];
  /** Level after the tap, dB below its first. */
  decay: { seconds: number; db: number }[];
}

export interface TensionByTap {
  pull: Pull;
  /** One standard deviation, N/m. */
  sdX: number;
  sdY: number;
  mean: number;
  sdMean: number;
  q: number;
}

export type TapsReading =
  | { kind: 'refused'; place: TapPlace; why: TapRefusal; says: string; doThis: string }
  | { kind: 'doubted'; says: string; doThis: string; pictures: Record<TapPlace, TapPicture>; peaks: TonePeaks }
  | {
      kind: 'read';
      tension: TensionByTap;
      peaks: TonePeaks;
      pictures: Record<TapPlace, TapPicture>;
      modes: { name: string; hz: number }[];
      /** The note that tells one way from the other: 2,1 at X, 1,2 at Y, Hz. */
      decides: { X: number; Y: number };
      /** The tensions if X and Y were taken for each other, where that is the likelier. */
      changedOver: Pull | null;
    };

/** Peaks and fit must agree on the mean and on the lowest note; the fit itself must be this sure. */
const AGREE_MEAN = 0.15;
const AGREE_NOTE = 0.08;
const AGREE_RATIO = 0.3;
const SURE = 0.06;
/** A second answer must lie this far behind in log posterior. */
const RIVAL_BEHIND = 8;
/**
 * The fit believes itself too much by this factor (so that one standard deviation holds 60 to 80 % of the simulated
 * cases); what the model leaves out, as a part.
 */
const FIT_FACTOR = 1.8;
const MODEL_PART = 0.03;
const AR_ORDER = 3;
/** What no mode explains, as a part of the power of the tap: taken as white noise. */
const MISFIT = 0.012;

/**
 * Reads three taps. Yields while it works, so that it can be called off.
 *
 * @throws RangeError for a span or mass of 0 or less
 */
export function* analyseTaps({ span, sigma, sigmaPart, taps }: TapsInput): Generator<undefined, TapsReading> {
  const fref = referenceHz(span, sigma);
  const ready: ReadyTap[] = [];
  const pictures = {} as Record<TapPlace, TapPicture>;
  for (const place of TAP_PLACE_IDS) {
    const { samples, rate } = taps[place];
    const check = checkTap(samples, rate);
    if (!check.ok) return { kind: 'refused', place, why: check.why, says: check.says, doThis: check.doThis };
    const { tap, plain } = readyTap(samples, rate, check.onset, fref, place);
    ready.push(tap);
    pictures[place] = { spectrum: spectrum(plain, tap.rate, [0.3 * fref, 3.2 * fref], 240), decay: decayOf(plain, tap.rate) };
    yield undefined;
  }
  const peaks = tonePeaks(span, sigma, fref, { C: pictures.C.spectrum, X: pictures.X.spectrum, Y: pictures.Y.spectrum });
  const fit = yield* jointFit(span, sigma, ready);
  const doubt = doubtOf(span, sigma, fit, peaks);
  if (doubt)
    return {
      kind: 'doubted',
      says: doubt,
      doThis: 'Tap again, all three places: short, with a fingertip, the back free.',
      pictures,
      peaks,
    };
  return {
    kind: 'read',
    tension: tensionOf(span, sigma, sigmaPart, fit),
    peaks,
    pictures,
    modes: modesTo(3)
      .map((mode) => ({ name: `${mode[0]},${mode[1]}`, hz: modeHz(span, sigma, fit.pull, mode) }))
      .filter(({ hz }) => hz < 3.2 * fref),
    decides: { X: modeHz(span, sigma, fit.pull, [2, 1]), Y: modeHz(span, sigma, fit.pull, [1, 2]) },
    changedOver: changedOver(span, fit.pull),
  };
}

/** Few samples after the tap, whitened by the silence before it, and the same unwhitened for the eye. */
function readyTap(
  samples: Float32Array,
  rate: number,
  onset: number,
  fref: number,
  place: TapPlace,
): { tap: ReadyTap; plain: Float64Array } {
  const cutHz = 3.2 * fref;
  const few = 11 * fref;
  const step = rate / few;
  const low = filtered(samples, lowPass(cutHz, rate));
  const silenceFrom = Math.max(0, onset - Math.round(0.6 * rate));
  const before = low.subarray(silenceFrom + Math.round(0.01 * rate), onset);
  // What the low-pass lets through of the overtones above it is heard too.
  const hum = humOf(Float64Array.from(before), rate, 2 * cutHz);
  const clean = withoutHum(low.slice(silenceFrom + Math.round(0.01 * rate)), hum, rate);
  const tapAt = before.length;
  const silence = decimated(clean, tapAt % step, step, Math.floor((tapAt * 0.98) / step));
  const from = tapAt + (0.006 + 0.25 / cutHz) * rate;
  const count = Math.min(176, Math.floor((clean.length - from) / step) - 1);
  const plain = decimated(clean, from, step, count);
  const power = plain.reduce((sum, value) => sum + value * value, 0) / count;
  const { coefficients, power: noise } = whitener(silence, AR_ORDER, MISFIT * power);
  return { tap: { place, samples: whitened(plain, coefficients), rate: few, whitener: coefficients, noise, cutHz }, plain };
}

function decayOf(samples: Float64Array, rate: number): TapPicture['decay'] {
  const block = Math.max(2, Math.round(rate / 60));
  const levels = Array.from({ length: Math.floor(samples.length / block) }, (_, at) => {
    const sum = samples.slice(at * block, (at + 1) * block).reduce((total, value) => total + value * value, 0);
    return { seconds: ((at + 0.5) * block) / rate, power: sum / block };
  });
  const first = Math.max(levels[0]?.power ?? 0, 1e-30);
  return levels.map(({ seconds, power }) => ({ seconds, db: 10 * Math.log10(Math.max(power, 1e-30) / first) }));
}

function doubtOf(span: Span, sigma: number, fit: JointFit, peaks: TonePeaks): string | null {
  const mean = Math.sqrt(fit.pull.tx * fit.pull.ty);
  const f11 = modeHz(span, sigma, fit.pull, [1, 1]);
  if (!(fit.sd.mean < SURE && fit.sd.x < 2 * SURE && fit.sd.y < 2 * SURE))
    return 'The taps do not tell one tension: the notes are too blurred.';
  if (fit.rival && fit.rival.behind < RIVAL_BEHIND) return 'Two different tensions explain these taps about equally well.';
  if (Math.abs(Math.log(peaks.mean / mean)) > AGREE_MEAN) return 'The peaks and the fit do not agree on the tension.';
  if (Math.abs(Math.log(peaks.pull.tx / peaks.pull.ty / (fit.pull.tx / fit.pull.ty))) > AGREE_RATIO)
    return 'The peaks and the fit do not agree on which way is tighter.';
  if (Math.abs(Math.log(peaks.f11 / f11)) > AGREE_NOTE) return 'The peaks and the fit do not agree on the lowest note.';
  return null;
}

function tensionOf(span: Span, sigma: number, sigmaPart: number, { pull, sd, q }: JointFit): TensionByTap {
  const byMass = (sigma / (sigma + airMass(span, [1, 1]))) * sigmaPart;
  const part = (one: number) => Math.hypot(FIT_FACTOR * one, byMass, MODEL_PART);
  const mean = Math.sqrt(pull.tx * pull.ty);
  return { pull, sdX: pull.tx * part(sd.x), sdY: pull.ty * part(sd.y), mean, sdMean: mean * part(sd.mean), q };
}
