import { printRawJob } from '@/server/brokenJobs';
import { workshopOf } from '@/server/practice';

/** What is kept of a job, row for row, also where it cannot be read. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const text = printRawJob(workshopOf(id), id);
  if (text === null) return new Response('No such job.', { status: 404 });
  return new Response(text, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': 'attachment; filename="job-as-kept.json"',
    },
  });
}
