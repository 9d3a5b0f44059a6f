'use client';
/* How hard at each place: as taught or worked out, the list of pulls, what it gains, and the hand on the scale. */
import dynamic from 'next/dynamic';
import type { HouseLessons } from '@/core/case/jobCase';
import { PULL_WAYS } from '@/core/fasten/pullWays';
import type { JobInputs } from '@/core/job/job';
import type { FastenInputs } from '@/core/stages/fasten/fastenInputs';
import { pullVerdicts } from '@/core/stages/fasten/pullVerdicts';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import { PullList } from './PullList';
import type { JobPulls } from './usePullPlan';

const HandTrialPanel = dynamic(() => import('./HandTrialPanel').then((module) => module.HandTrialPanel));

interface PullsPanelProps {
  inputs: JobInputs;
  locked: boolean;
  pulls: JobPulls;
  lessons: HouseLessons;
  change: (patch: Partial<FastenInputs>) => void;
}

export function PullsPanel({ inputs, locked, pulls: { answer, error, hand }, lessons, change }: PullsPanelProps) {
  const { tape, maker } = useWorkshop();
  const say = useSideWords();
  const { fasten } = inputs;
  const plan = answer?.plan ?? null;
  return (
    <div className="space-y-2">
      <fieldset className="grid gap-x-5 gap-y-1 sm:grid-cols-2" disabled={locked}>
        <legend className="sr-only">How hard to pull</legend>
        {PULL_WAYS.map(({ id, name, suits, trades }) => (
          <label key={id} className="flex cursor-pointer items-start gap-2 text-[14px]">
            <input
              type="radio"
              name="pulls"
              className="radio radio-sm mt-0.5"
              checked={fasten.pulls === id}
              onChange={() => change({ pulls: id })}
            />
            <span>
              <b className="font-semibold">{name}.</b> For {suits}. <span className="soft">{trades}.</span>
            </span>
          </label>
        ))}
      </fieldset>
      {error && (
        <p role="alert" className="text-error">
          {error}
        </p>
      )}
      {!answer && !error && (
        <p className="soft" aria-busy="true">
          Working out pulls on six guesses of the cloth …
        </p>
      )}
      {answer && !plan && <p>This order stretches nothing on the simulated cloth: there is nothing to hold pulls against.</p>}
      {plan && (
        <div className="grid gap-x-6 gap-y-2 md:grid-cols-[1.1fr_1fr]">
          <section aria-label="List of pulls">
            <PullList plan={plan} hand={hand} />
            <p className="soft mt-1 text-[13px]">
              The drawing shows newtons.{' '}
              {fasten.pulls === 'worked'
                ? 'The route, the bench and the print go by this list.'
                : 'The route goes by what is taught; take “Worked out” to go by this list.'}
            </p>
          </section>
          <VerdictList verdicts={pullVerdicts(plan, inputs, { tape, view: say.view }, { hand, noise: lessons.handNoise })} />
        </div>
      )}
      <details>
        <summary className="cursor-pointer text-[14.5px]">
          {maker}’s hand on the scale
          {hand ? `: ${hand.feels.length} feels${hand.simulated ? ', practice scale' : ''}` : ', not tried yet'}
        </summary>
        <HandTrialPanel hand={hand} noise={lessons.handNoise} />
      </details>
    </div>
  );
}
