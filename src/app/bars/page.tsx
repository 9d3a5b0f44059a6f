import { BarsPage, type BarsView } from '@/features/bars/BarsPage';
import { openWorkshop } from '@/server/openWorkshop';
import { rackBars, series } from '@/server/rack/rackWrites';
import { rackMoves } from '@/server/rack/undoRackMove';
import { houseRules } from '@/server/house/houseRuleWrites';

const VIEWS: readonly BarsView[] = ['rack', 'series', 'materials'];

/** The store of bars: `view` names the part, `job` (as often as wanted) the jobs of one plan. */
export default async function BarsRoute({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { view, job } = await searchParams;
  const workshop = openWorkshop();
  const wanted = job === undefined ? [] : Array.isArray(job) ? job : [job];
  const open = VIEWS.find((one) => one === view) ?? 'rack';
  return (
    <BarsPage
      view={open}
      rack={rackBars(workshop)}
      moves={rackMoves(workshop)}
      series={open === 'materials' ? null : series(workshop, wanted)}
      stored={houseRules(workshop)}
    />
  );
}
