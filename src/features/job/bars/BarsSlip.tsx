'use client';
import { BRACE_FIXINGS } from '@/core/frame/braceFixings';
import { GLUES } from '@/core/frame/glues';
import { JOINTS } from '@/core/frame/joints';
import { byId } from '@/core/house/schools';
import { profilesOf, speciesOf } from '@/core/house/materials';
import type { JobInputs } from '@/core/job/job';
import { MOST_BRACES, braceRange, evenBraces, barsShape } from '@/core/stages/bars/barsInputs';
import { length } from '@/core/units/length';
import { Choice, LengthField, NumberField } from '@/ui/form/fields';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { useWorkshop } from '@/ui/WorkshopContext';
import { type SlipProps, columns } from '../slip/slipProps';

const COUNTS = Array.from({ length: MOST_BRACES + 1 }, (_, count) => ({
  id: String(count),
  name: count === 0 ? 'none' : String(count),
}));

const WAYS = [
  { way: 'bracesUpright', label: 'Braces, upright', from: 'left' },
  { way: 'bracesLevel', label: 'Braces, level', from: 'top' },
] as const;

export function BarsSlip({ inputs, locked, change }: SlipProps) {
  const { rules } = useWorkshop();
  const say = useSideWords();
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
        label={`Brace ${index + 1}, from the ${say.side(from)}`}
        of="tapeReading"
        range={[least * whole, most * whole]}
        value={length(part * whole)}
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
        of={barsShape.tensionNPerM}
        value={bars.tensionNPerM}
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
      {bars.bracesUpright.length + bars.bracesLevel.length > 0 && (
        <Choice
          label="Braces held"
          value={bars.braceFixing}
          options={BRACE_FIXINGS}
          onChange={(braceFixing) => set({ braceFixing })}
          disabled={locked}
        />
      )}
      {byId(JOINTS, bars.joint).glued && (
        <Choice label="Glue" value={bars.glue} options={GLUES} onChange={(glue) => set({ glue })} disabled={locked} />
      )}
      {WAYS.flatMap((row) => bars[row.way].map((part, index) => place(row, part, index)))}
    </div>
  );
}
