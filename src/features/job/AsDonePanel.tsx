'use client';
/* How the fastening went: drawn and set again, pull, time, and notes at places; later jobs are reckoned by the time. */
import type { AsDone, FastenInputs, JobInputs, PlaceNote } from '@/core/job/job';
import { MOST_NOTES } from '@/core/job/job';
import { SIDES } from '@/core/job/sides';
import { length } from '@/core/units/length';
import { Choice, LengthField, NumberField } from '@/ui/fields';
import { useWorkshop } from '@/ui/WorkshopContext';

interface AsDonePanelProps {
  inputs: JobInputs;
  locked: boolean;
  change: (patch: Partial<FastenInputs>) => void;
}

const SIDE_CHOICES = SIDES.map((id) => ({ id, name: id }));

export function AsDonePanel({ inputs: { brief, fasten }, locked, change }: AsDonePanelProps) {
  const { tape } = useWorkshop();
  const { asDone } = fasten;
  const put = (patch: Partial<AsDone>) => change({ asDone: { ...asDone, ...patch } });
  const putNote = (index: number, note: PlaceNote | null) =>
    put({ notes: asDone.notes.flatMap((one, place) => (place !== index ? [one] : note ? [note] : [])) });
  const open = (
    label: string,
    value: number | null,
    unit: string,
    [least, most]: [number, number],
    key: 'drawn' | 'pullN' | 'minutes',
  ) => (
    <NumberField
      label={label}
      value={value}
      unit={unit}
      least={least}
      most={most}
      placeholder="not noted"
      onClear={() => put({ [key]: null })}
      onChange={(one) => put({ [key]: one })}
      disabled={locked}
    />
  );
  return (
    <div className="space-y-2">
      <div className="grid max-w-2xl grid-cols-1 gap-x-4 gap-y-1 sm:grid-cols-3">
        {open('Drawn and set again', asDone.drawn, 'pieces', [0, 2000], 'drawn')}
        {open('Firm pull as it was', asDone.pullN, 'N', [1, 500], 'pullN')}
        {open('Time it took', asDone.minutes, 'min', [1, 2000], 'minutes')}
      </div>
      {asDone.notes.map((note, index) => {
        const level = note.side === 'top' || note.side === 'bottom';
        return (
          <div key={index} className="grid max-w-3xl grid-cols-2 items-end gap-x-3 gap-y-1 sm:grid-cols-[1fr_1.2fr_2.4fr_auto]">
            <Choice
              label={`Note ${index + 1}, bar`}
              value={note.side}
              options={SIDE_CHOICES}
              onChange={(side) => putNote(index, { ...note, side })}
              disabled={locked}
            />
            <LengthField
              label={`Note ${index + 1}, from the ${level ? 'left' : 'upper'} end`}
              value={note.at}
              mostMm={level ? brief.width.mm : brief.height.mm}
              onChange={(at) => putNote(index, { ...note, at })}
              disabled={locked}
            />
            <label className="col-span-2 block sm:col-span-1">
              <span className="soft block text-[14px]">Note {index + 1}, what</span>
              <input
                className="input h-[34px] w-full"
                value={note.text}
                maxLength={200}
                disabled={locked}
                onChange={(event) => putNote(index, { ...note, text: event.target.value })}
              />
            </label>
            <button
              type="button"
              className="btn btn-ghost btn-sm h-9"
              disabled={locked}
              onClick={() => putNote(index, null)}
              aria-label={`Take off note ${index + 1}`}
            >
              take off
            </button>
          </div>
        );
      })}
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
      <p className="soft text-[13px]">Kept with the record; the time of later jobs is reckoned by how long the last ones took.</p>
    </div>
  );
}
