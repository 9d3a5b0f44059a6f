/**
 * Prints minutes the way a wall clock is read: "25 min", "2 h 10 min", "3 days".
 *
 * @param minutes zero or more; rounded to the minute, from two days on to half days
 * @example printDuration(130) // '2 h 10 min'
 */
export function printDuration(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  if (whole < 48 * 60) return whole % 60 === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${whole % 60} min`;
  const days = Math.round(whole / 720) / 2;
  return `${days} days`;
}
