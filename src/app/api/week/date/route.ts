import { openWorkshop } from '@/server/openWorkshop';
import { jobDate } from '@/server/week/todayCases';

/** What the plan of the days says of the date of a job; `job` is its id. */
export async function GET(request: Request): Promise<Response> {
  const date = await jobDate(openWorkshop(), new URL(request.url).searchParams.get('job') ?? '');
  return Response.json(date, { headers: { 'cache-control': 'no-store' } });
}
