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

/** Puts a bar on the rack, or more of one that lies there already: same bar, family, length and mark. */
export function addRackBar(database: Database, bar: RackBar): void {
  const there = database
    .prepare<[string, string, string, number, string], { id: string }>(
      'SELECT id FROM rack_bar WHERE profile = ? AND kind = ? AND family = ? AND abs(length_mm - ?) < 0.05 AND mark = ?',
    )
    .get(bar.profile, bar.kind, bar.family, bar.lengthMm, bar.mark);
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
}

export function insertRackMove(database: Database, move: RackMove): void {
  database
    .prepare('INSERT INTO rack_move (id, at, maker, did, jobs, changes) VALUES (?, ?, ?, ?, ?, ?)')
    .run(move.id, move.at, move.maker, move.did, JSON.stringify(move.jobs), JSON.stringify(move.changes));
}

/** Whether the frame of a job was sawn or picked. */
export const isSawn = (database: Database, jobId: string): boolean =>
  database.prepare('SELECT 1 FROM sawn_job WHERE job_id = ?').get(jobId) !== undefined;

/** Changes of the rack, newest first: so many at the most, or all of them. */
export const listRackMoves = (database: Database, most = -1): RackMove[] =>
  database
    .prepare<[number], { id: string; at: string; maker: string; did: string; jobs: string; changes: string }>(
      'SELECT * FROM rack_move ORDER BY rowid DESC LIMIT ?',
    )
    .all(most)
    .map((row) => ({ ...row, jobs: JSON.parse(row.jobs) as string[], changes: JSON.parse(row.changes) as RackMove['changes'] }));
