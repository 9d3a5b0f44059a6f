'use client';
/* How the fastening went: drawn and set again, pull, time, and notes at places; later jobs are reckoned by the time. */
import type { JobInputs } from '@/core/job/job';
import { type AsDone, asDoneShape, type FastenInputs, MOST_NOTES, type PlaceNote } from '@/core/stages/fasten/fastenInputs';
import { length } from '@/core/units/length';
import { NumberField, TextField } from '@/ui/form/fields';
import { useWorkshop } from '@/ui/WorkshopContext';
import { ToldPulls } from './ToldPulls';
import { PlaceOnBar } from './PlaceOnBar';

interface AsDonePanelProps {
  inputs: JobInputs;
  locked: boolean;
  change: (patch: Partial<FastenInputs>) => void;
}

export function AsDonePanel({ inputs: { brief, fasten }, locked, change }: AsDonePanelProps) {
  const { tape } = useWorkshop();
  const { asDone } = fasten;
  const put = (patch: Partial<AsDone>) => change({ asDone: { ...asDone, ...patch } });
  const putNote = (index: number, note: PlaceNote | null) =>
    put({ notes: asDone.notes.flatMap((one, place) => (place !== index ? [one] : note ? [note] : [])) });
  const open = (label: string, key: 'drawn' | 'pullN' | 'minutes') => (
    <NumberField
      label={label}
      of={asDoneShape[key]}
      value={asDone[key]}
      placeholder="not noted"
      onClear={() => put({ [key]: null })}
      onChange={(one) => put({ [key]: one })}
      disabled={locked}
    />
  );
  return (
    <div className="space-y-2">
      <div className="grid max-w-2xl grid-cols-1 gap-x-4 gap-y-1 sm:grid-cols-3">
        {open('Drawn and set again', 'drawn')}
        {open('Firm pull as it was', 'pullN')}
        {open('Time it took', 'minutes')}
      </div>
      <ToldPulls pulls={asDone.pulls} locked={locked} change={(pulls) => put({ pulls })} />
      {asDone.notes.map((note, index) => (
        <PlaceOnBar
          key={index}
          name={`Note ${index + 1}`}
          place={note}
          brief={brief}
          locked={locked}
          onPlace={(place) => putNote(index, { ...place, text: note.text })}
          onTakeOff={() => putNote(index, null)}
        >
          <div className="min-w-48 flex-1">
            <TextField
              label={`Note ${index + 1}, what`}
              of="remark"
              value={note.text}
              disabled={locked}
              onChange={(text) => putNote(index, { ...note, text })}
            />
          </div>
        </PlaceOnBar>
      ))}
      <button
        type="button"
        className="btn btn-outline btn-sm"
        disabled={locked || asDone.notes.length >= MOST_NOTES}
        onClick={() =>
          put({ notes: [...asDone.notes, { side: 'top', at: length(Math.round(brief.width.mm / 2), tape.unit), text: '' }] })
        }
      >
        Note at a place
      </button>
      <p className="soft text-[13px]">Kept with the record; later jobs are estimated from how long the last ones took.</p>
    </div>
  );
}
