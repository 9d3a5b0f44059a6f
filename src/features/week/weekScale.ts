/* Time across the page: hours that somebody works are wide, nights and closed days narrow, so that a week fits and still can be read. */
import { type ScaleLinear, scaleLinear } from 'd3-scale';
import type { Shop } from '@/core/schedule/shop';
import { type OpenWindow, STEPS_A_DAY, windowsOf } from '@/core/schedule/workCalendar';

export interface WeekScale {
  x: ScaleLinear<number, number>;
  /** When somebody works, in steps. */
  open: OpenWindow[];
  from: number;
  to: number;
}

/** Width of a step of a pause within a day, of a night, and of a day on which nobody works, as parts of one that is worked. */
const PAUSE = 0.35;
const NIGHT = 0.06;

/** Windows of all makers together. */
function openWindows({ makers, horizonDays }: Pick<Shop, 'makers' | 'horizonDays'>): OpenWindow[] {
  const all = makers.flatMap(({ calendar }) => windowsOf(calendar, horizonDays + 1)).sort((a, b) => a[0] - b[0]);
  const joined: [number, number][] = [];
  for (const [from, to] of all) {
    const last = joined.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else joined.push([from, to]);
  }
  return joined;
}

/**
 * A scale of some days.
 *
 * @param left where the first day begins, px
 */
export function weekScale(
  shop: Pick<Shop, 'makers' | 'horizonDays'>,
  firstDay: number,
  days: number,
  left: number,
  width: number,
): WeekScale {
  const from = firstDay * STEPS_A_DAY;
  const to = from + days * STEPS_A_DAY;
  const open = openWindows(shop).filter(([opens, closes]) => closes > from && opens < to);
  const breaks = [...new Set([from, to, ...open.flat()])].filter((at) => at >= from && at <= to).sort((a, b) => a - b);
  const weights = breaks.slice(1).map((end, index) => {
    const start = breaks[index]!;
    if (open.some(([opens, closes]) => opens <= start && end <= closes)) return end - start;
    const sameDay = Math.floor(start / STEPS_A_DAY) === Math.floor((end - 1) / STEPS_A_DAY);
    const between = sameDay && open.some(([, closes]) => closes === start) && open.some(([opens]) => opens === end);
    return (end - start) * (between ? PAUSE : NIGHT);
  });
  const all = weights.reduce((sum, one) => sum + one, 0) || 1;
  let at = left;
  const range = [left, ...weights.map((weight) => (at += (weight / all) * width))];
  return { x: scaleLinear().domain(breaks).range(range).clamp(true), open, from, to };
}
