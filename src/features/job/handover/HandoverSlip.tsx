'use client';
import type { JobInputs } from '@/core/job/job';
import { HANGINGS } from '@/core/stages/handover/hangings';
import { parsed, refused } from '@/core/units/result';
import { handoverShape } from '@/core/stages/handover/handoverInputs';
import { Choice, NumberField, TypedField } from '@/ui/form/fields';
import { LabelLinks } from '../header/MarkLinks';
import { type SlipProps, columns } from '../slip/slipProps';

export function HandoverSlip({ jobId, inputs: { handover }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['handover']>) => change('handover', patch);
  return (
    <div className="space-y-1.5">
      <div className={columns}>
        <NumberField
          label="On the scale"
          of={handoverShape.weighedKg}
          value={handover.weighedKg}
          onChange={(weighedKg) => set({ weighedKg })}
          onClear={() => set({ weighedKg: null })}
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
