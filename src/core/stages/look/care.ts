/* Who may lay hands on a painting, from what was seen of it: the one answer that all stages ask. */
import { USES, byId } from '../../house/schools';
import type { JobInputs } from '../../job/job';
import { listOfWords } from '../../units/inWords';
import { CONDITIONS, type ConditionId } from './conditions';
import { DECISIONS, type LookInputs } from './lookInputs';

export interface Care {
  /** Kinds of condition that ask for a conservator, each once, in the order of the table. */
  conservatorFor: ConditionId[];
  /** A conservator stands before any hand tool. */
  conservatorFirst: boolean;
  /** Hands may work on it: nothing asks for a conservator, or one has said yes. */
  handsMay: boolean;
}

/**
 * Whether a condition asks for a conservator on work of this value.
 *
 * @example asksFor('dent', 'ordinary') // false
 */
export function asksFor(kind: ConditionId, value: LookInputs['value']): boolean {
  const { forWhom } = byId(CONDITIONS, kind);
  return forWhom === 'conservator' || (forWhom === 'conservatorIfValued' && value === 'valued');
}

/**
 * What a look at a painting asks for. What is worth something goes to a conservator with any condition that is more than a matter
 * of fasteners; with none it may be stretched.
 *
 * @example careOf({ ...newInputs('', length(400), length(300)).look, conditions: [{ kind: 'tear', at: null, note: '' }] }) // { conservatorFor: ['tear'], conservatorFirst: true, handsMay: false }
 */
export function careOf({ conditions, value, decided }: LookInputs): Care {
  const conservatorFor = CONDITIONS.filter(({ id }) => asksFor(id, value) && conditions.some(({ kind }) => kind === id)).map(
    ({ id }) => id,
  );
  const conservatorFirst = conservatorFor.length > 0;
  return { conservatorFor, conservatorFirst, handsMay: !conservatorFirst || byId(DECISIONS, decided).opens };
}

/** The words of what asks for a conservator. */
export const asksWords = ({ conservatorFor }: Pick<Care, 'conservatorFor'>): string =>
  listOfWords(conservatorFor.map((id) => byId(CONDITIONS, id).words));

/** A painting on which nobody works by hand before a conservator has said yes. */
export const isFragile = ({ brief, look }: Pick<JobInputs, 'brief' | 'look'>): boolean =>
  byId(USES, brief.use).painted && !careOf(look).handsMay;
