'use client';
/* Woods and bars of the house, to be changed and added to; hidden rows stay with the jobs that have them. */
import type { LengthId } from '@/core/quantities/quantities';
import { length, printFine, printSize } from '@/core/units/length';
import { useWorkshop } from '@/ui/WorkshopContext';
import { LengthField, NumberField, Tick } from '@/ui/form/fields';
import { JOINTS, type JointId } from '@/core/frame/joints';
import type { Profile } from '@/core/frame/profiles';
import type { Species } from '@/core/frame/timber';
import type { Materials } from '@/core/house/materials';
import type { StoredRules } from '@/db/workshops';
import { MaterialForm } from './MaterialForm';
import { MaterialRow, MaterialText, PricedLengths, ownId, patched, unusedName } from './MaterialRow';

export function BarMaterials({ stored }: { stored: StoredRules }) {
  return <MaterialForm stored={stored}>{(materials, change) => <Tables materials={materials} change={change} />}</MaterialForm>;
}

function Tables({
  materials: { profiles, species },
  change,
}: {
  materials: Materials;
  change: (patch: Partial<Materials>) => void;
}) {
  const changeProfile = (id: string, patch: Partial<Profile>) => change({ profiles: patched(profiles, id, patch) });
  const changeSpecies = (id: string, patch: Partial<Species>) => change({ species: patched(species, id, patch) });
  return (
    <>
      <section aria-label="Woods">
        <h2 className="text-[17px] font-semibold">Woods</h2>
        {species.map((row) => (
          <MaterialRow
            key={row.id}
            title={row.name}
            says={`${row.eGPa} GPa, ${row.densityKgM3} kg/m³; ${row.source}`}
            offered={row.offered}
          >
            <MaterialText label="Name" of={row.name} value={row.name} onChange={(name) => changeSpecies(row.id, { name })} />
            <NumberField
              label={`Stiffness E, ${row.name}`}
              of="modulus"
              value={row.eGPa}
              onChange={(eGPa) => changeSpecies(row.id, { eGPa })}
            />
            <NumberField
              label={`Density, ${row.name}`}
              of="density"
              value={row.densityKgM3}
              onChange={(densityKgM3) => changeSpecies(row.id, { densityKgM3 })}
            />
            <NumberField
              label={`Left by knots; empty: house rule, ${row.name}`}
              of="knotFactor"
              value={row.knots}
              onChange={(knots) => changeSpecies(row.id, { knots })}
              onClear={() => changeSpecies(row.id, { knots: null })}
            />
            <MaterialText
              label="Source"
              of={row.name}
              value={row.source}
              onChange={(source) => changeSpecies(row.id, { source })}
            />
            <Tick label="Offered for new jobs" checked={row.offered} onChange={(offered) => changeSpecies(row.id, { offered })} />
          </MaterialRow>
        ))}
        <button
          type="button"
          className="btn btn-ghost btn-sm -ml-2"
          onClick={() =>
            change({
              species: [
                ...species,
                { ...species[0]!, id: ownId(), name: unusedName('New wood', species), knots: null, source: 'own' },
              ],
            })
          }
        >
          Add a wood
        </button>
      </section>
      <section aria-label="Bars" className="mt-4">
        <h2 className="text-[17px] font-semibold">Bars</h2>
        {profiles.map((row) => (
          <ProfileRow key={row.id} row={row} change={(patch) => changeProfile(row.id, patch)} />
        ))}
        <button
          type="button"
          className="btn btn-ghost btn-sm -ml-2"
          onClick={() =>
            change({
              profiles: [...profiles, { ...profiles[0]!, id: ownId(), name: unusedName('New bar', profiles), source: 'own' }],
            })
          }
        >
          Add a bar
        </button>
      </section>
    </>
  );
}

function ProfileRow({ row, change }: { row: Profile; change: (patch: Partial<Profile>) => void }) {
  const { tape } = useWorkshop();
  const { brace } = row;
  const mm = (label: string, of: LengthId, value: number, set: (value: number) => void) => (
    <LengthField label={`${label}, ${row.name}`} of={of} value={length(value, tape.unit)} onChange={(read) => set(read.mm)} />
  );
  const joint = (id: JointId, on: boolean) =>
    change({ joints: on ? [...row.joints, id] : row.joints.filter((one) => one !== id) });
  return (
    <MaterialRow
      title={row.name}
      says={`${printSize(row.widthMm, row.depthMm, tape)}, bead ${printFine(row.beadMm, tape)}; ${row.family}; ${row.pairs.length + row.timber.length} lengths; ${row.suits}`}
      offered={row.offered}
    >
      <MaterialText label="Name" of={row.name} value={row.name} onChange={(name) => change({ name })} />
      {mm('Width', 'barWidth', row.widthMm, (widthMm) => change({ widthMm }))}
      {mm('Depth', 'barDepth', row.depthMm, (depthMm) => change({ depthMm }))}
      {mm('Bead', 'bead', row.beadMm, (beadMm) => change({ beadMm }))}
      {mm('Brace width', 'braceWidth', brace.widthMm, (widthMm) => change({ brace: { ...brace, widthMm } }))}
      {mm('Brace depth', 'braceDepth', brace.depthMm, (depthMm) => change({ brace: { ...brace, depthMm } }))}
      <MaterialText label="Family of joints" of={row.name} value={row.family} onChange={(family) => change({ family })} />
      <MaterialText label="Suits" of={row.name} value={row.suits} onChange={(suits) => change({ suits })} />
      <MaterialText label="Source" of={row.name} value={row.source} onChange={(source) => change({ source })} />
      <fieldset className="sm:col-span-3">
        <legend className="soft text-[13px]">Made with</legend>
        <div className="flex flex-wrap gap-x-5">
          {JOINTS.map(({ id, name }) => (
            <Tick key={id} label={name} checked={row.joints.includes(id)} onChange={(on) => joint(id, on)} />
          ))}
          <Tick label="Bead is a strip put on" checked={row.beadStrip} onChange={(beadStrip) => change({ beadStrip })} />
          <Tick label="Offered for new jobs" checked={row.offered} onChange={(offered) => change({ offered })} />
        </div>
      </fieldset>
      <div className="space-y-1.5 sm:col-span-3">
        <PricedLengths
          label={`Slotted pairs, ${tape.unit} and price of a pair, ${row.name}`}
          value={row.pairs}
          onChange={(pairs) => change({ pairs })}
        />
        <PricedLengths
          label={`Timber, ${tape.unit} and price of a length, ${row.name}`}
          value={row.timber}
          onChange={(timber) => change({ timber })}
        />
        <PricedLengths
          label={`Timber for braces, ${tape.unit} and price, ${row.name}`}
          value={brace.lengths}
          onChange={(lengths) => change({ brace: { ...brace, lengths } })}
        />
        {row.beadStrip && (
          <PricedLengths
            label={`Bead strips, ${tape.unit} and price of a length, ${row.name}`}
            value={row.beads}
            onChange={(beads) => change({ beads })}
          />
        )}
      </div>
    </MaterialRow>
  );
}
