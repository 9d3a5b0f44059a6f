'use client';
import { USES } from '@/core/house/schools';
import type { JobInputs } from '@/core/job/job';
import { DECISIONS, VALUES } from '@/core/stages/look/lookInputs';
import { parsed, refused } from '@/core/units/result';
import { OpenDayField } from '@/ui/form/DayField';
import { Choice, Tick, TypedField } from '@/ui/form/fields';
import { type SlipProps, columns } from '../slip/slipProps';

/** Who may lay hands on a painting: that it was looked at, what it is worth, what was decided and by whom. */
export function LookSlip({ inputs: { look, brief }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['look']>) => change('look', patch);
  return (
    <div className="space-y-1.5">
      <Tick
        label="Front, back and all four edges were looked at"
        checked={look.lookedOver}
        onChange={(lookedOver) => set({ lookedOver })}
        disabled={locked}
      />
      <div className={columns}>
        <Choice
          label="What it is"
          value={brief.use}
          options={USES}
          onChange={(use) => change('brief', { use })}
          disabled={locked}
        />
        <Choice
          label="What it is worth"
          value={look.value}
          options={VALUES}
          onChange={(value) => set({ value })}
          disabled={locked}
        />
        <Choice
          label="What was decided"
          value={look.decided}
          options={DECISIONS}
          onChange={(decided) => set({ decided })}
          disabled={locked}
        />
        <OpenDayField label="Decided on" value={look.decidedOn} onChange={(decidedOn) => set({ decidedOn })} disabled={locked} />
      </div>
      <TypedField
        label="Decided by"
        value={look.decidedBy}
        print={(text) => text}
        read={(text) =>
          text.length <= 120
            ? parsed(text)
            : refused<string>(text, 'is over 120 letters', 'A name and what was said, up to 120 letters.')
        }
        onChange={(decidedBy) => set({ decidedBy })}
        disabled={locked}
      />
    </div>
  );
}
