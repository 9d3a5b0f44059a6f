/*
 * The quick reading of three taps, from peaks in their spectra: a start for the fit, and a check on it. Alone it is wrong
 * by a quarter in a case out of four: the lowest mode is often mistaken.
 */
import { type Pull, type Span, airMass } from './membraneTone';

export interface SpectrumPoint {
  hz: number;
  /** Amplitude, in parts of the loudest. */
  size: number;
}

/** Amplitude of few samples at even frequencies, under a half-Hann window that begins at the tap. */
export function spectrum(
  samples: Float64Array,
  rate: number,
  [fromHz, toHz]: readonly [number, number],
  count: number,
): SpectrumPoint[] {
  const faded = samples.map((value, index) => value * 0.5 * (1 + Math.cos((Math.PI * index) / samples.length)));
  const sizes = Array.from({ length: count }, (_, step) => {
    const hz = fromHz + ((toHz - fromHz) * step) / (count - 1);
    const [zRe, zIm] = [Math.cos((2 * Math.PI * hz) / rate), Math.sin((2 * Math.PI * hz) / rate)];
    let [re, im] = [0, 0];
    for (let index = faded.length - 1; index >= 0; index -= 1) {
      const next = re * zRe - im * zIm + faded[index]!;
      im = re * zIm + im * zRe;
      re = next;
    }
    return { hz, size: Math.hypot(re, im) };
  });
  const loudest = Math.max(...sizes.map(({ size }) => size), 1e-300);
  return sizes.map(({ hz, size }) => ({ hz, size: size / loudest }));
}

export interface TonePeaks {
  f11: number;
  f21: number;
  f12: number;
  pull: Pull;
  /** √(Tx Ty). */
  mean: number;
}

const highest = (points: readonly SpectrumPoint[], fromHz: number, toHz: number): number =>
  points
    .filter(({ hz }) => hz >= fromHz && hz <= toHz)
    .reduce((most, one) => (one.size > most.size ? one : most), { hz: (fromHz + toHz) / 2, size: -1 }).hz;

/** f11 from the middle tap, f21 and f12 from the other two, and the tensions by relative-weighted least squares. */
export function tonePeaks(
  span: Span,
  sigma: number,
  fref: number,
  spectra: { C: SpectrumPoint[]; X: SpectrumPoint[]; Y: SpectrumPoint[] },
): TonePeaks {
  const f11 = highest(spectra.C, 0.4 * fref, 1.7 * fref);
  const f21 = highest(spectra.X, 1.2 * f11, 2.1 * f11);
  const f12 = highest(spectra.Y, 1.2 * f11, 2.1 * f11);
  const rows = (
    [
      [1, 1, f11],
      [2, 1, f21],
      [1, 2, f12],
    ] as const
  ).map(([m, n, f]) => {
    const right = 4 * f * f * (sigma + airMass(span, [m, n]));
    return [(m / span.a) ** 2 / right, (n / span.b) ** 2 / right] as const;
  });
  const sum = (of: (row: readonly [number, number]) => number) => rows.reduce((total, row) => total + of(row), 0);
  const [xx, xy, yy, x, y] = [
    sum(([p]) => p * p),
    sum(([p, r]) => p * r),
    sum(([, r]) => r * r),
    sum(([p]) => p),
    sum(([, r]) => r),
  ];
  const det = xx * yy - xy * xy;
  const pull = { tx: Math.max(1, (yy * x - xy * y) / det), ty: Math.max(1, (xx * y - xy * x) / det) };
  return { f11, f21, f12, pull, mean: Math.sqrt(pull.tx * pull.ty) };
}
