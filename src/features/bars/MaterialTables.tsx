'use client';
/* Woods and bars of the house, to be changed and added to; hidden rows stay with the jobs that have them. */
import { useRouter } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import { JOINTS, type JointId } from '@/core/frame/joints';
import {
  changesOnly,
  materialViolations,
  printPricedLengths,
  profilesOf,
  readPricedLengths,
  speciesOf,
} from '@/core/frame/materials';
import type { PricedLength, Profile } from '@/core/frame/profiles';
import type { Species } from '@/core/frame/timber';
import type { StoredRules } from '@/db/workshops';
import { parsed, refused } from '@/core/units/result';
import { saveRulesAction } from '@/server/actions';
import { NumberField, Tick, TypedField } from '@/ui/fields';
import { FieldErrorsProvider, useFieldErrors } from '@/ui/fieldErrors';
import { refusalOf } from './refusalOf';

export function MaterialTables({ stored }: { stored: StoredRules }) {
  return (
    <FieldErrorsProvider>
      <Tables stored={stored} />
    </FieldErrorsProvider>
  );
}

function Tables({ stored }: { stored: StoredRules }) {
  const router = useRouter();
  const wrong = useFieldErrors();
  const [profiles, setProfiles] = useState(() => profilesOf(stored.rules));
  const [species, setSpecies] = useState(() => speciesOf(stored.rules));
  const [error, setError] = useState<string | null>(null);
  const changes = changesOnly({ profiles, species });
  const dirty = JSON.stringify(changes) !== JSON.stringify(stored.rules.materials);
  const save = async () => {
    const violations = materialViolations(changes);
    if (violations.length > 0) return setError(violations.join(' '));
    const refusal = await refusalOf(
      saveRulesAction({ revision: stored.revision, rules: { ...stored.rules, materials: changes } }),
    );
    setError(refusal);
    if (refusal === null) router.refresh();
  };
  const changeProfile = (id: string, patch: Partial<Profile>) =>
    setProfiles(profiles.map((row) => (row.id === id ? { ...row, ...patch } : row)));
  const changeSpecies = (id: string, patch: Partial<Species>) =>
    setSpecies(species.map((row) => (row.id === id ? { ...row, ...patch } : row)));
  return (
    <form
      className="min-h-0 flex-1 overflow-y-auto px-5 pb-8"
      aria-label="Materials"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <div className="sticky top-0 z-10 flex flex-wrap items-center gap-3 bg-base-300 py-2">
        <p className="soft text-[14.5px]">Example values until you put yours. A finished step keeps the values it was done by.</p>
        <button type="submit" className="btn btn-primary btn-sm ml-auto h-9" disabled={!dirty || wrong.size > 0}>
          Save the materials
        </button>
        {(error ?? wrong.size > 0) && (
          <p role="alert" className="w-full text-[14px] text-error">
            {error ?? `Mend first: ${[...wrong.keys()].join(', ')}.`}
          </p>
        )}
      </div>
      <section aria-label="Woods">
        <h2 className="text-[17px] font-semibold">Woods</h2>
        {species.map((row) => (
          <Row
            key={row.id}
            title={row.name}
            says={`${row.eGPa} GPa, ${row.densityKgM3} kg/m³; ${row.source}`}
            offered={row.offered}
          >
            <Text label="Name" of={row.name} value={row.name} onChange={(name) => changeSpecies(row.id, { name })} />
            <NumberField
              label={`Stiffness E, ${row.name}`}
              value={row.eGPa}
              unit="GPa"
              least={1}
              most={30}
              onChange={(eGPa) => changeSpecies(row.id, { eGPa })}
            />
            <NumberField
              label={`Density, ${row.name}`}
              value={row.densityKgM3}
              unit="kg/m³"
              least={100}
              most={1300}
              onChange={(densityKgM3) => changeSpecies(row.id, { densityKgM3 })}
            />
            <TypedField<number | null>
              label="Left by knots; empty: house rule"
              value={row.knots}
              print={(value) => (value === null ? '' : String(value))}
              read={(typed) => {
                if (typed.trim() === '') return parsed<number | null>(null);
                const value = Number(typed.trim().replace(',', '.'));
                return value >= 0.3 && value <= 1
                  ? parsed<number | null>(value)
                  : refused(typed, 'does not do', 'Type 0.3 to 1, or leave it empty.');
              }}
              onChange={(knots) => changeSpecies(row.id, { knots })}
            />
            <Text label="Source" of={row.name} value={row.source} onChange={(source) => changeSpecies(row.id, { source })} />
            <Tick label="Offered for new jobs" checked={row.offered} onChange={(offered) => changeSpecies(row.id, { offered })} />
          </Row>
        ))}
        <button
          type="button"
          className="btn btn-ghost btn-sm -ml-2"
          onClick={() =>
            setSpecies([
              ...species,
              { ...species[0]!, id: ownId(), name: unused('New wood', species), knots: null, source: 'own' },
            ])
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
            setProfiles([...profiles, { ...profiles[0]!, id: ownId(), name: unused('New bar', profiles), source: 'own' }])
          }
        >
          Add a bar
        </button>
      </section>
    </form>
  );
}

const ownId = () => `own-${crypto.randomUUID().slice(0, 8)}`;

/** A name that no row has yet. */
function unused(name: string, rows: readonly { name: string }[]): string {
  for (let count = 1; ; count += 1) {
    const wanted = count === 1 ? name : `${name} ${count}`;
    if (!rows.some((row) => row.name === wanted)) return wanted;
  }
}

function Row({ title, says, offered, children }: { title: string; says: string; offered: boolean; children: ReactNode }) {
  return (
    <details className="hair-b max-w-5xl">
      <summary className={`flex cursor-pointer flex-wrap gap-x-4 py-1.5 ${offered ? '' : 'soft'}`}>
        <span className="w-64 font-semibold">{title}</span>
        <span className="figure soft min-w-0 flex-1 text-[14px]">
          {says}
          {offered ? '' : '; hidden'}
        </span>
      </summary>
      <div className="grid gap-x-5 gap-y-1.5 pb-3 sm:grid-cols-3">{children}</div>
    </details>
  );
}

function Text({ label, of, value, onChange }: { label: string; of: string; value: string; onChange: (text: string) => void }) {
  return (
    <TypedField
      label={`${label}, ${of}`}
      value={value}
      print={(text) => text}
      read={(text) =>
        text.trim() && text.length <= 80
          ? parsed(text)
          : refused<string>(text, text.trim() ? 'is too long' : 'is empty', '1 to 80 letters.')
      }
      onChange={onChange}
    />
  );
}

function ProfileRow({ row, change }: { row: Profile; change: (patch: Partial<Profile>) => void }) {
  const { brace } = row;
  const mm = (label: string, value: number, least: number, most: number, set: (value: number) => void) => (
    <NumberField label={`${label}, ${row.name}`} value={value} unit="mm" least={least} most={most} onChange={set} />
  );
  const joint = (id: JointId, on: boolean) =>
    change({ joints: on ? [...row.joints, id] : row.joints.filter((one) => one !== id) });
  return (
    <Row
      title={row.name}
      says={`${row.widthMm} × ${row.depthMm} mm, bead ${row.beadMm} mm; ${row.family}; ${row.pairs.length + row.timber.length} lengths; ${row.suits}`}
      offered={row.offered}
    >
      <Text label="Name" of={row.name} value={row.name} onChange={(name) => change({ name })} />
      {mm('Width', row.widthMm, 10, 200, (widthMm) => change({ widthMm }))}
      {mm('Depth', row.depthMm, 8, 200, (depthMm) => change({ depthMm }))}
      {mm('Bead', row.beadMm, 0, 20, (beadMm) => change({ beadMm }))}
      {mm('Brace width', brace.widthMm, 8, 200, (widthMm) => change({ brace: { ...brace, widthMm } }))}
      {mm('Brace depth', brace.depthMm, 5, 200, (depthMm) => change({ brace: { ...brace, depthMm } }))}
      <Text label="Family of joints" of={row.name} value={row.family} onChange={(family) => change({ family })} />
      <Text label="Suits" of={row.name} value={row.suits} onChange={(suits) => change({ suits })} />
      <Text label="Source" of={row.name} value={row.source} onChange={(source) => change({ source })} />
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
        <Lengths
          label={`Slotted pairs, mm and price of a pair, ${row.name}`}
          value={row.pairs}
          onChange={(pairs) => change({ pairs })}
        />
        <Lengths
          label={`Timber, mm and price of a length, ${row.name}`}
          value={row.timber}
          onChange={(timber) => change({ timber })}
        />
        <Lengths
          label={`Timber for braces, mm and price, ${row.name}`}
          value={brace.lengths}
          onChange={(lengths) => change({ brace: { ...brace, lengths } })}
        />
      </div>
    </Row>
  );
}

function Lengths({ label, value, onChange }: { label: string; value: PricedLength[]; onChange: (list: PricedLength[]) => void }) {
  return (
    <TypedField<PricedLength[]>
      label={label}
      value={value}
      print={printPricedLengths}
      read={readPricedLengths}
      onChange={onChange}
    />
  );
}
