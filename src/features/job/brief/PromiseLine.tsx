'use client';
/* While a brief is typed: the day that can be promised, behind what is planned; and whom an earlier one would push. */
import { useEffect, useMemo, useRef, useState } from 'react';
import { dayWords, runsWords } from '@/core/week/dateVerdicts';
import { planOfNames } from '@/core/week/namedPlan';
import type { Forced, Promised } from '@/core/week/promise';
import { type WeekJob, weekShop } from '@/core/week/weekShop';
import type { JobWork } from '@/core/case/jobWork';
import type { WeekView } from '@/server/week/weekWrites';
import { type ScheduleWorker, scheduleWorker } from '@/workers/scheduleWorker';

/** So long after the last key it is worked out, ms. */
const PAUSE_MS = 400;

interface PromiseLineProps {
  jobId: string;
  work: JobWork;
  dueOn: string | null;
}

interface Told {
  key: string;
  promised: Promised;
  forced: Forced | null;
}

export function PromiseLine({ jobId, work, dueOn }: PromiseLineProps) {
  const worker = useRef<ScheduleWorker | null>(null);
  const [week, setWeek] = useState<WeekView | null>(null);
  const [told, setTold] = useState<Told | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    const stop = new AbortController();
    fetch('/api/week/facts', { signal: stop.signal })
      .then(async (answer) => answer.ok && setWeek((await answer.json()) as WeekView))
      .catch(() => undefined);
    return () => {
      stop.abort();
      worker.current?.close();
      worker.current = null;
    };
  }, []);
  // What is planned by without this canvas: it is put in anew behind the others.
  const ground = useMemo(() => {
    if (!week?.plan) return null;
    const facts = { ...week.facts, jobs: week.facts.jobs.filter(({ id }) => id !== jobId), begun: [] };
    return { facts, spread: week.spread, standing: planOfNames(weekShop(facts).shop, week.plan), seed: 0.47 };
  }, [week, jobId]);
  const key = JSON.stringify([work, dueOn]);
  useEffect(() => {
    if (!ground) return;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      const [asked, day] = JSON.parse(key) as [JobWork, string | null];
      const canvas: WeekJob = { id: 'asked', number: 0, title: '', dueOn: null, work: asked };
      worker.current ??= scheduleWorker();
      const tell = async () => {
        const promised = await worker.current!.run('promise', { ...ground, canvases: [canvas] }, { signal: stop.signal });
        const early = day !== null && day < promised.day;
        const forced = early
          ? await worker.current!.run('forced', { ...ground, canvases: [canvas], day }, { signal: stop.signal })
          : null;
        setTold({ key, promised, forced });
        setTrouble(null);
      };
      tell().catch((failure: Error) => {
        if (!stop.signal.aborted) setTrouble(failure.message);
      });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [ground, key]);
  if (!week) return null;
  if (week.plan === null || trouble)
    return <p className="text-[14px] text-warning">No day can be told: {trouble ?? week.wrong[0]}</p>;
  if (!told) return <p className="soft text-[14px]">Working out what can be promised</p>;
  const { promised, forced } = told;
  const number = new Map(week.facts.jobs.map((job) => [job.id, job.number]));
  return (
    <div role="status" className={`text-[14px] leading-5 ${told.key === key ? '' : 'opacity-50'}`}>
      <p>
        Can be promised for <strong className="figure">{dayWords(promised.day)}</strong>
        <span className="soft">
          {' '}
          ({runsWords(promised.chance)} keep it; planned to end {dayWords(promised.planned)})
        </span>
        {promised.hurts.length > 0 && (
          <span className="text-warning">
            , but {promised.hurts.map(({ jobId: id }) => `No. ${number.get(id) ?? ''}`).join(', ')} becomes less likely
          </span>
        )}
      </p>
      {forced && dueOn && (
        <p className="text-error">
          By {dayWords(dueOn)}: kept in {runsWords(forced.chance)}
          {forced.pushes.length > 0
            ? `, and it pushes ${forced.pushes
                .slice(0, 4)
                .map(({ jobId: id, days, late }) => `No. ${number.get(id) ?? ''} by ${pushWords(days)}${late ? ' (late)' : ''}`)
                .join(', ')}`
            : ''}
          .
        </p>
      )}
    </div>
  );
}

const pushWords = (days: number): string =>
  days < 0.4 ? 'hours' : `${Math.max(1, Math.round(days))} ${Math.round(days) <= 1 ? 'day' : 'days'}`;
