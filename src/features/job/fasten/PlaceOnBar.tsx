'use client';
/* A place on a bar, typed: which bar, how far from its left or upper end, and a way to take it off the list. */
import type { ReactNode } from 'react';
import type { JobInputs } from '@/core/job/job';
import type { Knot } from '@/core/stages/fasten/fastenInputs';
import { SIDES } from '@/core/job/sides';
import { Choice, LengthField } from '@/ui/fields';

const SIDE_CHOICES = SIDES.map((id) => ({ id, name: id }));

interface PlaceOnBarProps {
  /** Such as "Knot 2". */
  name: string;
  place: Knot;
  brief: JobInputs['brief'];
  locked: boolean;
  onPlace: (place: Knot) => void;
  onTakeOff: () => void;
  /** What more is typed of it. */
  children?: ReactNode;
}

export function PlaceOnBar({ name, place: { side, at }, brief, locked, onPlace, onTakeOff, children }: PlaceOnBarProps) {
  const level = side === 'top' || side === 'bottom';
  return (
    <div className="flex max-w-3xl flex-wrap items-end gap-x-3 gap-y-1">
      <div className="w-32">
        <Choice
          label={`${name}, bar`}
          value={side}
          options={SIDE_CHOICES}
          onChange={(next) => onPlace({ side: next, at })}
          disabled={locked}
        />
      </div>
      <div className="w-48">
        <LengthField
          label={`${name}, from the ${level ? 'left' : 'upper'} end`}
          value={at}
          mostMm={level ? brief.width.mm : brief.height.mm}
          onChange={(next) => onPlace({ side, at: next })}
          disabled={locked}
        />
      </div>
      {children}
      <button
        type="button"
        className="btn btn-ghost btn-sm h-9"
        disabled={locked}
        onClick={onTakeOff}
        aria-label={`Take off ${name.toLowerCase()}`}
      >
        take off
      </button>
    </div>
  );
}
