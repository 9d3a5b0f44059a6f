/*
 * Writes on their way to the workshop. Each carries an id that stays the same until an answer has come, so that what is sent
 * again after a lost answer is never done twice; a file that is held elsewhere is waited for, with a sign.
 */
import type { Outcome } from '@/server/outcome';

type Action<R, T> = (sent: R) => Promise<Outcome<T>>;

/** Sends a request by its action; always answers, also when the server does not. */
export type Send = <R extends { requestId: string }, T>(
  action: Action<R, T>,
  request: Omit<R, 'requestId'>,
) => Promise<Outcome<T>>;

/** Pauses before a held file is asked for again, ms; then it is given up. */
const PAUSES_MS = [300, 600, 1200, 2400, 4800, 4800, 4800];

/** An id that nobody else makes; also where the page is not served safely and the browser has no ids to give. */
export const newRequestId = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');

let waiting = 0;
const listeners = new Set<() => void>();

/** How many requests wait for the file. */
export const waitingRequests = {
  read: (): number => waiting,
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
};

function wait(by: number): void {
  waiting += by;
  for (const listener of listeners) listener();
}

/**
 * Sends until there is an answer: a file that is held is waited for.
 *
 * @throws what the way to the server throws
 */
export async function sendPatiently<R, T>(
  action: Action<R, T>,
  request: R,
  pause = (ms: number) => new Promise<void>((on) => setTimeout(on, ms)),
): Promise<Outcome<T>> {
  let outcome = await action(request);
  if (outcome.ok || outcome.kind !== 'busy') return outcome;
  wait(1);
  try {
    for (const ms of PAUSES_MS) {
      await pause(ms);
      outcome = await action(request);
      if (outcome.ok || outcome.kind !== 'busy') break;
    }
  } finally {
    wait(-1);
  }
  return outcome;
}

/** The writes of one screen: each action has one request on its way at most. */
export function sender(): Send {
  const ids = new Map<unknown, string>();
  return async (action, request) => {
    const requestId = ids.get(action) ?? newRequestId();
    ids.set(action, requestId);
    try {
      const outcome = await sendPatiently(action, { ...request, requestId } as Parameters<typeof action>[0]);
      ids.delete(action);
      return outcome;
    } catch {
      return {
        ok: false,
        kind: 'refused',
        says: 'The server does not answer. Nothing is lost: send it again, it is done once only.',
      };
    }
  };
}
