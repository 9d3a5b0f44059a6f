'use client';
import type { JobInputs } from '@/core/job/job';
import { EDGES, HANGS, MEDIUMS, USES, byId } from '@/core/house/schools';
import { FACE_RANGE_MM } from '@/core/stages/brief/briefInputs';
import { parsed, refused } from '@/core/units/result';
import { Choice, LengthField, TypedField } from '@/ui/fields';
import { type SlipProps, columns } from '../slipProps';
import { RebateFields } from './RebateFields';

export function BriefSlip({ inputs, locked, change }: SlipProps) {
  const { brief } = inputs;
  const set = (patch: Partial<JobInputs['brief']>) => change('brief', patch);
  return (
    <div className="space-y-1.5">
      <TypedField
        label="Title"
        value={brief.title}
        print={(text) => text}
        read={(text) =>
          text.trim() && text.length <= 120
            ? parsed(text)
            : refused<string>(text, text.trim() ? 'is over 120 letters' : 'is empty', 'A title of 1 to 120 letters.')
        }
        onChange={(title) => set({ title })}
        disabled={locked}
      />
      <div className={columns}>
        <LengthField
          label="Face width"
          value={brief.width}
          leastMm={FACE_RANGE_MM.least}
          mostMm={FACE_RANGE_MM.most}
          onChange={(width) => set({ width })}
          disabled={locked}
        />
        <LengthField
          label="Face height"
          value={brief.height}
          leastMm={FACE_RANGE_MM.least}
          mostMm={FACE_RANGE_MM.most}
          onChange={(height) => set({ height })}
          disabled={locked}
        />
        <Choice label="What it is" value={brief.use} options={USES} onChange={(use) => set({ use })} disabled={locked} />
        <Choice label="Edges" value={brief.edges} options={EDGES} onChange={(edges) => set({ edges })} disabled={locked} />
        <Choice
          label="Medium to come"
          value={brief.medium}
          options={MEDIUMS}
          onChange={(medium) => set({ medium })}
          disabled={locked}
        />
        <Choice label="Hangs" value={brief.hangs} options={HANGS} onChange={(hangs) => set({ hangs })} disabled={locked} />
        <TypedField<string | null>
          label="Wanted on"
          type="date"
          value={brief.dueOn}
          print={(day) => day ?? ''}
          read={(day) => parsed<string | null>(day || null)}
          onChange={(dueOn) => set({ dueOn })}
          disabled={locked}
        />
        {byId(EDGES, brief.edges).inRebate && (
          <LengthField
            label="Rebate clearance, in all"
            value={brief.rebateClearance}
            mostMm={60}
            onChange={(rebateClearance) => set({ rebateClearance })}
            disabled={locked}
          />
        )}
      </div>
      {byId(EDGES, brief.edges).inRebate && <RebateFields inputs={inputs} locked={locked} change={change} />}
      <TypedField
        label="About it"
        value={brief.note}
        print={(text) => text}
        read={(text) => (text.length <= 2000 ? parsed(text) : refused<string>(text, 'is over 2000 letters', 'Shorten it.'))}
        onChange={(note) => set({ note })}
        disabled={locked}
      />
      <button
        type="button"
        className="btn btn-ghost btn-sm -ml-2"
        disabled={locked}
        onClick={() => set({ width: brief.height, height: brief.width })}
      >
        Swap width and height
      </button>
    </div>
  );
}
