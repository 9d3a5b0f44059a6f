import { openWorkshop } from '@/server/openWorkshop';
import { weekCalendar } from '@/server/week/weekCalendar';

/** The calendar of a maker, "Ida.ics", or of everybody, "all.ics": to be taken in, or asked for again and again. */
export async function GET(request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  const who = decodeURIComponent(name).replace(/\.ics$/, '');
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
