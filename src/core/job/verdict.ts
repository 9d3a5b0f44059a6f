import type { AssumptionId } from './assumptions';

export type Level = 'good' | 'watch' | 'stop';

/** Every judgement the core makes, in every stage, in one form. */
export interface Verdict {
  /** What is judged, as a short noun phrase; unique within a stage. */
  about: string;
  level: Level;
  measured: number | null;
  limit: number | null;
  /** Unit of `measured` and `limit`; empty when they are null. */
  unit: string;
  /** The judgement in one sentence, figures with their units. */
  says: string;
  /** Why: the formula or the custom of the trade it rests on. */
  because: string;
  /** What to do next; empty when nothing is to be done. */
  doThis: string;
  /** The assumptions the judgement used, for the reader to open and change. */
  uses: AssumptionId[];
}

const WORST: Level[] = ['good', 'watch', 'stop'];

/** A verdict with the parts that are often empty filled in. */
export function verdict(parts: Pick<Verdict, 'about' | 'level' | 'says'> & Partial<Verdict>): Verdict {
  return { measured: null, limit: null, unit: '', because: '', doThis: '', uses: [], ...parts };
}

/** The level of a measure that should stay at or below `limit`, and is only watched up to `ceiling`. */
export function levelAtMost(measured: number, limit: number, ceiling: number): Level {
  if (measured <= limit) return 'good';
  return measured <= ceiling ? 'watch' : 'stop';
}

/** The gravest level among verdicts; "good" for none. */
export function worstLevel(verdicts: readonly Verdict[]): Level {
  return WORST[Math.max(0, ...verdicts.map((one) => WORST.indexOf(one.level)))]!;
}
