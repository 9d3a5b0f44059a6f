'use client';
/* So much is weighed out: what the scale shows against what is wanted. The scale is the simulated one, and says so. */
import { printed } from '@/core/quantities/printed';
import { useState } from 'react';
import { simulatedScale } from '../ground/kitchenScale';

export function WeighPanel({ grams }: { grams: number }) {
  const [scale] = useState(() => simulatedScale(Math.random));
  const [shows, setShows] = useState(0);
  const pour = (part: number) => {
    scale.pour(part);
    setShows(scale.read());
  };
  const left = grams - shows;
  return (
    <div className="space-y-2">
      <div className="flex items-baseline justify-between text-lg">
        <span>On the scale (simulated, to try)</span>
        <strong className="figure text-2xl" data-testid="scale-shows">
          {printed('scale', shows)}
        </strong>
      </div>
      <div
        className="h-5 bg-base-300"
        role="meter"
        aria-label="Weighed"
        aria-valuemin={0}
        aria-valuemax={grams}
        aria-valuenow={shows}
      >
        <div className="h-full bg-primary" style={{ width: `${Math.min(100, (100 * shows) / grams)}%` }} />
      </div>
      <p className="text-lg" role="status">
        {left > 0
          ? `${printed('scale', left)} to go`
          : left === 0
            ? 'As wanted'
            : `${printed('scale', -left)} too much: note it, or spoon it out`}
      </p>
      <div className="flex flex-wrap gap-2">
        {[Math.round(left / 2), 5, 1].map(
          (part, index) =>
            (index > 0 || part > 5) && (
              <button key={index} type="button" className="btn btn-outline h-[56px] text-lg" onClick={() => pour(part)}>
                Pour {printed('scale', part)}
              </button>
            ),
        )}
        <button
          type="button"
          className="btn btn-ghost h-[56px] text-lg"
          onClick={() => {
            scale.tare();
            setShows(scale.read());
          }}
        >
          Tare
        </button>
      </div>
    </div>
  );
}
