'use client';
/* Pulls told by the scale at work: what was asked for and what it showed. The house learns from them how much its hands vary. */
import { printed } from '@/core/quantities/printed';
import { useState } from 'react';
import { MOST_TOLD_PULLS, type ToldPull } from '@/core/stages/fasten/fastenInputs';
import { NumberField } from '@/ui/form/fields';
import { useWorkshop } from '@/ui/WorkshopContext';

interface ToldPullsProps {
  pulls: readonly ToldPull[];
  locked: boolean;
  change: (pulls: ToldPull[]) => void;
}

export function ToldPulls({ pulls, locked, change }: ToldPullsProps) {
  const { tape } = useWorkshop();
  const [askedN, setAsked] = useState<number | null>(null);
  const [pulledN, setPulled] = useState<number | null>(null);
  const add = () => {
    if (askedN === null || pulledN === null) return;
    change([...pulls, { askedN, pulledN: Math.round(100 * pulledN) / 100 }]);
    setPulled(null);
  };
  return (
    <div>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1">
        <div className="w-40">
          <NumberField
            label="Pull asked for"
            of="pull"
            value={askedN}
            onChange={setAsked}
            onClear={() => setAsked(null)}
            disabled={locked}
          />
        </div>
        <div className="w-40">
          <NumberField
            label="The scale showed"
            of="scalePull"
            value={pulledN}
            onChange={setPulled}
            onClear={() => setPulled(null)}
            disabled={locked}
          />
        </div>
        <button
          type="button"
          className="btn btn-outline btn-sm h-9"
          disabled={locked || askedN === null || pulledN === null || pulls.length >= MOST_TOLD_PULLS}
          onClick={add}
        >
          Note this pull
        </button>
      </div>
      {pulls.length > 0 && (
        <ul className="figure mt-1 flex flex-wrap gap-x-4 text-[14px]" aria-label="Pulls on the scale">
          {pulls.map((pull, index) => (
            <li key={index} className="flex items-center gap-1">
              {printed('pull', pull.askedN)} asked, {printed('pullRead', pull.pulledN)} pulled (
              {printed('scalePull', pull.pulledN, tape)})
              {!locked && (
                <button
                  type="button"
                  className="btn btn-ghost btn-xs"
                  aria-label={`Remove pull ${index + 1}`}
                  onClick={() => change(pulls.filter((_one, at) => at !== index))}
                >
                  Remove
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
