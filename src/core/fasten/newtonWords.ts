/* The pull of each step in words, where pulls are worked out: "pull 18 N, a firm pinch". */
import { printed } from '../quantities/printed';
import { type Hand, feelWords } from './hand';

/** By the step of the route; a step that is not in it is pulled as taught. */
export type NewtonWords = ReadonlyMap<number, string> | 'waits' | 'failed';

/** Pulls that are still being worked out. */
export const NO_PULLS_YET = 'waits' as const;
/** Pulls that could not be worked out: nothing is said in their place. */
export const NO_PULLS_TOLD = 'failed' as const;

/**
 * @example newtonWords([{ order: 2, workedN: 18, laidOn: false }], null).get(2) // 'pull 18 N'
 */
export function newtonWords(
  pulls: readonly { order: number; workedN: number; laidOn: boolean }[],
  hand: Pick<Hand, 'feels'> | null,
): ReadonlyMap<number, string> {
  return new Map(
    pulls.map(({ order, workedN, laidOn }) => {
      const feel = laidOn ? '' : feelWords(workedN, hand);
      return [order, laidOn ? 'laid on, no pull' : `pull ${printed('pull', workedN)}${feel === '' ? '' : `, ${feel}`}`];
    }),
  );
}

/** Words for one step; null where it is pulled as taught. */
export function newtonWordsOf(words: NewtonWords | null, order: number): string | null {
  if (words === null) return null;
  if (words === 'waits') return 'its pull is being worked out';
  return words === 'failed' ? 'its pull could not be worked out' : (words.get(order) ?? null);
}
