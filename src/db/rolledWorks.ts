import type { Database } from 'better-sqlite3';
import type { TakenDown } from '@/core/painting/takenDownWork';

/** A painting that lies off its bars, flat or rolled. */
export interface RolledWork {
  id: string;
  jobId: string;
  at: string;
  maker: string;
  measured: TakenDown;
  /** The job it was stretched again with; null while it lies there. */
  stretchedAs: string | null;
  number: number;
  title: string;
}

type Row = Omit<RolledWork, 'measured'> & { measured: string };
const SELECT = `SELECT r.id, r.job_id AS jobId, r.at, r.maker, r.measured, r.stretched_as AS stretchedAs, j.number, j.title
  FROM rolled_work r JOIN job j ON j.id = r.job_id`;
/** How work was kept before it was asked: rolled, its paint not told. */
const AS_ROLLED: Pick<TakenDown, 'kept' | 'paint'> = { kept: 'rolled', paint: 'notSaid' };
const plain = (row: Row): RolledWork => ({ ...row, measured: { ...AS_ROLLED, ...(JSON.parse(row.measured) as TakenDown) } });

/** What lies off its bars, the last first. */
export const listRolled = (database: Database): RolledWork[] =>
  database.prepare<[], Row>(`${SELECT} WHERE r.stretched_as IS NULL ORDER BY r.rowid DESC`).all().map(plain);

export function findRolled(database: Database, id: string): RolledWork | null {
  const row = database.prepare<[string], Row>(`${SELECT} WHERE r.id = ?`).get(id);
  return row ? plain(row) : null;
}

/** The rolled work that a job stretches again; null where it is another’s beginning. */
export function rolledInto(database: Database, jobId: string): RolledWork | null {
  const row = database.prepare<[string], Row>(`${SELECT} WHERE r.stretched_as = ?`).get(jobId);
  return row ? plain(row) : null;
}

/** The job that what came off the bars of another is stretched with; null while it lies there. */
export const stretchedAs = (database: Database, jobId: string): string | null =>
  database
    .prepare<[string], string | null>('SELECT stretched_as FROM rolled_work WHERE job_id = ? ORDER BY rowid DESC LIMIT 1')
    .pluck()
    .get(jobId) ?? null;

export function insertRolled(
  database: Database,
  { id, jobId, at, maker, measured }: Pick<RolledWork, 'id' | 'jobId' | 'at' | 'maker' | 'measured'>,
): void {
  database
    .prepare('INSERT INTO rolled_work (id, job_id, at, maker, measured) VALUES (?, ?, ?, ?, ?)')
    .run(id, jobId, at, maker, JSON.stringify(measured));
}

/** Notes the job that stretches it again; false when somebody was faster. */
export const stretchRolled = (database: Database, id: string, jobId: string): boolean =>
  database.prepare('UPDATE rolled_work SET stretched_as = ? WHERE id = ? AND stretched_as IS NULL').run(jobId, id).changes === 1;
