'use client';
/* What the plan of the days says of a job’s date: kept in how many runs, when it ends, and by when to begin at the latest. */
import { type ReactNode, useEffect, useState } from 'react';
import { STANDING_WORDS, runsWords } from '@/core/week/dateVerdicts';
import type { JobDate } from '@/server/week/today';

/**
 * @param revision asked again when the job has another one
 * @param fallback what is said until the plan has answered
 */
export function DateChanceLine({ jobId, revision, fallback }: { jobId: string; revision: number; fallback: ReactNode }) {
  const [date, setDate] = useState<JobDate | null>(null);
  useEffect(() => {
    const stop = new AbortController();
    fetch(`/api/week/date?job=${encodeURIComponent(jobId)}`, { signal: stop.signal })
      .then(async (answer) => setDate(answer.ok ? ((await answer.json()) as JobDate | null) : null))
      // Without an answer nothing is said of it.
      .catch(() => undefined);
    return () => stop.abort();
  }, [jobId, revision]);
  if (!date?.standing || !date.verdict) return fallback;
  const ink = date.standing === 'safe' ? 'text-success' : date.standing === 'tight' ? 'text-warning' : 'text-error';
  return (
    <a href="/week" className="figure hover:underline" title={`${date.verdict.says} ${date.verdict.because}`}>
      <span className={`font-semibold ${ink}`}>
        {STANDING_WORDS[date.standing]}
        {date.standing === 'safe' || date.standing === 'late' ? '' : `, kept in ${runsWords(date.chance)}`}
      </span>
      <span className="soft">{date.tooLate ? ', too late to begin' : date.startBy ? `, begin by ${date.startBy}` : ''}</span>
    </a>
  );
}
