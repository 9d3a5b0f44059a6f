import { benchPlaceOf } from '@/server/benchCases';
import { workshopOf } from '@/server/practice';

/** The step that somebody stands at on a job, for a tab that is shown again; null where nobody did yet. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  return Response.json(benchPlaceOf(workshopOf(id), id), { headers: { 'cache-control': 'no-store' } });
}
