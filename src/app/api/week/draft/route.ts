import { openWorkshop } from '@/server/openWorkshop';
import { draftWork } from '@/server/week/weekDrafts';

/** What a canvas of a size would take of the days; `width` and `height` in mm. */
export function GET(request: Request): Response {
  const query = new URL(request.url).searchParams;
  const draft = draftWork(openWorkshop(), Number(query.get('width')), Number(query.get('height')));
  if (draft.ok) return Response.json(draft.value, { headers: { 'cache-control': 'no-store' } });
  return new Response(draft.kind === 'refused' ? draft.says : draft.kind, { status: 422 });
}
