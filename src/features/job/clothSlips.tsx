'use client';
/* Inputs of the cloth and of fastening it. */
import { FABRICS } from '@/core/cloth/fabrics';
import { byId } from '@/core/job/schools';
import { printClothWeight } from '@/core/units/clothWeight';
import { FASTENERS } from '@/core/fasten/fasteners';
import { ROUTES } from '@/core/fasten/routes';
import { type JobInputs } from '@/core/job/job';
import { SIDES } from '@/core/job/sides';
import { Choice, LengthField, ReadingField, Tick } from '@/ui/fields';
import { type SlipProps, columns } from './slipProps';

const ONE_TO_THREE = (['1', '2', '3'] as const).map((id) => ({ id, name: id }));
const GRIPS = [
  { id: 'hand', name: 'Fingers' },
  { id: 'pliers', name: 'Pliers' },
] as const;
const WARPS = [
  { id: 'width', name: 'the width' },
  { id: 'height', name: 'the height' },
] as const;

export function ClothSlip({ inputs, plan, locked, change }: SlipProps) {
  const { cloth } = inputs;
  const set = (patch: Partial<JobInputs['cloth']>) => change('cloth', patch);
  const fabricChoice = (
    <Choice
      label="Cloth"
      value={cloth.fabric}
      options={FABRICS}
      onChange={(fabric) => set({ fabric })}
      hint={printClothWeight(byId(FABRICS, cloth.fabric).gsm)}
      disabled={locked}
    />
  );
  const gripChoice = (
    <Choice label="Pull with" value={cloth.grip} options={GRIPS} onChange={(grip) => set({ grip })} disabled={locked} />
  );
  if (plan.cloth.painted) {
    return (
      <div className={columns}>
        {fabricChoice}
        {gripChoice}
        {SIDES.map((side) => (
          <ReadingField
            key={side}
            label={`Margin left, ${side}`}
            value={cloth.left[side]}
            mostMm={600}
            onChange={(mm) => set({ left: { ...cloth.left, [side]: mm } })}
            disabled={locked}
          />
        ))}
      </div>
    );
  }
  return (
    <div className={columns}>
      {fabricChoice}
      <LengthField
        label="Roll width, usable"
        value={cloth.rollWidth}
        leastMm={100}
        mostMm={6000}
        onChange={(rollWidth) => set({ rollWidth })}
        disabled={locked}
      />
      {gripChoice}
      <Choice label="Warp along" value={cloth.warp} options={WARPS} onChange={(warp) => set({ warp })} disabled={locked} />
      <Tick
        label="Wash before cutting"
        checked={cloth.washFirst}
        onChange={(washFirst) => set({ washFirst })}
        disabled={locked}
      />
      <Tick
        label="Take off the stretch"
        checked={cloth.takeOffStretch}
        onChange={(takeOffStretch) => set({ takeOffStretch })}
        disabled={locked}
      />
    </div>
  );
}

export function FastenSlip({ inputs: { fasten }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['fasten']>) => change('fasten', patch);
  return (
    <div className={columns}>
      <Choice label="Route" value={fasten.route} options={ROUTES} onChange={(route) => set({ route })} disabled={locked} />
      <Choice
        label="Fastener"
        value={fasten.fastener}
        options={FASTENERS}
        onChange={(fastener) => set({ fastener })}
        disabled={locked}
      />
      <LengthField
        label="Spacing, at most"
        value={fasten.spacing}
        leastMm={10}
        mostMm={150}
        onChange={(spacing) => set({ spacing })}
        disabled={locked}
      />
      <LengthField
        label="Last from corner"
        value={fasten.lastFromCorner}
        mostMm={150}
        onChange={(lastFromCorner) => set({ lastFromCorner })}
        disabled={locked}
      />
      <Choice
        label="Starters at each middle"
        value={String(fasten.starters) as '1'}
        options={ONE_TO_THREE}
        onChange={(id) => set({ starters: Number(id) as 1 })}
        disabled={locked}
      />
      <Choice
        label="Pairs a side each turn"
        value={String(fasten.perTurn) as '1'}
        options={ONE_TO_THREE}
        onChange={(id) => set({ perTurn: Number(id) as 1 })}
        disabled={locked}
      />
    </div>
  );
}
