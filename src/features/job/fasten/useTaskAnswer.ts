'use client';
/* What a worker is asked whenever a question changes: a new one calls the old one off, a failure keeps the last answer in sight. */
import { useEffect, useRef, useState } from 'react';
import { TaskCancelled, TaskFailed } from '@/workers/taskClient';

/** Time a question stands before it is asked: keys and sliders come quickly, ms. */
const CALM_MS = 120;

export interface TaskAnswer<A> {
  /** The last that was shown, of whichever question. */
  answer: A | null;
  /** It is of the question that stands. */
  fresh: boolean;
  /** Why the question that stands has no answer. */
  error: string | null;
}

/**
 * Asks again whenever the key changes.
 *
 * @param key tells one question from another; null asks nothing
 * @param ask shows what it has, as often as it likes, until it is called off
 */
export function useTaskAnswer<A>(
  key: string | null,
  ask: (show: (answer: A) => void, signal: AbortSignal) => Promise<void>,
  calmMs = CALM_MS,
): TaskAnswer<A> {
  const [shown, setShown] = useState<{ key: string; answer: A } | null>(null);
  const [failed, setFailed] = useState<{ key: string; error: string } | null>(null);
  const asks = useRef(ask);
  useEffect(() => {
    asks.current = ask;
  });
  useEffect(() => {
    if (key === null) return;
    const stop = new AbortController();
    const show = (answer: A) => !stop.signal.aborted && setShown({ key, answer });
    const timer = setTimeout(() => {
      asks.current(show, stop.signal).catch((failure: Error) => {
        if (!(failure instanceof TaskCancelled) && !stop.signal.aborted) setFailed({ key, error: failureWords(failure) });
      });
    }, calmMs);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [key, calmMs]);
  return {
    answer: shown?.answer ?? null,
    fresh: shown !== null && shown.key === key,
    error: failed?.key === key ? failed.error : null,
  };
}

export const failureWords = (failure: Error): string =>
  failure instanceof TaskFailed
    ? `The cloth cannot be worked out so: ${failure.message}. What was shown last stays.`
    : `The solver came to an end (${failure.message}). What was shown last stays; change something to try again.`;
