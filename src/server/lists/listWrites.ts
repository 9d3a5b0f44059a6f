/*
 * Lists as files: written out, looked at when they come back, and taken in. A look does what taking in would do and lets go of it
 * again, so that nothing is found wrong later; what is taken in is what was looked at, all of it or none.
 */
import { createHash } from 'node:crypto';
import { tapeFor } from '@/core/house/houseRules';
import type { FileUnit } from '@/core/units/length';
import { toEnd } from '@/core/toEnd';
import { readRules } from '@/db/workshops';
import { type Outcome, type Refusal, done, refuse } from '../write/outcome';
import type { FileRequest } from '../file/fileRequests';
import type { Workshop } from '../workshop';
import { jobsList } from './jobsList';
import type { List, ListChange, ListId, ListPlan } from './list';
import { logList } from './logList';
import { barsList, clothsList, pricesList, woodsList } from './materialsLists';
import { itemsList, toBuyCsv } from './storeItemsList';
import { airList, groundsList, rackList, rollsList } from './storeLists';
import { longWrite } from '../write/write';
import { listRead } from '../write/asked';
import { text } from '@/core/shape/shape';

const LISTS: Record<ListId, List> = {
  jobs: jobsList,
  bars: barsList,
  woods: woodsList,
  cloths: clothsList,
  prices: pricesList,
  rack: rackList,
  rolls: rollsList,
  grounds: groundsList,
  store: itemsList,
  toBuy: toBuyCsv,
  air: airList,
  log: logList,
};

/** What a file would do. */
export interface ListLook {
  counts: Record<ListChange['what'], number>;
  /** What changes, as far as it is told; the rest is counted. */
  changes: ListChange[];
  ignored: string[];
  /** Stands for all of it: what is taken in is this or nothing. */
  seen: string;
}

const MOST_TOLD = 200;

/** The file of a list, in pieces. */
export const listFile = (workshop: Workshop, list: ListId, unit: FileUnit): Iterable<string> => LISTS[list].write(workshop, unit);

function* planOf(
  workshop: Workshop,
  { list, text, unit, maker }: FileRequest<'lookAtList'>,
): Generator<undefined, Outcome<ListPlan>> {
  const { read } = LISTS[list];
  if (!read)
    return refuse(
      list === 'log'
        ? 'The log is written, never read in: nothing can be put into it afterwards.'
        : 'This list is worked out and written, never read in.',
    );
  const { rules } = readRules(workshop.database);
  return yield* read(workshop, text, { rules, tape: tapeFor(rules, unit), maker });
}

const lookOf = ({ changes, ignored }: ListPlan): ListLook => {
  const counts = { new: 0, changed: 0, gone: 0, same: 0 };
  for (const { what } of changes) counts[what] += 1;
  return {
    counts,
    changes: changes.filter(({ what }) => what !== 'same').slice(0, MOST_TOLD),
    ignored,
    seen: createHash('sha256').update(JSON.stringify(changes)).digest('hex').slice(0, 32),
  };
};

/** Does what a plan holds; the first refusal says its line. To be called in a transaction. */
function carryOutPlan({ acts }: ListPlan): Refusal | null {
  for (const { line, act } of acts) {
    const outcome = act();
    if (!outcome.ok) return line === null ? outcome : withLine(outcome, line);
  }
  return null;
}

function withLine(refusal: Refusal, line: number): Refusal {
  if (refusal.kind === 'refused') return refuse(`Line ${line}: ${refusal.says}`);
  if (refusal.kind !== 'invalid') return refusal;
  return { ...refusal, errors: refusal.errors.map(({ field, says }) => ({ field: `line ${line}, ${field}`, says })) };
}

/** What a file would do, or what is wrong with it; nothing is changed. */
export function* lookAtList(workshop: Workshop, request: FileRequest<'lookAtList'>): Generator<undefined, Outcome<ListLook>> {
  const plan = yield* planOf(workshop, request);
  if (!plan.ok) return plan;
  let refusal: Refusal | null = null;
  const tried = workshop.database.transaction(() => {
    refusal = carryOutPlan(plan.value);
    throw new LetGo();
  });
  try {
    tried.immediate();
  } catch (error) {
    if (!(error instanceof LetGo)) throw error;
  }
  return refusal ?? done(lookOf(plan.value));
}

class LetGo extends Error {}

const CHANGED = refuse('The workshop has changed since this file was looked at: look at it again.');

/** Counts as a word that is kept with the request, and back. */
export const countsText = ({ new: fresh, changed, gone, same }: ListLook['counts']): string =>
  [fresh, changed, gone, same].join(' ');
export function countsFrom(text: string): ListLook['counts'] {
  const [fresh = 0, changed = 0, gone = 0, same = 0] = text.split(' ').map(Number);
  return { new: fresh, changed, gone, same };
}

/** Takes in a file that was looked at: what it does now must be what it would have done then. */
export const takeInList = longWrite({
  /** `seen`: what it was said to do when it was looked at. */
  asks: { ...listRead, seen: text(1, 100) },
  *workOut(workshop: Workshop, request): Generator<undefined, Outcome<() => Outcome<ListLook['counts']>>> {
    const plan = yield* planOf(workshop, request);
    if (!plan.ok) return plan;
    return done(() => {
      // Somebody else may have written while it was worked out.
      const now = plan.value.stands ? plan : toEnd(planOf(workshop, request));
      if (!now.ok) return now;
      const { seen, counts } = lookOf(now.value);
      return seen === request.seen ? (carryOutPlan(now.value) ?? done(counts)) : CHANGED;
    });
  },
  again: (_workshop, _request, ofId) => done(countsFrom(ofId)),
  about: countsText,
});
