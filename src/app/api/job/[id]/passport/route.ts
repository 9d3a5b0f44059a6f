import { jobFileName } from '@/core/file/jobFile';
import { printPassport } from '@/core/life/passport';
import { jobAlone } from '@/server/jobReading';
import { passport } from '@/server/passportCases';
import { workshopOf } from '@/server/practice';

/** The passport of a canvas as a file, to give away with it. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const workshop = workshopOf(id);
  const made = passport(workshop, id);
  if (typeof made === 'string') return new Response(made, { status: 404 });
  const name = jobFileName(jobAlone(workshop, id)!).replace(/\.job\.json$/, '.passport.json');
  return new Response(printPassport(made), {
    headers: { 'content-type': 'application/json; charset=utf-8', 'content-disposition': `attachment; filename="${name}"` },
  });
}
