/*
 * The notes of a stretched cloth: a rectangular membrane held at its edge, with the air that moves along with it on both
 * sides (unbaffled, back open). x runs along a, y along b. Membrane: Kinsler & Frey, Fundamentals of Acoustics; Morse &
 * Ingard, Theoretical Acoustics. Air: a fit of a numerical solution, at most 1.3 % off for m, n ≤ 4 and sides up to 1 : 2.5.
 */

/** Density of air, kg/m³. */
const AIR = 1.204;

/** Free span inside the bead, m. */
export interface Span {
  a: number;
  b: number;
}

/** Half waves along a and along b. */
export type Mode = readonly [m: number, n: number];

/** Tension along a and along b, N/m. */
export interface Pull {
  tx: number;
  ty: number;
}

/**
 * Mass of the air that moves with a mode, kg/m².
 *
 * `m_air = (2 ρ / k) C`, k = π √((m/a)² + (n/b)²), C from the fit.
 *
 * @example airMass({ a: 0.5, b: 0.7 }, [1, 1]) // 0.37…
 */
export function airMass({ a, b }: Span, [m, n]: Mode): number {
  const kx = (Math.PI * m) / a;
  const ky = (Math.PI * n) / b;
  const k = Math.hypot(kx, ky);
  const c = 1 + 0.7765 * ((kx / k) ** 3.125 / (k * a) + (ky / k) ** 3.125 / (k * b)) + 1.454 / (k * k * a * b);
  return ((2 * AIR) / k) * c;
}

/**
 * Frequency of a mode, Hz: `½ √[(Tx (m/a)² + Ty (n/b)²) / (σ + m_air)]`.
 *
 * @param sigma mass of cloth and ground, kg/m²
 * @throws RangeError for a span or mass of 0 or less, or a tension below 0
 * @example modeHz({ a: 0.5, b: 0.7 }, 0.6, { tx: 200, ty: 200 }, [1, 1]) // 17.6…
 */
export function modeHz(span: Span, sigma: number, { tx, ty }: Pull, mode: Mode): number {
  for (const [name, value] of Object.entries({ a: span.a, b: span.b, sigma }))
    if (!(value > 0)) throw new RangeError(`${name} must be above 0, got ${value}`);
  if (!(tx >= 0 && ty >= 0)) throw new RangeError(`tension must be 0 N/m or more, got ${tx} and ${ty}`);
  const [m, n] = mode;
  return 0.5 * Math.sqrt((tx * (m / span.a) ** 2 + ty * (n / span.b) ** 2) / (sigma + airMass(span, mode)));
}

/** Lowest note at a usual 200 N/m, Hz: what the filters and windows of the tap are set by. */
export const referenceHz = (span: Span, sigma: number): number => modeHz(span, sigma, { tx: 200, ty: 200 }, [1, 1]);

/** Modes up to m and n half waves. */
export const modesTo = (most: number): Mode[] =>
  Array.from({ length: most * most }, (_, index): Mode => [1 + Math.floor(index / most), 1 + (index % most)]);

/** Where a tap goes, and the microphone over the cloth, as parts of the span from the upper left of the front. */
export const TAP_PLACES = { C: [0.5, 0.5], X: [0.25, 0.5], Y: [0.5, 0.25] } as const satisfies Record<
  string,
  readonly [number, number]
>;
export type TapPlace = keyof typeof TAP_PLACES;
export const TAP_PLACE_IDS = ['C', 'X', 'Y'] as const satisfies readonly TapPlace[];
export const MICROPHONE_AT = [0.3, 0.3] as const;
/** Microphone above the cloth, m. */
export const MICROPHONE_HEIGHT = 0.035;
