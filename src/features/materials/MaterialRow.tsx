'use client';
/* One material, folded to a line until it is opened, and the fields such rows share. */
import { useWorkshop } from '@/ui/WorkshopContext';
import type { ReactNode } from 'react';
import { printPricedLengths, readPricedLengths } from '@/core/house/materials';
import type { PricedLength } from '@/core/frame/profiles';
import { parsed, refused } from '@/core/units/result';
import { TypedField } from '@/ui/form/fields';

export function MaterialRow({
  title,
  says,
  offered,
  children,
}: {
  title: string;
  says: string;
  offered: boolean;
  children: ReactNode;
}) {
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

export function MaterialText({
  label,
  of,
  value,
  onChange,
}: {
  label: string;
  of: string;
  value: string;
  onChange: (text: string) => void;
}) {
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

export function PricedLengths({
  label,
  value,
  onChange,
}: {
  label: string;
  value: PricedLength[];
  onChange: (list: PricedLength[]) => void;
}) {
  const { tape } = useWorkshop();
  return (
    <TypedField<PricedLength[]>
      label={label}
      value={value}
      print={(list) => printPricedLengths(list, tape.unit)}
      read={(typed) => readPricedLengths(typed, tape.unit, value)}
      onChange={onChange}
    />
  );
}

export const ownId = () => `own-${crypto.randomUUID().slice(0, 8)}`;

/** A name that no row has yet. */
export function unusedName(name: string, rows: readonly { name: string }[]): string {
  for (let count = 1; ; count += 1) {
    const wanted = count === 1 ? name : `${name} ${count}`;
    if (!rows.some((row) => row.name === wanted)) return wanted;
  }
}

/** Rows with one of them changed. */
export const patched = <R extends { id: string }>(rows: readonly R[], id: string, patch: Partial<R>): R[] =>
  rows.map((row) => (row.id === id ? { ...row, ...patch } : row));
