'use client';
import { useRouter } from 'next/navigation';
import type { Request, RequestName, Answer } from '@/server/writes';
import { refusalWords } from './refusalWords';
import { useSend } from './useSend';

/**
 * Sends a write of this screen and shows the page as it stands then.
 *
 * @returns null when it was done, else what went wrong in a sentence: what a form asks of its sending
 */
export type SendWrite = <N extends RequestName>(
  name: N,
  request: Request<N>,
  then?: (answer: Answer<N>) => void,
) => Promise<string | null>;

export function useWrite(): SendWrite {
  const router = useRouter();
  const send = useSend();
  return async (name, request, then) => {
    const outcome = await send(name, request);
    // What somebody else did meanwhile is shown with the refusal.
    if (!outcome.ok && outcome.kind === 'stale') router.refresh();
    if (!outcome.ok) return refusalWords(outcome);
    then?.(outcome.value);
    router.refresh();
    return null;
  };
}
