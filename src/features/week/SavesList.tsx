'use client';
/* What would save a date, each tried out: an hour more on a day, somebody more, a ground that dries sooner. */
import { useEffect, useState } from 'react';
import { runsWords, dayWords } from '@/core/week/dateVerdicts';
import { savingChanges } from '@/core/week/savingChanges';
import type { WeekPlan } from '@/core/week/weekPlan';
import type { WeekJob } from '@/core/week/weekShop';
import type { WhatIf } from '@/core/week/whatIf';
import type { WeekView } from '@/server/week/weekWrites';
import { useScheduleWorker } from './useScheduleWorker';

export function SavesList({ week, standing, job }: { week: WeekView; standing: WeekPlan; job: WeekJob }) {
  const worker = useScheduleWorker();
  const [tried, setTried] = useState<{ change: WhatIf; chance: number }[]>([]);
  const [state, setState] = useState<'running' | 'done' | string>('running');
  useEffect(() => {
    const stop = new AbortController();
    const go = async () => {
      const answer = await fetch(`/api/week/otherwise?job=${encodeURIComponent(job.id)}`, { signal: stop.signal });
      const instead = answer.ok ? ((await answer.json()) as Extract<WhatIf, { kind: 'instead' }>[]) : [];
      const changes = [...savingChanges(week.facts, job), ...instead];
      await worker().run(
        'saves',
        { facts: week.facts, spread: week.spread, standing, seed: 0.83, changes, jobId: job.id },
        {
          signal: stop.signal,
          onProgress: (one) => one && setTried((before) => [...before, { change: changes[one.index]!, chance: one.chance }]),
        },
      );
      setState('done');
    };
    go().catch((failure: Error) => {
      if (!stop.signal.aborted) setState(failure.message);
    });
    return () => stop.abort();
    // Once for the canvas it was opened for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const now = standing.dates.get(job.id)?.chance ?? 0;
  const better = tried.filter(({ chance }) => chance > now + 0.03).sort((a, b) => b.chance - a.chance);
  return (
    <div role="status" className="mt-1 text-[14.5px]">
      <p className="font-semibold">
        {better.length > 0
          ? 'These would help:'
          : state === 'running'
            ? 'Trying what would help'
            : 'Nothing that was tried helps.'}
      </p>
      <ul>
        {better.slice(0, 4).map(({ change, chance }) => (
          <li key={JSON.stringify(change).slice(0, 80)}>
            {changeWords(change)}: kept in {runsWords(chance)}
          </li>
        ))}
      </ul>
      {state === 'done' && better.length === 0 && (
        <p className="soft">Tell whoever waits for it now, and agree on another day.</p>
      )}
      {state !== 'running' && state !== 'done' && (
        <p role="alert" className="text-error">
          {state}
        </p>
      )}
    </div>
  );
}

function changeWords(change: WhatIf): string {
  switch (change.kind) {
    case 'away':
      return `${change.maker} away on ${dayWords(change.on)}`;
    case 'longer':
      return change.hours > 3
        ? `${change.maker} comes on ${dayWords(change.on)}`
        : `${change.hours === 1 ? 'an hour' : `${change.hours} hours`} more of ${change.maker} on ${dayWords(change.on)}`;
    case 'more':
      return `${change.jobs.length} more`;
    case 'instead':
      return change.label;
  }
}
