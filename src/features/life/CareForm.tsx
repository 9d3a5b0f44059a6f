'use client';
/* A canvas looked at: what happened, how it feels, its diagonals, its bulge, the air there, a photograph. */
import { useState } from 'react';
import type { ReadAir } from '@/core/log/readAir';
import type { AirReading } from '@/core/tension/clothWeather';
import { LIFE_EVENTS, type LifeEventId } from '@/core/life/lifeEvents';
import { FEELS, type FeelId } from '@/core/tension/feel';
import type { Length } from '@/core/units/length';
import { Form, SendButton } from '@/ui/form/Form';
import { Choice, ReadingField, TextField } from '@/ui/form/fields';
import { useAwake } from '@/ui/useAwake';
import { AirFields, NOT_READ, airHint } from '../AirFields';
import { PhotographChoice } from '../photograph/PhotographChoice';

export interface Care {
  note: string;
  event: LifeEventId | null;
  feel: FeelId | null;
  down: Length | null;
  up: Length | null;
  bulge: Length | null;
  air: ReadAir;
  jpeg: string | null;
}

interface CareFormProps {
  /** It hangs here, or nobody said where: the air of the house is that of the canvas. */
  inHouse: boolean;
  houseAir: AirReading | null;
  onKeep: (care: Care) => Promise<string | null>;
}

const NONE = 'none';

export function CareForm({ inHouse, houseAir, onKeep }: CareFormProps) {
  const awake = useAwake();
  const [care, setCare] = useState<Care>({
    note: '',
    event: null,
    feel: null,
    down: null,
    up: null,
    bulge: null,
    air: NOT_READ,
    jpeg: null,
  });
  const change = (patch: Partial<Care>) => setCare((before) => ({ ...before, ...patch }));
  return (
    <Form label="Look at it" onSend={() => onKeep(care)}>
      <h2 className="text-[16px] font-semibold">Look at it now</h2>
      <fieldset disabled={!awake} className="grid grid-cols-2 gap-x-4 gap-y-2">
        <Choice
          label="How it feels"
          value={care.feel ?? NONE}
          options={[
            { id: NONE, name: 'not felt' },
            ...FEELS.map(({ id, name, says: feels }) => ({ id, name: `${name}: ${feels}` })),
          ]}
          onChange={(id) => change({ feel: id === NONE ? null : (id as FeelId) })}
        />
        <Choice
          label="What happened"
          value={care.event ?? NONE}
          options={[{ id: NONE, name: 'nothing' }, ...LIFE_EVENTS]}
          onChange={(id) => change({ event: id === NONE ? null : (id as LifeEventId) })}
        />
        <AirFields air={care.air} onAir={(air) => change({ air })} inHouse={inHouse} houseAir={houseAir} />
        <ReadingField label="Diagonal, down" of="sideReading" value={care.down} onChange={(down) => change({ down })} />
        <ReadingField label="Diagonal, up" of="sideReading" value={care.up} onChange={(up) => change({ up })} />
        <ReadingField label="Bulge of the cloth" of="bulge" value={care.bulge} onChange={(bulge) => change({ bulge })} />
        <div className="self-end">
          <PhotographChoice
            jpeg={care.jpeg}
            onTake={(jpeg) => change({ jpeg })}
            className="btn btn-outline btn-sm h-9 w-full"
            says="The photograph that is kept"
          />
        </div>
        <div className="col-span-2">
          <TextField
            label="Note"
            hideLabel
            of="note"
            lines={2}
            placeholder="What you see"
            value={care.note}
            onChange={(note) => change({ note })}
          />
        </div>
      </fieldset>
      <p className="soft text-[13px]">{airHint(inHouse, houseAir)}</p>
      <SendButton>Keep what you saw</SendButton>
    </Form>
  );
}
