/*
 * The plan of the days as a calendar file (iCalendar, RFC 5545). Every piece of work has an id that stays the same when it moves,
 * so that a calendar that takes the file in again moves it too.
 */
import ical, { ICalCalendarMethod } from 'ical-generator';
import { dateVerdict } from '@/core/week/dateVerdicts';
import { weekMarks } from '@/core/week/weekMarks';
import { RUNS } from '@/core/week/weekPlan';
import { momentAt } from '@/core/week/weekTime';
import { readPlan } from '@/db/weeks';
import { houseRules } from '../workshopCases';
import { planIn } from './todayCases';
import { type Outcome, done, refuse } from '../outcome';
import { weekNow } from './weekCases';
import type { Workshop } from '../workshop';

/** Who is not a maker’s name: everybody. */
export const EVERYBODY = 'all';

/**
 * The calendar of a maker, or of all.
 *
 * @param name a maker’s, or "all"
 * @param origin where pages of this workshop are opened, "http://127.0.0.1:4000"
 */
export async function weekCalendar(workshop: Workshop, name: string, origin: string): Promise<Outcome<string>> {
  const view = await weekNow(workshop);
  const { makers, jobs } = view.facts;
  if (name !== EVERYBODY && !makers.includes(name))
    return refuse(`Nobody here is called “${name}”: ${makers.join(', ')}, or all.`);
  if (view.plan === null) return refuse(`The days cannot be planned. ${view.wrong[0] ?? ''}`);
  const { week, plan } = planIn(view);
  const stored = readPlan(workshop.database);
  const madeAt = new Date(stored?.madeAtMs ?? view.facts.nowMs);
  const title = new Map(jobs.map((job) => [job.id, job.title]));
  const calendar = ical({
    name: `${houseRules(workshop).rules.workshop}: ${name === EVERYBODY ? 'everybody' : name}`,
    prodId: { company: 'keen-batten', product: 'week', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const mark of weekMarks(week, jobs, plan).hands) {
    const who = week.shop.makers[mark.maker]!.id;
    if (name !== EVERYBODY && who !== name) continue;
    const step = week.tasks.get(mark.task)!.step!;
    const date = plan.dates.get(mark.jobId);
    const part = mark.part ? `, part ${mark.part.number} of ${mark.part.of}` : '';
    calendar.createEvent({
      id: `${mark.task}@keen-batten`,
      // Rises with every plan, so that what is taken in later stands over what was before.
      sequence: Math.floor(madeAt.getTime() / 60_000),
      stamp: madeAt,
      start: new Date(momentAt(plan.firstDay, mark.start)),
      end: new Date(momentAt(plan.firstDay, mark.end)),
      summary: `No. ${mark.number} ${step.name}${part}${name === EVERYBODY ? `, ${who}` : ''}`,
      description: [title.get(mark.jobId) ?? '', (date && dateVerdict(date, plan.firstDay, RUNS)?.says) ?? '']
        .filter(Boolean)
        .join('\n'),
      url: `${origin}/job/${mark.jobId}`,
    });
  }
  return done(calendar.toString());
}
