'use client';
import { useState } from 'react';
import type { ClothFlaw } from '@/core/cloth/clothStock';
import type { StoredCloth } from '@/db/clothSheets';
import { length } from '@/core/units/length';
import { parsed, refused } from '@/core/units/result';
import { LengthField, TypedField } from '@/ui/fields';
import { useWorkshop } from '@/ui/WorkshopContext';

const FIELDS = [
  ['x', 'From the edge', 0],
  ['y', 'From the cut end', 0],
  ['w', 'Across', 1],
  ['h', 'Along', 1],
] as const;

/** Flaws of the cloths in sight: place and size can be typed, each can be taken off. */
export function FlawList({
  cloths,
  onChange,
}: {
  cloths: StoredCloth[];
  onChange: (cloth: StoredCloth, flaws: ClothFlaw[]) => void;
}) {
  const { tape } = useWorkshop();
  const [open, setOpen] = useState<{ key: string; draft: ClothFlaw } | null>(null);
  const all = cloths.flatMap((cloth) => cloth.flaws.map((flaw, index) => ({ cloth, flaw, index, key: `${cloth.id} ${index}` })));
  if (all.length === 0) return null;
  return (
    <section aria-label="Flaws" className="no-print">
      <h2 className="soft text-[13px]">Flaws</h2>
      <ul>
        {all.map(({ cloth, flaw, index, key }) => {
          const name = flaw.note || `flaw ${index + 1}`;
          const draft = open?.key === key ? open.draft : null;
          const put = (patch: Partial<ClothFlaw>) => setOpen({ key, draft: { ...draft!, ...patch } });
          return (
            <li key={key} className="hair-b py-0.5 text-[14px]">
              <div className="flex items-baseline gap-2">
                <button
                  type="button"
                  className="min-w-0 flex-1 cursor-pointer text-left"
                  aria-expanded={draft !== null}
                  onClick={() => setOpen(draft ? null : { key, draft: flaw })}
                >
                  <strong className="text-error">✕</strong> {cloth.tag}: {name}{' '}
                  <span className="figure soft">
                    {Math.round(flaw.w)} × {Math.round(flaw.h)} mm
                  </span>
                </button>
                <button
                  type="button"
                  className="btn btn-ghost btn-xs"
                  aria-label={`Take off ${name}, ${cloth.tag}`}
                  onClick={() =>
                    onChange(
                      cloth,
                      cloth.flaws.filter((_one, place) => place !== index),
                    )
                  }
                >
                  take off
                </button>
              </div>
              {draft && (
                <div className="grid grid-cols-2 gap-x-4 gap-y-1 pb-2">
                  {FIELDS.map(([field, label, leastMm]) => (
                    <LengthField
                      key={field}
                      label={`${label}, ${name}`}
                      value={length(draft[field], tape.unit)}
                      leastMm={leastMm}
                      mostMm={field === 'x' || field === 'w' ? cloth.widthMm : cloth.lengthMm}
                      onChange={({ mm }) => put({ [field]: mm })}
                    />
                  ))}
                  <TypedField
                    label={`What it is, ${name}`}
                    value={draft.note}
                    print={(note) => note}
                    read={(typed) =>
                      typed.length <= 80 ? parsed(typed.trim()) : refused<string>(typed, 'is too long', 'Up to 80 letters.')
                    }
                    onChange={(note) => put({ note })}
                  />
                  <button
                    type="button"
                    className="btn btn-outline btn-sm mt-5 h-9"
                    onClick={() => {
                      setOpen(null);
                      onChange(
                        cloth,
                        cloth.flaws.map((one, place) => (place === index ? draft : one)),
                      );
                    }}
                  >
                    Save the flaw
                  </button>
                </div>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
