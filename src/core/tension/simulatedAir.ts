/*
 * A hygrometer that is not there: the air of a workshop over the year. Seasons, spells of weather that last some days,
 * and the day’s own swing; every random part comes from the source given.
 */
import type { AirReading } from './clothWeather';

const DAY_H = 24;
const YEAR_H = 365.25 * DAY_H;

/**
 * Readings at even steps, oldest first.
 *
 * @param random uniform in [0, 1)
 * @param fromMs first reading, ms since 1970
 * @param stepHours above 0
 */
export function simulatedAir(random: () => number, fromMs: number, count: number, stepHours: number): AirReading[] {
  if (!(stepHours > 0)) throw new RangeError(`step must be above 0 h, got ${stepHours}`);
  const keep = Math.exp(-stepHours / 60);
  const push = Math.sqrt(1 - keep * keep);
  let [damp, warm] = [0, 0];
  return Array.from({ length: count }, (_, index) => {
    const atMs = fromMs + index * stepHours * 3_600_000;
    const hours = atMs / 3_600_000;
    // Coldest in the middle of January, warmest half a year later.
    const season = Math.cos((2 * Math.PI * (hours - 15 * DAY_H)) / YEAR_H);
    const day = Math.cos((2 * Math.PI * (hours - 15)) / DAY_H);
    damp = keep * damp + push * (random() + random() + random() - 1.5) * 2;
    warm = keep * warm + push * (random() + random() + random() - 1.5) * 2;
    const celsius = 17.5 - 3.5 * season + 1.3 * day + 1.2 * warm;
    const rh = 58 - 7 * season + 9.5 * damp - 2.5 * day;
    return {
      at: new Date(atMs).toISOString(),
      celsius: Math.round(10 * Math.min(34, Math.max(4, celsius))) / 10,
      rh: Math.round(10 * Math.min(96, Math.max(22, rh))) / 10,
    };
  });
}
