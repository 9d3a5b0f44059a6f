'use client';
import { primeShape } from '@/core/stages/prime/primeInputs';
import { bare, printed } from '@/core/quantities/printed';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { JobInputs } from '@/core/job/job';
import { SYSTEMS } from '@/core/prime/grounds';
import { LAYERS } from '@/core/prime/substances';
import { Choice, NumberField, Tick } from '@/ui/form/fields';
import { type SlipProps, columns } from '../slip/slipProps';

const AIR_WORDS: Record<JobInputs['prime']['airBy'], string> = {
  reckoned: 'Assumed air; not measured.',
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
      <NumberField
        label="Room"
        of={primeShape.roomC}
        value={prime.roomC}
        onChange={(roomC) => set({ roomC, airBy: 'measured' })}
        disabled={locked}
      />
      <NumberField
        label="Humidity"
        of={primeShape.roomRh}
        value={prime.roomRh}
        onChange={(roomRh) => set({ roomRh, airBy: 'measured' })}
        disabled={locked}
      />
      {air && !locked && (air.celsius !== prime.roomC || air.rh !== prime.roomRh) && (
        <button
          type="button"
          className="btn btn-ghost btn-xs col-span-2 h-8 justify-start px-0 font-normal"
          onClick={() => set({ roomC: air.celsius, roomRh: air.rh, airBy: air.simulated ? 'simulated' : 'device' })}
        >
          Take the {air.simulated ? 'simulated hygrometer' : 'hygrometer'}’s word: {printed('temperature', air.celsius, tape)},{' '}
          {printed('humidity', air.rh)}
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
            of={primeShape.waterParts}
            value={prime.waterParts}
            placeholder={bare('waterParts', next.waterParts)}
            onClear={() => set({ waterParts: null })}
            onChange={(waterParts) => set({ waterParts })}
          />
          <span />
          <NumberField
            label="Mixed"
            of={primeShape.mixedMl}
            value={prime.mixedMl}
            placeholder={bare('volume', next.recipe.totalMl, tape)}
            onClear={() => set({ mixedMl: null })}
            onChange={(mixedMl) => set({ mixedMl })}
          />
          <NumberField
            label="Left over"
            of={primeShape.leftMl}
            value={prime.leftMl}
            onClear={() => set({ leftMl: null })}
            onChange={(leftMl) => set({ leftMl })}
          />
        </>
      )}
    </div>
  );
}
