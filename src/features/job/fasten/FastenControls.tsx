'use client';
/* Along the route: play, back, next, to any step, to a corner. */
import { Figure } from '@/ui/drawing/Figure';
import { Eye, Pause, Play } from 'lucide-react';
import type { Landmark } from '@/core/fasten/routeChecks';

export interface RouteControls {
  step: number;
  total: number;
  onStep: (to: number) => void;
  playing: boolean;
  onPlay: () => void;
}

interface FastenControlsProps extends RouteControls {
  now: string;
  /** What to look at before this step. */
  checks: readonly string[];
  landmarks: readonly Landmark[];
}

export function FastenControls({ step, total, onStep, playing, onPlay, now, checks, landmarks }: FastenControlsProps) {
  return (
    <section aria-label="Steps of the route" className="no-print space-y-1 py-1">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
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
        <select
          aria-label="Jump to"
          className="select select-sm w-32"
          value=""
          onChange={(event) => event.target.value !== '' && onStep(Number(event.target.value))}
        >
          <option value="">Jump to …</option>
          {landmarks.map(({ order, name }) => (
            <option key={name} value={order}>
              {name}
            </option>
          ))}
        </select>
      </div>
      <p className="figure text-[15px]" aria-live={playing ? 'off' : 'polite'} data-testid="route-step">
        <strong>
          {step} of {total}
        </strong>{' '}
        <Figure>{now}</Figure>
      </p>
      {checks.map((says) => (
        <p key={says} className="flex items-center gap-1.5 text-[14px] text-warning" data-testid="route-check">
          <Eye aria-hidden className="size-4 flex-none" /> Before it: {says[0]!.toLowerCase()}
          {says.slice(1)}
        </p>
      ))}
    </section>
  );
}
