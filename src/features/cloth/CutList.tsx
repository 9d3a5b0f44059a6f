'use client';
/* The cuts in words, in the order they are made; printed with the drawing. */
import type { RollCut } from '@/core/cloth/layout/cutOrder';
import { type Tape, printLength } from '@/core/units/length';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { DrawnPiece, DrawnSheet } from './RollDrawing';

export function CutList({ sheets, pieces, tears }: { sheets: DrawnSheet[]; pieces: Map<string, DrawnPiece>; tears: boolean }) {
  const { tape } = useWorkshop();
  const used = sheets.filter(({ placed }) => placed.length > 0);
  if (used.length === 0) return null;
  return (
    <section aria-label="Cuts in order" tabIndex={0} className="hair-t relative max-h-[148px] overflow-y-auto px-5 py-2">
      {used.map(({ cloth, order, placed }) => (
        <div key={cloth.id} className="mb-1">
          <h2 className="text-[14px] font-semibold">
            {tears ? 'Tear' : 'Cut'} {cloth.tag}{' '}
            <span className="soft font-normal">
              for {placed.map((one) => pieces.get(one.id)?.name ?? '').join(', ')};{' '}
              {tears ? 'snip the edge, tear in one pull' : 'blade along the rule'}
            </span>
          </h2>
          <ol className="figure columns-1 gap-x-8 text-[14px] sm:columns-2">
            {order.cuts.map((cut, index) => (
              <li key={index}>
                <strong>{index + 1}</strong> {cutWords(cut, tape)}
              </li>
            ))}
          </ol>
        </div>
      ))}
    </section>
  );
}

const cutWords = (cut: RollCut, tape: Tape): string =>
  cut.y1 === cut.y2
    ? `across, ${printLength(cut.y1, tape)} from the cut end`
    : `along, ${printLength(cut.x1, tape)} from the edge`;
