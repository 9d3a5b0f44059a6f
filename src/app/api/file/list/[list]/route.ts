import { format } from 'date-fns';
import { FILE_UNITS } from '@/core/units/length';
import { LIST_IDS } from '@/server/lists/list';
import { listFile } from '@/server/lists/listCases';
import { openWorkshop } from '@/server/openWorkshop';

/** A list as a CSV file, written while it is read so that a long log is never held whole. */
export async function GET(request: Request, { params }: { params: Promise<{ list: string }> }): Promise<Response> {
  const { list } = await params;
  const id = LIST_IDS.find((one) => one === list);
  const asked = new URL(request.url).searchParams.get('unit') ?? 'mm';
  const unit = FILE_UNITS.find((one) => one === asked);
  if (!id) return new Response(`There is no list of that name. There are ${LIST_IDS.join(', ')}.`, { status: 404 });
  if (!unit) return new Response(`The unit is one of ${FILE_UNITS.join(', ')}.`, { status: 400 });
  const workshop = openWorkshop();
  const pieces = listFile(workshop, id, unit)[Symbol.iterator]();
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    pull: (out) => {
      const piece = pieces.next();
      if (piece.done) out.close();
      else out.enqueue(encoder.encode(piece.value));
    },
  });
  return new Response(body, {
    headers: {
      'content-type': 'text/csv; charset=utf-8; header=present',
      'content-disposition': `attachment; filename="${id}-${format(workshop.now(), 'yyyy-MM-dd')}.csv"`,
    },
  });
}
