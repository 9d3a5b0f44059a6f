import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import { bringBackup } from '@/server/backups';
import { ONLY_HERE } from '@/server/fileActs';
import { SIGNED_OUT, askedBy } from '@/server/network/asking';
import { refuse } from '@/server/outcome';
import { openWorkshop } from '@/server/openWorkshop';
import { strangeRequest } from '@/server/ownRequest';

/** A copy from elsewhere, streamed into the folder and looked at. */
export async function POST(request: Request): Promise<Response> {
  const strange = strangeRequest(request);
  if (strange) return new Response(strange.says, { status: strange.status });
  const workshop = askedBy(openWorkshop(), request.headers);
  if (!workshop) return Response.json(refuse(SIGNED_OUT), { status: 401 });
  if (workshop.device) return Response.json(refuse(ONLY_HERE), { status: 403 });
  if (!request.body) return Response.json({ ok: false, kind: 'refused', says: 'No file came.' }, { status: 400 });
  const outcome = await bringBackup(workshop, Readable.fromWeb(request.body as ReadableStream));
  return Response.json(outcome);
}
