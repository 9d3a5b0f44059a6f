'use client';
/* The store: what to buy for open work, what is there and what it costs, and the rates of the house. */
import type { StoredSettings } from '@/db/quotes';
import type { StoreView } from '@/server/store/storeWrites';
import type { ToBuy } from '@/server/store/buyWrites';
import { ViewsHeader } from '@/ui/ViewsHeader';
import { BuyView } from './BuyView';
import type { RolledWork } from '@/db/rolledWorks';
import type { FromStock } from '@/server/life/takingDown';
import { MakeView } from './MakeView';
import { RolledView } from './RolledView';
import { ItemsView } from './ItemsView';
import { RatesView } from './RatesView';

export type StoreViewId = 'buy' | 'store' | 'make' | 'rolled' | 'rates';

const VIEWS: { id: StoreViewId; name: string }[] = [
  { id: 'buy', name: 'To buy' },
  { id: 'store', name: 'Stock' },
  { id: 'make', name: 'Frames from stock' },
  { id: 'rolled', name: 'Taken down' },
  { id: 'rates', name: 'Rates' },
];

interface StorePageProps {
  view: StoreViewId;
  buying: (ToBuy & { wanted: string[] | null }) | null;
  store: StoreView | null;
  stock: FromStock | null;
  rolled: RolledWork[] | null;
  costs: StoredSettings | null;
}

export function StorePage({ view, buying, store, stock, rolled, costs }: StorePageProps) {
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <ViewsHeader title="Store" path="/store" views={VIEWS} view={view} />
      <div className="min-h-0 flex-1 overflow-y-auto bg-base-100 px-5 py-3">
        {buying && <BuyView buying={buying} />}
        {store && <ItemsView store={store} />}
        {stock && <MakeView stock={stock} />}
        {rolled && <RolledView rolled={rolled} />}
        {costs && <RatesView key={costs.revision} stored={costs} />}
      </div>
    </main>
  );
}
