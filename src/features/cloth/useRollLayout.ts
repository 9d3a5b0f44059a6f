'use client';
/*
 * The layout of the pieces chosen, worked out in a worker: better ones stream in, a new question calls the old one
 * off, and a failure keeps the last good layout in sight.
 */
import { useEffect, useRef, useState } from 'react';
import type { StockLayout } from '@/core/cloth/layout/layStock';
import type { LayRequest } from '@/workers/clothTasks';
import { type ClothWorker, clothWorker } from '@/workers/clothWorker';
import { TaskCancelled, TaskFailed } from '@/workers/taskClient';

/** Rounds of search before it rests; searching on goes eight times as far each time. */
const ROUNDS = 60;
const MOST_TIMES = 4;
/** A search that has shortened the roll by this part goes on by itself. */
const LEAST_GAIN = 0.005;
/** Same pieces and cloth, same layout. */
const SEED = 0.5;

export type Question = Omit<LayRequest, 'seed' | 'rounds'>;

export interface RollRun {
  layout: StockLayout | null;
  /** The layout answers the question that stands. */
  fresh: boolean;
  running: boolean;
  /** Why there is no answer; the last good layout stays. */
  error: string | null;
  stop: () => void;
  searchOn: () => void;
}

export function useRollLayout(question: Question | null): RollRun {
  const worker = useRef<ClothWorker | null>(null);
  const run = useRef<AbortController | null>(null);
  const [answer, setAnswer] = useState<{ key: string; layout: StockLayout } | null>(null);
  /** The run that came to its end, and why when it failed. */
  const [ended, setEnded] = useState<{ run: string; error: string | null } | null>(null);
  /** How often a question was searched on. */
  const [further, setFurther] = useState<{ key: string; times: number } | null>(null);
  const key = JSON.stringify(question);
  const times = further?.key === key ? further.times : 0;
  const name = `${times} ${key}`;
  useEffect(() => {
    const asked = JSON.parse(key) as Question | null;
    if (!asked) return;
    const stop = new AbortController();
    run.current = stop;
    worker.current ??= clothWorker();
    let began: number | null = null;
    const show = (layout: StockLayout) => {
      began ??= lengthOnRoll(layout);
      if (!stop.signal.aborted) setAnswer({ key, layout });
    };
    const end = (error: string | null) => setEnded({ run: name, error });
    worker.current
      .run('lay', { ...asked, seed: SEED, rounds: ROUNDS * 8 ** times }, { signal: stop.signal, onProgress: show })
      .then((layout) => {
        show(layout);
        end(null);
        const gained = began !== null && lengthOnRoll(layout) < began * (1 - LEAST_GAIN);
        if (gained && !layout.sheets.at(-1)!.layout.proven && !stop.signal.aborted && times < MOST_TIMES)
          setFurther({ key, times: times + 1 });
      })
      .catch((failure: Error) => end(failure instanceof TaskCancelled ? null : failureWords(failure)));
    return () => stop.abort();
  }, [key, name, times]);
  useEffect(
    () => () => {
      worker.current?.close();
      worker.current = null;
    },
    [],
  );
  const over = ended?.run === name ? ended : null;
  return {
    layout: answer?.layout ?? null,
    fresh: answer?.key === key,
    running: question !== null && !over,
    error: over?.error ?? null,
    stop: () => run.current?.abort(),
    searchOn: () => setFurther({ key, times: Math.min(times + 1, MOST_TIMES) }),
  };
}

/** What the roll gives up, mm: it is the last of the sheets. */
const lengthOnRoll = ({ sheets }: StockLayout): number => sheets.at(-1)!.layout.length;

const failureWords = (failure: Error): string =>
  failure instanceof TaskFailed
    ? `The pieces cannot be laid so: ${failure.message}. The last layout stays as it was.`
    : `The solver came to an end (${failure.message}). The last layout stays; change something or search on to try again.`;
