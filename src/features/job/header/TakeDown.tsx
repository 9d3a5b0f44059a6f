'use client';
/* A canvas comes off its bars: what is measured of the painting, and what goes back to rack and store. */
import { startOf } from '@/core/shape/shape';
import { Scroll } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { JOINTS, openersOf } from '@/core/frame/joints';
import { byId } from '@/core/house/schools';
import type { JobInputs } from '@/core/job/job';
import { SIDES, type Side } from '@/core/job/sides';
import { type Length, length } from '@/core/units/length';
import { type Rolled, rolledShape } from '@/core/painting/rolledWork';
import { FormDialog } from '@/ui/form/FormDialog';
import { Choice, LengthField, NumberField, ReadingField, TextField, Tick } from '@/ui/form/fields';
import { useWrite } from '../../useWrite';
import type { JobDraft } from '../draft/jobDraft';

interface TakeDownProps {
  jobId: string;
  inputs: JobInputs;
  maker: string;
  draft: JobDraft;
}

export function TakeDown(props: TakeDownProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm px-1.5 bench:px-2"
        onClick={() => setOpen(true)}
        aria-label="Take it down"
        title="Take it down: the painting rolled, the bars back to the rack"
      >
        <Scroll aria-hidden className="size-4" />
      </button>
      {open && <TakeDownForm {...props} onClose={() => setOpen(false)} />}
    </>
  );
}

const ALONG = [
  { id: 'width', name: 'its width' },
  { id: 'height', name: 'its height' },
] as const;

function TakeDownForm({ jobId, inputs, maker, draft, onClose }: TakeDownProps & { onClose: () => void }) {
  const router = useRouter();
  const write = useWrite();
  const { brief, bars } = inputs;
  const joint = byId(JOINTS, bars.joint);
  const opener = openersOf(joint.opener);
  const [rolled, setRolled] = useState<Rolled>({ ...startOf(rolledShape), width: brief.width, height: brief.height });
  const [gone, setGone] = useState(false);
  const [keepBars, setKeepBars] = useState(!joint.glued);
  const [openers, setOpeners] = useState(opener?.count ?? 0);
  /** Nothing stands for a margin that nobody measured. */
  const [margins, setMargins] = useState<Record<Side, Length | null>>({ top: null, right: null, bottom: null, left: null });
  const measured = SIDES.every((side) => margins[side] !== null);
  const set = (patch: Partial<Rolled>) => setRolled({ ...rolled, ...patch });
  const take = async () => {
    if (!(await draft.flush())) return 'What was typed is not saved yet.';
    const { revision } = draft.read();
    const away = gone ? null : { ...rolled, margins: margins as Rolled['margins'] };
    return write('takeDown', { jobId, revision, maker, note: '', rolled: away, keepBars, openers }, () =>
      router.push('/store?view=rolled'),
    );
  };
  return (
    <FormDialog title="Take it down" onClose={onClose} onSend={take} does="Take it down" staysOpen disabled={!gone && !measured}>
      <p className="text-[14px] text-warning">
        Watch. Paint cracks when it is bent cold or narrow, and old cloth tears at its holes. Roll it face out on a wide core, in
        a warm room; anything flaking, thick or precious waits for a conservator.
      </p>
      <Tick label="The cloth is given up: only the bars are kept" checked={gone} onChange={setGone} />
      {!gone && (
        <>
          <p className="soft text-[13.5px]">Sides as seen from the front, right way up.</p>
          <div className="grid grid-cols-2 gap-3">
            <LengthField label="Image, width" of="faceLength" value={rolled.width} onChange={(width) => set({ width })} />
            <LengthField label="Image, height" of="faceLength" value={rolled.height} onChange={(height) => set({ height })} />
            {SIDES.map((side) => (
              <ReadingField
                key={side}
                label={`Margin, ${side}`}
                of="margin"
                value={margins[side]}
                onChange={(margin) => setMargins({ ...margins, [side]: margin })}
              />
            ))}
            <Choice label="Rolled along" value={rolled.along} options={ALONG} onChange={(along) => set({ along })} />
            <LengthField
              label="Core, across"
              of="core"
              value={length(rolled.coreMm)}
              onChange={({ mm }) => set({ coreMm: mm })}
            />
          </div>
          <Tick label="Face out" checked={rolled.faceOut} onChange={(faceOut) => set({ faceOut })} />
          <TextField label="Where it lies" of="place" value={rolled.place} onChange={(place) => set({ place })} />
        </>
      )}
      <Tick
        label={
          joint.glued ? 'Bars back to the rack: this frame is glued, they do not come apart' : 'Bars and braces back to the rack'
        }
        checked={keepBars}
        disabled={joint.glued}
        onChange={setKeepBars}
      />
      {opener && (
        <NumberField
          label={`${opener.name}s back to the store`}
          of="count"
          range={[0, opener.count + opener.spare]}
          value={openers}
          unit="pieces"
          onChange={(count) => setOpeners(Math.round(count))}
        />
      )}
      {!gone && !measured && <p className="soft text-[13.5px]">Measure the margins before it is rolled.</p>}
    </FormDialog>
  );
}
