'use client';
/* A search for a better plan, in a worker: what it has found against the plan that stands, to be taken or left. */
import { printed } from '@/core/quantities/printed';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { namedPlan } from '@/core/week/namedPlan';
import { dateFalls, isBetter, planDifference } from '@/core/week/planDifference';
import type { Shop } from '@/core/schedule/shop';
import { withoutBrokenPins } from '@/core/schedule/pins';
import { scheduleViolations } from '@/core/schedule/scheduleViolations';
import { RUNS, type WeekPlan } from '@/core/week/weekPlan';
import type { WeekView } from '@/server/week/weekWrites';
import { TaskCancelled } from '@/workers/taskClient';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';
import { DifferenceLines } from './DifferenceLines';
import { useScheduleWorker } from './useScheduleWorker';

/** Lists tried, so that a week of a few canvases is searched through in some seconds. */
const LISTS = 6000;
const SEED = 0.61;

export function BetterPlan({ week, shop, standing }: { week: WeekView; shop: Shop; standing: WeekPlan }) {
  const router = useRouter();
  const send = useSend();
  const worker = useScheduleWorker();
  const run = useRef<AbortController | null>(null);
  const [state, setState] = useState<'running' | 'done' | 'stopped'>('running');
  const [found, setFound] = useState<WeekPlan | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const { facts, spread } = week;
  const search = () => {
    const stop = new AbortController();
    run.current = stop;
    worker()
      .run(
        'search',
        { facts, spread, seed: SEED, rounds: LISTS },
        { signal: stop.signal, onProgress: (plan) => plan && !stop.signal.aborted && setFound(plan) },
      )
      .then((plan) => {
        if (stop.signal.aborted) return;
        setFound(plan);
        setState('done');
      })
      .catch((failure: Error) => {
        setState('stopped');
        if (!(failure instanceof TaskCancelled))
          setSays(`The search came to an end (${failure.message}). The plan that stands stays.`);
      });
    return stop;
  };
  useEffect(() => {
    const stop = search();
    return () => stop.abort();
    // Once for the work as it stands: the page is made anew when that changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  // The same checker that the server asks: what breaks a rule is not offered.
  const sound = useMemo(
    () => found !== null && scheduleViolations(withoutBrokenPins(shop, found), found).length === 0,
    [shop, found],
  );
  const better = found !== null && sound && isBetter(found, standing, facts.settings.wanted) ? found : null;
  const falls = better ? dateFalls(standing, better, RUNS) : [];
  const take = async () => {
    const { at, pots } = namedPlan(shop, better!);
    const outcome = await send('takePlan', {
      madeFor: week.madeFor,
      seenMs: facts.nowMs,
      at: at.map(([task, start, maker, place]) => ({ task, start, maker, place })),
      pots,
    });
    setSays(outcome.ok ? null : refusalWords(outcome));
    router.refresh();
  };
  const proven = found?.datesProven === true && standing.tardiness <= found.tardiness;
  return (
    <section aria-label="A better plan" className="min-w-72 flex-1 text-[14.5px]">
      <h2 className="text-[16px] font-semibold">
        {better
          ? falls.length === 0
            ? 'A better plan was found'
            : `Another plan: ${falls.length === 1 ? 'one date falls' : `${falls.length} dates fall`}`
          : state === 'running'
            ? 'Looking for a better plan'
            : 'No better plan was found'}
      </h2>
      <div role="status">
        {better && <DifferenceLines difference={planDifference(standing, better)} falls={falls} jobs={facts.jobs} />}
        {proven && !better && <p className="soft">No plan keeps more of the dates: proven, each canvas alone takes as long.</p>}
        {!proven && standing.tardiness > 0 && (
          <p className="soft">
            Late by {printed('clockTime', standing.tardiness * 15)} in all; no plan is late by less than{' '}
            {printed('clockTime', standing.leastTardiness * 15)}.
          </p>
        )}
      </div>
      <div className="mt-1 flex gap-2">
        {better && (
          <button type="button" className="btn btn-primary btn-sm h-9" disabled={state === 'running'} onClick={() => void take()}>
            {falls.length === 0 ? 'Use this plan' : 'Use it all the same'}
          </button>
        )}
        {state === 'running' && (
          <button
            type="button"
            className="btn btn-outline btn-sm h-9"
            onClick={() => {
              run.current?.abort();
              setState('stopped');
            }}
          >
            Stop looking
          </button>
        )}
      </div>
      {says && (
        <p role="alert" className="text-error">
          {says}
        </p>
      )}
    </section>
  );
}
