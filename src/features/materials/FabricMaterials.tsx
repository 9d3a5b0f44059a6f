'use client';
/* Cloths of the house: weight, give and shrinkage each way, and the rolls they are sold on. */
import { useWorkshop } from '@/ui/WorkshopContext';
import type { Fabric, Fibre } from '@/core/cloth/fabrics';
import type { StoredRules } from '@/db/workshops';
import { printClothWeight, parseClothWeight } from '@/core/units/clothWeight';
import { Choice, NumberField, Tick, TypedField } from '@/ui/fields';
import { MaterialForm } from './MaterialForm';
import { MaterialRow, MaterialText, PricedLengths, ownId, patched, unusedName } from './MaterialRow';

const FIBRES = (['cotton', 'linen', 'polyester', 'blend'] as const).map((id) => ({ id, name: id }));

export function FabricMaterials({ stored }: { stored: StoredRules }) {
  return (
    <MaterialForm stored={stored}>
      {({ fabrics }, change) => (
        <section aria-label="Cloths">
          <h2 className="text-[17px] font-semibold">Cloths</h2>
          {fabrics.map((row) => (
            <FabricRow key={row.id} row={row} change={(patch) => change({ fabrics: patched(fabrics, row.id, patch) })} />
          ))}
          <button
            type="button"
            className="btn btn-ghost btn-sm -ml-2"
            onClick={() =>
              change({
                fabrics: [...fabrics, { ...fabrics[0]!, id: ownId(), name: unusedName('New cloth', fabrics), source: 'own' }],
              })
            }
          >
            Add a cloth
          </button>
        </section>
      )}
    </MaterialForm>
  );
}

function FabricRow({ row, change }: { row: Fabric; change: (patch: Partial<Fabric>) => void }) {
  const { tape } = useWorkshop();
  const number = (label: string, value: number, unit: string, [least, most]: [number, number], set: (value: number) => void) => (
    <NumberField label={`${label}, ${row.name}`} value={value} unit={unit} least={least} most={most} onChange={set} />
  );
  const percent = (label: string, value: number, most: number, set: (part: number) => void) =>
    number(label, Math.round(value * 1e4) / 100, '%', [0, most], (typed) => set(typed / 100));
  return (
    <MaterialRow
      title={row.name}
      says={`${printClothWeight(row.gsm)}; ${row.primed ? 'primed' : 'raw'}, ${row.tearsTrue ? 'tears true' : 'cut it'}; ${row.rolls.length} widths; ${row.source}`}
      offered={row.offered}
    >
      <MaterialText label="Name" of={row.name} value={row.name} onChange={(name) => change({ name })} />
      <Choice label={`Fibre, ${row.name}`} value={row.fibre} options={FIBRES} onChange={(fibre: Fibre) => change({ fibre })} />
      <TypedField<number>
        label={`Weight: g/m², oz/yd² or duck number, ${row.name}`}
        value={row.gsm}
        print={(gsm) => `${Math.round(gsm)} g/m²`}
        read={parseClothWeight}
        onChange={(gsm) => change({ gsm })}
      />
      {number('Thickness', row.thicknessMm, 'mm', [0.1, 5], (thicknessMm) => change({ thicknessMm }))}
      {number('Stiffness along the warp', row.stiffnessWarpKNPerM, 'kN/m', [1, 200], (stiffnessWarpKNPerM) =>
        change({ stiffnessWarpKNPerM }),
      )}
      {number('Stiffness along the weft', row.stiffnessWeftKNPerM, 'kN/m', [1, 200], (stiffnessWeftKNPerM) =>
        change({ stiffnessWeftKNPerM }),
      )}
      {percent('Gives along the warp', row.stretchWarp, 5, (stretchWarp) => change({ stretchWarp }))}
      {percent('Gives along the weft', row.stretchWeft, 5, (stretchWeft) => change({ stretchWeft }))}
      {percent('Shrinks along the warp', row.shrinkWarp, 15, (shrinkWarp) => change({ shrinkWarp }))}
      {percent('Shrinks along the weft', row.shrinkWeft, 15, (shrinkWeft) => change({ shrinkWeft }))}
      <MaterialText label="Source" of={row.name} value={row.source} onChange={(source) => change({ source })} />
      <fieldset className="sm:col-span-3">
        <legend className="sr-only">What it is like</legend>
        <div className="flex flex-wrap gap-x-5">
          <Tick label="Primed" checked={row.primed} onChange={(primed) => change({ primed })} />
          <Tick label="Tears true along a thread" checked={row.tearsTrue} onChange={(tearsTrue) => change({ tearsTrue })} />
          <Tick label="Wants pliers" checked={row.wantsPliers} onChange={(wantsPliers) => change({ wantsPliers })} />
          <Tick label="Offered for new jobs" checked={row.offered} onChange={(offered) => change({ offered })} />
        </div>
      </fieldset>
      <div className="sm:col-span-3">
        <PricedLengths
          label={`Rolls, usable width in ${tape.unit} and price of a metre, ${row.name}`}
          value={row.rolls}
          onChange={(rolls) => change({ rolls })}
        />
      </div>
    </MaterialRow>
  );
}
