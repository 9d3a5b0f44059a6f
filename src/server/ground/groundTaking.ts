/* What a recorded coat takes out of the store of grounds. */
import { byId } from '@/core/house/schools';
import type { CoatPlan } from '@/core/stages/prime/CoatPlan';
import { batchRecipe } from '@/core/prime/coatRecipe';
import { SUBSTANCES } from '@/core/prime/substances';
import { findGroundMove, insertGroundMove, listGroundStock, setGroundStock } from '@/db/groundStocks';
import type { LogEntry } from '@/core/log/logEntry';
import type { StoredJob } from '@/db/jobs';
import type { Workshop } from '../workshop';

/** Takes what was mixed for a coat from the stock, down to nothing; a substance that is not kept count of is left alone. */
export function takeFromStock({ database, now }: Workshop, job: StoredJob, coat: CoatPlan, { id, maker }: LogEntry): void {
  const there = listGroundStock(database).find(({ substance }) => substance === coat.substance);
  if (!there) return;
  const mixedMl = job.inputs.prime.mixedMl ?? coat.recipe.totalMl;
  const { glueG, groundMl } = batchRecipe([{ areaM2: 1, absorbMlPerM2: Math.max(mixedMl, 1e-6) }], coat, 0);
  const { name, unit } = byId(SUBSTANCES, coat.substance);
  const taken = unit === 'g' ? glueG : groundMl;
  const after = Math.max(0, there.amount - taken);
  setGroundStock(database, { ...there, amount: after }, there.revision);
  insertGroundMove(database, {
    id: moveFor(id),
    at: now().toISOString(),
    maker,
    did: `${name}: ${Math.round(taken)} ${unit} for ${coat.name.toLowerCase()}`,
    jobs: [job.id],
    changes: [{ substance: coat.substance, before: there.amount, after }],
  });
}

/** The move of a recorded coat is known by its entry. */
const moveFor = (entryId: string): string => `${entryId.slice(0, 57)}-ground`;

/** Puts back what was taken for a coat whose record is taken back; within the same transaction. */
export function putGroundBack({ database, now, newId }: Workshop, entryId: string, maker: string): void {
  const move = findGroundMove(database, moveFor(entryId));
  for (const { substance, before, after } of move?.changes ?? []) {
    const there = listGroundStock(database).find((one) => one.substance === substance);
    if (!move || !there) continue;
    const back = there.amount + before - after;
    setGroundStock(database, { ...there, amount: back }, there.revision);
    insertGroundMove(database, {
      id: newId(),
      at: now().toISOString(),
      maker,
      did: `Put back: ${move.did}`,
      jobs: move.jobs,
      changes: [{ substance, before: there.amount, after: back }],
    });
  }
}
