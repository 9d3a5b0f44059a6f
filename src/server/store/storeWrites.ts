/*
 * The store of what is counted, weighed or poured. What is there is the sum of its moves; recording a stage takes what it used,
 * taking the record back puts it there again, and whatever is undone is undone by a move of its own.
 */
import { RECORD_TAPE } from '@/core/units/length';
import { printed } from '@/core/quantities/printed';
import { randomLcg } from 'd3-random';
import { type Need, groundItem } from '@/core/cost/materialNeeds';
import { frameWanted } from '@/core/frame/sawing/buyingPlan';
import { groupsBy } from '@/core/groupsBy';
import { fabricOf } from '@/core/house/materials';
import { byId } from '@/core/house/schools';
import { SUBSTANCES, type SubstanceId } from '@/core/prime/substances';
import { type BuyLine, type BuyingJob, type Store, type Stocked, toBuy } from '@/core/store/toBuy';
import { clothTags, insertCloth, insertClothMove, listCloth, cutOfJob } from '@/db/clothSheets';
import { insertGroundMove, listGroundStock, setGroundStock } from '@/db/groundStocks';
import type { LogEntry } from '@/core/log/logEntry';
import { openStatesByDue } from '@/db/jobStates';
import { addRackBar, insertRackMove, isSawn, listRack } from '@/db/rackBars';
import {
  type StockedItem,
  type StoreMove,
  findStoreItem,
  findStoreMove,
  insertStoreMove,
  isUndone,
  listStore,
  listStoreMoves,
  movesOfEntry,
  setStoreItem,
} from '@/db/storeItems';
import { readRules } from '@/db/workshops';
import { factsIn, settle } from '../job/jobStates';
import { type Outcome, type Refusal, done, refuse } from '../write/outcome';
import type { ItemSet, Request } from '../requests';
import type { Workshop } from '../workshop';

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

/** Open jobs that are looked at for what they take: more than any workshop has at once. */
const MOST_JOBS = 300;

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

type OfItem = Pick<Request<'changeItem'>, 'item' | 'reason' | 'maker'>;

/** All that is asked of an item at once: set, then taken from, then counted. Within a transaction: a refusal of one undoes the others. */
export function changeItem(workshop: Workshop, asked: Request<'changeItem'>): Outcome<StoreView> {
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
}

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

const inWords = ({ unit }: Pick<StockedItem, 'unit'>, quantity: number): string =>
  `${Math.round(Math.abs(quantity) * 10) / 10} ${unit}`;

/** Sets an item to what was counted, over what was there when it was counted. */
export function countItem(
  workshop: Workshop,
  { item, counted, seen, reason, maker }: OfItem & { counted: number; seen: number },
): Outcome<StoreView> {
  return changed(workshop, item, (there) => {
    if (Math.abs(there.there - seen) > 0.0005)
      return refuse(
        `While you counted, ${there.name} went from ${inWords(there, seen)} to ${inWords(there, there.there)}: count again.`,
      );
    const why = reason.trim() === '' ? '' : `, ${reason.trim()}`;
    return { quantity: counted - there.there, did: `${there.name}: counted ${inWords(there, counted)}${why}`, maker };
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
        `There are no ${inWords(there, quantity)} of ${there.name} any more: ${there.there > 0 ? `${inWords(there, there.there)} are left` : 'none is left'}.`,
      );
    return { quantity: -quantity, did: `${there.name}: took ${inWords(there, quantity)}, ${reason.trim()}`, maker };
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

const addMove = ({ database, now, newId }: Workshop, { did, ...move }: Omit<StoreMove, 'id' | 'at'>): void =>
  insertStoreMove(database, { id: newId(), at: now().toISOString(), did: did.slice(0, 300), ...move });

/** Takes a move by hand back with one of its own. */
export function undoMove(workshop: Workshop, { moveId, maker }: Request<'undoMove'>): Outcome<StoreView> {
  const { database } = workshop;
  const undo = database.transaction((): Outcome<StoreView> => {
    const move = findStoreMove(database, moveId);
    if (!move) return refuse('There is no such change of the store.');
    if (move.undoes !== null || isUndone(database, moveId)) return refuse('That was taken back already.');
    if (move.entryId !== null)
      return refuse('It was taken for a recorded stage: take the record back, and it is put here again.');
    const item = findStoreItem(database, move.itemId)!;
    if (item.there - move.quantity < 0 && move.quantity > 0)
      return refuse(`Of what came then not all is there any more: ${inWords(item, item.there)} are left. Count it instead.`);
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
}

/** Takes what a recorded stage used, `needs` of that stage; within the transaction of the record. Grounds have their own shelf; what nobody counts is left alone. */
export function takeForEntry(workshop: Workshop, entry: LogEntry, number: number, needs: readonly Need[]): void {
  for (const { item, used } of needs) {
    const there = item.startsWith(groundItem('')) ? null : findStoreItem(workshop.database, item);
    if (!there || used <= 0) continue;
    const after = there.there - used;
    // What was used was used: a store below nothing says that it was counted wrong.
    const short = after < 0 ? `: ${inWords(there, after)} more than was counted` : '';
    addMove(workshop, {
      maker: entry.maker,
      itemId: item,
      quantity: -used,
      did: `${there.name}: ${inWords(there, used)} for No. ${number}${short}`,
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

/** What open jobs still take, those that are wanted first first; of those that are named, or of all. */
export function buyingJobs(workshop: Pick<Workshop, 'database'>, wanted: readonly string[] | null): BuyingJob[] {
  const { database } = workshop;
  const { rules } = readRules(database);
  settle(workshop);
  return openStatesByDue(database, MOST_JOBS)
    .filter(({ jobId }) => wanted === null || wanted.includes(jobId))
    .map((state): BuyingJob => {
      const facts = factsIn(state);
      const built = facts.done.includes('bars') || isSawn(database, state.jobId);
      return {
        id: state.jobId,
        number: state.number,
        needs: facts.needs,
        frame: built ? null : frameWanted(`No. ${state.number}`, facts, facts.bars, rules),
        cloth: facts.cloth && !cutOfJob(database, state.jobId) ? facts.cloth : null,
      };
    });
}

/** The store as the list of what to buy sees it; grounds stand in it with what their own shelf has. */
function storeOf({ database }: Pick<Workshop, 'database'>): Store {
  const items = new Map<string, Stocked>(listStore(database).map((item) => [item.id, item]));
  for (const { substance, amount, priceMinor } of listGroundStock(database)) {
    const { name, unit } = byId(SUBSTANCES, substance);
    const kept = items.get(groundItem(substance));
    const pack = kept?.pack ?? 1;
    items.set(groundItem(substance), {
      name,
      unit,
      there: amount,
      least: kept?.least ?? 0,
      supplier: kept?.supplier ?? '',
      place: kept?.place ?? '',
      pack,
      priceMinor: kept?.priceMinor ?? (priceMinor > 0 ? Math.round((priceMinor * pack) / 1000) : null),
    });
  }
  return { items, rack: listRack(database), cloth: listCloth(database) };
}

/** Same jobs and store, same list. */
const SEED = 0.1618;

export interface ToBuy {
  lines: BuyLine[];
  jobs: { id: string; number: number }[];
}

/** What to buy for open jobs, for those that are named or for all. */
export function toBuyList(workshop: Pick<Workshop, 'database'>, wanted: readonly string[] | null): ToBuy {
  const jobs = buyingJobs(workshop, wanted);
  const { rules } = readRules(workshop.database);
  return { lines: toBuy(jobs, storeOf(workshop), rules, randomLcg(SEED)), jobs: jobs.map(({ id, number }) => ({ id, number })) };
}

/** Puts what was bought where it belongs: the store, the shelf of grounds, the rack, the rolls. All of it or nothing. */
export function buyItems(workshop: Workshop, { lines, jobIds, maker }: Request<'buyItems'>): Outcome<ToBuy> {
  const { database } = workshop;
  const wanted = jobIds.length === 0 ? null : jobIds;
  const buy = database.transaction((): Outcome<ToBuy> => {
    const list = toBuyList(workshop, wanted).lines;
    for (const { id } of lines) {
      const line = list.find((one) => one.id === id);
      if (!line)
        return refuse(`“${id}” is not on the list any more: it was bought, or nobody wants it now. Look at the list again.`);
      if (line.kind === 'cloth' && line.widthMm === 0) return refuse(`${line.what}: no roll that is sold is wide enough.`);
    }
    if (new Set(lines.map(({ id }) => id)).size < lines.length) return refuse('A line stands twice in what was bought.');
    for (const { id, packs } of lines)
      putAway(
        workshop,
        list.find((one) => one.id === id)!,
        packs,
        maker,
      );
    return done(toBuyList(workshop, wanted));
  });
  return buy.immediate();
}

function putAway(workshop: Workshop, line: BuyLine, packs: number, maker: string): void {
  const { database, now, newId } = workshop;
  const at = now().toISOString();
  const quantity = packs * line.pack;
  switch (line.kind) {
    case 'item': {
      if (!findStoreItem(database, line.item))
        setStoreItem(database, {
          id: line.item,
          name: line.what,
          unit: line.unit as StockedItem['unit'],
          pack: line.pack,
          priceMinor: null,
          least: 0,
          place: '',
          supplier: '',
          revision: 0,
        });
      const item = findStoreItem(database, line.item)!;
      addMove(workshop, {
        maker,
        itemId: item.id,
        quantity,
        did: `${item.name}: bought ${inWords(item, quantity)}`,
        entryId: null,
        undoes: null,
      });
      return;
    }
    case 'ground': {
      const substance = line.item.slice(groundItem('').length) as SubstanceId;
      const there = listGroundStock(database).find((one) => one.substance === substance);
      const after = (there?.amount ?? 0) + quantity;
      setGroundStock(database, { substance, amount: after, priceMinor: there?.priceMinor ?? 0 }, there?.revision ?? 0);
      insertGroundMove(database, {
        id: newId(),
        at,
        maker,
        did: `${line.what}: bought ${Math.round(quantity)} ${line.unit}`,
        jobs: [],
        changes: [{ substance, before: there?.amount ?? 0, after }],
      });
      return;
    }
    case 'pairs':
    case 'timber':
    case 'brace': {
      const bar = {
        profile: line.profile,
        kind: line.kind,
        family: line.family,
        lengthMm: line.lengthMm,
        count: quantity,
        mark: '',
      };
      addRackBar(database, { id: newId(), ...bar });
      insertRackMove(database, {
        id: newId(),
        at,
        maker,
        did: `Bought: ${quantity} × ${printed('barLength', line.lengthMm, RECORD_TAPE)}, ${line.what}`,
        jobs: [],
        changes: { added: [bar], taken: [] },
      });
      return;
    }
    case 'cloth': {
      const cloth = {
        id: newId(),
        kind: 'roll' as const,
        fabric: line.fabric,
        tag: freshTag(fabricOf(readRules(database).rules, line.fabric).fibre, clothTags(database)),
        widthMm: line.widthMm,
        selvedgeMm: 0,
        lengthMm: quantity,
        flaws: [],
      };
      insertCloth(database, cloth);
      insertClothMove(database, {
        id: newId(),
        at,
        maker,
        did: `Bought: roll ${cloth.tag}, ${line.what}, ${printed('rollLength', quantity, RECORD_TAPE)}`,
        cuts: [],
        changes: { before: [], after: [cloth] },
      });
      return;
    }
    case 'bead':
      // Strips are not kept on the rack: they go into the frame.
      return;
  }
}

/** A tag that nobody has: the first letter of the fibre and the next number. */
function freshTag(fibre: string, taken: readonly string[]): string {
  const letter = fibre[0]!.toUpperCase();
  for (let number = 1; ; number += 1) if (!taken.includes(`${letter}${number}`)) return `${letter}${number}`;
}
