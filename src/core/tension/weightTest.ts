/*
 * Tension from a weight on a disc in the middle of the cloth: the sag of a rectangular membrane held at its edge under a
 * ring of force, expanded in the modes of the membrane (Morse & Ingard, Theoretical Acoustics, 1968; the mean of a mode over a
 * ring is J0 of its radius: Watson, Theory of Bessel Functions, 1944). Canvas level, face up, back free. One number, near √(Tx Ty).
 */
import { besselJ0 } from './besselJ0';

/** Weight of a gram, N. */
const N_PER_G = 9.80665e-3;
/** Odd waves summed each way: what is left out is below 0.3 % for a disc of 40 mm and more. */
const MOST_WAVES = 399;

export interface WeightOnDisc {
  weightG: number;
  /** Across the disc, mm. */
  discMm: number;
}

/**
 * Sag in the middle under a weight, mm, the cloth pulled alike both ways.
 *
 * `w = (4 F / a b) Σ J0²(k r) / [T k²]`, m and n odd, k² = π² ((m/a)² + (n/b)²).
 *
 * @param span free span, mm
 * @throws RangeError for a span, weight, tension of 0 or less, or a disc that does not lie inside
 * @example sagUnder({ widthMm: 500, heightMm: 700 }, { weightG: 200, discMm: 60 }, 200) // 3.6…
 */
export function sagUnder(
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  { weightG, discMm }: WeightOnDisc,
  tensionNPerM: number,
): number {
  for (const [name, value] of Object.entries({ widthMm, heightMm, weightG, discMm, tensionNPerM }))
    if (!(value > 0)) throw new RangeError(`${name} must be above 0, got ${value}`);
  if (!(discMm < Math.min(widthMm, heightMm))) throw new RangeError(`a disc of ${discMm} mm does not lie inside the span`);
  let sum = 0;
  for (let m = 1; m <= MOST_WAVES; m += 2)
    for (let n = 1; n <= MOST_WAVES; n += 2) {
      const square = Math.PI ** 2 * ((m / widthMm) ** 2 + (n / heightMm) ** 2);
      sum += besselJ0((Math.sqrt(square) * discMm) / 2) ** 2 / square;
    }
  return (4 * weightG * N_PER_G * sum) / (widthMm * heightMm * (tensionNPerM / 1000));
}

export interface TensionByWeight {
  tensionNPerM: number;
  /** One standard deviation, N/m. */
  sdNPerM: number;
}

/** What the series leaves out of a real canvas, as a part: a level, still, evenly pulled cloth is assumed. */
const MODEL_PART = 0.05;

/**
 * Tension that a sag tells, N/m: it goes as one over the sag.
 *
 * @param sagPrecisionMm one standard deviation of the sag as it is read
 * @throws RangeError as `sagUnder`, and for a sag of 0 or less
 */
export function tensionFromSag(
  span: { widthMm: number; heightMm: number },
  disc: WeightOnDisc,
  sagMm: number,
  sagPrecisionMm: number,
): TensionByWeight {
  if (!(sagMm > 0)) throw new RangeError(`a sag is above 0 mm, got ${sagMm}`);
  const tensionNPerM = (200 * sagUnder(span, disc, 200)) / sagMm;
  return { tensionNPerM, sdNPerM: tensionNPerM * Math.hypot(sagPrecisionMm / sagMm, MODEL_PART) };
}

/** Sag under the heavier weight less than this part of what it should be: the cloth stretches, and reads too tight. */
export const STRETCHES_BELOW = 0.92;

/** Sag under the heavier weight over what the lighter one foretells: 1 where the cloth only hangs from its tension. */
export const sagsAlike = (light: { weightG: number; sagMm: number }, heavy: { weightG: number; sagMm: number }): number =>
  heavy.sagMm / light.sagMm / (heavy.weightG / light.weightG);
