/**
 * Prints minutes the way a wall clock is read: "25 min", "2 h 10 min", "3 days".
 *
 * @param minutes zero or more; rounded to the minute, from two days on to half days
 * @example printDuration(130) // '2 h 10 min'
 * @example printDuration(1439.8) // '24 h'
 */
export function printDuration(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  if (whole < 48 * 60) return whole % 60 === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${whole % 60} min`;
  const days = Math.round(whole / 720) / 2;
  return `${days} days`;
}

/** From so many minutes on, an estimate is told to so many, minutes. */
const STEPS = [
  [600, 60],
  [240, 30],
  [60, 10],
  [20, 5],
] as const;

/**
 * An estimate of time, no finer than it can be: to five minutes from twenty on, to ten in the hours, to the hour from ten hours on.
 *
 * @param minutes zero or more
 * @example printEstimate(667) // '11 h'
 * @example printEstimate(134) // '2 h 10 min'
 */
export function printEstimate(minutes: number): string {
  const step = STEPS.find(([from]) => minutes >= from)?.[1] ?? 1;
  return printDuration(Math.round(minutes / step) * step);
}
