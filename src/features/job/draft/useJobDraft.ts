'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { writeAction } from '@/server/actions';
import type { StoredJob } from '@/db/jobs';
import { useShownAgain } from '@/ui/useShownAgain';
import { useWorkshop } from '@/ui/WorkshopContext';
import { newRequestId, sendPatiently } from '../../sender';
import { type DraftState, JobDraft } from './jobDraft';
import { keepDraft, keptDraft } from './keptDraft';

/** Drafts of this tab whose last save is still on its way: a page that comes back goes on with its own. */
const onTheirWay = new Map<string, JobDraft>();

function draftOf(job: StoredJob, looksOn: boolean): JobDraft {
  const there = onTheirWay.get(job.id);
  if (there) return there;
  return new JobDraft(job, (sent) => sendPatiently(() => writeAction('saveInputs', sent)), looksOn);
}

const PAUSE_MS = 500;
const RETRY_MS = 5000;

/**
 * The draft of a job on this screen: saved a moment after the last keystroke and when the page is left, tried again when the
 * server was away, kept in the browser until the workshop has it.
 */
export function useJobDraft(job: StoredJob): [DraftState, JobDraft] {
  const { looksOn } = useWorkshop();
  const [draft] = useState(() => draftOf(job, looksOn));
  const state = useSyncExternalStore(draft.subscribe, draft.read, draft.read);
  const { save, inputs, revision, met } = state;
  const router = useRouter();
  useEffect(() => {
    if (met > 0) router.refresh();
  }, [met, router]);
  useEffect(() => {
    if (save !== 'unsaved' && save !== 'failed') return;
    const timer = setTimeout(() => void draft.flush(), save === 'failed' ? RETRY_MS : PAUSE_MS);
    return () => clearTimeout(timer);
  }, [save, inputs, draft]);
  /** What is kept in the browser is of this page: another tab keeps its own hands off it. */
  const own = useRef(false);
  useEffect(() => {
    const kept = keptDraft(job.id);
    if (!kept) return;
    own.current = draft.resume(kept);
    // The workshop has it already.
    if (!own.current) keepDraft(job.id, null);
    // Once, when the page opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  useEffect(() => {
    if (save !== 'saved') {
      own.current = true;
      keepDraft(job.id, { revision, inputs });
    } else if (own.current && draft.read().save === 'saved') {
      own.current = false;
      keepDraft(job.id, null);
    }
  }, [job.id, draft, save, revision, inputs]);
  useLeaving(job.id, draft);
  useNewest(job.id, draft);
  return [state, draft];
}

/** A page that is left saves what was typed last: by the application while it goes on, by a request that outlives the page else. */
function useLeaving(jobId: string, draft: JobDraft): void {
  useEffect(() => {
    const leave = () => {
      const { save, revision, inputs } = draft.read();
      if (save === 'saved' || save === 'stale') return;
      // An effect may not have had its turn since the last key.
      keepDraft(jobId, { revision, inputs });
      const body = JSON.stringify({ requestId: newRequestId(), revision, inputs });
      void fetch(`/api/job/${jobId}/inputs`, { method: 'PUT', body, keepalive: true }).catch(() => undefined);
    };
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      onTheirWay.set(jobId, draft);
      void draft.flush().finally(() => onTheirWay.get(jobId) === draft && onTheirWay.delete(jobId));
    };
  }, [jobId, draft]);
}

/** Asks for the newest version when the page is shown, again or by the browser’s Back: what it had may be older. */
function useNewest(jobId: string, draft: JobDraft): void {
  const router = useRouter();
  const ask = useCallback(async () => {
    try {
      const answer = await fetch(`/api/job/${jobId}/inputs`, { cache: 'no-store' });
      if (answer.ok && draft.learn((await answer.json()) as StoredJob)) router.refresh();
    } catch {
      // Away: the next save says so.
    }
  }, [jobId, draft, router]);
  useEffect(() => {
    if (document.visibilityState !== 'hidden') void ask();
  }, [ask]);
  useShownAgain(() => void ask());
}
