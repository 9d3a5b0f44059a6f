import { Readable } from 'node:stream';
import type { ReadableStream as NodeStream } from 'node:stream/web';
import { format } from 'date-fns';
import { FILE_UNITS } from '@/core/units/length';
import { backupStream, bringBackup, writtenOut } from '@/server/file/backups';
import { ONLY_HERE } from '@/server/file/fileActs';
import { LIST_IDS } from '@/server/lists/list';
import { listFile } from '@/server/lists/listWrites';
import { SIGNED_OUT, askedBy } from '@/server/network/asking';
import { cameFrom } from '@/server/network/gate';
import { openWorkshop } from '@/server/openWorkshop';
import { refuse } from '@/server/write/outcome';
import { strangeRequest } from '@/server/network/ownRequest';

/** A copy from elsewhere, streamed into the folder and looked at. */
export async function broughtFile(request: Request): Promise<Response> {
  const strange = strangeRequest(request);
  if (strange) return new Response(strange.says, { status: strange.status });
  const workshop = askedBy(openWorkshop(), request.headers);
  if (!workshop) return Response.json(refuse(SIGNED_OUT), { status: 401 });
  if (workshop.device) return Response.json(refuse(ONLY_HERE), { status: 403 });
  if (!request.body) return Response.json({ ok: false, kind: 'refused', says: 'No file came.' }, { status: 400 });
  const outcome = await bringBackup(workshop, Readable.fromWeb(request.body as NodeStream));
  return Response.json(outcome);
}

/** A copy of the workshop’s file, for keeping elsewhere. */
export async function backupCopy(request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
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

/** A list as a CSV file, written while it is read so that a long log is never held whole. */
export async function csvList(request: Request, { params }: { params: Promise<{ list: string }> }): Promise<Response> {
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

/** The whole workshop as JSON Lines, written while it is read. */
export function wholeWorkshop(): Response {
  const workshop = openWorkshop();
  return new Response(
    Readable.toWeb(Readable.from(writtenOut(workshop)).map((line: string) => Buffer.from(line))) as ReadableStream,
    {
      headers: {
        'content-type': 'application/jsonl; charset=utf-8',
        'content-disposition': `attachment; filename="workshop-${format(workshop.now(), 'yyyy-MM-dd')}.jsonl"`,
      },
    },
  );
}
