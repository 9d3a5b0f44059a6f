'use client';
/* Inputs of the first stages: brief, bars, square. */
import { JOINTS } from '@/core/frame/joints';
import { GLUES } from '@/core/frame/glues';
import { profilesOf, speciesOf } from '@/core/job/materials';
import type { TapeName } from '@/core/frame/corners';
import { type JobInputs, MOST_BRACES, braceRange, evenBraces } from '@/core/job/job';
import { EDGES, HANGS, MEDIUMS, USES, byId } from '@/core/job/schools';
import { FACE_RANGE_MM } from '@/core/plan/planBrief';
import { length } from '@/core/units/length';
import { parsed, refused } from '@/core/units/result';
import { Choice, LengthField, NumberField, ReadingField, TypedField } from '@/ui/fields';
import { useWorkshop } from '@/ui/WorkshopContext';
import { type SlipProps, columns } from './slipProps';

const COUNTS = Array.from({ length: MOST_BRACES + 1 }, (_, count) => ({
  id: String(count),
  name: count === 0 ? 'none' : String(count),
}));

export function BriefSlip({ inputs: { brief }, locked, change }: SlipProps) {
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

const WAYS = [
  { way: 'bracesUpright', label: 'Braces, upright', from: 'left' },
  { way: 'bracesLevel', label: 'Braces, level', from: 'top' },
] as const;

export function BarsSlip({ inputs, locked, change }: SlipProps) {
  const { rules } = useWorkshop();
  const { bars, brief } = inputs;
  const set = (patch: Partial<JobInputs['bars']>) => change('bars', patch);
  const offered = <R extends { id: string; offered: boolean }>(rows: R[], now: string) =>
    rows.filter((row) => row.offered || row.id === now);
  const place = ({ way, from }: (typeof WAYS)[number], part: number, index: number) => {
    const whole = way === 'bracesUpright' ? brief.width.mm : brief.height.mm;
    const parts = bars[way];
    const [least, most] = braceRange(parts, index);
    return (
      <LengthField
        key={`${way} ${index}`}
        label={`Brace ${index + 1}, from the ${from}`}
        value={length(part * whole)}
        leastMm={least * whole}
        mostMm={most * whole}
        onChange={({ mm }) => set({ [way]: parts.map((one, at) => (at === index ? mm / whole : one)) })}
        disabled={locked}
      />
    );
  };
  return (
    <div className={columns}>
      <Choice label="Joint" value={bars.joint} options={JOINTS} onChange={(joint) => set({ joint })} disabled={locked} />
      <Choice
        label="Wood"
        value={bars.species}
        options={offered(speciesOf(rules), bars.species)}
        onChange={(species) => set({ species })}
        disabled={locked}
      />
      <Choice
        label="Bar"
        value={bars.profile}
        options={offered(profilesOf(rules), bars.profile)}
        onChange={(profile) => set({ profile })}
        disabled={locked}
      />
      <NumberField
        label="Cloth tension"
        value={bars.tensionNPerM}
        unit="N/m"
        least={20}
        most={800}
        onChange={(tensionNPerM) => set({ tensionNPerM })}
        disabled={locked}
      />
      {WAYS.map(({ way, label }) => (
        <Choice
          key={way}
          label={label}
          value={String(bars[way].length)}
          options={COUNTS}
          onChange={(count) => set({ [way]: evenBraces(Number(count)) })}
          disabled={locked}
        />
      ))}
      {byId(JOINTS, bars.joint).glued && (
        <Choice label="Glue" value={bars.glue} options={GLUES} onChange={(glue) => set({ glue })} disabled={locked} />
      )}
      {WAYS.flatMap((row) => bars[row.way].map((part, index) => place(row, part, index)))}
    </div>
  );
}

export function SquareSlip({ inputs: { square, brief }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['square']>) => change('square', patch);
  const most = 2 * (brief.width.mm + brief.height.mm);
  const field = (name: TapeName | 'lift', label: string, mostMm = most) => (
    <ReadingField
      key={name}
      label={label}
      value={square[name]}
      mostMm={mostMm}
      leastMm={name === 'lift' ? 0 : 1}
      onChange={(value) => set({ [name]: value })}
      disabled={locked}
    />
  );
  return (
    <div className={columns}>
      {field('down', 'Diagonal, top left down')}
      {field('up', 'Diagonal, bottom left up')}
      {field('top', 'Top')}
      {field('bottom', 'Bottom')}
      {field('left', 'Left')}
      {field('right', 'Right')}
      {field('lift', 'Corner lift on a flat table', 200)}
    </div>
  );
}
