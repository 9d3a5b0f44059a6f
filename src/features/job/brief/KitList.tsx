'use client';
import type { KitLine } from '@/core/case/kit';
import { Figure } from '@/ui/drawing/Figure';
import { Tick } from '@/ui/form/fields';

const GROUPS = [
  { id: 'materials', name: 'Materials' },
  { id: 'tools', name: 'Tools' },
  { id: 'care', name: 'Care' },
] as const;

/** What to lay ready, counted; ticks are kept with the job. */
export function KitList({ lines, ticked, onTick }: { lines: KitLine[]; ticked: string[]; onTick: (ticked: string[]) => void }) {
  const ready = lines.filter((line) => ticked.includes(line.id)).length;
  const toggle = (id: string, on: boolean) => onTick(on ? [...ticked, id] : ticked.filter((one) => one !== id));
  return (
    <section aria-label="Kit" className="hair-t px-5 py-3">
      <h2 className="text-[17px] font-semibold">
        Kit: {ready} of {lines.length} lie ready
      </h2>
      <div className="mt-1 grid gap-x-6 sm:grid-cols-[1.6fr_1.2fr_1fr]">
        {GROUPS.map((group) => (
          <fieldset key={group.id}>
            <legend className="soft text-[13px]">{group.name}</legend>
            {lines
              .filter((line) => line.group === group.id)
              .map((line) => (
                <Tick
                  key={line.id}
                  label={<Figure>{line.what}</Figure>}
                  checked={ticked.includes(line.id)}
                  onChange={(on) => toggle(line.id, on)}
                />
              ))}
          </fieldset>
        ))}
      </div>
    </section>
  );
}
