import { Readable } from 'node:stream';
import { backupStream } from '@/server/backups';
import { ONLY_HERE } from '@/server/fileActs';
import { cameFrom } from '@/server/network/gate';
import { openWorkshop } from '@/server/openWorkshop';

/** A copy of the workshop’s file, for keeping elsewhere. */
export async function GET(request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  // In a copy lies who may come in.
  if (cameFrom(request.headers).kind !== 'here') return new Response(ONLY_HERE, { status: 403 });
  const copy = backupStream(openWorkshop(), name);
  if (!copy) return new Response('There is no copy of that name.', { status: 404 });
  return new Response(Readable.toWeb(copy.stream) as ReadableStream, {
    headers: {
      'content-type': 'application/vnd.sqlite3',
      'content-length': String(copy.bytes),
      'content-disposition': `attachment; filename="${name}"`,
    },
  });
}
