import { tapSound } from '@/server/readingCases';
import { workshopOf } from '@/server/practice';

/** The sound of a tap, as it was kept. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string; entryId: string; place: string }> },
): Promise<Response> {
  const { id, entryId, place } = await params;
  const wav = tapSound(workshopOf(id), id, entryId, place);
  if (!wav) return new Response('No such recording.', { status: 404 });
  return new Response(new Uint8Array(wav), {
    headers: { 'content-type': 'audio/wav', 'content-disposition': `attachment; filename="tap-${place}.wav"` },
  });
}
