import { openWorkshop } from '@/server/openWorkshop';
import { weekNow } from '@/server/week/weekCases';

/** What the days are planned from, and the plan that stands: for what is worked out in the browser. */
export async function GET(): Promise<Response> {
  return Response.json(await weekNow(openWorkshop()), { headers: { 'cache-control': 'no-store' } });
}
