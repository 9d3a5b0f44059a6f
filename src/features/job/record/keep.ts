import type { Request, RequestName } from '@/server/writes';

/** What may be kept of a job between its stages, and what it is called while it waits for the workshop. */
export const KEPT_WRITES = {
  recordStep: 'Record',
  keepNote: 'Note',
  keepFinding: 'Condition file',
  keepTaps: 'Taps',
  keepWeight: 'Tension by a weight',
  keepFeel: 'How it feels',
  keepTurns: 'Corners opened',
  keepRemedy: 'Remedy',
  keepRehearsal: 'Rehearsal',
} as const satisfies Partial<Record<RequestName, string>>;
export type KeptWrite = keyof typeof KEPT_WRITES;

/** What a job fills in by itself: which it is, the version that was seen, and whose hands. */
export interface OfJob {
  jobId: string;
  revision: number;
  maker: string;
}

/**
 * Saves what was typed, asks for a new entry of the log, and takes its answer.
 *
 * @param then once it is kept, here or in the workshop
 * @returns null when it was, else why not
 */
export type Keep = <N extends KeptWrite>(
  name: N,
  request: Omit<Request<N>, keyof OfJob>,
  then?: () => void,
) => Promise<string | null>;
