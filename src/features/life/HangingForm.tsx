'use client';
/* Where a canvas hangs from now on, who has it, and between which humidities the air goes there. */
import { useState } from 'react';
import { CLIMATES, type ClimateId, type HangingPlace } from '@/core/life/climates';
import { byId } from '@/core/house/schools';
import { useFieldErrors } from '@/ui/fieldErrors';
import { Choice, NumberField, TypedField } from '@/ui/fields';
import { parsed, refused } from '@/core/units/result';
import { useAwake } from '@/ui/useAwake';

export type Hanging = HangingPlace;

const short = (typed: string) =>
  typed.length > 120 ? refused<string>(typed, 'is too long', 'Type up to 120 letters.') : parsed(typed);

export function HangingForm({
  busy,
  now,
  onKeep,
}: {
  busy: boolean;
  now: (HangingPlace & { at: string }) | null;
  onKeep: (hangs: Hanging) => Promise<boolean>;
}) {
  const awake = useAwake();
  const wrong = useFieldErrors();
  const [hangs, setHangs] = useState<Hanging>(() => {
    const { leastRh, mostRh } = CLIMATES[0];
    const { at: _at, ...there } = now ?? { at: '', place: '', owner: '', climate: CLIMATES[0].id, leastRh, mostRh };
    return there;
  });
  const change = (patch: Partial<Hanging>) => setHangs((before) => ({ ...before, ...patch }));
  return (
    <form
      noValidate
      aria-label="Where it hangs"
      className="space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong.size === 0) void onKeep(hangs);
      }}
    >
      <h2 className="text-[16px] font-semibold">
        {now
          ? `Hangs ${now.place ? `at ${now.place}` : byId(CLIMATES, now.climate).name.toLowerCase()} since ${now.at.slice(0, 10)}`
          : 'Where it hangs'}
      </h2>
      <fieldset disabled={!awake} className="grid grid-cols-2 gap-x-4 gap-y-2">
        <TypedField
          label="Place"
          value={hangs.place}
          print={(text) => text}
          read={short}
          onChange={(place) => change({ place })}
        />
        <TypedField
          label="Who has it"
          value={hangs.owner}
          print={(text) => text}
          read={short}
          onChange={(owner) => change({ owner })}
        />
        <div className="col-span-2">
          <Choice
            label="Its air"
            value={hangs.climate}
            options={CLIMATES}
            hint={byId(CLIMATES, hangs.climate).says}
            onChange={(id: ClimateId) => {
              const { leastRh, mostRh } = byId(CLIMATES, id);
              change({ climate: id, leastRh, mostRh });
            }}
          />
        </div>
        <NumberField label="Driest" of="humidity" value={hangs.leastRh} onChange={(leastRh) => change({ leastRh })} />
        <NumberField label="Dampest" of="humidity" value={hangs.mostRh} onChange={(mostRh) => change({ mostRh })} />
      </fieldset>
      <button type="submit" className="btn btn-outline h-11 w-full" disabled={!awake || busy || wrong.size > 0}>
        {now ? 'It hangs here from now on' : 'Keep where it hangs'}
      </button>
    </form>
  );
}
