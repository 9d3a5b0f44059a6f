import type { Database } from 'better-sqlite3';
import type { RackBar } from '@/core/frame/sawing/rack';

interface Row {
  id: string;
  profile: string;
  kind: RackBar['kind'];
  family: string;
  length_mm: number;
  count: number;
  mark: string;
}

const fromRow = ({ length_mm: lengthMm, ...row }: Row): RackBar => ({ ...row, lengthMm });

/** What lies on the rack, by bar, kind and length. */
export const listRack = (database: Database): RackBar[] =>
  database
    .prepare<[], Row>('SELECT * FROM rack_bar WHERE count > 0 ORDER BY profile, kind, family, length_mm, id')
    .all()
    .map(fromRow);

/** The row in which such bars lie, also where none is left: same bar, family, length and mark. */
export const rackRowOf = (database: Database, bar: Omit<RackBar, 'id' | 'count'>): { id: string; count: number } | null =>
  database
    .prepare<[string, string, string, number, string], { id: string; count: number }>(
      'SELECT id, count FROM rack_bar WHERE profile = ? AND kind = ? AND family = ? AND abs(length_mm - ?) < 0.05 AND mark = ?',
    )
    .get(bar.profile, bar.kind, bar.family, bar.lengthMm, bar.mark) ?? null;

/** Puts a bar on the rack, or more of one that lies there already. */
export function addRackBar(database: Database, bar: RackBar): void {
  const there = rackRowOf(database, bar);
  if (there) database.prepare('UPDATE rack_bar SET count = count + ? WHERE id = ?').run(bar.count, there.id);
  else
    database
      .prepare('INSERT INTO rack_bar (id, profile, kind, family, length_mm, count, mark) VALUES (?, ?, ?, ?, ?, ?, ?)')
      .run(bar.id, bar.profile, bar.kind, bar.family, bar.lengthMm, bar.count, bar.mark);
}

/** Takes pieces from a row; false when not so many lie there. */
export function takeRackBar(database: Database, id: string, count: number): boolean {
  return (
    database.prepare('UPDATE rack_bar SET count = count - ? WHERE id = ? AND count >= ?').run(count, id, count).changes === 1
  );
}

export interface RackMove {
  id: string;
  at: string;
  maker: string;
  did: string;
  jobs: string[];
  changes: { added: Omit<RackBar, 'id'>[]; taken: { bar: Omit<RackBar, 'id' | 'count'>; count: number }[] };
  /** The move that this one undoes. */
  undoes: string | null;
}

export function insertRackMove(database: Database, move: RackMove): void {
  database
    .prepare('INSERT INTO rack_move (id, at, maker, did, jobs, changes, undoes) VALUES (?, ?, ?, ?, ?, ?, ?)')
    .run(move.id, move.at, move.maker, move.did, JSON.stringify(move.jobs), JSON.stringify(move.changes), move.undoes);
}

/** Whether the frame of a job was sawn or picked. */
export const isSawn = (database: Database, jobId: string): boolean =>
  database.prepare('SELECT 1 FROM sawn_job WHERE job_id = ?').get(jobId) !== undefined;

/** A move, with whether another one undoes it. */
export type KeptRackMove = RackMove & { undone: boolean };
type MoveRow = Omit<RackMove, 'jobs' | 'changes'> & { jobs: string; changes: string; undone: 0 | 1 };
const MOVES = 'SELECT m.*, EXISTS (SELECT 1 FROM rack_move u WHERE u.undoes = m.id) AS undone FROM rack_move m';
const moveFrom = (row: MoveRow): KeptRackMove => ({
  ...row,
  undone: row.undone === 1,
  jobs: JSON.parse(row.jobs) as string[],
  changes: JSON.parse(row.changes) as RackMove['changes'],
});

/** Changes of the rack, newest first: so many at the most, or all of them. */
export const listRackMoves = (database: Database, most = -1): KeptRackMove[] =>
  database.prepare<[number], MoveRow>(`${MOVES} ORDER BY m.rowid DESC LIMIT ?`).all(most).map(moveFrom);

/** A move by its id; null where there is none. */
export function findRackMove(database: Database, id: string): KeptRackMove | null {
  const row = database.prepare<[string], MoveRow>(`${MOVES} WHERE m.id = ?`).get(id);
  return row ? moveFrom(row) : null;
}
