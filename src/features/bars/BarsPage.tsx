'use client';
/* The store of bars: what lies on the rack and what it makes, one plan for several jobs, and the tables of materials. */
import Link from 'next/link';
import type { RackBar } from '@/core/frame/rack';
import type { RackMove } from '@/db/rackBars';
import type { StoredRules } from '@/db/workshops';
import type { Series } from '@/server/rackCases';
import { BarMaterials } from '../materials/BarMaterials';
import { RackView } from './RackView';
import { SeriesView } from './SeriesView';

export type BarsView = 'rack' | 'series' | 'materials';

const VIEWS: { id: BarsView; name: string }[] = [
  { id: 'rack', name: 'Rack' },
  { id: 'series', name: 'Saw and buy' },
  { id: 'materials', name: 'Materials' },
];

export function BarsPage({
  view,
  rack,
  moves,
  series,
  stored,
}: {
  view: BarsView;
  rack: RackBar[];
  moves: RackMove[];
  series: Series | null;
  stored: StoredRules;
}) {
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <header className="hair-b flex flex-wrap items-center gap-x-6 gap-y-1 px-5 py-2">
        <h1 className="text-[22px] leading-7 font-semibold">Bars</h1>
        <nav aria-label="Bars" className="no-print flex gap-5 text-[15px]">
          {VIEWS.map(({ id, name }) => (
            <Link
              key={id}
              href={`/bars?view=${id}`}
              aria-current={id === view ? 'page' : undefined}
              className={`border-b-[3px] py-1 ${id === view ? 'border-primary font-semibold' : 'soft border-transparent hover:border-[var(--hair)]'}`}
            >
              {name}
            </Link>
          ))}
        </nav>
      </header>
      {view === 'rack' && series && <RackView rack={rack} moves={moves} jobs={series.jobs} />}
      {view === 'series' && series && <SeriesView series={series} />}
      {view === 'materials' && <BarMaterials key={stored.revision} stored={stored} />}
    </main>
  );
}
