'use client';
import type { Term } from '@/core/glossary/terms';
import { termScene } from '@/drawing/termScene';
import { Dialog } from '@/ui/Dialog';
import { Drawing } from '@/ui/drawing/Drawing';
import { useWorkshop } from '@/ui/WorkshopContext';

interface GlossaryDialogProps {
  title: string;
  terms: readonly Term[];
  onClose: () => void;
}

/** Words of the trade with their meanings and pictures. */
export function GlossaryDialog({ title, terms, onClose }: GlossaryDialogProps) {
  const { tape } = useWorkshop();
  return (
    <Dialog title={title} onClose={onClose} wide>
      <dl className="max-h-[70vh] space-y-3 overflow-y-auto" tabIndex={0}>
        {terms.map((term) => (
          <div
            key={term.id}
            className="grid grid-cols-[9rem_minmax(0,1fr)] items-center gap-4 sm:grid-cols-[12rem_minmax(0,1fr)]"
          >
            <Drawing scene={termScene(term)} tape={tape} scaleBar={false} className="h-24" />
            <div>
              <dt className="text-[16px] font-semibold">{term.word}</dt>
              <dd className="text-[15px]">{term.meaning}</dd>
            </div>
          </div>
        ))}
      </dl>
      {terms.length === 0 && <p className="soft">No word of the trade stands on this screen.</p>}
    </Dialog>
  );
}
