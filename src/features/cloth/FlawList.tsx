'use client';
import { useState } from 'react';
import type { ClothFlaw } from '@/core/cloth/clothStock';
import type { StoredCloth } from '@/db/clothSheets';
import { length, printLength, printSize } from '@/core/units/length';
import { LengthField, TextField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';

const FIELDS = [
  ['x', 'From the edge', 0],
  ['y', 'From the cut end', 0],
  ['w', 'Across', 1],
  ['h', 'Along', 1],
] as const;

/** Where a typed flaw starts: small, at the cut end. */
const NEW_FLAW: ClothFlaw = { x: 0, y: 0, w: 20, h: 20, note: '' };

interface FlawListProps {
  cloths: StoredCloth[];
  onChange: (cloth: StoredCloth, flaws: ClothFlaw[]) => void;
}

/** Flaws of the cloths in sight: place and size can be typed, each can be taken off, one can be added. */
export function FlawList({ cloths, onChange }: FlawListProps) {
  const { tape } = useWorkshop();
  /** The flaw that is open: its cloth, and its place in the list; one past the end is a new one. */
  const [open, setOpen] = useState<{ id: string; index: number } | null>(null);
  if (cloths.length === 0) return null;
  return (
    <section aria-label="Flaws" className="no-print">
      <h2 className="soft text-[13px]">Flaws</h2>
      {cloths.map((cloth) => {
        const opened = open?.id === cloth.id ? open.index : null;
        const form = (index: number, name: string) => (
          <FlawForm
            name={name}
            cloth={cloth}
            first={cloth.flaws[index] ?? NEW_FLAW}
            onSave={(flaw) => {
              setOpen(null);
              onChange(cloth, cloth.flaws.toSpliced(index, 1, flaw));
            }}
          />
        );
        return (
          <ul key={cloth.id}>
            {cloth.flaws.map((flaw, index) => {
              const name = flaw.note || `flaw ${index + 1}`;
              return (
                <li key={index} className="hair-b py-0.5 text-[14px]">
                  <div className="flex items-baseline gap-2">
                    <button
                      type="button"
                      className="min-w-0 flex-1 cursor-pointer text-left"
                      aria-expanded={opened === index}
                      onClick={() => setOpen(opened === index ? null : { id: cloth.id, index })}
                    >
                      <strong className="text-error">✕</strong> {cloth.tag}: {name}{' '}
                      <span className="figure soft">
                        <Figure>{`${printSize(flaw.w, flaw.h, tape)}, ${printLength(flaw.y, tape)} from the cut end`}</Figure>
                      </span>
                    </button>
                    <button
                      type="button"
                      className="btn btn-ghost btn-xs"
                      aria-label={`Remove ${name}, ${cloth.tag}`}
                      onClick={() => onChange(cloth, cloth.flaws.toSpliced(index, 1))}
                    >
                      Remove
                    </button>
                  </div>
                  {opened === index && form(index, name)}
                </li>
              );
            })}
            <li className="py-0.5 text-[14px]">
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                aria-expanded={opened === cloth.flaws.length}
                onClick={() => setOpen(opened === cloth.flaws.length ? null : { id: cloth.id, index: cloth.flaws.length })}
              >
                type a flaw on {cloth.tag}
              </button>
              {opened === cloth.flaws.length && form(cloth.flaws.length, 'new flaw')}
            </li>
          </ul>
        );
      })}
    </section>
  );
}

interface FlawFormProps {
  name: string;
  cloth: StoredCloth;
  first: ClothFlaw;
  onSave: (flaw: ClothFlaw) => void;
}

function FlawForm({ name, cloth, first, onSave }: FlawFormProps) {
  const { tape } = useWorkshop();
  const [flaw, setFlaw] = useState(first);
  return (
    <Form
      label={`Flaw: ${name}`}
      className="grid grid-cols-2 gap-x-4 gap-y-1 pb-2"
      onSend={() => {
        onSave({ ...flaw, note: flaw.note.trim() });
        return null;
      }}
    >
      {FIELDS.map(([field, label, leastMm]) => (
        <LengthField
          key={field}
          label={`${label}, ${name}`}
          of="tapeReading"
          range={[leastMm, field === 'x' || field === 'w' ? cloth.widthMm : cloth.lengthMm]}
          value={length(flaw[field], tape.unit)}
          onChange={({ mm }) => setFlaw({ ...flaw, [field]: mm })}
        />
      ))}
      <TextField label={`What it is, ${name}`} of="name" value={flaw.note} onChange={(note) => setFlaw({ ...flaw, note })} />
      <SendButton className="btn btn-outline btn-sm mt-5 h-9">Save the flaw</SendButton>
    </Form>
  );
}
