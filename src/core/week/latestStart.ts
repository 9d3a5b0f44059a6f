import { aloneEnds } from '../schedule/scheduleBound';
import { indexedShop } from '../schedule/indexedShop';
import type { Shop } from '../schedule/shop';

/**
 * The last step at which what a job needs next may be begun so that it is ready by its date, were nobody else at work; null where
 * nobody waits for it, below 0 where it is too late already.
 */
export function latestStart(shop: Shop, jobId: string): number | null {
  const job = shop.jobs.find(({ id }) => id === jobId);
  if (!job || job.due === null) return null;
  const own = shop.tasks.filter((task) => task.job === jobId);
  if (own.length === 0) return null;
  const endFrom = (release: number): number =>
    Math.max(...aloneEnds(indexedShop({ ...shop, jobs: [{ ...job, release }], tasks: own })));
  let [low, high] = [0, Math.max(0, job.due)];
  if (endFrom(low) > job.due) return -1;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (endFrom(middle) <= job.due) low = middle;
    else high = middle - 1;
  }
  return low;
}
