import { fileAnswer } from '@/app/fileAnswer';
import { markReader } from '@/app/markReader';
import { stripFile } from '@/server/markFiles';
import { workshopOf } from '@/server/practice';

/** A marking strip of a canvas, true to size: PDF, SVG or DXF. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const query = new URL(request.url).searchParams;
  return fileAnswer(await stripFile(workshopOf(id), id, query, await markReader()));
}
