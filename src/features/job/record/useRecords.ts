'use client';
/* The log of a job on the screen: records that are handed in, readings that are kept, and what came of the last one. */
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { JobCase } from '@/core/case/jobCase';
import { recordOf } from '@/core/case/recordOf';
import { airReadings } from '@/core/log/readAir';
import type { LogEntry } from '@/core/log/logEntry';
import { writeAction } from '@/server/actions';
import type { JobWithLog } from '@/server/job/jobReading';
import type { Outcome } from '@/server/write/outcome';
import type { Request, Sent } from '@/server/writes';
import { useWorkshop } from '@/ui/WorkshopContext';
import { refusalWords } from '../../refusalWords';
import { useSend } from '../../useSend';
import type { Posted } from '../../outbox/Outbox';
import { type OutboxEntry, outboxStore } from '../../outbox/outboxStore';
import { useOutbox } from '../../outbox/useOutbox';
import { type HandedRequest, SOMEBODY, UNSAVED, jobOutbox } from './handIn';
import type { JobDraft } from '../draft/jobDraft';
import { KEPT_WRITES, type Keep, type KeptWrite, type OfJob } from './keep';

type RecordRequest = Omit<Request<'recordStep'>, keyof OfJob>;

/** A note and a finding stand whoever saved in between. */
function ask(name: KeptWrite, { revision, ...sent }: HandedRequest): Promise<Outcome<JobWithLog>> {
  const request: unknown = name === 'keepNote' || name === 'keepFinding' ? sent : { ...sent, revision };
  return writeAction(name, request as Sent<typeof name>);
}

export interface Records {
  /** As the workshop has it, and what waits for it. */
  log: LogEntry[];
  busy: boolean;
  failure: string | null;
  clear: () => void;
  record: (request: RecordRequest, here: JobCase, then: (value: JobWithLog) => void) => Promise<void>;
  /** Null when it was taken back, else why not. */
  withdraw: (entryId: string, reason: string) => Promise<string | null>;
  keep: Keep;
  /** What could not be handed in yet, oldest first. */
  waiting: readonly OutboxEntry[];
  again: (requestId: string) => Promise<void>;
  letGo: (requestId: string) => Promise<void>;
}

export function useRecords(first: JobWithLog, draft: JobDraft, maker: string): Records {
  const router = useRouter();
  const send = useSend();
  const { device } = useWorkshop();
  const [{ log: handedIn, from }, setLog] = useState({ log: first.log, from: first.log });
  // A newer log from the server, after a refresh, takes the place of the one in hand.
  if (from !== first.log) setLog({ log: first.log, from: first.log });
  const [failure, setFailure] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const jobId = first.job.id;
  const [outbox] = useState(() => jobOutbox(outboxStore(), jobId, draft, ask));
  const answered = (value: JobWithLog) => {
    setLog({ log: value.log, from: first.log });
    router.refresh();
  };
  const waiting = useOutbox(outbox, answered, { paused: busy });
  const log = useMemo(() => {
    const meanwhile = waiting.flatMap(({ entry, waits }) => (entry && waits ? [entry] : []));
    return [...handedIn, ...meanwhile];
  }, [handedIn, waiting]);

  /** Hands one in after whatever waits. @returns the answer, what stands until it comes, or why it was refused */
  const handIn = async (one: Omit<Posted, 'inputs' | 'key'>, at = new Date()): Promise<JobWithLog | string> => {
    setBusy(true);
    setFailure(null);
    try {
      const others = outbox.read().length > 0;
      const requestId = await outbox.add({ ...one, inputs: draft.read().inputs }, at);
      const last = await outbox.run(answered);
      if (last?.requestId === requestId) {
        if (last.kind === 'done') return last.value;
        if (last.kind === 'refused') {
          // Somebody stands here and reads it: it need not wait.
          await (others ? outbox.leaveIt(requestId) : outbox.letGo(requestId));
          setFailure(last.says);
          if (last.says === SOMEBODY) router.refresh();
          return last.says;
        }
      }
      const { inputs, revision } = draft.read();
      return { job: { ...first.job, inputs, revision }, log: [...log, ...(one.entry ? [one.entry] : [])] };
    } finally {
      setBusy(false);
    }
  };
  return {
    log,
    busy,
    failure,
    waiting,
    again: outbox.again,
    letGo: outbox.letGo,
    clear: () => setFailure(null),
    record: async (request, here, then) => {
      const at = new Date();
      const air = request.air ? airReadings(request.air, 'measured') : [];
      const said = { ...request, maker, device: device?.name ?? '', air };
      const entry = recordOf(here, said, { id: `waiting-${at.getTime()}`, at });
      const value = await handIn({ write: 'recordStep', request: { ...request, maker }, says: entry.did, entry }, at);
      if (typeof value !== 'string') then(value);
    },
    withdraw: async (entryId, reason) => {
      const unsent = outbox.read().find(({ entry }) => entry?.id === entryId);
      if (!unsent) return withdraw({ entryId, reason });
      await outbox.letGo(unsent.requestId);
      return null;
    },
    keep: async (write, request, then) => {
      const value = await handIn({ write, request: { ...request, maker }, says: KEPT_WRITES[write], entry: null });
      if (typeof value === 'string') return value;
      then?.();
      return null;
    },
  };

  /** Takes a record back: not done from afar, for what stands now has to be seen. */
  async function withdraw(request: { entryId: string; reason: string }): Promise<string | null> {
    setBusy(true);
    setFailure(null);
    try {
      if (!(await draft.flush())) {
        setFailure(UNSAVED);
        return UNSAVED;
      }
      const outcome: Outcome<JobWithLog> = await send('withdraw', { ...request, jobId, revision: draft.read().revision, maker });
      if (outcome.ok) {
        draft.take(outcome.value.job, false);
        answered(outcome.value);
        return null;
      }
      if (outcome.kind === 'stale') {
        draft.meet(outcome.theirs);
        router.refresh();
      }
      const says = outcome.kind === 'stale' ? SOMEBODY : refusalWords(outcome);
      setFailure(says);
      return says;
    } finally {
      setBusy(false);
    }
  }
}
