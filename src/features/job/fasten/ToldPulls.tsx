'use client';
/* Pulls told by the scale at work: what was asked for and what it showed. The house learns from them how much its hands vary. */
import { useState } from 'react';
import { scaleKg, scaleNewtons } from '@/core/fasten/hand';
import { MOST_TOLD_PULLS, type ToldPull } from '@/core/stages/fasten/fastenInputs';
import { decimal } from '@/core/units/numeral';
import { NumberField } from '@/ui/fields';

interface ToldPullsProps {
  pulls: readonly ToldPull[];
  locked: boolean;
  change: (pulls: ToldPull[]) => void;
}

export function ToldPulls({ pulls, locked, change }: ToldPullsProps) {
  const [askedN, setAsked] = useState<number | null>(null);
  const [kg, setKg] = useState<number | null>(null);
  const add = () => {
    if (askedN === null || kg === null) return;
    change([...pulls, { askedN, pulledN: Math.round(100 * scaleNewtons(kg)) / 100 }]);
    setKg(null);
  };
  return (
    <div>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1">
        <div className="w-40">
          <NumberField
            label="Pull asked for"
            value={askedN}
            unit="N"
            least={1}
            most={500}
            onChange={setAsked}
            onClear={() => setAsked(null)}
            disabled={locked}
          />
        </div>
        <div className="w-40">
          <NumberField
            label="The scale showed"
            value={kg}
            unit="kg"
            least={0.02}
            most={50}
            onChange={setKg}
            onClear={() => setKg(null)}
            disabled={locked}
          />
        </div>
        <button
          type="button"
          className="btn btn-outline btn-sm h-9"
          disabled={locked || askedN === null || kg === null || pulls.length >= MOST_TOLD_PULLS}
          onClick={add}
        >
          Note this pull
        </button>
      </div>
      {pulls.length > 0 && (
        <ul className="figure mt-1 flex flex-wrap gap-x-4 text-[14px]" aria-label="Pulls on the scale">
          {pulls.map((pull, index) => (
            <li key={index} className="flex items-center gap-1">
              {decimal(pull.askedN, 0)} N asked, {decimal(pull.pulledN, 1)} N pulled ({decimal(scaleKg(pull.pulledN), 2)} kg)
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
