'use client';
import { useEffect, useEffectEvent, useSyncExternalStore } from 'react';
import type { Outbox } from './Outbox';
import type { OutboxEntry } from './outboxStore';

/** Between two tries while the workshop is out of reach, ms. */
const RETRY_MS = 3000;

const NONE: readonly OutboxEntry[] = [];

interface UseOutbox {
  /** After the last change, before anything is sent, ms. */
  pauseMs?: number;
  /** Somebody hands in by hand just now. */
  paused?: boolean;
}

/**
 * What waits in an outbox, handed in while the page is open: at once, when the browser is in reach again, and every few seconds.
 *
 * @param then with each answer, as it comes
 */
export function useOutbox<T>(outbox: Outbox<T>, then: (value: T) => void, options: UseOutbox = {}): readonly OutboxEntry[] {
  const { pauseMs = 0, paused = false } = options;
  const waiting = useSyncExternalStore(outbox.subscribe, outbox.read, () => NONE);
  const taken = useEffectEvent(then);
  const stuck = !paused && waiting.some(({ trouble }) => trouble === null);
  useEffect(() => {
    if (!stuck) return;
    const run = () => void outbox.run((value) => taken(value));
    const first = setTimeout(run, pauseMs);
    const timer = setInterval(run, RETRY_MS);
    window.addEventListener('online', run);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
      window.removeEventListener('online', run);
    };
  }, [stuck, outbox, pauseMs, waiting]);
  // What was changed last goes out when the page is left.
  useEffect(() => () => void outbox.run(), [outbox]);
  return waiting;
}
