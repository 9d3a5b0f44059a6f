import type { useRouter } from 'next/navigation';
import type { Begun } from '@/server/set/setWrites';

/** To the job that was begun, or to the set where there are several. */
export const goToBegun = (router: ReturnType<typeof useRouter>, { jobId, setId }: Begun): void =>
  router.push(setId === null ? `/job/${jobId}` : `/set/${setId}`);

/** What the button says. */
export const startWords = (count: number): string => (count > 1 ? `Start a set of ${count}` : 'Start the job');
