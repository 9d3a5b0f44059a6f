/*
 * Writes on their way to the workshop. Each carries an id that stays the same until an answer has come, so that what is sent
 * again after a lost answer is never done twice; a file that is held elsewhere is waited for, with a sign.
 */
import { writeAction } from '@/server/actions';
import type { Outcome } from '@/server/write/outcome';
import type { Request, RequestName, Answer } from '@/server/writes';
/** Sends a write by its name; always answers, also when the server does not. */
export type Send = <N extends RequestName>(name: N, request: Request<N>) => Promise<Outcome<Answer<N>>>;

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
export async function sendPatiently<T>(
  ask: () => Promise<Outcome<T>>,
  pause = (ms: number) => new Promise<void>((on) => setTimeout(on, ms)),
): Promise<Outcome<T>> {
  let outcome = await ask();
  if (outcome.ok || outcome.kind !== 'busy') return outcome;
  wait(1);
  try {
    for (const ms of PAUSES_MS) {
      await pause(ms);
      outcome = await ask();
      if (outcome.ok || outcome.kind !== 'busy') break;
    }
  } finally {
    wait(-1);
  }
  return outcome;
}

/** The writes of one screen: of each name one request is on its way at most. */
export function sender(write: typeof writeAction = writeAction): Send {
  const ids = new Map<RequestName, string>();
  return async (name, request) => {
    const requestId = ids.get(name) ?? newRequestId();
    ids.set(name, requestId);
    try {
      const outcome = await sendPatiently(() => write(name, { ...request, requestId }));
      ids.delete(name);
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
