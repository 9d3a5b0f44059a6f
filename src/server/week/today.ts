/* The day of every maker, and what is said of the date of one job: read from the plan that stands. */
import { RUNS, type WeekPlan } from '@/core/week/weekPlan';
import { type MakerDay, makerDay } from '@/core/week/today';
import { dateStanding, dateVerdict, type DateStanding, stepWords } from '@/core/week/dateVerdicts';
import { latestStart } from '@/core/week/latestStart';
import { planOfNames } from '@/core/week/namedPlan';
import { type WeekShop, weekShop } from '@/core/week/weekShop';
import { STEPS_A_DAY } from '@/core/schedule/workCalendar';
import { dayOfMoment, daysBetween, stepAt } from '@/core/week/weekTime';
import type { Verdict } from '@/core/job/verdict';
import { findState } from '@/db/jobStates';
import { factsIn } from '../job/jobStates';
import { type WeekView, weekNow } from './weekWrites';
import type { Workshop } from '../workshop';

/** What is taken out of the store for a day. */
export interface ToTake {
  item: string;
  name: string;
  unit: string;
  quantity: number;
}

export interface TodayView {
  today: string;
  days: (MakerDay & { take: ToTake[] })[];
  /** Why nothing is planned; none where it is. */
  wrong: string[];
}

/** The day of every maker, from now on, as the week has it. */
export function todayOf(workshop: Workshop, view: WeekView): TodayView {
  const today = dayOfMoment(view.facts.nowMs);
  if (view.plan === null || view.facts.jobs.length === 0) return { today, days: [], wrong: view.wrong };
  const { week, plan } = planIn(view);
  const now = stepAt(plan.firstDay, view.facts.nowMs);
  return {
    today,
    wrong: [],
    days: view.facts.makers.map((maker) => {
      const day = makerDay(week, view.facts.jobs, plan, maker, now);
      return { ...day, take: takenFor(workshop, day) };
    }),
  };
}

export function planIn({ facts, plan }: WeekView): { week: WeekShop; plan: WeekPlan } {
  const week = weekShop(facts);
  return { week, plan: planOfNames(week.shop, plan!) };
}

/** What the tasks of a day take of the store; a divided step takes it with its first part. */
function takenFor({ database }: Pick<Workshop, 'database'>, { tasks }: MakerDay): ToTake[] {
  const taken = new Map<string, ToTake>();
  for (const { jobId, stage, coat } of tasks.filter(({ begins }) => begins)) {
    const state = findState(database, jobId);
    if (!state) continue;
    for (const need of factsIn(state).needs.filter((one) => one.stage === stage && one.step === coat)) {
      const before = taken.get(need.item)?.quantity ?? 0;
      taken.set(need.item, { item: need.item, name: need.name, unit: need.unit, quantity: before + need.toHave });
    }
  }
  return [...taken.values()].sort((a, b) => a.name.localeCompare(b.name));
}

export interface JobDate {
  verdict: Verdict | null;
  standing: DateStanding | null;
  /** The part of the runs that keep it. */
  chance: number;
  /** When the plan has it end, in words; and the latest that what is next may be begun, nobody else being at work. */
  ends: string;
  startBy: string | null;
  tooLate: boolean;
}

/** What the plan says of the date of a job; null where it is not in the plan. */
export async function jobDate(workshop: Workshop, jobId: string): Promise<JobDate | null> {
  const view = await weekNow(workshop);
  if (view.plan === null) return null;
  const { week, plan } = planIn(view);
  const date = plan.dates.get(jobId);
  if (!date) return null;
  const latest = latestStart(week.shop, jobId);
  return {
    verdict: dateVerdict(date, plan.firstDay, RUNS),
    standing: dateStanding(date),
    chance: date.chance ?? 0,
    ends: stepWords(plan.firstDay, date.end),
    startBy: latest === null || latest < week.now ? null : stepWords(week.firstDay, latest),
    tooLate: latest !== null && latest < week.now,
  };
}

/** Days with work on the printed week. */
const PRINTED_DAYS = 7;

/** The days that are printed: of one maker the next with work, of all those of a week. */
export async function printedDays(
  workshop: Workshop,
  maker: string | null,
): Promise<{ days: { day: string; makers: TodayView['days'] }[]; wrong: string[] }> {
  const view = await weekNow(workshop);
  if (view.plan === null) return { days: [], wrong: view.wrong };
  if (maker !== null && !view.facts.makers.includes(maker))
    return { days: [], wrong: [`Nobody here is called “${maker}”: ${view.facts.makers.join(', ')}.`] };
  const { week, plan } = planIn(view);
  const days = new Map<string, TodayView['days']>();
  for (const who of maker === null ? view.facts.makers : [maker]) {
    let from = stepAt(plan.firstDay, view.facts.nowMs);
    for (let printed = 0; printed < (maker === null ? PRINTED_DAYS : 1); printed += 1) {
      const one = makerDay(week, view.facts.jobs, plan, who, from);
      if (one.day === null || daysBetween(plan.firstDay, one.day) >= PRINTED_DAYS + (maker === null ? 0 : 300)) break;
      days.set(one.day, [...(days.get(one.day) ?? []), { ...one, take: takenFor(workshop, one) }]);
      from = (daysBetween(plan.firstDay, one.day) + 1) * STEPS_A_DAY;
    }
  }
  return { days: [...days].sort(([a], [b]) => a.localeCompare(b)).map(([day, makers]) => ({ day, makers })), wrong: [] };
}
