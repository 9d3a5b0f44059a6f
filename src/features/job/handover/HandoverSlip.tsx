'use client';
import type { JobInputs } from '@/core/job/job';
import { HANGINGS } from '@/core/stages/handover/hangings';
import { parsed, refused } from '@/core/units/result';
import { Choice, TypedField } from '@/ui/fields';
import { type SlipProps, columns } from '../slipProps';

export function HandoverSlip({ inputs: { handover }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['handover']>) => change('handover', patch);
  const read = (typed: string) => {
    const value = Number(typed.trim().replace(',', '.'));
    if (typed.trim() === '') return parsed<number | null>(null);
    return value >= 0.01 && value <= 200
      ? parsed<number | null>(value)
      : refused<number | null>(typed, 'is no weight of a canvas', 'Type 0.01 to 200 kg, or leave it empty.');
  };
  return (
    <div className="space-y-1.5">
      <div className={columns}>
        <TypedField<number | null>
          label="On the scale"
          value={handover.weighedKg}
          print={(kg) => (kg === null ? '' : String(kg))}
          read={read}
          onChange={(weighedKg) => set({ weighedKg })}
          beside="kg"
          inputMode="decimal"
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
    </div>
  );
}
