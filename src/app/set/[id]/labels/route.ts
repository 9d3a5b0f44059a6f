import { fileAnswer } from '@/app/fileAnswer';
import { markReader } from '@/app/markReader';
import { setLabelFile } from '@/server/markFiles';
import { openWorkshop } from '@/server/openWorkshop';

/** The back labels of a set, true to size. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const query = new URL(request.url).searchParams;
  return fileAnswer(await setLabelFile(openWorkshop(), id, query, await markReader()));
}
