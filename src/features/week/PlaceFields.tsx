'use client';
/* Places to dry and benches for large frames, as rows of fields. */
import type { ReactNode } from 'react';
import { Plus, X } from 'lucide-react';
import { PLACE_KINDS, type WeekSettings } from '@/core/week/weekSettings';
import { length } from '@/core/units/length';
import { parsed, refused } from '@/core/units/result';
import { Choice, LengthField, NumberField, TypedField } from '@/ui/form/fields';

export function PlaceFields({
  settings,
  onChange,
}: {
  settings: WeekSettings;
  onChange: (places: WeekSettings['places']) => void;
}) {
  const { places } = settings;
  const set = (index: number, patch: Partial<WeekSettings['places'][number]>) =>
    onChange(places.map((place, at) => (at === index ? { ...place, ...patch } : place)));
  return (
    <section aria-label="Places to dry and large benches" className="space-y-2">
      <h2 className="text-[17px] font-semibold">Places to dry, and benches for large frames</h2>
      {places.map((place, index) => (
        <div key={index} className="hair-b grid grid-cols-2 items-end gap-x-3 gap-y-1 pb-2 sm:grid-cols-3">
          <TypedField
            label={`Place ${index + 1}`}
            value={place.name}
            print={(name) => name}
            read={(typed) =>
              typed.trim() === '' || typed.length > 60
                ? refused(typed, 'is no name', 'Type 1 to 60 letters.')
                : parsed(typed.trim())
            }
            onChange={(name) => set(index, { name })}
          />
          <Choice label="What" value={place.kind} options={PLACE_KINDS} onChange={(kind) => set(index, { kind })} />
          <NumberField
            label="How many"
            of="places"
            value={place.count}
            onChange={(value) => set(index, { count: Math.round(value) })}
          />
          <LengthField label="Up to" of="roomFor" value={place.long} onChange={(long) => set(index, { long })} />
          <LengthField label="by" of="roomFor" value={place.short} onChange={(short) => set(index, { short })} />
          <Remove label={`Take away ${place.name}`} onClick={() => onChange(places.filter((_, at) => at !== index))} />
        </div>
      ))}
      <button
        type="button"
        className="btn btn-outline btn-sm h-9"
        onClick={() =>
          onChange([
            ...places,
            { name: `Place ${places.length + 1}`, kind: 'flat', long: length(1500), short: length(1200), count: 1 },
          ])
        }
      >
        <Plus aria-hidden className="size-4" /> Add a place
      </button>
    </section>
  );
}

export const Remove = ({ label, onClick }: { label: string; onClick: () => void }): ReactNode => (
  <button type="button" className="btn btn-ghost btn-sm h-9 px-2" aria-label={label} onClick={onClick}>
    <X aria-hidden className="size-4" />
  </button>
);
