'use client';
/* The log of a job on the screen: records that are sent, readings that are kept, and what came of the last one. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { LogEntry } from '@/core/log/logEntry';
import { recordStepAction, withdrawRecordAction } from '@/server/actions';
import type { JobWithLog } from '@/server/jobReading';
import type { Outcome } from '@/server/outcome';
import { type JobDraft, refusalWords } from './jobDraft';
import type { Keep } from './keep';

type RecordRequest = Omit<Parameters<typeof recordStepAction>[0], 'jobId' | 'revision' | 'maker'>;

export interface Records {
  log: LogEntry[];
  busy: boolean;
  failure: string | null;
  clear: () => void;
  record: (request: RecordRequest, then: (value: JobWithLog) => void) => Promise<void>;
  withdraw: (entryId: string, reason: string) => Promise<void>;
  keep: Keep;
}

export function useRecords(first: JobWithLog, draft: JobDraft, maker: string): Records {
  const router = useRouter();
  const [{ log, from }, setLog] = useState({ log: first.log, from: first.log });
  // A newer log from the server, after a refresh, takes the place of the one in hand.
  if (from !== first.log) setLog({ log: first.log, from: first.log });
  const [failure, setFailure] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const jobId = first.job.id;

  const settle = async (act: (revision: number) => Promise<Outcome<JobWithLog>>, then?: (value: JobWithLog) => void) => {
    setBusy(true);
    setFailure(null);
    try {
      if (!(await draft.flush())) return setFailure('What was typed is not saved yet: see above.');
      const outcome = await act(draft.read().revision);
      if (outcome.ok) {
        draft.take(outcome.value.job, false);
        setLog({ log: outcome.value.log, from: first.log });
        router.refresh();
        then?.(outcome.value);
      } else if (outcome.kind === 'stale') draft.meet(outcome.theirs);
      else setFailure(refusalWords(outcome));
    } catch (error) {
      setFailure(`The server does not answer (${(error as Error).message}). Nothing is lost: try again.`);
    } finally {
      setBusy(false);
    }
  };
  return {
    log,
    busy,
    failure,
    clear: () => setFailure(null),
    record: (request, then) => settle((revision) => recordStepAction({ ...request, jobId, revision, maker }), then),
    withdraw: (entryId, reason) => settle((revision) => withdrawRecordAction({ jobId, revision, entryId, maker, reason })),
    keep: async (act) => {
      let kept = false;
      await settle(
        (revision) => act({ jobId, revision, maker }),
        () => (kept = true),
      );
      return kept;
    },
  };
}
