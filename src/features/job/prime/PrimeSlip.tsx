'use client';
import { printTemperature } from '@/core/units/temperature';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { JobInputs } from '@/core/job/job';
import { SYSTEMS } from '@/core/prime/grounds';
import { LAYERS } from '@/core/prime/substances';
import { decimal } from '@/core/units/numeral';
import { Choice, NumberField, TemperatureField, Tick } from '@/ui/fields';
import { type SlipProps, columns } from '../slipProps';

const AIR_WORDS: Record<JobInputs['prime']['airBy'], string> = {
  reckoned: 'Reckoned with this air: nobody has measured it yet.',
  measured: 'Measured in this room.',
  device: 'Told by the hygrometer.',
  simulated: 'From the simulated hygrometer: not your room.',
};

export function PrimeSlip({ inputs: { prime }, plan, coatsDone, locked, change, air }: SlipProps) {
  const set = (patch: Partial<JobInputs['prime']>) => change('prime', patch);
  const { tape } = useWorkshop();
  const begun = locked || coatsDone > 0;
  const next = plan.prime.coats[coatsDone];
  return (
    <div className={columns}>
      <Choice label="System" value={prime.system} options={SYSTEMS} onChange={(system) => set({ system })} disabled={begun} />
      <Choice label="On the cloth now" value={prime.over} options={LAYERS} onChange={(over) => set({ over })} disabled={begun} />
      <TemperatureField
        label="Room"
        value={prime.roomC}
        least={0}
        most={45}
        onChange={(roomC) => set({ roomC, airBy: 'measured' })}
        disabled={locked}
      />
      <NumberField
        label="Humidity"
        value={prime.roomRh}
        unit="% RH"
        least={5}
        most={100}
        onChange={(roomRh) => set({ roomRh, airBy: 'measured' })}
        disabled={locked}
      />
      {air && !locked && (air.celsius !== prime.roomC || air.rh !== prime.roomRh) && (
        <button
          type="button"
          className="btn btn-ghost btn-xs col-span-2 h-8 justify-start px-0 font-normal"
          onClick={() => set({ roomC: air.celsius, roomRh: air.rh, airBy: air.simulated ? 'simulated' : 'device' })}
        >
          Take the {air.simulated ? 'simulated hygrometer' : 'hygrometer'}’s word: {printTemperature(air.celsius, tape)},{' '}
          {decimal(air.rh, 0)} % RH
        </button>
      )}
      <p className="soft col-span-2 text-[13px] leading-4">{AIR_WORDS[prime.airBy]}</p>
      <Tick label="Edges too" checked={prime.edges} onChange={(edges) => set({ edges })} disabled={begun} />
      <Tick label="Back too" checked={prime.back} onChange={(back) => set({ back })} disabled={begun} />
      <div className="col-span-2">
        <Tick label="Wet the cloth first" checked={prime.wetFirst} onChange={(wetFirst) => set({ wetFirst })} disabled={begun} />
      </div>
      {next && !locked && (
        <>
          <NumberField
            label="Water to one part"
            value={prime.waterParts}
            unit="parts"
            least={0}
            most={20}
            placeholder={decimal(next.waterParts, 2)}
            onClear={() => set({ waterParts: null })}
            onChange={(waterParts) => set({ waterParts })}
          />
          <span />
          <NumberField
            label="Mixed"
            value={prime.mixedMl}
            unit="ml"
            least={0}
            most={200_000}
            placeholder={decimal(next.recipe.totalMl, 0)}
            onClear={() => set({ mixedMl: null })}
            onChange={(mixedMl) => set({ mixedMl })}
          />
          <NumberField
            label="Left in the pot"
            value={prime.leftMl}
            unit="ml"
            least={0}
            most={200_000}
            onClear={() => set({ leftMl: null })}
            onChange={(leftMl) => set({ leftMl })}
          />
        </>
      )}
    </div>
  );
}
