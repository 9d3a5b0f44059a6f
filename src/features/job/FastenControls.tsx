'use client';
/* Along the route: play, back, next, to any step, to a corner. */
import { Pause, Play } from 'lucide-react';

export interface RouteControls {
  step: number;
  total: number;
  onStep: (to: number) => void;
  playing: boolean;
  onPlay: () => void;
}

export function FastenControls({ step, total, onStep, playing, onPlay, now }: RouteControls & { now: string }) {
  return (
    <section aria-label="Steps of the route" className="no-print flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
      <button
        type="button"
        className="btn btn-sm btn-outline btn-square"
        aria-label={playing ? 'Stop' : 'Play the route'}
        onClick={onPlay}
      >
        {playing ? <Pause aria-hidden className="size-4" /> : <Play aria-hidden className="size-4" />}
      </button>
      <button type="button" className="btn btn-sm btn-outline" disabled={step <= 1} onClick={() => onStep(step - 1)}>
        ← Back
      </button>
      <button type="button" className="btn btn-sm btn-outline" disabled={step >= total} onClick={() => onStep(step + 1)}>
        Next →
      </button>
      <input
        type="range"
        aria-label="Step along the route"
        className="range range-primary range-xs min-w-32 flex-1"
        min={1}
        max={total}
        value={step}
        onChange={(event) => onStep(Number(event.target.value))}
      />
      <p className="figure min-w-56 text-[15px]" aria-live="polite" data-testid="route-step">
        <strong>
          {step} of {total}
        </strong>{' '}
        {now}
      </p>
    </section>
  );
}
