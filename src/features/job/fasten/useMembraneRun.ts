'use client';
/*
 * A route carried out on the simulated cloth in a worker: the frames stream in, a new question calls the old one off, and
 * a failure keeps the last run in sight.
 */
import { useEffect, useRef, useState } from 'react';
import { firstSteps } from '@/core/fasten/membrane/firstSteps';
import type { RouteRun, RunFrame, StapleModel } from '@/core/fasten/membrane/simulateRoute';
import { type MembraneWorker, membraneWorker } from '@/workers/membraneWorker';
import type { RunRequest } from '@/workers/membraneTasks';
import { TaskCancelled, TaskFailed } from '@/workers/taskClient';

export interface MembraneRun {
  model: StapleModel;
  frames: RunFrame[];
  /** The end, once it is reached. */
  run: RouteRun | null;
  /** First steps on a coarse cloth, while the whole is worked out. */
  rough: boolean;
}

export interface MembraneAnswer {
  answer: MembraneRun | null;
  /** The answer is that of the question that stands, and whole. */
  fresh: boolean;
  error: string | null;
}

export type MembraneQuestion = Omit<RunRequest, 'seed'>;

/** The same hands every time. */
export const HAND_SEED = 0.5;

/** Time a question stands before it is asked: keys and sliders come quickly, ms. */
const CALM_MS = 120;

/** The worker of this screen, opened when it is first needed and closed with the screen. */
export function useMembraneWorker(): () => MembraneWorker {
  const worker = useRef<MembraneWorker | null>(null);
  useEffect(
    () => () => {
      worker.current?.close();
      worker.current = null;
    },
    [],
  );
  return () => (worker.current ??= membraneWorker());
}

/**
 * Asks the worker for a run, again whenever the key changes.
 *
 * @param key tells one question from another; null asks nothing
 * @param question made when it is asked
 */
export function useMembraneRun(
  worker: () => MembraneWorker,
  key: string | null,
  question: () => MembraneQuestion,
): MembraneAnswer {
  const [answer, setAnswer] = useState<(MembraneRun & { key: string }) | null>(null);
  const [failed, setFailed] = useState<{ key: string; error: string } | null>(null);
  const asks = useRef({ worker, question });
  useEffect(() => {
    asks.current = { worker, question };
  });
  useEffect(() => {
    if (key === null) return;
    const stop = new AbortController();
    const ask = async () => {
      try {
        const request = asks.current.question();
        const { model } = request;
        const first = firstSteps(model);
        if (first) {
          const shown: RunFrame[] = [];
          const asked = { ...request, model: first, hands: 0, seed: HAND_SEED };
          const hear = (frame: RunFrame) => shown.push(frame);
          const { doubt } = await asks.current.worker().run('run', asked, { signal: stop.signal, onProgress: hear });
          if (!stop.signal.aborted && doubt === null) setAnswer({ key, model: first, frames: shown, run: null, rough: true });
        }
        const frames: RunFrame[] = [];
        const run = await asks.current.worker().run(
          'run',
          { ...request, seed: HAND_SEED },
          {
            signal: stop.signal,
            onProgress: (frame) => {
              frames.push(frame);
              if (frames.length % 12 === 1) setAnswer({ key, model, frames: [...frames], run: null, rough: false });
            },
          },
        );
        if (!stop.signal.aborted) setAnswer({ key, model, frames, run, rough: false });
      } catch (failure) {
        if (!(failure instanceof TaskCancelled) && !stop.signal.aborted)
          setFailed({ key, error: failureWords(failure as Error) });
      }
    };
    const timer = setTimeout(() => void ask(), CALM_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [key]);
  return { answer, fresh: answer?.key === key && answer.run !== null, error: failed?.key === key ? failed.error : null };
}

/** The cloth inside at the step that is looked at; until it is worked out, that of the step before. */
export function useField(worker: () => MembraneWorker, model: StapleModel | null, frame: RunFrame | null): Float32Array | null {
  const [field, setField] = useState<{ model: StapleModel; tensions: Float32Array } | null>(null);
  const client = useRef(worker);
  useEffect(() => {
    client.current = worker;
  });
  useEffect(() => {
    if (!model || !frame) return;
    const stop = new AbortController();
    client
      .current()
      .run('field', { model, forcesN: frame.forcesN }, { signal: stop.signal })
      .then((tensions) => setField({ model, tensions }))
      // Called off, or the worker ended: the run says so where it is shown.
      .catch(() => undefined);
    return () => stop.abort();
  }, [model, frame]);
  return field && field.model === model ? field.tensions : null;
}

export const failureWords = (failure: Error): string =>
  failure instanceof TaskFailed
    ? `The cloth cannot be worked out so: ${failure.message}. What was shown last stays.`
    : `The solver came to an end (${failure.message}). What was shown last stays; change something to try again.`;
