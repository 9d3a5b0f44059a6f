'use client';
/* The form that material tables stand in: what was changed, what is wrong, and the one button that saves. */
import { type ReactNode, useState } from 'react';
import { type Materials, changesOnly, fabricsOf, materialViolations, profilesOf, speciesOf } from '@/core/house/materials';
import type { StoredRules } from '@/db/workshops';
import { Form, SendButton } from '@/ui/form/Form';
import { useWrite } from '../useWrite';

interface MaterialFormProps {
  stored: StoredRules;
  children: (materials: Materials, change: (patch: Partial<Materials>) => void) => ReactNode;
}

export function MaterialForm({ stored, children }: MaterialFormProps) {
  const write = useWrite();
  const [materials, setMaterials] = useState<Materials>(() => ({
    profiles: profilesOf(stored.rules),
    species: speciesOf(stored.rules),
    fabrics: fabricsOf(stored.rules),
  }));
  const changes = changesOnly(materials);
  const dirty = JSON.stringify(changes) !== JSON.stringify(stored.rules.materials);
  const save = () => {
    const violations = materialViolations(changes);
    if (violations.length > 0) return violations.join(' ');
    return write('saveRules', { revision: stored.revision, rules: { ...stored.rules, materials: changes } });
  };
  return (
    <Form className="min-h-0 flex-1 overflow-y-auto px-5 pb-8" label="Materials" onSend={save}>
      <div className="sticky top-0 z-10 flex flex-wrap items-center gap-3 bg-base-300 py-2">
        <p className="soft mr-auto text-[14.5px]">
          Example values until you put yours. A finished step keeps the values it was done by.
        </p>
        <SendButton className="btn btn-primary btn-sm h-9" disabled={!dirty}>
          Save the materials
        </SendButton>
      </div>
      {children(materials, (patch) => setMaterials({ ...materials, ...patch }))}
    </Form>
  );
}
