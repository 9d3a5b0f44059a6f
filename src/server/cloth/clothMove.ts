import type { StockCloth } from '@/core/cloth/clothStock';
import { type ClothCut, insertClothMove } from '@/db/clothSheets';
import type { Workshop } from '../workshop';

interface Moved {
  maker: string;
  did: string;
  cuts?: ClothCut[];
  before?: StockCloth[];
  after?: StockCloth[];
  undoes?: string;
}

/** Writes a change of the cloth in store, of this moment. */
export const writeClothMove = (
  { database, now, newId }: Workshop,
  { maker, did, cuts = [], before = [], after = [], undoes }: Moved,
): void =>
  insertClothMove(database, {
    id: newId(),
    at: now().toISOString(),
    maker,
    did,
    cuts,
    changes: { before, after },
    undoes: undoes ?? null,
  });
