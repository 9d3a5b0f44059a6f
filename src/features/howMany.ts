import type { useRouter } from 'next/navigation';
import { MOST_IN_SET } from '@/core/set/setShape';
import type { Begun } from '@/server/setCases';

/** Why a typed count will not do; null when it does. */
export const countTrouble = (typed: string): string | null =>
  /^\s*\d+\s*$/.test(typed) && Number(typed) >= 1 && Number(typed) <= MOST_IN_SET
    ? null
    : `“${typed}” is no count of canvases: type a whole number from 1 to ${MOST_IN_SET}.`;

/** To the job that was begun, or to the set where there are several. */
export const goToBegun = (router: ReturnType<typeof useRouter>, { jobId, setId }: Begun): void =>
  router.push(setId === null ? `/job/${jobId}` : `/set/${setId}`);

/** What the button says. */
export const startWords = (count: number): string => (count > 1 ? `Start a set of ${count}` : 'Start the job');
