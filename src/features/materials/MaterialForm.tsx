'use client';
/* The form that material tables stand in: what was changed, what is wrong, and the one button that saves. */
import { useRouter } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import { type Materials, changesOnly, fabricsOf, materialViolations, profilesOf, speciesOf } from '@/core/house/materials';
import type { StoredRules } from '@/db/workshops';
import { FieldErrorsProvider, useFieldErrors } from '@/ui/fieldErrors';
import { refusalOf } from '../refusalWords';
import { useSend } from '../useSend';

interface MaterialFormProps {
  stored: StoredRules;
  children: (materials: Materials, change: (patch: Partial<Materials>) => void) => ReactNode;
}

export function MaterialForm(props: MaterialFormProps) {
  return (
    <FieldErrorsProvider>
      <Form {...props} />
    </FieldErrorsProvider>
  );
}

function Form({ stored, children }: MaterialFormProps) {
  const router = useRouter();
  const send = useSend();
  const wrong = useFieldErrors();
  const [materials, setMaterials] = useState<Materials>(() => ({
    profiles: profilesOf(stored.rules),
    species: speciesOf(stored.rules),
    fabrics: fabricsOf(stored.rules),
  }));
  const [error, setError] = useState<string | null>(null);
  const changes = changesOnly(materials);
  const dirty = JSON.stringify(changes) !== JSON.stringify(stored.rules.materials);
  const save = async () => {
    const violations = materialViolations(changes);
    if (violations.length > 0) return setError(violations.join(' '));
    const refusal = refusalOf(
      await send('saveRules', { revision: stored.revision, rules: { ...stored.rules, materials: changes } }),
    );
    setError(refusal);
    if (refusal === null) router.refresh();
  };
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
      {children(materials, (patch) => setMaterials({ ...materials, ...patch }))}
    </form>
  );
}
