import { openWorkshop } from '@/server/openWorkshop';
import { templateFile } from '@/server/templateFile';

/** The corner template of a job, true to size: PDF, SVG or DXF. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const query = new URL(request.url).searchParams;
  const file = await templateFile(openWorkshop(), id, query);
  if (typeof file === 'string')
    return new Response(file, { status: 404, headers: { 'content-type': 'text/plain; charset=utf-8' } });
  return new Response(file.body as BodyInit, {
    headers: {
      'content-type': file.type,
      'content-disposition': `${file.type === 'application/pdf' ? 'inline' : 'attachment'}; filename="${file.name}"`,
    },
  });
}
