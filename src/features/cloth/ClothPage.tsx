'use client';
/* The store of cloth: pieces laid on rolls and offcuts, what lies in the store, and the table of cloths. */
import Link from 'next/link';
import type { ClothMove, StoredCloth } from '@/db/clothSheets';
import type { StoredRules } from '@/db/workshops';
import type { ClothJob } from '@/server/clothCases';
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
  moves: ClothMove[];
  jobs: ClothJob[];
  stored: StoredRules;
}) {
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <header className="hair-b flex flex-wrap items-center gap-x-6 gap-y-1 px-5 py-2">
        <h1 className="text-[22px] leading-7 font-semibold">Cloth</h1>
        <nav aria-label="Parts of the store" className="no-print flex gap-5 text-[15px]">
          {VIEWS.map(({ id, name }) => (
            <Link
              key={id}
              href={`/cloth?view=${id}`}
              aria-current={id === view ? 'page' : undefined}
              className={`border-b-[3px] py-1 ${id === view ? 'border-primary font-semibold' : 'soft border-transparent hover:border-[var(--hair)]'}`}
            >
              {name}
            </Link>
          ))}
        </nav>
      </header>
      {view === 'lay' && <LayView store={store} jobs={jobs} />}
      {view === 'store' && <StoreView store={store} moves={moves} />}
      {view === 'materials' && <FabricMaterials key={stored.revision} stored={stored} />}
    </main>
  );
}
