'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { type Measured, type MeasuredStage, MEASURED_STAGES } from '@/core/set/measured';
import type { StageId } from '@/core/stages/stages';
import type { SetCanvas } from '@/server/setPages';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';

/** After the last key, ms. */
const PAUSE = 350;

const measuredStage = (stage: StageId): MeasuredStage | null => MEASURED_STAGES.find((one) => one === stage) ?? null;

export interface MeasuredRows {
  of: (canvas: SetCanvas) => Measured;
  revisionOf: (canvas: SetCanvas) => number;
  change: (canvas: SetCanvas, patch: Partial<Measured>) => void;
  /** Why the readings of a canvas were not saved; null where they were. */
  trouble: (jobId: string) => string | null;
  /** Saves what is still on its way; false where something could not be saved. */
  flush: () => Promise<boolean>;
}

/** What is typed for the canvases of a set: each row saves itself soon after the last key, one after the other. */
export function useMeasured(stage: StageId): MeasuredRows {
  const router = useRouter();
  const send = useSend();
  const [typed, setTyped] = useState<ReadonlyMap<string, Measured>>(new Map());
  const [troubles, setTroubles] = useState<ReadonlyMap<string, string>>(new Map());
  const revisions = useRef(new Map<string, number>());
  const waiting = useRef(new Map<string, { canvas: SetCanvas; measured: Measured; stage: MeasuredStage }>());
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const queue = useRef<Promise<boolean>>(Promise.resolve(true));

  const revisionOf = ({ jobId, revision }: SetCanvas) => Math.max(revision, revisions.current.get(jobId) ?? 0);
  const saveOne = async ({ canvas, measured, stage: at }: { canvas: SetCanvas; measured: Measured; stage: MeasuredStage }) => {
    const outcome = await send('typeMeasured', { jobId: canvas.jobId, revision: revisionOf(canvas), stage: at, ...measured });
    setTroubles((before) => {
      const after = new Map(before);
      if (outcome.ok) after.delete(canvas.jobId);
      else after.set(canvas.jobId, refusalWords(outcome));
      return after;
    });
    if (outcome.ok) revisions.current.set(canvas.jobId, outcome.value.revision);
    return outcome.ok;
  };
  const flush = (): Promise<boolean> => {
    if (timer.current) clearTimeout(timer.current);
    const rows = [...waiting.current.values()];
    waiting.current.clear();
    if (rows.length === 0) return queue.current;
    queue.current = queue.current.then(async () => {
      let all = true;
      for (const row of rows) all = (await saveOne(row)) && all;
      router.refresh();
      return all;
    });
    return queue.current;
  };
  const latest = useRef(flush);
  useEffect(() => {
    latest.current = flush;
  });
  // What was typed last is saved when the sheet is left.
  useEffect(() => () => void latest.current(), []);

  const of = (canvas: SetCanvas) => typed.get(canvas.jobId) ?? canvas.measured;
  return {
    of,
    revisionOf,
    trouble: (jobId) => troubles.get(jobId) ?? null,
    flush,
    change: (canvas, patch) => {
      const at = measuredStage(stage);
      if (!at) return;
      const measured = { ...of(canvas), ...patch };
      setTyped((before) => new Map(before).set(canvas.jobId, measured));
      waiting.current.set(canvas.jobId, { canvas, measured, stage: at });
      if (timer.current) clearTimeout(timer.current);
      timer.current = setTimeout(() => void latest.current(), PAUSE);
    },
  };
}
