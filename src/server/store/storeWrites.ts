/*
 * The store of what is counted, weighed or poured. What is there is the sum of its moves; recording a stage takes what it used,
 * taking the record back puts it there again, and whatever is undone is undone by a move of its own.
 */
import { type Need, groundItem } from '@/core/cost/materialNeeds';
import { groupsBy } from '@/core/groupsBy';
import type { LogEntry } from '@/core/log/logEntry';
import {
  type StockedItem,
  type StoreMove,
  findStoreItem,
  findStoreMove,
  isUndone,
  listStore,
  listStoreMoves,
  movesOfEntry,
  setStoreItem,
} from '@/db/storeItems';
import { type Outcome, type Refusal, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';
import { addMove, itemAmount } from './storeMove';
import { type RequestOf, write } from '../write/write';
import { text, optional, part, numberOf, number, oneOf, type ShapeOf } from '@/core/shape/shape';
import { maker, anyRevision } from '../write/asked';
import { idText } from '@/core/job/job';
import { textOf } from '../../core/shape/texts';
import { buyingJobs } from './buyWrites';

/** What is known of something the store keeps count of; `revision` 0 for a new one. */
const itemSet = {
  name: textOf('name'),
  unit: oneOf(['pieces', 'g', 'ml']),
  pack: numberOf('pack'),
  priceMinor: optional(numberOf('price')),
  least: numberOf('amount'),
  place: textOf('place'),
  supplier: textOf('place'),
  revision: anyRevision,
};
export type ItemSet = ShapeOf<typeof itemSet>;

/** An item that open jobs take and that nobody keeps count of yet. */
export interface Unkept extends Pick<Need, 'item' | 'name' | 'unit'> {
  wanted: number;
  jobs: number[];
}

export interface StoreView {
  items: (StockedItem & { wanted: number })[];
  unkept: Unkept[];
  moves: (StoreMove & { name: string; undone: boolean })[];
}

/** The store as it is, what open jobs want of it, and its last changes. */
export function storeView(workshop: Pick<Workshop, 'database'>): StoreView {
  const { database } = workshop;
  const items = listStore(database);
  const needs = buyingJobs(workshop, null).flatMap(({ number, needs: own }) => own.map((need) => ({ ...need, number })));
  const wanted = groupsBy(needs, ({ item }) => item);
  const sumOf = (item: string) => (wanted.get(item) ?? []).reduce((sum, { toHave }) => sum + toHave, 0);
  return {
    items: items.map((item) => ({ ...item, wanted: sumOf(item.id) })),
    unkept: [...wanted]
      .filter(([item]) => !items.some(({ id }) => id === item) && !item.startsWith(groundItem('')))
      .map(([item, of]) => ({
        item,
        name: of[0]!.name,
        unit: of[0]!.unit,
        wanted: sumOf(item),
        jobs: [...new Set(of.map(({ number }) => number))],
      })),
    moves: listStoreMoves(database, 20).map((move) => ({
      ...move,
      name: items.find(({ id }) => id === move.itemId)!.name,
      undone: isUndone(database, move.id),
    })),
  };
}

const CHANGED: Refusal = refuse('This was changed elsewhere in between: look again, then change it.');

type OfItem = Pick<RequestOf<typeof changeItem>, 'item' | 'reason' | 'maker'>;

/** All that is asked of an item at once: set, then taken from, then counted. Within a transaction: a refusal of one undoes the others. */
export const changeItem = write({
  /** An item of the store: what is known of it, what is taken by hand, what was counted of it and of how many (`seen`). */
  asks: {
    item: text(1, 64, '', /^[A-Za-z0-9][A-Za-z0-9.-]{0,63}$/),
    set: optional(part('itemSet', itemSet)),
    taken: optional(numberOf('pack')),
    counted: optional(numberOf('amount')),
    seen: number(-1_000_000, 1_000_000),
    reason: text(0, 200),
    maker,
  },
  act(workshop: Workshop, asked): Outcome<StoreView> {
    const { item, set, taken, counted, seen } = asked;
    const acts = [
      ...(set ? [() => setItem(workshop, { item, ...set })] : []),
      ...(taken !== null ? [() => takeItem(workshop, { ...asked, quantity: taken })] : []),
      ...(counted !== null ? [() => countItem(workshop, { ...asked, counted, seen: seen - (taken ?? 0) })] : []),
    ];
    for (const act of acts) {
      const outcome = act();
      if (!outcome.ok) return outcome;
    }
    return done(storeView(workshop));
  },
  again: (workshop) => done(storeView(workshop)),
});

/** Sets what is known of an item: how it is sold, what it costs, where it lies and where it is bought. */
export function setItem(workshop: Workshop, { item, ...set }: ItemSet & { item: string }): Outcome<StoreView> {
  const { database } = workshop;
  const write = database.transaction((): Outcome<StoreView> => {
    if (set.name.trim() === '') return refuse('name: give it a name, to find it by.');
    const before = findStoreItem(database, item);
    if (before && before.unit !== set.unit && listStoreMoves(database).some(({ itemId }) => itemId === item))
      return refuse(`${before.name} is counted in ${before.unit}, and was: take another item for ${set.unit}.`);
    return setStoreItem(database, { id: item, ...set, name: set.name.trim() }) ? done(storeView(workshop)) : CHANGED;
  });
  return write.immediate();
}

/** Sets an item to what was counted, over what was there when it was counted. */
export function countItem(
  workshop: Workshop,
  { item, counted, seen, reason, maker }: OfItem & { counted: number; seen: number },
): Outcome<StoreView> {
  return changed(workshop, item, (there) => {
    if (Math.abs(there.there - seen) > 0.0005)
      return refuse(
        `While you counted, ${there.name} went from ${itemAmount(there, seen)} to ${itemAmount(there, there.there)}: count again.`,
      );
    const why = reason.trim() === '' ? '' : `, ${reason.trim()}`;
    return { quantity: counted - there.there, did: `${there.name}: counted ${itemAmount(there, counted)}${why}`, maker };
  });
}

/** Takes some of an item by hand; never more than is there. */
export function takeItem(
  workshop: Workshop,
  { item, quantity, reason, maker }: OfItem & { quantity: number },
): Outcome<StoreView> {
  if (reason.trim().length < 3) return refuse('reason: say what it was taken for, in three letters or more.');
  return changed(workshop, item, (there) => {
    if (quantity > there.there)
      return refuse(
        `There are no ${itemAmount(there, quantity)} of ${there.name} any more: ${there.there > 0 ? `${itemAmount(there, there.there)} are left` : 'none is left'}.`,
      );
    return { quantity: -quantity, did: `${there.name}: took ${itemAmount(there, quantity)}, ${reason.trim()}`, maker };
  });
}

function changed(
  workshop: Workshop,
  item: string,
  act: (there: StockedItem) => Refusal | { quantity: number; did: string; maker: string },
): Outcome<StoreView> {
  const { database } = workshop;
  const change = database.transaction((): Outcome<StoreView> => {
    const there = findStoreItem(database, item);
    if (!there) return refuse('Nobody keeps count of this: put it into the store first.');
    const move = act(there);
    if ('ok' in move) return move;
    if (move.quantity !== 0) addMove(workshop, { itemId: item, entryId: null, undoes: null, ...move });
    return done(storeView(workshop));
  });
  return change.immediate();
}

/** Takes a move by hand back with one of its own. */
export const undoMove = write({
  asks: { moveId: idText, maker },
  act(workshop: Workshop, { moveId, maker }): Outcome<StoreView> {
    const { database } = workshop;
    const undo = database.transaction((): Outcome<StoreView> => {
      const move = findStoreMove(database, moveId);
      if (!move) return refuse('There is no such change of the store.');
      if (move.undoes !== null || isUndone(database, moveId)) return refuse('That was taken back already.');
      if (move.entryId !== null) return refuse('It was taken for a recorded stage: undo the record, and it is put here again.');
      const item = findStoreItem(database, move.itemId)!;
      if (item.there - move.quantity < 0 && move.quantity > 0)
        return refuse(`Of what came then not all is there any more: ${itemAmount(item, item.there)} are left. Count it instead.`);
      addMove(workshop, {
        maker,
        itemId: move.itemId,
        quantity: -move.quantity,
        did: `Taken back: ${move.did}`,
        entryId: null,
        undoes: moveId,
      });
      return done(storeView(workshop));
    });
    return undo.immediate();
  },
  again: (workshop) => done(storeView(workshop)),
});

/** Takes what a recorded stage used, `needs` of that stage; within the transaction of the record. Grounds have their own shelf; what nobody counts is left alone. */
export function takeForEntry(workshop: Workshop, entry: LogEntry, number: number, needs: readonly Need[]): void {
  for (const { item, used } of needs) {
    const there = item.startsWith(groundItem('')) ? null : findStoreItem(workshop.database, item);
    if (!there || used <= 0) continue;
    const after = there.there - used;
    // What was used was used: a store below nothing says that it was counted wrong.
    const short = after < 0 ? `: ${itemAmount(there, after)} more than was counted` : '';
    addMove(workshop, {
      maker: entry.maker,
      itemId: item,
      quantity: -used,
      did: `${there.name}: ${itemAmount(there, used)} for No. ${number}${short}`,
      entryId: entry.id,
      undoes: null,
    });
  }
}

/** Puts back what was taken for a record that is taken back; within the same transaction. */
export function putBackForEntry(workshop: Workshop, entryId: string, maker: string): void {
  for (const move of movesOfEntry(workshop.database, entryId))
    addMove(workshop, {
      maker,
      itemId: move.itemId,
      quantity: -move.quantity,
      did: `Put back: ${move.did}`,
      entryId: null,
      undoes: move.id,
    });
}
