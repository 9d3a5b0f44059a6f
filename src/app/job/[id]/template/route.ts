import { fileAnswer } from '@/app/fileAnswer';
import { workshopOf } from '@/server/practice';
import { templateFile } from '@/server/templateFile';

/** The corner template of a job, true to size: PDF, SVG or DXF. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const query = new URL(request.url).searchParams;
  return fileAnswer(await templateFile(workshopOf(id), id, query));
}
