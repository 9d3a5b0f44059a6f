import { settling } from './jobStates';
import type { Workshop } from '../workshop';

let tending: Promise<void> | null = null;

/**
 * Works out the states of all jobs that were changed or stand on other rules, one after the other with pauses between: what a
 * list would work out while somebody waits for it is done before. One run goes at a time.
 *
 * @param idle how many times as long as it works it leaves the thread to others
 */
export function tendStates(workshop: Workshop, idle = 3): Promise<void> {
  tending ??= tend(workshop, idle)
    // A file that is held, or closed: lists settle what they read themselves.
    .catch((error: unknown) => console.error('States of jobs could not be worked out:', error))
    .finally(() => (tending = null));
  return tending;
}

const ALL = 1_000_000_000;

async function tend(workshop: Workshop, idle: number): Promise<void> {
  let since = Date.now();
  for (const _job of settling(workshop, ALL)) {
    const worked = Date.now() - since;
    await new Promise((turn) => setTimeout(turn, idle * worked));
    since = Date.now();
  }
}
