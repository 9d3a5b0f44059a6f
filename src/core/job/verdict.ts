import type { AssumptionId } from '../house/assumptions';
import { type QuantityId, isBelieved, quantity } from '../quantities/quantities';
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

/** What a judgement is of: the kind of its measure and limit, whose unit and belief it has. */
type Parts = Pick<Verdict, 'id' | 'about' | 'level' | 'says'> & Partial<Omit<Verdict, 'unit'>> & { of?: QuantityId };

/**
 * A verdict with the parts that are often empty filled in. A measure beyond belief is no answer: then it says that it could not
 * be worked out, and why.
 *
 * @example verdict({ id: 'bow', about: 'bow', level: 'good', of: 'bow', measured: 1.2, limit: 2, says: 'It holds.' }).unit // 'mm'
 * @example verdict({ id: 'bow', about: 'bow', level: 'good', of: 'bow', measured: 9000, limit: 2, says: 'It bows 9 m.' }).says // 'Not worked out: bow.'
 */
export function verdict({ of, ...parts }: Parts): Verdict {
  const whole = { measured: null, limit: null, unit: '', because: '', doThis: '', uses: [], ...parts };
  if (of === undefined) return whole;
  if (whole.measured !== null && !isBelieved(of, whole.measured)) return notWorkedOut(whole, of);
  return { ...whole, unit: quantity(of).metric.unit };
}

const notWorkedOutWords = (about: string): string => `Not worked out: ${about}.`;

/** The judgement of a value that no workshop meets. */
function notWorkedOut({ id, about, level, doThis, uses }: Verdict, of: QuantityId): Verdict {
  return verdict({
    id,
    about,
    level: level === 'stop' ? 'stop' : 'watch',
    says: notWorkedOutWords(about),
    because: `The sum gives a ${quantity(of).name} that no canvas has.`,
    // What stops is far beyond its limit: what helps against it still does.
    doThis:
      level === 'stop' && doThis ? doThis : 'Look for a slip in what was typed here; go by the tape and the hand until then.',
    uses,
  });
}

/** Whether it judges nothing, since its measure was beyond belief. */
export const isNotWorkedOut = ({ about, says }: Pick<Verdict, 'about' | 'says'>): boolean => says === notWorkedOutWords(about);

/** The level of a measure that should stay at or below `limit`, and is only watched up to `ceiling`. */
export function levelAtMost(measured: number, limit: number, ceiling: number): Level {
  if (measured <= limit) return 'good';
  return measured <= ceiling ? 'watch' : 'stop';
}

/** The gravest level among verdicts; "good" for none. */
export function worstLevel(verdicts: readonly Verdict[]): Level {
  return LEVELS[Math.max(0, ...verdicts.map((one) => LEVELS.indexOf(one.level)))]!;
}
