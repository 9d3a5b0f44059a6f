/* The head of a step: what to do, its figure, and what more there is to it. */
import type { BenchStep } from '@/core/bench/benchStep';
import { clockWords } from '@/ui/Clock';
import { Figure } from '@/ui/drawing/Figure';
import { BenchFigure } from './BenchFigure';

interface StepHeadProps {
  step: Pick<BenchStep, 'says' | 'figure' | 'notes' | 'act'>;
  /** What is typed in place of the figure, or null. */
  typed: string | null;
  dictated: boolean;
  /** What was noted at this step. */
  noted?: readonly string[];
  nowMs: number;
}

export function StepHead({ step, typed, dictated, noted = [], nowMs }: StepHeadProps) {
  const waits = step.act.kind === 'wait' ? clockWords(step.act.readyAt, nowMs) : null;
  const figure = typed ?? (waits ? (waits.ready ? 'ready' : waits.words) : step.figure);
  return (
    <div className="flex min-w-0 flex-col justify-center gap-1 [grid-area:head] bench:gap-3">
      <p className="text-[22px] leading-7 bench:text-[30px] bench:leading-9" data-testid="bench-says" aria-live="polite">
        <Figure>{step.says}</Figure>
      </p>
      <BenchFigure figure={figure} />
      {dictated && <p className="text-xl font-semibold">Heard so: say yes, or press Enter.</p>}
      <ul className="text-[17px] leading-6 bench:text-[20px] bench:leading-7" data-testid="bench-notes">
        {noted.map((one, index) => (
          <li key={`noted ${index}`}>“{one}”</li>
        ))}
        {step.notes
          .filter((one) => one !== '')
          .map((one) => (
            <li key={one}>
              <Figure>{one}</Figure>
            </li>
          ))}
      </ul>
    </div>
  );
}
