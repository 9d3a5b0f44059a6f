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
import { useTaskAnswer } from './useTaskAnswer';

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
  const { answer, fresh, error } = useTaskAnswer<MembraneRun>(key, async (show, signal) => {
    const request = question();
    const { model } = request;
    const first = firstSteps(model);
    if (first) {
      const shown: RunFrame[] = [];
      const asked = { ...request, model: first, hands: 0, seed: HAND_SEED };
      const hear = (frame: RunFrame) => shown.push(frame);
      const { doubt } = await worker().run('run', asked, { signal, onProgress: hear });
      if (doubt === null) show({ model: first, frames: shown, run: null, rough: true });
    }
    const frames: RunFrame[] = [];
    const hear = (frame: RunFrame) => {
      frames.push(frame);
      if (frames.length % 12 === 1) show({ model, frames: [...frames], run: null, rough: false });
    };
    const run = await worker().run('run', { ...request, seed: HAND_SEED }, { signal, onProgress: hear });
    show({ model, frames, run, rough: false });
  });
  return { answer, fresh: fresh && answer!.run !== null, error };
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
