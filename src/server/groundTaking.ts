/* What a recorded coat takes out of the store of grounds. */
import { byId } from '@/core/house/schools';
import type { CoatPlan } from '@/core/stages/prime/CoatPlan';
import { batchRecipe } from '@/core/prime/coatRecipe';
import { SUBSTANCES } from '@/core/prime/substances';
import { insertGroundMove, listGroundStock, setGroundStock } from '@/db/groundStocks';
import type { StoredJob } from '@/db/jobs';
import type { Workshop } from './workshop';

/** Takes what was mixed for a coat from the stock, down to nothing; a substance that is not kept count of is left alone. */
export function takeFromStock({ database, now, newId }: Workshop, job: StoredJob, coat: CoatPlan, maker: string): void {
  const there = listGroundStock(database).find(({ substance }) => substance === coat.substance);
  if (!there) return;
  const mixedMl = job.inputs.prime.mixedMl ?? coat.recipe.totalMl;
  const { glueG, groundMl } = batchRecipe([{ areaM2: 1, absorbMlPerM2: Math.max(mixedMl, 1e-6) }], coat, 0);
  const { name, unit } = byId(SUBSTANCES, coat.substance);
  const taken = unit === 'g' ? glueG : groundMl;
  const after = Math.max(0, there.amount - taken);
  setGroundStock(database, { ...there, amount: after }, there.revision);
  insertGroundMove(database, {
    id: newId(),
    at: now().toISOString(),
    maker,
    did: `${name}: ${Math.round(taken)} ${unit} for ${coat.name.toLowerCase()}`,
    jobs: [job.id],
    changes: [{ substance: coat.substance, before: there.amount, after }],
  });
}
