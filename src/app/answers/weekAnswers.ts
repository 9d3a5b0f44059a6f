import { spellOf } from '@/server/air/airWrites';
import { openWorkshop } from '@/server/openWorkshop';
import { jobDate } from '@/server/week/today';
import { weekCalendar } from '@/server/week/weekCalendar';
import { weekNow } from '@/server/week/weekWrites';
import { draftWork, otherGrounds } from '@/server/week/weekDrafts';
import { dryingClocks } from '@/server/bench/benchPage';

/** What dries or sets now, and whether it gets damp: asked for by every open tab. */
export function clocks(): Response {
  const workshop = openWorkshop();
  return Response.json({ ...dryingClocks(workshop), spell: spellOf(workshop) }, { headers: { 'cache-control': 'no-store' } });
}

/** What the plan of the days says of the date of a job; `job` is its id. */
export async function dateOfJob(request: Request): Promise<Response> {
  const date = await jobDate(openWorkshop(), new URL(request.url).searchParams.get('job') ?? '');
  return Response.json(date, { headers: { 'cache-control': 'no-store' } });
}

/** What a canvas of a size would take of the days; `width` and `height` in mm. */
export function weekDraft(request: Request): Response {
  const query = new URL(request.url).searchParams;
  const draft = draftWork(openWorkshop(), Number(query.get('width')), Number(query.get('height')));
  if (draft.ok) return Response.json(draft.value, { headers: { 'cache-control': 'no-store' } });
  return new Response(draft.kind === 'refused' ? draft.says : draft.kind, { status: 422 });
}

/** What the days are planned from, and the plan that stands: for what is worked out in the browser. */
export async function weekFacts(): Promise<Response> {
  return Response.json(await weekNow(openWorkshop()), { headers: { 'cache-control': 'no-store' } });
}

/** A canvas made otherwise than it is planned, to be tried; `job` is its id. */
export function otherwise(request: Request): Response {
  const others = otherGrounds(openWorkshop(), new URL(request.url).searchParams.get('job') ?? '');
  if (others.ok) return Response.json(others.value, { headers: { 'cache-control': 'no-store' } });
  return new Response(others.kind === 'refused' ? others.says : others.kind, { status: 404 });
}

/** The calendar of a maker, "Ida.ics", or of everybody, "all.ics": to be taken in, or asked for again and again. */
export async function calendar(request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  const who = decoded(name).replace(/\.ics$/, '');
  const made = await weekCalendar(openWorkshop(), who, new URL(request.url).origin);
  if (!made.ok) return new Response(made.kind === 'refused' ? made.says : made.kind, { status: 404 });
  return new Response(made.value, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `inline; filename="week-${who.replace(/[^\w-]+/g, '-')}.ics"`,
      'cache-control': 'no-store',
    },
  });
}

/** As it was meant; what cannot be read so is taken as it came. */
function decoded(name: string): string {
  try {
    return decodeURIComponent(name);
  } catch {
    return name;
  }
}
