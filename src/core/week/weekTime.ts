/* Quarter hours from midnight of a first day, and moments: by the clock on the wall, so that a changed clock moves nothing. */
import { STEPS_A_DAY } from '../schedule/workCalendar';

const DAY_MS = 86_400_000;

const asUtc = (date: Date): number => Date.UTC(date.getFullYear(), date.getMonth(), date.getDate());

/** Days from a day to another. @example daysBetween('2031-05-01', '2031-05-04') // 3 */
export const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

/** The day of a moment on the wall, "2031-05-01". */
export function dayOfMoment(ms: number): string {
  return new Date(asUtc(new Date(ms))).toISOString().slice(0, 10);
}

/** A day so many days after another. @example dayAfter('2031-05-30', 3) // '2031-06-02' */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10);

/** The step a moment lies in; below 0 before the first day. */
export function stepAt(firstDay: string, ms: number): number {
  const at = new Date(ms);
  return daysBetween(firstDay, dayOfMoment(ms)) * STEPS_A_DAY + at.getHours() * 4 + Math.floor(at.getMinutes() / 15);
}

/** The moment a step begins, ms since 1970. */
export function momentAt(firstDay: string, step: number): number {
  const [year, month, day] = firstDay.split('-').map(Number) as [number, number, number];
  const days = Math.floor(step / STEPS_A_DAY);
  const rest = step - days * STEPS_A_DAY;
  return new Date(year, month - 1, day + days, Math.floor(rest / 4), (rest % 4) * 15).getTime();
}

/** Weekday of a day: 0 is Sunday. @example weekdayOf('2031-05-01') // 4 */
export const weekdayOf = (day: string): number => new Date(Date.parse(day)).getUTCDay();
