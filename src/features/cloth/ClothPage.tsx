'use client';
/* The store of cloth: pieces laid on rolls and offcuts, what lies in the store, and the table of cloths. */
import type { StoredCloth } from '@/db/clothSheets';
import type { clothMoves } from '@/server/cloth/undoClothMove';
import type { StoredRules } from '@/db/workshops';
import type { ClothJob } from '@/server/cloth/clothWrites';
import { ViewsHeader } from '@/ui/ViewsHeader';
import { FabricMaterials } from '../materials/FabricMaterials';
import { LayView } from './LayView';
import { StoreView } from './StoreView';

export type ClothView = 'lay' | 'store' | 'materials';

const VIEWS: { id: ClothView; name: string }[] = [
  { id: 'lay', name: 'Lay and cut' },
  { id: 'store', name: 'Rolls and offcuts' },
  { id: 'materials', name: 'Cloths' },
];

export function ClothPage({
  view,
  store,
  moves,
  jobs,
  stored,
}: {
  view: ClothView;
  store: StoredCloth[];
  moves: ReturnType<typeof clothMoves>;
  jobs: ClothJob[];
  stored: StoredRules;
}) {
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <ViewsHeader title="Cloth" path="/cloth" views={VIEWS} view={view} />
      {view === 'lay' && <LayView store={store} jobs={jobs} />}
      {view === 'store' && <StoreView store={store} moves={moves} />}
      {view === 'materials' && <FabricMaterials key={stored.revision} stored={stored} />}
    </main>
  );
}
