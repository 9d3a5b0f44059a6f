'use client';
import { clothShape } from '@/core/stages/cloth/clothInputs';
import { fabricsOf } from '@/core/house/materials';
import type { Fabric } from '@/core/cloth/fabrics';
import { nearestDuckNumber, printClothWeight } from '@/core/units/clothWeight';
import type { JobInputs } from '@/core/job/job';
import { useWorkshop } from '@/ui/WorkshopContext';
import { Choice, LengthField, Tick } from '@/ui/form/fields';
import { type SlipProps, columns } from '../slip/slipProps';
import { GRIPS } from './grips';

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
    return <div className={columns}>{fabricChoice}</div>;
  }
  return (
    <div className={columns}>
      {fabricChoice}
      <LengthField
        label="Roll width, usable"
        of={clothShape.rollWidth}
        value={cloth.rollWidth}
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
        label="Frame laid on the cloth and checked"
        checked={cloth.laidAgain}
        onChange={(laidAgain) => set({ laidAgain })}
        disabled={locked}
      />
    </div>
  );
}
