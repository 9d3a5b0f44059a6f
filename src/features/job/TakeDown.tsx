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
import { FormDialog } from '@/ui/FormDialog';
import { Choice, LengthField, NumberField, ReadingField, Tick } from '@/ui/fields';
import { FieldErrorsProvider, useFieldErrors } from '@/ui/fieldErrors';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';
import type { JobDraft } from './jobDraft';

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
      {open && (
        <FieldErrorsProvider>
          <TakeDownForm {...props} onClose={() => setOpen(false)} />
        </FieldErrorsProvider>
      )}
    </>
  );
}

const ALONG = [
  { id: 'width', name: 'its width' },
  { id: 'height', name: 'its height' },
] as const;

function TakeDownForm({ jobId, inputs, maker, draft, onClose }: TakeDownProps & { onClose: () => void }) {
  const router = useRouter();
  const send = useSend();
  const wrong = useFieldErrors();
  const { brief, bars } = inputs;
  const joint = byId(JOINTS, bars.joint);
  const opener = openersOf(joint.opener);
  const [rolled, setRolled] = useState<Rolled>({ ...startOf(rolledShape), width: brief.width, height: brief.height });
  const [gone, setGone] = useState(false);
  const [keepBars, setKeepBars] = useState(!joint.glued);
  const [openers, setOpeners] = useState(opener?.count ?? 0);
  const [error, setError] = useState<string | null>(null);
  /** Nothing stands for a margin that nobody measured. */
  const [margins, setMargins] = useState<Record<Side, Length | null>>({ top: null, right: null, bottom: null, left: null });
  const measured = SIDES.every((side) => margins[side] !== null);
  const set = (patch: Partial<Rolled>) => setRolled({ ...rolled, ...patch });
  const take = async () => {
    setError(null);
    if (!(await draft.flush())) return setError('What was typed is not saved yet.');
    const outcome = await send('takeDown', {
      jobId,
      revision: draft.read().revision,
      maker,
      note: '',
      rolled: gone ? null : { ...rolled, margins: margins as Rolled['margins'] },
      keepBars,
      openers,
    });
    if (!outcome.ok) return setError(refusalWords(outcome));
    router.push('/store?view=rolled');
  };
  return (
    <FormDialog
      title="Take it down"
      onClose={onClose}
      onSubmit={() => void take()}
      does="Take it down"
      disabled={wrong.size > 0 || (!gone && !measured)}
      error={error}
    >
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
          <label className="block">
            <span className="soft block text-[13px]">Where it lies</span>
            <input
              className="input input-sm h-9 w-full"
              value={rolled.place}
              maxLength={80}
              autoComplete="off"
              onChange={(event) => set({ place: event.target.value })}
            />
          </label>
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
