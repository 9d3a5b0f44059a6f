import type { AssumptionId } from '../house/assumptions';
import { type Field, type ShapeOf, listOf, number, oneOf, optional, text } from '../shape/shape';

const LEVELS = ['good', 'watch', 'stop'] as const;
export type Level = (typeof LEVELS)[number];

const FAR = Number.MAX_VALUE;

/** Every judgement the core makes, in every stage, in one form. */
export const verdictShape = {
  /** What it is known by; unique within a stage. Words never serve for that. */
  id: text(1, 120),
  /** What is judged, as a short noun phrase. */
  about: text(0, 120),
  level: oneOf(LEVELS),
  measured: optional(number(-FAR, FAR)),
  limit: optional(number(-FAR, FAR)),
  /** Unit of `measured` and `limit`; empty when they are null. */
  unit: text(0, 40),
  /** The judgement in one sentence, figures with their units. */
  says: text(0, 1000),
  /** Why: the formula or the custom of the trade it rests on. */
  because: text(0, 1000),
  /** What to do next; empty when nothing is to be done. */
  doThis: text(0, 1000),
  /** The assumptions the judgement used, for the reader to open and change. */
  uses: listOf(text(1, 64) as Field<AssumptionId>, 40),
};

export interface Verdict extends ShapeOf<typeof verdictShape> {}

/** A verdict with the parts that are often empty filled in. */
export function verdict(parts: Pick<Verdict, 'id' | 'about' | 'level' | 'says'> & Partial<Verdict>): Verdict {
  return { measured: null, limit: null, unit: '', because: '', doThis: '', uses: [], ...parts };
}

/** The level of a measure that should stay at or below `limit`, and is only watched up to `ceiling`. */
export function levelAtMost(measured: number, limit: number, ceiling: number): Level {
  if (measured <= limit) return 'good';
  return measured <= ceiling ? 'watch' : 'stop';
}

/** The gravest level among verdicts; "good" for none. */
export function worstLevel(verdicts: readonly Verdict[]): Level {
  return LEVELS[Math.max(0, ...verdicts.map((one) => LEVELS.indexOf(one.level)))]!;
}
