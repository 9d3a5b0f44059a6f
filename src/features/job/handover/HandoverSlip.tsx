'use client';
import type { JobInputs } from '@/core/job/job';
import { HANGINGS } from '@/core/stages/handover/hangings';
import { parseMass, printMass } from '@/core/units/mass';
import { useWorkshop } from '@/ui/WorkshopContext';
import { parsed, refused } from '@/core/units/result';
import { Choice, TypedField } from '@/ui/fields';
import { LabelLinks } from '../MarkLinks';
import { type SlipProps, columns } from '../slipProps';

export function HandoverSlip({ jobId, inputs: { handover }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['handover']>) => change('handover', patch);
  const { tape } = useWorkshop();
  const read = (typed: string) => {
    if (typed.trim() === '') return parsed<number | null>(null);
    const found = parseMass(typed, tape);
    if (!found.ok || (found.value >= 0.01 && found.value <= 200)) return found;
    const [least, most] = [0.01, 200].map((kg) => printMass(kg, tape));
    return refused<number | null>(typed, 'is no weight of a canvas', `Type ${least} to ${most}, or leave it empty.`);
  };
  return (
    <div className="space-y-1.5">
      <div className={columns}>
        <TypedField<number | null>
          label="On the scale"
          value={handover.weighedKg}
          print={(kg) => (kg === null ? '' : printMass(kg, tape))}
          read={read}
          onChange={(weighedKg) => set({ weighedKg })}
          placeholder={tape.unit === 'in' ? 'lb' : 'kg'}
          disabled={locked}
        />
        <Choice
          label="Hanging"
          value={handover.hanging}
          options={HANGINGS}
          onChange={(hanging) => set({ hanging })}
          disabled={locked}
        />
      </div>
      <TypedField
        label="On the label"
        value={handover.label}
        print={(text) => text}
        read={(text) => (text.length <= 300 ? parsed(text) : refused<string>(text, 'is over 300 letters', 'Shorten it.'))}
        onChange={(label) => set({ label })}
        placeholder="Title, maker, this way up"
        disabled={locked}
      />
      <LabelLinks href={`/job/${jobId}/label`} alone />
    </div>
  );
}
