'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { saveInputsAction } from '@/server/actions';
import type { StoredJob } from '@/db/jobs';
import { type DraftState, JobDraft } from './jobDraft';
import { keepDraft, keptDraft } from './keptDraft';

const PAUSE_MS = 500;
const RETRY_MS = 5000;

/**
 * The draft of a job on this screen: saved a moment after the last keystroke and when the page is left, tried again when the
 * server was away, kept in the browser until the workshop has it.
 */
export function useJobDraft(job: StoredJob): [DraftState, JobDraft] {
  const [draft] = useState(() => new JobDraft(job, saveInputsAction));
  const state = useSyncExternalStore(draft.subscribe, draft.read, draft.read);
  const { save, inputs, revision } = state;
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
      if (save !== 'unsaved' && save !== 'failed') return;
      const body = JSON.stringify({ revision, inputs });
      void fetch(`/api/job/${jobId}/inputs`, { method: 'PUT', body, keepalive: true }).catch(() => undefined);
    };
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      void draft.flush();
    };
  }, [jobId, draft]);
}

/** Asks for the newest version when the page is shown, again or by the browser’s Back: what it had may be older. */
function useNewest(jobId: string, draft: JobDraft): void {
  const router = useRouter();
  useEffect(() => {
    const ask = async () => {
      if (document.visibilityState === 'hidden') return;
      try {
        const answer = await fetch(`/api/job/${jobId}/inputs`, { cache: 'no-store' });
        if (answer.ok && draft.learn((await answer.json()) as StoredJob)) router.refresh();
      } catch {
        // Away: the next save says so.
      }
    };
    void ask();
    window.addEventListener('pageshow', ask);
    document.addEventListener('visibilitychange', ask);
    return () => {
      window.removeEventListener('pageshow', ask);
      document.removeEventListener('visibilitychange', ask);
    };
  }, [jobId, draft, router]);
}
