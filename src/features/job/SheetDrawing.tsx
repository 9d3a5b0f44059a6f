'use client';
/* The drawing on the sheet of a stage, with the side it is seen from. */
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import type { View } from '@/core/job/sideWords';
import type { ReactNode } from 'react';
import type { Scene } from '@/drawing/scene/scene';
import { Drawing } from '@/ui/drawing/Drawing';
import { useWorkshop } from '@/ui/WorkshopContext';

interface SheetDrawingProps {
  scene: Scene;
  view: View;
  /** Left out where the drawing is always seen from the front. */
  onView?: (view: View) => void;
  onMove?: (id: string, valueMm: number) => void;
  onPick?: (id: string) => void;
  children?: ReactNode;
}

export function SheetDrawing({ scene, view, onView, onMove, onPick, children }: SheetDrawingProps) {
  const { tape } = useWorkshop();
  const say = useSideWords();
  return (
    <div className="relative flex h-[46vh] min-h-[320px] flex-none flex-col bench:h-auto bench:min-h-[200px] bench:flex-1">
      <div className="no-print flex items-center justify-end gap-3 px-3 pt-2 bench:absolute bench:top-2 bench:right-3 bench:z-10 bench:p-0">
        {onView && view !== say.view && <span className="soft text-[13px]">left and right as from the {say.view}</span>}
        {onView ? <ViewSwitch view={view} onView={onView} /> : <span className="soft text-[13px]">seen from the front</span>}
      </div>
      <Drawing scene={scene} tape={tape} className="flex-1" onMove={onMove} onPick={onPick} />
      {children}
    </div>
  );
}

function ViewSwitch({ view, onView }: { view: View; onView: (view: View) => void }) {
  return (
    <div className="join" role="group" aria-label="Seen from">
      {(['back', 'front'] as const).map((side) => (
        <button
          key={side}
          type="button"
          aria-pressed={view === side}
          className={`btn join-item btn-xs h-7 ${view === side ? 'btn-neutral' : 'btn-outline'}`}
          onClick={() => onView(side)}
        >
          {side === 'back' ? 'Back' : 'Front'}
        </button>
      ))}
    </div>
  );
}
