import { Readable } from 'node:stream';
import { format } from 'date-fns';
import { writtenOut } from '@/server/backups';
import { openWorkshop } from '@/server/openWorkshop';

/** The whole workshop as JSON Lines, written while it is read. */
export function GET(): Response {
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
