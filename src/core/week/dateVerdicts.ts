/* What is said of the date of a canvas: how likely it is kept, why, and what would save it. */
import { type Verdict, verdict } from '../job/verdict';
import type { DateChance } from './weekPlan';
import { STEPS_A_DAY, WEEKDAYS, clockOfStep } from '../schedule/workCalendar';
import { dayAfter } from './weekTime';

const SAFE = 0.9;
const TIGHT = 0.7;
const LATE = 0.05;

export type DateStanding = 'safe' | 'tight' | 'atRisk' | 'late';

/**
 * How a date stands. One that the plan itself ends after is never safe, however many of its runs keep it.
 *
 * @example dateStanding({ due: 96, chance: 0.8, end: 90 }) // 'tight'
 * @example dateStanding({ due: 96, chance: 0.92, end: 98 }) // 'tight'
 */
export function dateStanding({ due, chance, end }: Pick<DateChance, 'due' | 'chance' | 'end'>): DateStanding | null {
  if (due === null || chance === null) return null;
  if (chance < LATE) return 'late';
  return chance >= SAFE && end <= due ? 'safe' : chance >= TIGHT ? 'tight' : 'atRisk';
}

const BY_GRAVITY: readonly DateStanding[] = ['safe', 'tight', 'atRisk', 'late'];

/**
 * The gravest of several; null for none.
 *
 * @example worstStanding(['safe', 'atRisk', 'tight']) // 'atRisk'
 */
export const worstStanding = (standings: readonly DateStanding[]): DateStanding | null =>
  standings.reduce<DateStanding | null>(
    (worst, one) => (worst === null || BY_GRAVITY.indexOf(one) > BY_GRAVITY.indexOf(worst) ? one : worst),
    null,
  );

/** Words of a standing, for a list. */
export const STANDING_WORDS: Record<DateStanding, string> = { safe: 'safe', tight: 'tight', atRisk: 'at risk', late: 'late' };

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** @example dayWords('2031-05-01') // 'Thu 1 May' */
export function dayWords(day: string): string {
  const date = new Date(Date.parse(day));
  return `${WEEKDAYS[date.getUTCDay()]!.slice(0, 3)} ${date.getUTCDate()} ${MONTHS[date.getUTCMonth()]}`;
}

/** A step as a day and a clock. @example stepWords('2031-05-01', 132) // 'Fri 2 May 09:00' */
export const stepWords = (firstDay: string, step: number): string =>
  `${dayWords(dayAfter(firstDay, Math.floor(step / STEPS_A_DAY)))} ${clockOfStep(((Math.floor(step) % STEPS_A_DAY) + STEPS_A_DAY) % STEPS_A_DAY)}`;

/** The last day on which a stretch that ends at a step was still going on. */
export const lastDayWords = (firstDay: string, end: number): string =>
  dayWords(dayAfter(firstDay, Math.floor((Math.ceil(end) - 1) / STEPS_A_DAY)));

/** A chance as runs of the plan tell it. @example runsWords(0.934) // '93 of 100 runs' */
export const runsWords = (chance: number): string =>
  chance >= 0.995 ? 'all runs' : chance <= 0.005 ? 'no run' : `${Math.round(chance * 100)} of 100 runs`;

/** The judgement of a date; null where nobody waits for the canvas. */
export function dateVerdict(date: DateChance, firstDay: string, runs: number): Verdict | null {
  const standing = dateStanding(date);
  if (standing === null) return null;
  const { due, chance, end, nineOfTen } = date;
  const wanted = dayWords(dayAfter(firstDay, due! / STEPS_A_DAY - 1));
  const planned = `planned to end ${stepWords(firstDay, end)}, nine of ten runs end by ${lastDayWords(firstDay, nineOfTen)}`;
  const late = (end - due!) / STEPS_A_DAY;
  return verdict({
    id: 'date',
    about: 'the date',
    level: standing === 'safe' ? 'good' : standing === 'tight' ? 'watch' : 'stop',
    measured: Math.round(chance! * 100),
    limit: SAFE * 100,
    of: 'percent',
    says:
      standing === 'late'
        ? `Wanted ${wanted}: late${late > 0 ? ` by ${late < 1 ? 'hours' : `${Math.ceil(late)} ${Math.ceil(late) === 1 ? 'day' : 'days'}`} as planned` : ''}, kept in ${runsWords(chance!)}.`
        : `Wanted ${wanted}: ${STANDING_WORDS[standing]}, kept in ${runsWords(chance!)}.`,
    because: `Worked out from ${runs} runs of the plan, each with hands and drying a little different: ${planned}.`,
    doThis: standing === 'safe' ? '' : 'Try what would save it, or tell whoever waits for it now.',
  });
}
