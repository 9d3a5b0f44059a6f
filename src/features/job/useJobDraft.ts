'use client';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { saveInputsAction } from '@/server/actions';
import type { StoredJob } from '@/db/jobs';
import { type DraftState, JobDraft } from './jobDraft';

const PAUSE_MS = 500;
const RETRY_MS = 5000;

/** The draft of a job on this screen: saved a moment after the last keystroke, tried again when the server was away. */
export function useJobDraft(job: StoredJob): [DraftState, JobDraft] {
  const [draft] = useState(() => new JobDraft(job, saveInputsAction));
  const state = useSyncExternalStore(draft.subscribe, draft.read, draft.read);
  const { save, inputs } = state;
  useEffect(() => {
    if (save !== 'unsaved' && save !== 'failed') return;
    const timer = setTimeout(() => void draft.flush(), save === 'failed' ? RETRY_MS : PAUSE_MS);
    return () => clearTimeout(timer);
  }, [save, inputs, draft]);
  useEffect(() => {
    if (save === 'saved') return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [save]);
  return [state, draft];
}
