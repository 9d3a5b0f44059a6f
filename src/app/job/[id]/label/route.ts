import { fileAnswer } from '@/app/fileAnswer';
import { markReader } from '@/app/markReader';
import { labelFile } from '@/server/markFiles';
import { workshopOf } from '@/server/practice';

/** The back label of a canvas, true to size: PDF or SVG. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const query = new URL(request.url).searchParams;
  return fileAnswer(await labelFile(workshopOf(id), id, query, await markReader()));
}
