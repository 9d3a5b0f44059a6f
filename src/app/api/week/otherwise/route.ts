import { openWorkshop } from '@/server/openWorkshop';
import { otherGrounds } from '@/server/week/weekDrafts';

/** A canvas made otherwise than it is planned, to be tried; `job` is its id. */
export function GET(request: Request): Response {
  const others = otherGrounds(openWorkshop(), new URL(request.url).searchParams.get('job') ?? '');
  if (others.ok) return Response.json(others.value, { headers: { 'cache-control': 'no-store' } });
  return new Response(others.kind === 'refused' ? others.says : others.kind, { status: 404 });
}
