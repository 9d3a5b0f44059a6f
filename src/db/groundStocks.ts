import type { Database } from 'better-sqlite3';
import type { SubstanceId } from '@/core/prime/substances';

/** What is left of a substance, g or ml as it is sold, and its price a kilogram or litre. */
export interface GroundStock {
  substance: SubstanceId;
  amount: number;
  priceMinor: number;
  revision: number;
}

export const listGroundStock = (database: Database): GroundStock[] =>
  database
    .prepare<[], { substance: SubstanceId; amount: number; price_minor: number; revision: number }>(
      'SELECT * FROM ground_stock ORDER BY substance',
    )
    .all()
    .map(({ price_minor: priceMinor, ...row }) => ({ ...row, priceMinor }));

/** Sets an amount and a price over the revision that was seen (0 for none yet); false when somebody was faster. */
export function setGroundStock(
  database: Database,
  { substance, amount, priceMinor }: Omit<GroundStock, 'revision'>,
  revision: number,
): boolean {
  const { changes } =
    revision === 0
      ? database
          .prepare(
            'INSERT INTO ground_stock (substance, amount, price_minor, revision) VALUES (?, ?, ?, 1) ON CONFLICT DO NOTHING',
          )
          .run(substance, amount, priceMinor)
      : database
          .prepare(
            'UPDATE ground_stock SET amount = ?, price_minor = ?, revision = revision + 1 WHERE substance = ? AND revision = ?',
          )
          .run(amount, priceMinor, substance, revision);
  return changes === 1;
}

export interface GroundMove {
  id: string;
  at: string;
  maker: string;
  did: string;
  jobs: string[];
  changes: { substance: SubstanceId; before: number; after: number }[];
}

export function insertGroundMove(database: Database, move: GroundMove): void {
  database
    .prepare('INSERT INTO ground_move (id, at, maker, did, jobs, changes) VALUES (?, ?, ?, ?, ?, ?)')
    .run(move.id, move.at, move.maker, move.did, JSON.stringify(move.jobs), JSON.stringify(move.changes));
}

type MoveRow = Omit<GroundMove, 'jobs' | 'changes'> & { jobs: string; changes: string };
const plainMove = ({ jobs, changes, ...row }: MoveRow): GroundMove => ({
  ...row,
  jobs: JSON.parse(jobs) as string[],
  changes: JSON.parse(changes) as GroundMove['changes'],
});

export function findGroundMove(database: Database, id: string): GroundMove | null {
  const row = database.prepare<[string], MoveRow>('SELECT * FROM ground_move WHERE id = ?').get(id);
  return row ? plainMove(row) : null;
}

/** The last changes of the stock, newest first. */
export const listGroundMoves = (database: Database, most: number): GroundMove[] =>
  database.prepare<[number], MoveRow>('SELECT * FROM ground_move ORDER BY rowid DESC LIMIT ?').all(most).map(plainMove);
