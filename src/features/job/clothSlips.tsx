'use client';
/* Inputs of the cloth and of fastening it. */
import { fabricsOf } from '@/core/job/materials';
import type { Fabric } from '@/core/cloth/fabrics';
import { nearestDuckNumber, printClothWeight } from '@/core/units/clothWeight';
import { FASTENERS } from '@/core/fasten/fasteners';
import { ROUTES } from '@/core/fasten/routes';
import { type JobInputs } from '@/core/job/job';
import { useWorkshop } from '@/ui/WorkshopContext';
import { Choice, LengthField, Tick } from '@/ui/fields';
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

/** Grams, ounces and, of raw cotton, the number of duck it is nearest to. */
function weightWords({ gsm, fibre, primed }: Fabric): string {
  const duck = fibre === 'cotton' && !primed ? nearestDuckNumber(gsm) : null;
  return `${printClothWeight(gsm)}${duck === null ? '' : `, near no. ${duck}`}`;
}

export function ClothSlip({ inputs, plan, locked, change }: SlipProps) {
  const { cloth } = inputs;
  const { rules } = useWorkshop();
  const set = (patch: Partial<JobInputs['cloth']>) => change('cloth', patch);
  const fabricChoice = (
    <Choice
      label="Cloth"
      value={cloth.fabric}
      options={fabricsOf(rules).filter((one) => one.offered || one.id === cloth.fabric)}
      onChange={(fabric) => set({ fabric })}
      hint={weightWords(plan.cloth.fabric)}
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
        <LengthField
          label="May go round the edge"
          value={cloth.painting.mostWrap}
          mostMm={200}
          onChange={(mostWrap) => set({ painting: { ...cloth.painting, mostWrap } })}
          disabled={locked}
        />
        <Tick
          label="Fragile: flaking, torn, lined"
          checked={cloth.painting.fragile}
          onChange={(fragile) => set({ painting: { ...cloth.painting, fragile } })}
          disabled={locked}
        />
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
      <Tick label="Laid on it again" checked={cloth.laidAgain} onChange={(laidAgain) => set({ laidAgain })} disabled={locked} />
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
      <Tick
        label="Second round: draw and set again"
        checked={fasten.secondRound}
        onChange={(secondRound) => set({ secondRound })}
        disabled={locked}
      />
    </div>
  );
}
