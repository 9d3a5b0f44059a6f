'use client';
/* The list of pulls on the printed order: worked out as on the screen, from the same job by the same worker. */
import type { HouseLessons } from '@/core/case/jobCase';
import type { Plan } from '@/core/case/planJob';
import type { JobInputs } from '@/core/job/job';
import { clothRefusal } from '@/core/stages/fasten/clothRefusal';
import { PullList } from './PullList';
import { useJobPulls } from './usePullPlan';
import { useMembraneWorker } from './useMembraneRun';

interface PrintedPullsProps {
  inputs: JobInputs;
  plan: Plan;
  lessons: HouseLessons;
}

export function PrintedPulls(props: PrintedPullsProps) {
  const { goesBy, waits, felt, error } = useJobPulls(useMembraneWorker(), props, false);
  const refusal = clothRefusal(props.plan.fasten.route);
  return (
    <section className="mt-4 break-inside-avoid" aria-label="Pulls" aria-busy={waits && !error}>
      <h2 className="text-lg font-semibold">Pulls, by the numbers of the order</h2>
      {goesBy ? (
        <>
          <PullList plan={goesBy} hand={felt} />
          {felt && <p className="soft text-[13px]">What it feels like is for the hand of {felt.maker}.</p>}
        </>
      ) : (
        <p>
          {error ?? refusal ?? (waits ? 'Being worked out: wait before you print.' : 'As taught: this order stretches nothing.')}
        </p>
      )}
    </section>
  );
}
