import { type StoreViewId, StorePage } from '@/features/store/StorePage';
import { costSettings } from '@/server/cost/costWrites';
import { openWorkshop } from '@/server/openWorkshop';
import { storeView } from '@/server/store/storeWrites';
import { toBuyList } from '@/server/store/buyWrites';
import { fromStock, rolledWorks } from '@/server/life/takingDown';

const VIEWS: readonly StoreViewId[] = ['buy', 'store', 'make', 'rolled', 'rates'];

/** The store: `view` names the part, `job` (as often as wanted) the jobs that are bought for. */
export default async function StoreRoute({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { view, job } = await searchParams;
  const workshop = openWorkshop();
  const open = VIEWS.find((one) => one === view) ?? 'buy';
  const wanted = job === undefined ? null : Array.isArray(job) ? job : [job];
  return (
    <StorePage
      view={open}
      buying={open === 'buy' ? { ...toBuyList(workshop, wanted), wanted } : null}
      store={open === 'store' ? storeView(workshop) : null}
      stock={open === 'make' ? fromStock(workshop) : null}
      rolled={open === 'rolled' ? rolledWorks(workshop) : null}
      costs={open === 'rates' ? costSettings(workshop) : null}
    />
  );
}
