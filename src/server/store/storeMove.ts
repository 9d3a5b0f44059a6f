import { type StockedItem, type StoreMove, insertStoreMove } from '@/db/storeItems';
import type { Workshop } from '../workshop';

/** So much of an item as it is told, without a sign. */
export const itemAmount = ({ unit }: Pick<StockedItem, 'unit'>, quantity: number): string =>
  `${Math.round(Math.abs(quantity) * 10) / 10} ${unit}`;

/** Writes a move of an item, of this moment. */
export const addMove = ({ database, now, newId }: Workshop, { did, ...move }: Omit<StoreMove, 'id' | 'at'>): void =>
  insertStoreMove(database, { id: newId(), at: now().toISOString(), did: did.slice(0, 300), ...move });
