/*
 * How tension follows the air. Cloth lengthens and wood swells with relative humidity, each by its own coefficient; the
 * difference is strain, and strain times stiffness is tension: `T = T₀ − E (α_cloth − α_wood) (RH − RH₀)`, never below 0.
 * Linear and without delay; warmth counts only through humidity. The coefficients are guesses to be edited, and the
 * canvas’s own past is what they are checked against. Derived here.
 */
export interface AirReading {
  /** ISO time. */
  at: string;
  celsius: number;
  /** Relative humidity, %. */
  rh: number;
}

export interface WeatherResponse {
  stiffnessKNPerM: number;
  /** Lengthening in parts of a million for one % RH. */
  clothPpm: number;
  woodPpm: number;
}

/** Newtons a metre lost for one % RH more. */
export const lossPerRh = ({ stiffnessKNPerM, clothPpm, woodPpm }: WeatherResponse): number =>
  (stiffnessKNPerM * (clothPpm - woodPpm)) / 1000;

/**
 * Tension at another humidity, N/m.
 *
 * @param known tension that was measured, N/m, and the humidity it was measured in, %
 * @throws RangeError for humidity outside 0–100 %
 * @example tensionAt({ nPerM: 200, rh: 50 }, 70, { stiffnessKNPerM: 20, clothPpm: 60, woodPpm: 10 }) // 180
 */
export function tensionAt(known: { nPerM: number; rh: number }, rh: number, response: WeatherResponse): number {
  for (const one of [known.rh, rh])
    if (!(one >= 0 && one <= 100)) throw new RangeError(`humidity must be 0 to 100 %, got ${one}`);
  return Math.max(0, known.nPerM - lossPerRh(response) * (rh - known.rh));
}

/** The dampest air in which the cloth keeps a tension, % RH; null where even 100 % does not slacken it so far. */
export function flatUpTo(known: { nPerM: number; rh: number }, leastNPerM: number, response: WeatherResponse): number | null {
  const loss = lossPerRh(response);
  if (loss <= 0) return null;
  const rh = known.rh + (known.nPerM - leastNPerM) / loss;
  return rh >= 100 ? null : Math.max(0, rh);
}

/** What of the sorted values lies at a part of their count, 0 to 1. */
export const atPart = (sorted: readonly number[], part: number): number =>
  sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(part * (sorted.length - 1))))]!;

export interface WeatherBand {
  /** Lowest and highest tension over the readings, N/m. */
  least: number;
  most: number;
  /** Air that is damper only one hour in twenty, % RH. */
  dampRh: number;
  /** Tension to have now so that it keeps the least in that air, N/m. */
  needed: number;
  /** Part of the readings in which it hangs below the least. */
  slackPart: number;
}

/**
 * The band of tension over the air of a year, or null where no air was read.
 *
 * @example weatherBand({ nPerM: 200, rh: 50 }, [], 60, { stiffnessKNPerM: 20, clothPpm: 60, woodPpm: 10 }) // null
 */
export function weatherBand(
  known: { nPerM: number; rh: number },
  air: readonly AirReading[],
  leastNPerM: number,
  response: WeatherResponse,
): WeatherBand | null {
  if (air.length === 0) return null;
  const tensions = air.map(({ rh }) => tensionAt(known, rh, response));
  const dampRh = atPart(
    air.map(({ rh }) => rh).sort((one, other) => one - other),
    0.95,
  );
  return {
    least: Math.min(...tensions),
    most: Math.max(...tensions),
    dampRh,
    needed: leastNPerM + lossPerRh(response) * (dampRh - known.rh),
    slackPart: tensions.filter((one) => one < leastNPerM).length / tensions.length,
  };
}

export type DampSpell = { kind: 'none' } | { kind: 'now' | 'coming'; rh: number };

const HOUR_MS = 3_600_000;

/**
 * Whether a damp spell is here or on its way: the mean of the last day, and the line through the last two days carried on
 * for one more. A guess from the room’s own past, no forecast.
 *
 * @param dampRh from here on air counts as damp, % RH
 */
export function dampSpell(air: readonly AirReading[], dampRh: number, nowMs: number): DampSpell {
  const recent = air
    .map(({ at, rh }) => ({ hours: (Date.parse(at) - nowMs) / HOUR_MS, rh }))
    .filter(({ hours }) => hours > -48 && hours <= 0);
  const day = recent.filter(({ hours }) => hours > -24);
  if (day.length < 3 || recent.length < 6) return { kind: 'none' };
  const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
  const today = mean(day.map(({ rh }) => rh));
  if (today >= dampRh) return { kind: 'now', rh: today };
  const [middle, level] = [mean(recent.map(({ hours }) => hours)), mean(recent.map(({ rh }) => rh))];
  const spread = recent.reduce((sum, { hours }) => sum + (hours - middle) ** 2, 0);
  const slope = recent.reduce((sum, { hours, rh }) => sum + (hours - middle) * (rh - level), 0) / (spread || 1);
  const tomorrow = Math.min(100, level + slope * (24 - middle));
  return tomorrow >= dampRh ? { kind: 'coming', rh: tomorrow } : { kind: 'none' };
}
