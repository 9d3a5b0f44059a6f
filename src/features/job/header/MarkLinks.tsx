'use client';
/* What is printed for the work itself: the label for its back, and strips to lay along its bars. */
import { useState } from 'react';
import { LABEL_SIZES, type LabelSizeId } from '@/core/marks/labelSizes';
import { FormScope } from '@/ui/form/Form';
import { Choice, NumberField } from '@/ui/form/fields';
import { useAwake } from '@/ui/useAwake';

const PAPERS = [
  { id: 'a4', name: 'A4' },
  { id: 'letter', name: 'Letter' },
] as const;

interface LabelLinksProps {
  /** Of one canvas, or of all of a set: where its file is. */
  href: string;
  /** One alone can be had as a drawing. */
  alone?: boolean;
}

/** Sheets of labels have been begun: where the first one goes is asked. */
export function LabelLinks({ href, alone = false }: LabelLinksProps) {
  const [size, setSize] = useState<LabelSizeId>('middle');
  const [start, setStart] = useState(1);
  const [paper, setPaper] = useState<'a4' | 'letter'>('a4');
  // Known in the browser only: the page is made before anybody asks by an address.
  const local = useAwake() && /^(localhost|127\.)/.test(window.location.hostname);
  const { columns, rows } = LABEL_SIZES.find(({ id }) => id === size)!;
  const query = `size=${size}&start=${Math.min(start, columns * rows)}&paper=${paper}`;
  return (
    <FormScope>
      <fieldset className="space-y-1">
        <legend className="soft text-[13px]">Label for the back, on paper that sticks or is glued</legend>
        <div className="grid grid-cols-[1fr_6.5rem_5rem] gap-x-3">
          <Choice label="Size" value={size} options={LABEL_SIZES} onChange={setSize} />
          <NumberField label="First place" of="count" range={[1, columns * rows]} value={start} onChange={setStart} />
          <Choice label="Paper" value={paper} options={PAPERS} onChange={setPaper} />
        </div>
        <p className="flex flex-wrap gap-x-3 text-[13.5px]">
          <a className="link link-primary" href={`${href}?${query}`} target="_blank" rel="noreferrer">
            Print the label{alone ? '' : 's'} (PDF)
          </a>
          {alone && (
            <a className="link link-primary" href={`${href}?${query}&format=svg`}>
              SVG
            </a>
          )}
        </p>
        {local && <p className="soft text-[13px]">The QR code works on this computer only.</p>}
      </fieldset>
    </FormScope>
  );
}

const STRIPS = [
  { name: 'all four bars', query: 'carries=fasteners' },
  { name: 'as pairs', query: 'carries=fasteners&bars=pairs' },
  { name: 'braces and pilots', query: 'carries=braces' },
  { name: 'margins and folds', query: 'carries=margins' },
] as const;

/** Strips of paper at true size, over as many sheets as they take. */
export function StripLinks({ jobId, painted }: { jobId: string; painted: boolean }) {
  return (
    <div className="col-span-2 text-[13.5px]">
      <p className="soft text-[13px]">Marking strip to lay along the bars, at true size</p>
      <ul>
        {STRIPS.filter(({ query }) => !(painted && query.endsWith('margins'))).map(({ name, query }) => (
          <li key={query} className="flex flex-wrap gap-x-3">
            <span className="min-w-36">{name}</span>
            {(['pdf', 'svg', 'dxf'] as const).map((format) => (
              <a
                key={format}
                className="link link-primary"
                href={`/job/${jobId}/strip?${query}&format=${format}`}
                target="_blank"
                rel="noreferrer"
                aria-label={`Strip, ${name}, ${format.toUpperCase()}`}
              >
                {format.toUpperCase()}
              </a>
            ))}
          </li>
        ))}
      </ul>
    </div>
  );
}
