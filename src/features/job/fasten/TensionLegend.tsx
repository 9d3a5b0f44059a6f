'use client';
/* What the bands of the tension map stand for, in newtons a metre. */
import { TENSION_BANDS } from '@/drawing/tensionScene';

export function TensionLegend({ targetNPerM }: { targetNPerM: number }) {
  return (
    <div className="figure absolute right-3 bottom-6 flex bench:bottom-1.5 items-end gap-2 text-[12.5px]">
      <span className="soft">tension, N/m</span>
      <ol className="flex" aria-label="Bands of tension, N/m">
        {TENSION_BANDS.map((part, index) => (
          <li key={part} className="w-9">
            <span className={`swatch tension${index} block h-3`} />
            <span className="block text-center leading-4">{Math.round(part * targetNPerM)}</span>
          </li>
        ))}
      </ol>
      <span className="flex items-center gap-1">
        <svg aria-hidden width="22" height="12" className="border border-dashed border-error">
          <rect width="22" height="12" fill="url(#slack)" fillOpacity="0.55" />
        </svg>
        slack
      </span>
    </div>
  );
}
