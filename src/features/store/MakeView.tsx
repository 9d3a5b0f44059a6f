'use client';
/* Canvases that could be made now from bars on the rack and cloth in the store, drawn to one scale; and whom the rest would serve. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { printSize } from '@/core/units/length';
import type { FromStock } from '@/server/life/takingDown';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import { MiniCanvas } from '../bench/MiniCanvas';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';

const CELL = { width: 120, height: 72 };

export function MakeView({ stock: { canvases, serves } }: { stock: FromStock }) {
  const router = useRouter();
  const send = useSend();
  const { tape, maker } = useWorkshop();
  const [error, setError] = useState<string | null>(null);
  const scale = Math.min(...canvases.map((one) => Math.min(CELL.width / one.widthMm, CELL.height / one.heightMm)), 0.2);
  const make = async ({ profile, fabric, widthMm, heightMm }: FromStock['canvases'][number]) => {
    setError(null);
    const title = `From the rack, ${printSize(widthMm, heightMm, tape)}`;
    const outcome = await send('makeFromStock', { title, profile, fabric, width: widthMm, height: heightMm, maker });
    if (outcome.ok) router.push(`/job/${outcome.value.id}`);
    else setError(refusalWords(outcome));
  };
  return (
    <div className="grid gap-x-10 gap-y-5 bench:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
      <section aria-label="Canvases">
        <h2 className="text-[17px] font-semibold">
          {canvases.length === 0
            ? 'No two pairs on the rack have an offcut to go with them'
            : `${canvases.length} canvases could be made, the largest first`}
        </h2>
        {error !== null && (
          <p role="alert" className="text-[14px] text-error">
            {error}
          </p>
        )}
        <ul>
          {canvases.map((one) => (
            <li
              key={`${one.profile} ${one.family} ${one.widthMm} ${one.heightMm}`}
              className="hair-b grid grid-cols-[1fr_auto] items-center gap-x-5 py-1.5 sm:grid-cols-[120px_minmax(0,1fr)_auto]"
            >
              <MiniCanvas
                row={{
                  widthMm: one.widthMm,
                  heightMm: one.heightMm,
                  done: ['bars'],
                  bars: { profile: one.profile, joint: 'slotted', bracesUpright: [], bracesLevel: [] },
                }}
                scale={scale}
                cell={CELL}
              />
              <span className="min-w-0">
                <span className="figure block text-[16px] font-semibold">
                  <Figure>{printSize(one.widthMm, one.heightMm, tape)}</Figure>
                  {one.standard && <span className="pl-2 text-[14px] text-success">standard size</span>}
                </span>
                <span className="soft block text-[14px]">
                  {one.bar}, {one.family}; offcut {one.tag}, {one.cloth.toLowerCase()}
                </span>
                {!one.holds && (
                  <span className="block text-[13.5px] text-warning">Watch. These bars want a brace at this size.</span>
                )}
              </span>
              <button type="button" className="btn btn-outline btn-sm h-9" onClick={() => void make(one)}>
                Start it
              </button>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Fits these jobs">
        <h2 className="text-[17px] font-semibold">What would serve open work</h2>
        {serves.length === 0 && <p className="soft text-[14px]">No offcut and no bar on the rack fits an open job.</p>}
        <ul className="figure text-[14.5px]">
          {serves.map(({ what, jobs }) => (
            <li key={what} className="hair-b py-1">
              {what} <span className="soft">for No. {jobs.join(', ')}</span>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
