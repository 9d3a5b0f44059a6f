import { Log } from '@/features/log/Log';
import { KINDS, readingDots } from '@/features/log/readingDots';
import { openWorkshop } from '@/server/openWorkshop';
import { logPage, plotOf } from '@/server/log/logPage';
import { placeIn } from '../placeIn';

/** The log: `find` has the words, `from` the entry it goes on from, `order` which end is first, `plot` what is plotted. */
export default async function LogRoute({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { find: said, from, order, plot } = await searchParams;
  const find = typeof said === 'string' ? said.slice(0, 200) : '';
  const workshop = openWorkshop();
  const kind = KINDS.find(({ id }) => id === plot) ?? KINDS[0];
  const page = logPage(workshop, { find, from: placeIn(from), order: order === 'oldest' ? 'oldest' : 'newest' });
  return (
    <Log
      page={page}
      plot={kind.id}
      dots={readingDots(
        kind.id,
        kind.of.map((of) => plotOf(workshop, kind.quantity, of, find)),
      )}
    />
  );
}
