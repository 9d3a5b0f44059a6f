'use client';
/* Cloths of the house: weight, give and shrinkage each way, and the rolls they are sold on. */
import type { NumberId } from '@/core/quantities/quantities';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { Fabric, Fibre } from '@/core/cloth/fabrics';
import type { StoredRules } from '@/db/workshops';
import { length } from '@/core/units/length';
import { printClothWeight } from '@/core/units/clothWeight';
import { Choice, NumberField, Tick, LengthField } from '@/ui/form/fields';
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
  const number = (label: string, of: NumberId, value: number, set: (value: number) => void) => (
    <NumberField label={`${label}, ${row.name}`} of={of} value={value} onChange={set} />
  );
  return (
    <MaterialRow
      title={row.name}
      says={`${printClothWeight(row.gsm)}; ${row.primed ? 'primed' : 'raw'}, ${row.tearsTrue ? 'tears true' : 'cut it'}; ${row.rolls.length} widths; ${row.source}`}
      offered={row.offered}
    >
      <MaterialText label="Name" of={row.name} value={row.name} onChange={(name) => change({ name })} />
      <Choice label={`Fibre, ${row.name}`} value={row.fibre} options={FIBRES} onChange={(fibre: Fibre) => change({ fibre })} />
      {number('Weight: g/m², oz/yd² or duck number', 'clothWeight', row.gsm, (gsm) => change({ gsm }))}
      <LengthField
        label={`Thickness, ${row.name}`}
        of="thickness"
        value={length(row.thicknessMm)}
        onChange={({ mm }) => change({ thicknessMm: mm })}
      />
      {number('Stiffness along the warp', 'clothStiffness', row.stiffnessWarpKNPerM, (stiffnessWarpKNPerM) =>
        change({ stiffnessWarpKNPerM }),
      )}
      {number('Stiffness along the weft', 'clothStiffness', row.stiffnessWeftKNPerM, (stiffnessWeftKNPerM) =>
        change({ stiffnessWeftKNPerM }),
      )}
      {number('Gives along the warp', 'stretch', row.stretchWarp, (stretchWarp) => change({ stretchWarp }))}
      {number('Gives along the weft', 'stretch', row.stretchWeft, (stretchWeft) => change({ stretchWeft }))}
      {number('Shrinks along the warp', 'shrinkage', row.shrinkWarp, (shrinkWarp) => change({ shrinkWarp }))}
      {number('Shrinks along the weft', 'shrinkage', row.shrinkWeft, (shrinkWeft) => change({ shrinkWeft }))}
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
