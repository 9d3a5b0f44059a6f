'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { type Measured, type MeasuredStage, MEASURED_STAGES } from '@/core/set/measured';
import type { StageId } from '@/core/stages/stages';
import type { StoredJob } from '@/db/jobs';
import { writeAction } from '@/server/actions';
import type { Request } from '@/server/writes';
import type { SetCanvas } from '@/server/set/setPages';
import { Outbox, type SendEntry, sentBy, waitingWords } from '../outbox/Outbox';
import { outboxStore } from '../outbox/outboxStore';
import { useOutbox } from '../outbox/useOutbox';

/** After the last key, ms. */
const PAUSE_MS = 350;

type Typed = Omit<Request<'typeMeasured'>, 'revision'>;

export interface MeasuredRows {
  of: (canvas: SetCanvas) => Measured;
  revisionOf: (canvas: SetCanvas) => number;
  change: (canvas: SetCanvas, patch: Partial<Measured>) => void;
  /** Why the readings of a canvas are not saved; null where they are, or are just being. */
  trouble: (jobId: string) => string | null;
  /** Forgets what was typed and not saved. */
  discard: (jobId: string) => void;
  /** Saves what is still on its way; false where something could not be saved. */
  flush: () => Promise<boolean>;
}

const AWAY = {
  browser: 'The workshop is out of reach: kept in this browser, saved when it is back.',
  tab: 'The workshop is out of reach and this browser has no room: leave this tab open.',
};

/** What waits of the readings of a set, and the versions that its canvases are known in. */
function measuredOutbox(setId: string) {
  const versions = new Map<string, number>();
  const revisionOf = (jobId: string) => versions.get(jobId) ?? 1;
  const see = (jobId: string, revision: number) => versions.set(jobId, Math.max(revision, revisionOf(jobId)));
  const send: SendEntry<StoredJob> = async ({ requestId, request }, sentOn) => {
    const asked = request as Typed;
    const revision = await sentOn(revisionOf(asked.jobId));
    const sent = await sentBy(() => writeAction('typeMeasured', { ...asked, revision, requestId }));
    if (sent.kind === 'done') see(asked.jobId, sent.value.revision);
    return sent;
  };
  return { outbox: new Outbox(outboxStore(), `set ${setId}`, send, { passes: true }), revisionOf, see };
}

/** What is typed for the canvases of a set: kept at every key, each row saved soon after the last one. */
export function useMeasured(setId: string, canvases: readonly SetCanvas[], open: StageId): MeasuredRows {
  const router = useRouter();
  const stage: MeasuredStage | null = MEASURED_STAGES.find((one) => one === open) ?? null;
  /** What was typed last, until the page has it from the workshop. */
  const [typed, setTyped] = useState<ReadonlyMap<string, Measured>>(new Map());
  const [{ outbox, revisionOf, see }] = useState(() => measuredOutbox(setId));
  useEffect(() => {
    for (const { jobId, revision } of canvases) see(jobId, revision);
  }, [canvases, see]);
  const waiting = useOutbox(outbox, () => router.refresh(), { pauseMs: PAUSE_MS });
  const keyOf = (jobId: string) => `${jobId} ${stage}`;
  const waitingOf = (jobId: string) => waiting.filter(({ key }) => key === keyOf(jobId));
  const of = (canvas: SetCanvas): Measured => {
    const kept = waitingOf(canvas.jobId).at(-1);
    return typed.get(keyOf(canvas.jobId)) ?? (kept ? measuredIn(kept.request as Typed) : canvas.measured);
  };
  return {
    of,
    revisionOf: ({ jobId, revision }) => Math.max(revision, revisionOf(jobId)),
    trouble: (jobId) => waitingWords(waitingOf(jobId), AWAY),
    discard: (jobId) => {
      setTyped((before) => new Map([...before].filter(([key]) => key !== keyOf(jobId))));
      for (const { requestId } of waitingOf(jobId)) void outbox.letGo(requestId);
    },
    flush: async () => {
      await outbox.run(() => router.refresh());
      return outbox.read().length === 0;
    },
    change: (canvas, patch) => {
      if (!stage) return;
      const measured = { ...of(canvas), ...patch };
      setTyped((before) => new Map(before).set(keyOf(canvas.jobId), measured));
      const request: Typed = { jobId: canvas.jobId, stage, ...measured };
      void outbox.add({ write: 'typeMeasured', request, key: keyOf(canvas.jobId), says: `No. ${canvas.number}` });
    },
  };
}

const measuredIn = ({ jobId: _job, stage: _stage, ...measured }: Typed): Measured => measured;
