'use client';
/* Where a canvas hangs from now on, who has it, and between which humidities the air goes there. */
import { useState } from 'react';
import { CLIMATES, type ClimateId, type HangingPlace } from '@/core/life/climates';
import { byId } from '@/core/house/schools';
import { Form, SendButton } from '@/ui/form/Form';
import { Choice, NumberField, TextField } from '@/ui/form/fields';
import { useAwake } from '@/ui/useAwake';

export type Hanging = HangingPlace;

export function HangingForm({
  now,
  onKeep,
}: {
  now: (HangingPlace & { at: string }) | null;
  onKeep: (hangs: Hanging) => Promise<string | null>;
}) {
  const awake = useAwake();
  const [hangs, setHangs] = useState<Hanging>(() => {
    const { leastRh, mostRh } = CLIMATES[0];
    const { at: _at, ...there } = now ?? { at: '', place: '', owner: '', climate: CLIMATES[0].id, leastRh, mostRh };
    return there;
  });
  const change = (patch: Partial<Hanging>) => setHangs((before) => ({ ...before, ...patch }));
  return (
    <Form label="Where it hangs" onSend={() => onKeep(hangs)}>
      <h2 className="text-[16px] font-semibold">
        {now
          ? `Hangs ${now.place ? `at ${now.place}` : byId(CLIMATES, now.climate).name.toLowerCase()} since ${now.at.slice(0, 10)}`
          : 'Where it hangs'}
      </h2>
      <fieldset disabled={!awake} className="grid grid-cols-2 gap-x-4 gap-y-2">
        <TextField label="Place" of="hanging" value={hangs.place} onChange={(place) => change({ place })} />
        <TextField label="Who has it" of="hanging" value={hangs.owner} onChange={(owner) => change({ owner })} />
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
      <SendButton className="btn btn-outline h-11 w-full">{now ? 'It hangs here from now on' : 'Keep where it hangs'}</SendButton>
    </Form>
  );
}
