import type { Database } from 'better-sqlite3';
import type { StockCloth } from '@/core/cloth/clothStock';

export interface StoredCloth extends StockCloth {
  revision: number;
}

interface Row {
  id: string;
  revision: number;
  kind: StockCloth['kind'];
  fabric: string;
  tag: string;
  width_mm: number;
  selvedge_mm: number;
  length_mm: number;
  flaws: string;
  gone: 0 | 1;
}

const fromRow = ({ width_mm, selvedge_mm, length_mm, flaws, gone: _gone, ...row }: Row): StoredCloth => ({
  ...row,
  widthMm: width_mm,
  selvedgeMm: selvedge_mm,
  lengthMm: length_mm,
  flaws: JSON.parse(flaws) as StockCloth['flaws'],
});

/** Rolls and offcuts in the store: rolls first, then by tag. */
export const listCloth = (database: Database): StoredCloth[] =>
  database.prepare<[], Row>("SELECT * FROM cloth_sheet WHERE gone = 0 ORDER BY kind = 'offcut', fabric, tag").all().map(fromRow);

/** Tags that were ever written, also on cloth that is gone. */
export const clothTags = (database: Database): string[] =>
  database.prepare<[], string>('SELECT tag FROM cloth_sheet').pluck().all();

export function insertCloth(database: Database, cloth: StockCloth): void {
  database
    .prepare(
      `INSERT INTO cloth_sheet (id, revision, kind, fabric, tag, width_mm, selvedge_mm, length_mm, flaws, gone)
       VALUES (?, 1, ?, ?, ?, ?, ?, ?, ?, 0)`,
    )
    .run(
      cloth.id,
      cloth.kind,
      cloth.fabric,
      cloth.tag,
      cloth.widthMm,
      cloth.selvedgeMm,
      cloth.lengthMm,
      JSON.stringify(cloth.flaws),
    );
}

/** Writes what is left of a cloth over the revision that was seen; false when it was changed in between or is gone. */
export const updateCloth = (
  database: Database,
  { id, revision, lengthMm, flaws }: Pick<StoredCloth, 'id' | 'revision' | 'lengthMm' | 'flaws'>,
  gone: boolean,
): boolean =>
  database
    .prepare(
      `UPDATE cloth_sheet SET length_mm = ?, flaws = ?, gone = ?, revision = revision + 1
       WHERE id = ? AND revision = ? AND gone = 0`,
    )
    .run(lengthMm, JSON.stringify(flaws), gone ? 1 : 0, id, revision).changes === 1;

/** A piece that was cut for a job, size as it lay on the roll. */
export interface ClothCut {
  job: string;
  tag: string;
  acrossMm: number;
  alongMm: number;
}

export interface ClothMove {
  id: string;
  at: string;
  maker: string;
  did: string;
  cuts: ClothCut[];
  changes: { before: StockCloth[]; after: StockCloth[] };
}

export function insertClothMove(database: Database, move: ClothMove): void {
  database
    .prepare('INSERT INTO cloth_move (id, at, maker, did, cuts, changes) VALUES (?, ?, ?, ?, ?, ?)')
    .run(move.id, move.at, move.maker, move.did, JSON.stringify(move.cuts), JSON.stringify(move.changes));
}

/** Changes of the store, newest first: so many at the most, or all of them. */
export const listClothMoves = (database: Database, most = -1): ClothMove[] =>
  database
    .prepare<[number], { id: string; at: string; maker: string; did: string; cuts: string; changes: string }>(
      'SELECT * FROM cloth_move ORDER BY at DESC, rowid DESC LIMIT ?',
    )
    .all(most)
    .map((row) => ({
      ...row,
      cuts: JSON.parse(row.cuts) as ClothCut[],
      changes: JSON.parse(row.changes) as ClothMove['changes'],
    }));

export interface JobCut extends ClothCut {
  at: string;
}

/** The last piece that was cut for each job. */
export function cutJobs(database: Database): Map<string, JobCut> {
  const rows = database
    .prepare<[], { at: string; cut: string }>(
      'SELECT cloth_move.at AS at, each.value AS cut FROM cloth_move, json_each(cuts) AS each ORDER BY cloth_move.at, cloth_move.rowid',
    )
    .all()
    .map(({ at, cut }): JobCut => ({ at, ...(JSON.parse(cut) as ClothCut) }));
  return new Map(rows.map((cut) => [cut.job, cut]));
}
