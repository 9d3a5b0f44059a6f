'use client';
/*
 * The job as it is being typed: changes at once, saved by itself a moment later, with undo. A save carries
 * the revision it started from; a stale one is refused and both versions are kept for the maker to choose.
 */
import { useCallback, useEffect, useReducer, useRef } from 'react';
import { saveInputsAction } from '@/app/actions';
import type { JobInputs } from '@/core/job/job';
import type { StageId } from '@/core/job/stages';
import { stageById } from '@/core/job/stages';
import type { StoredJob } from '@/db/jobs';
import type { Outcome } from '@/server/outcome';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'failed' | 'stale';

interface State {
  inputs: JobInputs;
  saved: JobInputs;
  revision: number;
  save: SaveState;
  says: string;
  theirs: StoredJob | null;
  past: { inputs: JobInputs; field: string }[];
}

type Event =
  | { type: 'typed'; inputs: JobInputs; field: string }
  | { type: 'undone' }
  | { type: 'saving' }
  | { type: 'answered'; sent: JobInputs; outcome: Outcome<StoredJob> }
  | { type: 'broken'; says: string }
  | { type: 'took'; job: StoredJob; keepMine: boolean };

const LONGEST_PAST = 200;

function reduce(state: State, event: Event): State {
  switch (event.type) {
    case 'typed': {
      const last = state.past.at(-1);
      // Keystrokes in one field are one step back, however many there were.
      const past = last?.field === event.field && event.field !== '' ? state.past : [...state.past.slice(-LONGEST_PAST), { inputs: state.inputs, field: event.field }];
      return { ...state, inputs: event.inputs, past, save: state.save === 'stale' ? 'stale' : 'unsaved' };
    }
    case 'undone': {
      const last = state.past.at(-1);
      return last ? { ...state, inputs: last.inputs, past: state.past.slice(0, -1), save: state.save === 'stale' ? 'stale' : 'unsaved' } : state;
    }
    case 'saving':
      return { ...state, save: 'saving' };
    case 'answered':
      return answered(state, event.sent, event.outcome);
    case 'broken':
      return { ...state, save: 'failed', says: event.says };
    case 'took':
      return { ...state, inputs: event.keepMine ? state.inputs : event.job.inputs, saved: event.job.inputs, revision: event.job.revision, theirs: null, save: event.keepMine ? 'unsaved' : 'saved', says: '', past: event.keepMine ? state.past : [] };
  }
}

function answered(state: State, sent: JobInputs, outcome: Outcome<StoredJob>): State {
  if (outcome.ok) return { ...state, saved: sent, revision: outcome.value.revision, save: state.inputs === sent ? 'saved' : 'unsaved', says: '' };
  switch (outcome.kind) {
    case 'stale':
      return { ...state, save: 'stale', theirs: outcome.theirs };
    case 'locked':
      return { ...state, save: 'failed', says: `${outcome.stages.map((id) => stageById(id).name).join(', ')} is recorded: take the record back to change it.` };
    case 'invalid':
      return { ...state, save: 'failed', says: outcome.errors.map((error) => error.says).join('; ') };
    case 'refused':
      return { ...state, save: 'failed', says: outcome.says };
  }
}

export interface JobDraft {
  inputs: JobInputs;
  /** The revision in hand, also right after a flush. */
  revisionNow: () => number;
  save: SaveState;
  says: string;
  theirs: StoredJob | null;
  canUndo: boolean;
  /** Changes one stage; `field` groups keystrokes for undo. */
  change: <S extends StageId>(stage: S, patch: Partial<JobInputs[S]>) => void;
  setKit: (kit: string[]) => void;
  undo: () => void;
  /** Saves now; true when all that was typed is on the disk. */
  flush: () => Promise<boolean>;
  /** A record was refused because somebody saved in between: shows both versions. */
  meet: (theirs: StoredJob) => void;
  /** Goes on from another version: theirs, or mine laid over it. */
  take: (job: StoredJob, keepMine: boolean) => void;
}

const PAUSE_MS = 500;

export function useJobDraft(job: StoredJob): JobDraft {
  const [state, send] = useReducer(reduce, { inputs: job.inputs, saved: job.inputs, revision: job.revision, save: 'saved', says: '', theirs: null, past: [] });
  const latest = useRef(state);
  latest.current = state;
  const running = useRef<Promise<boolean> | null>(null);

  const saveOnce = useCallback(async (): Promise<boolean> => {
    const { inputs, saved, revision, save } = latest.current;
    if (save === 'stale') return false;
    if (inputs === saved) return true;
    send({ type: 'saving' });
    try {
      const outcome = await saveInputsAction({ jobId: job.id, revision, inputs });
      // Kept here too, so that a second save right behind carries the new revision.
      latest.current = answered(latest.current, inputs, outcome);
      send({ type: 'answered', sent: inputs, outcome });
      return outcome.ok;
    } catch (error) {
      send({ type: 'broken', says: `The server does not answer (${(error as Error).message}). What you typed stays here; it is saved when the server is back.` });
      return false;
    }
  }, [job.id]);

  const flush = useCallback(async (): Promise<boolean> => {
    while (running.current) await running.current;
    running.current = saveOnce();
    const ok = await running.current;
    running.current = null;
    return ok;
  }, [saveOnce]);

  const { save, inputs } = state;
  useEffect(() => {
    if (save !== 'unsaved' && save !== 'failed') return;
    const timer = setTimeout(() => void flush(), save === 'failed' ? 5000 : PAUSE_MS);
    return () => clearTimeout(timer);
  }, [save, inputs, flush]);

  useEffect(() => {
    if (save === 'saved') return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [save]);

  const change = useCallback<JobDraft['change']>((stage, patch) => {
    const { inputs: before } = latest.current;
    const after = { ...before, [stage]: { ...before[stage], ...patch } };
    latest.current = { ...latest.current, inputs: after };
    send({ type: 'typed', inputs: after, field: `${stage}.${Object.keys(patch).join(',')}` });
  }, []);

  const setKit = useCallback((kit: string[]) => {
    const after = { ...latest.current.inputs, kit };
    latest.current = { ...latest.current, inputs: after };
    send({ type: 'typed', inputs: after, field: '' });
  }, []);

  return {
    inputs: state.inputs,
    revisionNow: useCallback(() => latest.current.revision, []),
    save: state.save,
    says: state.says,
    theirs: state.theirs,
    canUndo: state.past.length > 0,
    change,
    setKit,
    undo: useCallback(() => send({ type: 'undone' }), []),
    flush,
    meet: useCallback((theirs: StoredJob) => send({ type: 'answered', sent: latest.current.inputs, outcome: { ok: false, kind: 'stale', theirs } }), []),
    take: useCallback((taken: StoredJob, keepMine: boolean) => send({ type: 'took', job: taken, keepMine }), []),
  };
}
