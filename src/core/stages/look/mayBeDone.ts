/*
 * Whether something may be done to a work: the one answer that gates, lists, bench, label, passport and prints ask for. What was
 * seen of a painting and who decided stands in its file (`workFile.ts`).
 */
import { isPainted, byId } from '../../house/schools';
import type { JobInputs } from '../../job/job';
import { listOfWords } from '../../units/inWords';
import { asksWords, careOf } from './care';
import { CONDITIONS, type ConditionId } from './conditions';

interface Act<Id extends string> {
  id: Id;
  /** As it stands in a sentence: "keying it". */
  words: string;
  /** Why it is never done to an image; null where it may be. */
  neverPainted: string | null;
  /** Conditions with which it is never done, whoever said yes to stretching. */
  neverWith: readonly ConditionId[];
}

const act = <const I extends string>(row: Act<I>) => row;

export const ACTS = [
  act({
    id: 'wet',
    words: 'wetting it',
    neverPainted: 'Water swells the size under the paint and lifts it; inks run.',
    neverWith: [],
  }),
  act({ id: 'ground', words: 'priming it', neverPainted: 'A ground on an image is the end of the image.', neverWith: [] }),
  act({
    id: 'cut',
    words: 'cutting its cloth',
    neverPainted: 'What is cut off a painting is gone, and with it the next stretching.',
    neverWith: [],
  }),
  act({ id: 'weigh', words: 'a weight on its cloth', neverPainted: 'A weight bends the paint where it lies.', neverWith: [] }),
  act({ id: 'fasten', words: 'fastening it', neverPainted: null, neverWith: [] }),
  act({ id: 'unfasten', words: 'taking it off its bars', neverPainted: null, neverWith: [] }),
  act({ id: 'clamp', words: 'clamping it', neverPainted: null, neverWith: [] }),
  act({ id: 'tap', words: 'tapping it', neverPainted: null, neverWith: ['flaking'] }),
  act({ id: 'key', words: 'keying it', neverPainted: null, neverWith: [] }),
  act({ id: 'roll', words: 'rolling it', neverPainted: null, neverWith: ['flaking', 'brittle'] }),
  act({ id: 'brush', words: 'brushing its face', neverPainted: null, neverWith: ['flaking', 'mould'] }),
  act({ id: 'hang', words: 'hanging it', neverPainted: null, neverWith: [] }),
  act({ id: 'travel', words: 'sending it away', neverPainted: null, neverWith: [] }),
] as const;

export type ActId = (typeof ACTS)[number]['id'];

/** Allowed; or held until a conservator has said yes; or never. */
export type Permission = { may: 'allowed' } | { may: 'ask' | 'never'; says: string; because: string };

const ALLOWED: Permission = { may: 'allowed' };

/**
 * Whether an act may be done to a work by its use and its file as it is known now, with the words where it may not. What is not
 * barred is held until a conservator has said yes, where one is asked for.
 *
 * @example mayBeDone('wet', newInputs('Study', length(400), length(300))) // { may: 'allowed' }
 */
export function mayBeDone(
  id: ActId,
  { brief, look }: { brief: Pick<JobInputs['brief'], 'use'>; look: JobInputs['look'] },
): Permission {
  if (!isPainted(brief.use)) return ALLOWED;
  const { words, neverPainted, neverWith }: Act<ActId> = byId(ACTS, id);
  const no = (may: 'ask' | 'never', says: string, because: string): Permission => ({ may, says, because });
  if (neverPainted !== null) return no('never', `No ${words}: it carries an image.`, neverPainted);
  // What a conservator has treated is not there any more.
  const bars = look.decided === 'treated' ? [] : neverWith.filter((kind) => look.conditions.some((one) => one.kind === kind));
  if (bars.length > 0) {
    const rows = bars.map((kind) => byId(CONDITIONS, kind));
    return no('never', `No ${words}: it has ${listOfWords(rows.map((row) => row.words))}.`, rows[0]!.because);
  }
  const care = careOf(look);
  if (care.handsMay) return ALLOWED;
  return no(
    'ask',
    `A conservator before ${words}: it has ${asksWords(care)}.`,
    byId(CONDITIONS, care.conservatorFor[0]!).because,
  );
}
