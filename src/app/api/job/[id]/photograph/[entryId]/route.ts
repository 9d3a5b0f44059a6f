import { photographOf } from '@/server/benchCases';
import { workshopOf } from '@/server/practice';

/** The photograph of a note. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string; entryId: string }> },
): Promise<Response> {
  const { id, entryId } = await params;
  const jpeg = photographOf(workshopOf(id), id, entryId);
  if (!jpeg) return new Response('No such photograph.', { status: 404 });
  return new Response(new Uint8Array(jpeg), { headers: { 'content-type': 'image/jpeg' } });
}
