/*
 * Inward bow of a bar under the pull of the cloth: a uniform line load w on an Euler–Bernoulli beam,
 * ends free to turn, held by braces at equal spacing taken as rigid supports.
 * Support moments: Clapeyron's theorem of three moments (1857), M[i−1] + 4 M[i] + M[i+1] = −w s²/2.
 * Units here: mm, N/mm, N/mm². Bow is positive inwards.
 */

/** A bar as a beam bending in the plane of the canvas. */
export interface Beam {
  lengthMm: number;
  /** Equal spans between corners and braces: braces + 1. */
  spans: number;
  loadNPerMm: number;
  eNPerMm2: number;
  inertiaMm4: number;
}

/** I = depth · width³ / 12, mm⁴: the bar bends in the plane of the canvas, so its width counts to the third power. */
export const inertiaInPlane = (widthMm: number, depthMm: number): number => (depthMm * widthMm ** 3) / 12;

/**
 * Bow at a distance along the bar, mm.
 *
 * @param alongMm 0 to the length of the beam; braces read 0
 * @throws RangeError for a length, span count, load or stiffness that no bar has
 */
export function bowAt(beam: Beam, alongMm: number): number {
  check(beam);
  const span = beam.lengthMm / beam.spans;
  const index = Math.min(beam.spans - 1, Math.max(0, Math.floor(alongMm / span)));
  return bowInSpan(beam, supportMoments(beam.spans), index, alongMm / span - index);
}

/**
 * The greatest bow of the bar, mm. Valid for small bows (below a hundredth of the span).
 *
 * One span gives 5 w L⁴ / (384 E I); two equal spans w s⁴ / (184.6 E I).
 *
 * @example greatestBow({ lengthMm: 1000, spans: 1, loadNPerMm: 0.25, eNPerMm2: 10_000, inertiaMm4: 100_000 }) // 3.2552…
 * @throws RangeError as `bowAt`
 */
export function greatestBow(beam: Beam): number {
  check(beam);
  return bowInSpan(beam, supportMoments(beam.spans), 0, crown(beam.spans));
}

const crowns = new Map<number, number>();

/** Where the end span bows most, as a part of it: the slope changes sign there. Depends on the count of spans alone. */
function crown(spans: number): number {
  const known = crowns.get(spans);
  if (known !== undefined) return known;
  const moments = supportMoments(spans);
  let [from, to] = [0.2, 0.8];
  for (let turn = 0; turn < 50; turn += 1) {
    const middle = (from + to) / 2;
    if (slopeInSpan(moments, 0, middle) > 0) from = middle;
    else to = middle;
  }
  crowns.set(spans, from);
  return from;
}

function check({ lengthMm, spans, loadNPerMm, eNPerMm2, inertiaMm4 }: Beam): void {
  const positive = { lengthMm, eNPerMm2, inertiaMm4 };
  for (const [name, value] of Object.entries(positive)) {
    if (!(value > 0) || !Number.isFinite(value)) throw new RangeError(`${name} must be above 0, got ${value}`);
  }
  if (!Number.isInteger(spans) || spans < 1) throw new RangeError(`spans must be a whole number from 1, got ${spans}`);
  if (!(loadNPerMm >= 0)) throw new RangeError(`loadNPerMm must be 0 or more, got ${loadNPerMm}`);
}

/** Moments over the supports in units of w s², index 0 and `spans` being the corners (0). */
function supportMoments(spans: number): number[] {
  const inner = spans - 1;
  const ratio = new Array<number>(inner + 1).fill(0);
  const right = new Array<number>(inner + 1).fill(0);
  for (let i = 1; i <= inner; i += 1) {
    const pivot = 4 - ratio[i - 1]!;
    ratio[i] = 1 / pivot;
    right[i] = (-0.5 - right[i - 1]!) / pivot;
  }
  const moments = new Array<number>(spans + 1).fill(0);
  for (let i = inner; i >= 1; i -= 1) moments[i] = right[i]! - ratio[i]! * moments[i + 1]!;
  return moments;
}

/** Derived here: E I y″ = −M with M = w s² (t(1−t)/2 + a(1−t) + b t), y = 0 at both ends of the span. */
function bowInSpan(
  { lengthMm, spans, loadNPerMm, eNPerMm2, inertiaMm4 }: Beam,
  moments: number[],
  index: number,
  t: number,
): number {
  const span = lengthMm / spans;
  const [a, b] = [moments[index]!, moments[index + 1]!];
  const uniform = (t * (1 - 2 * t ** 2 + t ** 3)) / 24;
  const ends = (t * (1 - t) * (a * (2 - t) + b * (1 + t))) / 6;
  return ((uniform + ends) * loadNPerMm * span ** 4) / (eNPerMm2 * inertiaMm4);
}

function slopeInSpan(moments: number[], index: number, t: number): number {
  const [a, b] = [moments[index]!, moments[index + 1]!];
  return (1 - 6 * t ** 2 + 4 * t ** 3) / 24 + (a * (2 - 6 * t + 3 * t ** 2) + b * (1 - 3 * t ** 2)) / 6;
}
