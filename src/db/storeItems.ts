import type { Database } from 'better-sqlite3';
import type { StoreUnit } from '@/core/cost/materialNeeds';

/** Something the store keeps count of. */
export interface StoreItem {
  id: string;
  name: string;
  unit: StoreUnit;
  /** How many are sold together, and what these cost; null where nobody said. */
  pack: number;
  priceMinor: number | null;
  /** Below this it is bought. */
  least: number;
  place: string;
  supplier: string;
  revision: number;
}

/** An item with what is there of it: the sum of its moves. */
export interface StockedItem extends StoreItem {
  there: number;
}

/** A thousandth of a piece, a gram or a millilitre is what sums of parts come to. */
const rounded = (quantity: number): number => Math.round(quantity * 1000) / 1000;

type Row = Omit<StoreItem, 'priceMinor'> & { price_minor: number | null; there: number };

const SELECT = `SELECT i.*, (SELECT coalesce(sum(quantity), 0) FROM store_move m WHERE m.item_id = i.id) AS there FROM store_item i`;
const plain = ({ price_minor: priceMinor, there, ...row }: Row): StockedItem => ({ ...row, priceMinor, there: rounded(there) });

export const listStore = (database: Database): StockedItem[] =>
  database.prepare<[], Row>(`${SELECT} ORDER BY i.name, i.id`).all().map(plain);

export function findStoreItem(database: Database, id: string): StockedItem | null {
  const row = database.prepare<[string], Row>(`${SELECT} WHERE i.id = ?`).get(id);
  return row ? plain(row) : null;
}

/** Writes an item over the revision that was seen (0 for a new one); false when somebody was faster. */
export function setStoreItem(database: Database, { revision, ...item }: StoreItem): boolean {
  const sql =
    revision === 0
      ? `INSERT INTO store_item (id, name, unit, pack, price_minor, least, place, supplier, revision)
         VALUES (@id, @name, @unit, @pack, @priceMinor, @least, @place, @supplier, 1) ON CONFLICT DO NOTHING`
      : `UPDATE store_item SET name = @name, unit = @unit, pack = @pack, price_minor = @priceMinor, least = @least, place = @place,
           supplier = @supplier, revision = revision + 1 WHERE id = @id AND revision = @revision`;
  return database.prepare(sql).run({ ...item, revision }).changes === 1;
}

export interface StoreMove {
  id: string;
  at: string;
  maker: string;
  itemId: string;
  quantity: number;
  did: string;
  entryId: string | null;
  undoes: string | null;
}

export function insertStoreMove(database: Database, move: StoreMove): void {
  database
    .prepare(
      `INSERT INTO store_move (id, at, maker, item_id, quantity, did, entry_id, undoes)
       VALUES (@id, @at, @maker, @itemId, @quantity, @did, @entryId, @undoes)`,
    )
    .run({ ...move, quantity: rounded(move.quantity) });
}

const MOVES = `SELECT id, at, maker, item_id AS itemId, quantity, did, entry_id AS entryId, undoes FROM store_move m`;

/** Changes of the store, newest first: so many at the most, or all of them. */
export const listStoreMoves = (database: Database, most = -1): StoreMove[] =>
  database.prepare<[number], StoreMove>(`${MOVES} ORDER BY rowid DESC LIMIT ?`).all(most);

export const findStoreMove = (database: Database, id: string): StoreMove | null =>
  database.prepare<[string], StoreMove>(`${MOVES} WHERE id = ?`).get(id) ?? null;

/** What was taken for a log entry and not put back yet. */
export const movesOfEntry = (database: Database, entryId: string): StoreMove[] =>
  database
    .prepare<[string], StoreMove>(
      `${MOVES} WHERE entry_id = ? AND undoes IS NULL AND NOT EXISTS (SELECT 1 FROM store_move u WHERE u.undoes = m.id) ORDER BY rowid`,
    )
    .all(entryId);

export const isUndone = (database: Database, id: string): boolean =>
  database.prepare('SELECT 1 FROM store_move WHERE undoes = ?').get(id) !== undefined;
