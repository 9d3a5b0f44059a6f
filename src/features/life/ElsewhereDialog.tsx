'use client';
/* A canvas that was made elsewhere, in one sheet: what is known of it, and what is not. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { JOINTS } from '@/core/frame/joints';
import { fabricsOf, profilesOf } from '@/core/house/materials';
import { USES, isPainted } from '@/core/house/schools';
import { SYSTEMS } from '@/core/prime/grounds';
import { VALUES } from '@/core/stages/look/lookInputs';
import type { Length } from '@/core/units/length';
import type { Request } from '@/server/writes';
import { OpenDayField } from '@/ui/form/DayField';
import { Choice, ReadingField, TextField } from '@/ui/form/fields';
import { FormDialog } from '@/ui/form/FormDialog';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';

type Known = Omit<Request<'takeElsewhere'>, 'width' | 'height' | 'maker'>;

const NOT_KNOWN = { id: 'notKnown', name: 'Not known' } as const;

/** A choice of which one may be that nobody knows. */
function KnownChoice<Id extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: Id | null;
  options: readonly { id: Id; name: string }[];
  onChange: (value: Id | null) => void;
}) {
  return (
    <Choice
      label={label}
      value={value ?? NOT_KNOWN.id}
      options={[NOT_KNOWN, ...options.map(({ id, name }) => ({ id, name }))]}
      onChange={(id) => onChange(id === NOT_KNOWN.id ? null : (id as Id))}
    />
  );
}

export function ElsewhereDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const write = useWrite();
  const { rules, maker } = useWorkshop();
  const [width, setWidth] = useState<Length | null>(null);
  const [height, setHeight] = useState<Length | null>(null);
  const [known, setKnown] = useState<Known>({
    title: '',
    use: 'finished',
    value: 'unknown',
    profile: null,
    joint: null,
    fabric: null,
    system: null,
    madeOn: null,
    from: '',
    note: '',
  });
  const set = (patch: Partial<Known>) => setKnown((before) => ({ ...before, ...patch }));
  const add = () => {
    if (!width || !height) return 'Type the width and the height of the face.';
    return write('takeElsewhere', { ...known, width, height, maker }, ({ id }) => router.push(`/job/${id}/life`));
  };
  return (
    <FormDialog title="Add a canvas made elsewhere" onClose={onClose} onSend={add} does="Add the canvas" staysOpen>
      <TextField
        label="Title"
        of="title"
        required="Give it a title, to find it by."
        autoFocus
        value={known.title}
        onChange={(title) => set({ title })}
      />
      <div className="grid grid-cols-2 gap-3">
        <ReadingField
          label="Face width"
          of="faceLength"
          required="Type the width of the face."
          value={width}
          onChange={setWidth}
        />
        <ReadingField
          label="Face height"
          of="faceLength"
          required="Type the height of the face."
          value={height}
          onChange={setHeight}
        />
        <Choice label="What it is" value={known.use} options={USES} onChange={(use) => set({ use })} />
        <Choice label="Value" value={known.value} options={VALUES} onChange={(value) => set({ value })} />
        <KnownChoice label="Bars" value={known.profile} options={profilesOf(rules)} onChange={(profile) => set({ profile })} />
        <KnownChoice label="Corners" value={known.joint} options={JOINTS} onChange={(joint) => set({ joint })} />
        <KnownChoice label="Cloth" value={known.fabric} options={fabricsOf(rules)} onChange={(fabric) => set({ fabric })} />
        {!isPainted(known.use) && (
          <KnownChoice label="Ground" value={known.system} options={SYSTEMS} onChange={(system) => set({ system })} />
        )}
        <OpenDayField label="Stretched on" value={known.madeOn} onChange={(madeOn) => set({ madeOn })} />
        <TextField label="Made by, or where it came from" of="person" value={known.from} onChange={(from) => set({ from })} />
      </div>
      <TextField label="Note" of="note" lines={2} value={known.note} onChange={(note) => set({ note })} />
      <p className="soft text-[13.5px]">What is not known is told on no label and in no passport.</p>
    </FormDialog>
  );
}
