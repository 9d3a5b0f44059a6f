'use client';
/* A canvas comes off its bars: what is measured of the painting, how it is kept, and what goes back to rack and store. */
import { useRouter } from 'next/navigation';
import { Scroll } from 'lucide-react';
import { useState } from 'react';
import type { JobCase } from '@/core/case/jobCase';
import { JOINTS, openersOf } from '@/core/frame/joints';
import { byId } from '@/core/house/schools';
import { worstLevel } from '@/core/job/verdict';
import { SIDES, type Side, everySide } from '@/core/job/sides';
import { KEEPINGS, PAINT_LAYERS, type TakenDown, takenDownShape } from '@/core/painting/takenDownWork';
import { takingDownVerdicts } from '@/core/painting/takingDownVerdicts';
import { startOf } from '@/core/shape/shape';
import { type Length, length } from '@/core/units/length';
import { longDay } from '@/core/units/inWords';
import { FormDialog } from '@/ui/form/FormDialog';
import { Choice, LengthField, NumberField, ReadingField, TextField, Tick } from '@/ui/form/fields';
import { VerdictList } from '@/ui/VerdictList';
import { useWrite } from '../../useWrite';
import type { JobDraft } from '../draft/jobDraft';

interface TakeDownProps {
  jobId: string;
  here: JobCase;
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
        title="Take it down: the painting kept flat or rolled, the bars back to the rack"
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

/** What was measured of the painting before; null where nobody did. */
function measuredBefore({ inputs, progress, entryOf }: JobCase) {
  const entry = progress.painted ? entryOf('cloth') : null;
  if (!entry) return null;
  const { painting, left } = inputs.cloth;
  return { at: entry.at, width: painting.top, height: painting.left, margins: everySide((side) => left[side].first) };
}

const NO_MARGINS: Record<Side, Length | null> = { top: null, right: null, bottom: null, left: null };

function TakeDownForm({ jobId, here, maker, draft, onClose }: TakeDownProps & { onClose: () => void }) {
  const router = useRouter();
  const write = useWrite();
  const { inputs } = here;
  const joint = byId(JOINTS, inputs.bars.joint);
  /** Of bars that nobody knows nothing goes back by itself. */
  const known = !inputs.brief.notKnown.includes('bars');
  const opener = known ? openersOf(joint.opener) : null;
  const before = measuredBefore(here);
  const [chosen, setChosen] = useState<Omit<TakenDown, 'width' | 'height' | 'margins' | 'coreMm'>>(startOf(takenDownShape));
  /** As it was typed, with its unit. */
  const [core, setCore] = useState(() => length(startOf(takenDownShape).coreMm, here.house.tape.unit));
  const work = { ...chosen, coreMm: core.mm };
  /** Nothing stands for a measure that nobody took. */
  const [width, setWidth] = useState(before?.width ?? null);
  const [height, setHeight] = useState(before?.height ?? null);
  const [margins, setMargins] = useState(before?.margins ?? NO_MARGINS);
  const [gone, setGone] = useState(false);
  const [keepBars, setKeepBars] = useState(known && !joint.glued);
  const [openers, setOpeners] = useState(opener?.count ?? 0);
  const measured = width !== null && height !== null && SIDES.every((side) => margins[side] !== null);
  const verdicts = takingDownVerdicts(inputs, gone ? null : work, here.house);
  const set = (patch: Partial<typeof chosen>) => setChosen({ ...chosen, ...patch });
  const take = async () => {
    if (!(await draft.flush())) return 'What was typed is not saved yet.';
    const { revision } = draft.read();
    const kept = gone ? null : ({ ...work, width, height, margins } as TakenDown);
    return write('takeDown', { jobId, revision, maker, note: '', work: kept, keepBars, openers }, () =>
      router.push('/store?view=rolled'),
    );
  };
  return (
    <FormDialog
      title="Take it down"
      onClose={onClose}
      onSend={take}
      does="Take it down"
      staysOpen
      disabled={(!gone && !measured) || worstLevel(verdicts) === 'stop'}
    >
      <p className="text-[14px] text-warning">
        Watch. Paint cracks when it is bent cold or narrow, and old cloth tears at its holes: a warm room, and flat before rolled.
        Anything flaking, thick or precious waits for a conservator.
      </p>
      <Tick label="The cloth is given up: only the bars are kept" checked={gone} onChange={setGone} />
      {!gone && (
        <>
          <p className="soft text-[13.5px]">
            Sides as seen from the front, right way up.
            {before && ` What stands here was measured ${longDay(before.at)}: read it again where it may have changed.`}
          </p>
          <div className="grid grid-cols-2 gap-3">
            <ReadingField label="Image, top" of="faceLength" value={width} onChange={setWidth} />
            <ReadingField label="Image, left side" of="faceLength" value={height} onChange={setHeight} />
            {SIDES.map((side) => (
              <ReadingField
                key={side}
                label={`Margin, ${side}`}
                of="margin"
                value={margins[side]}
                onChange={(margin) => setMargins({ ...margins, [side]: margin })}
              />
            ))}
            <div className="col-span-2">
              <Choice label="Kept" value={work.kept} options={KEEPINGS} onChange={(kept) => set({ kept })} />
            </div>
            {work.kept === 'rolled' && (
              <>
                <Choice label="Its paint" value={work.paint} options={PAINT_LAYERS} onChange={(paint) => set({ paint })} />
                <Choice label="Rolled along" value={work.along} options={ALONG} onChange={(along) => set({ along })} />
                <LengthField label="Core, across" of="core" value={core} onChange={setCore} />
              </>
            )}
          </div>
          {work.kept === 'rolled' && <Tick label="Face out" checked={work.faceOut} onChange={(faceOut) => set({ faceOut })} />}
          <TextField label="Where it lies" of="place" value={work.place} onChange={(place) => set({ place })} />
        </>
      )}
      {verdicts.length > 0 && <VerdictList verdicts={verdicts} />}
      <Tick
        label={
          !known
            ? 'Bars back to the rack: which they are is not known, put them there as measured'
            : joint.glued
              ? 'Bars back to the rack: this frame is glued, they do not come apart'
              : 'Bars and braces back to the rack'
        }
        checked={keepBars}
        disabled={!known || joint.glued}
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
      {!gone && !measured && <p className="soft text-[13.5px]">Measure the image and its margins before it is put away.</p>}
    </FormDialog>
  );
}
