'use client';
/* Under the drawing of a painting that is looked at: what is marked next, and what was marked so far. */
import { TextField } from '@/ui/form/fields';
import type { ReactNode } from 'react';
import { byId } from '@/core/house/schools';
import { CONDITIONS, type ConditionId } from '@/core/stages/look/conditions';
import type { Condition, LookInputs } from '@/core/stages/look/lookInputs';
import { placeWords } from '@/drawing/painting/lookScene';

/** As many as a look keeps. */
export const MOST_CONDITIONS = 60;

interface LookPanelProps {
  look: LookInputs;
  locked: boolean;
  /** What a place that is picked is marked with. */
  kind: ConditionId;
  onKind: (kind: ConditionId) => void;
  change: (patch: Partial<LookInputs>) => void;
  /** Under what is marked. */
  children: ReactNode;
}

const FOR_WHOM = {
  conservator: 'for a conservator',
  conservatorIfValued: 'of value: for a conservator',
  maker: 'with care',
} as const;

export function LookPanel({ look, locked, kind, onKind, change, children }: LookPanelProps) {
  const { conditions } = look;
  const put = (index: number, one: Condition | null) =>
    change({ conditions: conditions.flatMap((old, at) => (at === index ? (one ? [one] : []) : [old])) });
  const row = byId(CONDITIONS, kind);
  return (
    <section aria-label="Condition" className="hair-t max-h-[46%] flex-none overflow-y-auto px-5 py-3">
      {!locked && (
        <>
          <fieldset className="flex flex-wrap gap-1.5">
            <legend className="soft mb-1 text-[13px]">What you see: choose it, then pick the place on the drawing</legend>
            {CONDITIONS.map(({ id, name }) => (
              <button
                key={id}
                type="button"
                aria-pressed={kind === id}
                className={`btn btn-sm h-9 ${kind === id ? 'btn-neutral' : 'btn-outline'}`}
                onClick={() => onKind(id)}
              >
                {name}
              </button>
            ))}
          </fieldset>
          <p className="mt-1.5 flex flex-wrap items-center gap-x-3 text-[14px]">
            <span>
              <b className="font-semibold">{row.name}</b>, {FOR_WHOM[row.forWhom]}. {row.care}
            </span>
            <button
              type="button"
              className="btn btn-ghost btn-xs h-8"
              disabled={conditions.length >= MOST_CONDITIONS}
              onClick={() => change({ conditions: [...conditions, { kind, at: null, note: '' }] })}
            >
              It is all over
            </button>
          </p>
        </>
      )}
      {conditions.length > 0 && (
        <ol className="mt-2">
          {conditions.map((one, index) => (
            <li key={index} className="hair-b flex items-center gap-3 py-1 text-[14.5px]">
              <span className="figure w-5 text-right font-semibold">{index + 1}</span>
              <span className="w-56 leading-tight">
                {byId(CONDITIONS, one.kind).name}, {one.at ? placeWords(one.at) : 'all over'}
              </span>
              <div className="min-w-0 flex-1">
                <TextField
                  label={`About ${index + 1}`}
                  hideLabel
                  of="remark"
                  placeholder="how large, how it looks"
                  disabled={locked}
                  value={one.note}
                  onChange={(note) => put(index, { ...one, note })}
                />
              </div>
              {!locked && (
                <button
                  type="button"
                  className="btn btn-ghost btn-sm h-9"
                  aria-label={`Remove ${index + 1}`}
                  onClick={() => put(index, null)}
                >
                  Remove
                </button>
              )}
            </li>
          ))}
        </ol>
      )}
      {children}
    </section>
  );
}
