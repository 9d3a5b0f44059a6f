import { CanvasesPage } from '@/features/life/CanvasesPage';
import { CANVAS_FILTERS, canvasPage } from '@/server/life/canvasPage';
import { openWorkshop } from '@/server/openWorkshop';
import { placeIn } from '../placeIn';

/** Finished canvases: `find` has the words, `show` which of them, `from` how many come before. */
export default async function CanvasesRoute({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { find, show, from } = await searchParams;
  return (
    <CanvasesPage
      page={canvasPage(openWorkshop(), {
        find: typeof find === 'string' ? find.slice(0, 200) : '',
        filter: CANVAS_FILTERS.find((one) => one === show) ?? 'all',
        from: placeIn(from) ?? 0,
      })}
    />
  );
}
