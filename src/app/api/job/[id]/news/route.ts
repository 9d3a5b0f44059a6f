import { jobNews, newsStream } from '@/server/jobNews';
import { workshopOf } from '@/server/practice';

/** What other screens do to a job, as it happens. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const workshop = workshopOf(id);
  if (!jobNews(workshop, id)) return new Response('No such job.', { status: 404 });
  return new Response(newsStream(workshop, id, request.signal), {
    // Not packed on the way: news that wait to fill a packet are none.
    headers: { 'content-type': 'text/event-stream; charset=utf-8', 'cache-control': 'no-store, no-transform' },
  });
}
