import { type RackMove, insertRackMove } from '@/db/rackBars';
import type { Workshop } from '../workshop';

interface Moved extends Partial<RackMove['changes']> {
  maker: string;
  did: string;
  /** The jobs whose frames were sawn or picked. */
  jobs?: string[];
  undoes?: string;
}

/** Writes a change of the rack, of this moment. */
export const writeRackMove = (
  { database, now, newId }: Workshop,
  { maker, did, jobs = [], added = [], taken = [], undoes }: Moved,
): void =>
  insertRackMove(database, {
    id: newId(),
    at: now().toISOString(),
    maker,
    did,
    jobs,
    changes: { added, taken },
    undoes: undoes ?? null,
  });
