/*
 * A recording made ready to be fitted: mains hum taken off, low-passed, brought to few samples a second and whitened by
 * what the room sounded like before the tap. Low-pass: Butterworth, 4th order, causal, by the bilinear transform.
 * Whitening: autoregression by Levinson and Durbin.
 */

export interface Biquad {
  b: readonly [number, number, number];
  a: readonly [number, number];
}

const BUTTERWORTH_4 = [0.541196100146197, 1.3065629648763766];

/** Two biquads in a row: a low-pass that lets through half the power at `hz`. */
export function lowPass(hz: number, rate: number): Biquad[] {
  const tan = Math.tan((Math.PI * hz) / rate);
  return BUTTERWORTH_4.map((q) => {
    const norm = 1 / (1 + tan / q + tan * tan);
    const b0 = tan * tan * norm;
    return { b: [b0, 2 * b0, b0], a: [2 * (tan * tan - 1) * norm, (1 - tan / q + tan * tan) * norm] };
  });
}

/** Power that the analogue low-pass lets through at a frequency, 0 to 1. */
export const lowPassPower = (hz: number, cutHz: number): number => 1 / (1 + (hz / cutHz) ** 8);

export function filtered(samples: ArrayLike<number>, biquads: readonly Biquad[]): Float64Array {
  const out = Float64Array.from(samples);
  for (const { b, a } of biquads) {
    let [x1, x2, y1, y2] = [0, 0, 0, 0];
    for (let index = 0; index < out.length; index += 1) {
      const x = out[index]!;
      const y = b[0] * x + b[1] * x1 + b[2] * x2 - a[0] * y1 - a[1] * y2;
      [x2, x1, y2, y1] = [x1, x, y1, y];
      out[index] = y;
    }
  }
  return out;
}

/** Samples at even steps of `step` samples from `from`, in between by a line. */
export function decimated(samples: Float64Array, from: number, step: number, count: number): Float64Array {
  return Float64Array.from({ length: count }, (_, index) => {
    const at = from + index * step;
    const low = Math.floor(at);
    const part = at - low;
    return (samples[low] ?? 0) * (1 - part) + (samples[low + 1] ?? 0) * part;
  });
}

/** Mains hum and its overtones, fitted on the silence, that stand out of it: 50 or 60 Hz, or none. */
export interface Hum {
  hz: 50 | 60;
  /** Cosine and sine of each overtone. */
  parts: (readonly [number, number])[];
}

/** Share of the silence that hum must make up to be taken off. */
const HUM_SHARE = 0.3;

export function humOf(silence: Float64Array, rate: number, upToHz: number): Hum | null {
  const found = ([50, 60] as const).map((hz) => {
    // Over whole periods the overtones do not lean on each other.
    const period = rate / hz;
    const whole = silence.subarray(0, Math.round(Math.floor(silence.length / period) * period));
    const power = whole.reduce((sum, value) => sum + value * value, 0) / whole.length;
    const parts = Array.from({ length: Math.max(1, Math.floor(upToHz / hz)) }, (_, index) =>
      projected(whole, (2 * Math.PI * hz * (index + 1)) / rate),
    );
    return { hz, parts, share: parts.reduce((sum, [c, s]) => sum + (c * c + s * s) / 2, 0) / (power || 1) };
  });
  const best = found[0]!.share >= found[1]!.share ? found[0]! : found[1]!;
  return best.share > HUM_SHARE ? best : null;
}

/** Cosine and sine amplitude of one frequency, by least squares. */
function projected(samples: Float64Array, omega: number): readonly [number, number] {
  let [cc, ss, cs, xc, xs] = [0, 0, 0, 0, 0];
  samples.forEach((value, index) => {
    const [c, s] = [Math.cos(omega * index), Math.sin(omega * index)];
    cc += c * c;
    ss += s * s;
    cs += c * s;
    xc += value * c;
    xs += value * s;
  });
  const det = cc * ss - cs * cs;
  return det > 1e-12 ? [(ss * xc - cs * xs) / det, (cc * xs - cs * xc) / det] : [0, 0];
}

export function withoutHum(samples: Float64Array, hum: Hum | null, rate: number): Float64Array {
  if (!hum) return samples;
  return samples.map((value, index) =>
    hum.parts.reduce((left, [c, s], overtone) => {
      const angle = (2 * Math.PI * hum.hz * (overtone + 1) * index) / rate;
      return left - c * Math.cos(angle) - s * Math.sin(angle);
    }, value),
  );
}

/** What makes noise white: coefficients 1, a₁ …, and the power that is left. */
export interface Whitener {
  coefficients: number[];
  power: number;
}

/** The filter for noise like the silence with a white floor under it, by the recursion of Levinson (1947) and Durbin. */
export function whitener(silence: Float64Array, order: number, floor: number): Whitener {
  const lags = Array.from({ length: order + 1 }, (_, lag) => {
    let sum = 0;
    for (let index = lag; index < silence.length; index += 1) sum += silence[index]! * silence[index - lag]!;
    return sum / silence.length + (lag === 0 ? floor : 0);
  });
  let coefficients = [1];
  let power = lags[0]!;
  for (let stage = 1; stage <= order; stage += 1) {
    const reflection = -coefficients.reduce((sum, one, index) => sum + one * lags[stage - index]!, 0) / power;
    const longer = [...coefficients, 0];
    coefficients = longer.map((value, index) => value + reflection * longer[longer.length - 1 - index]!);
    power *= 1 - reflection * reflection;
  }
  return { coefficients, power };
}

/** The samples through a filter of few coefficients; the first ones, which have no past, are left out. */
export const whitened = (samples: Float64Array, coefficients: readonly number[]): Float64Array =>
  Float64Array.from({ length: samples.length - coefficients.length + 1 }, (_, index) =>
    coefficients.reduce((sum, one, back) => sum + one * samples[index + coefficients.length - 1 - back]!, 0),
  );

/** Power that a filter of few coefficients lets through at an angle a sample, radians. */
export function whitenerPower(coefficients: readonly number[], omega: number): number {
  let [re, im] = [0, 0];
  coefficients.forEach((one, back) => {
    re += one * Math.cos(omega * back);
    im -= one * Math.sin(omega * back);
  });
  return re * re + im * im;
}
