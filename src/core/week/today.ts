/* A maker’s day: what she does in its order, the pots she mixes, and what she starts before going home so that it dries overnight. */
import { shortStep } from './weekMarks';
import type { WeekJob, WeekShop } from './weekShop';
import type { WeekPlan } from './weekPlan';
import type { StageId } from '../stages/stages';
import { STEPS_A_DAY, windowsOf } from '../schedule/workCalendar';
import { dayAfter } from './weekTime';

export interface TodayTask {
  task: string;
  jobId: string;
  number: number;
  title: string;
  stage: StageId;
  coat: number | null;
  /** "Coat 2", and what it is called in full. */
  short: string;
  name: string;
  /** The whole of its step, or the first part of it. */
  begins: boolean;
  /** Steps from the start of the day. */
  from: number;
  to: number;
  /** Canvases that are done with the same pot, this one among them; 1 for it alone. */
  together: number;
  /** Done late in the day, and what it leaves drying goes on after closing. */
  overnight: boolean;
}

export interface MakerDay {
  maker: string;
  /** The day, "2031-05-01": the first from now on that has something for her; null where none has. */
  day: string | null;
  tasks: TodayTask[];
  /** The next pot that serves more than one, or the next at all. */
  pot: { from: number; numbers: number[]; name: string } | null;
}

/**
 * The day of a maker, or her next one with work.
 *
 * @param fromStep now, in steps of the plan’s first day: what has ended is left out
 */
export function makerDay(week: WeekShop, jobs: readonly WeekJob[], plan: WeekPlan, maker: string, fromStep: number): MakerDay {
  const { shop, tasks } = week;
  const index = shop.makers.findIndex(({ id }) => id === maker);
  const lasts = new Map(shop.tasks.map(({ id, duration }) => [id, duration]));
  const wets = new Map(shop.tasks.filter(({ atOnce }) => atOnce).map((task) => [task.after[0]!, task]));
  const job = new Map(jobs.map((one) => [one.id, one]));
  const own = [...plan.at]
    .filter(([id, place]) => place.maker === index && lasts.has(id) && place.start + lasts.get(id)! > fromStep)
    .sort(([, a], [, b]) => a.start - b.start);
  const first = own[0];
  if (index < 0 || !first) return { maker, day: null, tasks: [], pot: null };
  const day = Math.floor(first[1].start / STEPS_A_DAY);
  const from = day * STEPS_A_DAY;
  const [lastOpens, closes] = windowsOf(shop.makers[index]!.calendar, day + 1).at(-1) ?? [from, from + STEPS_A_DAY];
  const of = own.filter(([, { start }]) => Math.floor(start / STEPS_A_DAY) === day);
  const potOf = new Map(plan.pots.flatMap((pot) => pot.tasks.map((task) => [task, pot] as const)));
  const listed = of.map(([id, { start }]): TodayTask => {
    const { jobId, step, part } = tasks.get(id)!;
    const wet = wets.get(id);
    const { number = 0, title = '' } = job.get(jobId) ?? {};
    return {
      task: id,
      jobId,
      number,
      title,
      stage: step!.stage,
      coat: step!.coat,
      short: shortStep({ ...step!, part }),
      name: step!.name,
      begins: part === null || part.number === 1,
      from: start - from,
      to: start + lasts.get(id)! - from,
      together: potOf.get(id)?.tasks.length ?? 1,
      overnight: wet !== undefined && start >= lastOpens && start + lasts.get(id)! + wet.duration > closes,
    };
  });
  const pots = plan.pots.filter(
    (pot) => pot.maker === index && pot.from >= Math.max(from, fromStep) && pot.from < from + STEPS_A_DAY,
  );
  const next = pots.sort((a, b) => a.from - b.from)[0];
  return {
    maker,
    day: dayAfter(plan.firstDay, day),
    tasks: listed,
    pot: next
      ? {
          from: next.from - from,
          numbers: next.tasks.flatMap((id) => job.get(tasks.get(id)?.jobId ?? '')?.number ?? []),
          name: tasks.get(next.tasks[0]!)?.step?.name ?? '',
        }
      : null,
  };
}
