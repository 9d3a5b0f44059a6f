/*
 * The plan of the days as a calendar file (iCalendar, RFC 5545). Every piece of work has an id that stays the same when it moves,
 * so that a calendar that takes the file in again moves it too.
 */
import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import { dateVerdict } from '@/core/week/dateVerdicts';
import { weekMarks } from '@/core/week/weekMarks';
import { RUNS } from '@/core/week/weekPlan';
import { momentAt } from '@/core/week/weekTime';
import { type CalendarEvent, readCalendar, writeCalendar } from '@/db/calendarEvents';
import { readPlan } from '@/db/weeks';
import { houseRules } from '../house/houseRuleWrites';
import { planIn } from './today';
import { type Outcome, done, refuse } from '../write/outcome';
import { weekNow } from './weekWrites';
import type { Workshop } from '../workshop';

/** Whoever publishes events has an address (RFC 5546, 3.2.1); the workshop has none that takes mail. */
const ORGANISER = 'workshop@keen-batten.invalid';

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
  const house = houseRules(workshop).rules.workshop;
  const calendar = ical({
    name: `${house}: ${name === EVERYBODY ? 'everybody' : name}`,
    prodId: { company: 'keen-batten', product: 'week', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    // How long a calendar that is asked for again may wait, seconds.
    ttl: 15 * 60,
  });
  const events = weekMarks(week, jobs, plan).hands.flatMap((mark) => {
    const who = week.shop.makers[mark.maker]!.id;
    if (name !== EVERYBODY && who !== name) return [];
    const step = week.tasks.get(mark.task)!.step!;
    const date = plan.dates.get(mark.jobId);
    const part = mark.part ? `, part ${mark.part.number} of ${mark.part.of}` : '';
    const says = date && dateVerdict(date, plan.firstDay, RUNS)?.says;
    return {
      uid: `${mark.task}@keen-batten`,
      startMs: momentAt(plan.firstDay, mark.start),
      endMs: momentAt(plan.firstDay, mark.end),
      summary: `No. ${mark.number} ${step.name}${part}${name === EVERYBODY ? `, ${who}` : ''}`,
      description: [title.get(mark.jobId) ?? '', says ?? ''].filter(Boolean).join('\n'),
      url: `${origin}/job/${mark.jobId}`,
    };
  });
  const before = readCalendar(workshop.database, name);
  const given = nextGiven(before, events, madeAt.getTime(), view.facts.nowMs);
  const had = new Map(before.map(({ uid, sequence }) => [uid, sequence]));
  // The sequence rises with whatever changes: a calendar that asks again and again writes nothing.
  if (given.length !== had.size || given.some(({ uid, sequence }) => had.get(uid) !== sequence))
    writeCalendar(workshop.database, name, given);
  for (const { uid, startMs, endMs, cancelled, ...event } of given)
    calendar.createEvent({
      ...event,
      id: uid,
      stamp: madeAt,
      start: new Date(startMs),
      end: new Date(endMs),
      organizer: { name: house || 'Workshop', email: ORGANISER },
      status: cancelled ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    });
  return done(calendar.toString());
}

/** What is planned, as a calendar tells it. */
type PlannedEvent = Omit<CalendarEvent, 'sequence' | 'cancelled'> & { description: string; url: string };

/** What a calendar is given next: all that is planned, and as cancelled what it has that is planned no longer and has not passed. */
function nextGiven(
  before: readonly CalendarEvent[],
  planned: readonly PlannedEvent[],
  madeAtMs: number,
  nowMs: number,
): (CalendarEvent & Partial<PlannedEvent>)[] {
  const had = new Map(before.map((event) => [event.uid, event]));
  const here = new Set(planned.map(({ uid }) => uid));
  // Rises with every plan, so that what is taken in later stands over what was before.
  const risen = (sequence: number) => Math.max(Math.floor(madeAtMs / 60_000), sequence + 1);
  return [
    ...planned.map((event) => {
      const last = had.get(event.uid);
      const same =
        last && !last.cancelled && last.startMs === event.startMs && last.endMs === event.endMs && last.summary === event.summary;
      return { ...event, sequence: same ? last.sequence : risen(last?.sequence ?? -1), cancelled: false };
    }),
    ...before
      .filter(({ uid, endMs }) => !here.has(uid) && endMs > nowMs)
      .map((event) => (event.cancelled ? event : { ...event, sequence: risen(event.sequence), cancelled: true })),
  ];
}
