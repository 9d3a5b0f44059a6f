'use client';
/* The store of bars: what lies on the rack and what it makes, one plan for several jobs, and the tables of materials. */
import type { RackBar } from '@/core/frame/sawing/rack';
import type { rackMoves } from '@/server/rack/undoRackMove';
import type { StoredRules } from '@/db/workshops';
import type { Series } from '@/server/rack/rackWrites';
import { ViewsHeader } from '@/ui/ViewsHeader';
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
  moves: ReturnType<typeof rackMoves>;
  series: Series | null;
  stored: StoredRules;
}) {
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <ViewsHeader title="Bars" path="/bars" views={VIEWS} view={view} />
      {view === 'rack' && series && <RackView rack={rack} moves={moves} jobs={series.jobs} />}
      {view === 'series' && series && <SeriesView series={series} />}
      {view === 'materials' && <BarMaterials key={stored.revision} stored={stored} />}
    </main>
  );
}
