/* One thing done for several jobs: for all of them, or for none. */
import type { Database } from 'better-sqlite3';
import { findJob } from '@/db/jobs';
import { type Outcome, type Refusal, refuse } from './outcome';

/** Takes back everything that was begun. */
class OneRefused extends Error {
  constructor(
    readonly jobId: string,
    readonly refusal: Refusal,
  ) {
    super('refused');
  }
}

/**
 * Does one thing for each of several jobs in one transaction; where one is refused nothing is done, and its number is named.
 *
 * @param answer what is answered when all is done
 */
export function allOrNone<J extends { jobId: string }, T>(
  database: Database,
  jobs: readonly J[],
  act: (one: J) => Outcome<unknown>,
  answer: () => Outcome<T>,
): Outcome<T> {
  if (new Set(jobs.map(({ jobId }) => jobId)).size < jobs.length) return refuse('A canvas stands twice in this list.');
  const write = database.transaction((): Outcome<T> => {
    for (const one of jobs) {
      const outcome = act(one);
      if (!outcome.ok) throw new OneRefused(one.jobId, outcome);
    }
    return answer();
  });
  try {
    return write.immediate();
  } catch (error) {
    if (!(error instanceof OneRefused)) throw error;
    return namedRefusal(error.refusal, findJob(database, error.jobId)?.number ?? null);
  }
}

function namedRefusal(refusal: Refusal, number: number | null): Refusal {
  if (refusal.kind === 'busy') return refusal;
  const name = number === null ? 'A canvas that is not in the workshop any more' : `No. ${number}`;
  const why = {
    invalid: () => (refusal as Refusal & { kind: 'invalid' }).errors.map(({ says }) => says).join(' '),
    refused: () => (refusal as Refusal & { kind: 'refused' }).says,
    early: () => (refusal as Refusal & { kind: 'early' }).says,
    stale: () => 'it was changed elsewhere in between: look again.',
    locked: () => 'what would change is recorded.',
    here: () => 'it is here already.',
  }[refusal.kind]();
  return refuse(`${name} was refused, so nothing is recorded for any: ${why}`);
}
