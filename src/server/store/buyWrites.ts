/* What to buy for the jobs that are open, and putting away what was bought. */
import { RECORD_TAPE } from '@/core/units/length';
import { printed } from '@/core/quantities/printed';
import { randomLcg } from 'd3-random';
import { groundItem } from '@/core/cost/materialNeeds';
import { frameWanted } from '@/core/frame/sawing/buyingPlan';
import { fabricOf } from '@/core/house/materials';
import { byId } from '@/core/house/schools';
import { SUBSTANCES, type SubstanceId } from '@/core/prime/substances';
import { type BuyLine, type BuyingJob, type Store, type Stocked, toBuy } from '@/core/store/toBuy';
import { clothByAge, clothTags, insertCloth, cutOfJob } from '@/db/clothSheets';
import { insertGroundMove, listGroundStock, setGroundStock } from '@/db/groundStocks';
import { openStatesByDue } from '@/db/jobStates';
import { addRackBar, isSawn, listRack } from '@/db/rackBars';
import { type StockedItem, findStoreItem, listStore, setStoreItem } from '@/db/storeItems';
import { readRules } from '@/db/workshops';
import { factsIn, settle } from '../job/jobStates';
import { type Outcome, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';
import { writeRackMove } from '../rack/rackMove';
import { writeClothMove } from '../cloth/clothMove';
import { write } from '../write/write';
import { text, part, listOf, whole } from '@/core/shape/shape';
import { maker } from '../write/asked';
import { idText } from '@/core/job/job';
import { addMove, itemAmount } from './storeMove';

/** Open jobs that are looked at for what they take: more than any workshop has at once. */
const MOST_JOBS = 300;

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

/** A tin of ground, ml or g: its price is that of a litre or a kilogram. */
const TIN = 1000;

/** The store as the list of what to buy sees it; grounds stand in it with what their own shelf has. */
function storeOf({ database }: Pick<Workshop, 'database'>): Store {
  const items = new Map<string, Stocked>(listStore(database).map((item) => [item.id, item]));
  for (const { substance, amount, priceMinor } of listGroundStock(database)) {
    const { name, unit } = byId(SUBSTANCES, substance);
    const kept = items.get(groundItem(substance));
    // Ground is bought in tins: of a litre or a kilogram where the house says nothing else.
    const own = kept && kept.pack > 1 ? kept : null;
    const pack = own?.pack ?? TIN;
    items.set(groundItem(substance), {
      name,
      unit,
      there: amount,
      least: kept?.least ?? 0,
      supplier: kept?.supplier ?? '',
      place: kept?.place ?? '',
      pack,
      priceMinor: own?.priceMinor ?? (priceMinor > 0 ? Math.round((priceMinor * pack) / 1000) : null),
    });
  }
  return { items, rack: listRack(database), cloth: clothByAge(database) };
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
export const buyItems = write({
  /** `jobIds`: the jobs the list was made for; none for all that are open. */
  asks: {
    lines: listOf(part('bought', { id: text(1, 200), packs: whole(1, 100_000) }), 300, [], { least: 1 }),
    jobIds: listOf(idText, 300, [], { unique: true }),
    maker,
  },
  act(workshop: Workshop, { lines, jobIds, maker }): Outcome<ToBuy> {
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
  },
  again: (workshop, { jobIds }) => done(toBuyList(workshop, jobIds.length === 0 ? null : jobIds)),
});

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
        did: `${item.name}: bought ${itemAmount(item, quantity)}`,
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
      const did = `Bought: ${quantity} × ${printed('barLength', line.lengthMm, RECORD_TAPE)}, ${line.what}`;
      writeRackMove(workshop, { maker, did, added: [bar] });
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
      const did = `Bought: roll ${cloth.tag}, ${line.what}, ${printed('rollLength', quantity, RECORD_TAPE)}`;
      writeClothMove(workshop, { maker, did, after: [cloth] });
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
