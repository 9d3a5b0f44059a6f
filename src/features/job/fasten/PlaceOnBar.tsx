'use client';
/* A place on a bar, typed: which bar, how far from its left or upper end, and a way to take it off the list. */
import type { ReactNode } from 'react';
import type { JobInputs } from '@/core/job/job';
import type { Knot } from '@/core/stages/fasten/fastenInputs';
import { isLevel } from '@/core/job/sides';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { Choice, LengthField } from '@/ui/form/fields';

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
  const say = useSideWords();
  const level = isLevel(side);
  return (
    <div className="flex max-w-3xl flex-wrap items-end gap-x-3 gap-y-1">
      <div className="w-32">
        <Choice
          label={`${name}, bar`}
          value={side}
          options={say.sides.map((id) => ({ id, name: say.side(id) }))}
          onChange={(next) => onPlace({ side: next, at })}
          disabled={locked}
        />
      </div>
      <div className="w-48">
        <LengthField
          label={`${name}, from the ${say.end(side, 0)} end`}
          of="tapeReading"
          range={[0, level ? brief.width.mm : brief.height.mm]}
          value={at}
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
        aria-label={`Remove ${name.toLowerCase()}`}
      >
        Remove
      </button>
    </div>
  );
}
