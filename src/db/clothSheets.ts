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

/** The same in the order in which they came into the store: what was bought last is the last. */
export const clothByAge = (database: Database): StoredCloth[] =>
  database.prepare<[], Row>('SELECT * FROM cloth_sheet WHERE gone = 0 ORDER BY rowid').all().map(fromRow);

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
  /** The move that this one undoes. */
  undoes: string | null;
}

export function insertClothMove(database: Database, move: ClothMove): void {
  database
    .prepare('INSERT INTO cloth_move (id, at, maker, did, cuts, changes, undoes) VALUES (?, ?, ?, ?, ?, ?, ?)')
    .run(move.id, move.at, move.maker, move.did, JSON.stringify(move.cuts), JSON.stringify(move.changes), move.undoes);
}

/** A move, with whether another one undoes it. */
export type KeptClothMove = ClothMove & { undone: boolean };
type MoveRow = Omit<ClothMove, 'cuts' | 'changes'> & { cuts: string; changes: string; undone: 0 | 1 };
const MOVES = 'SELECT m.*, EXISTS (SELECT 1 FROM cloth_move u WHERE u.undoes = m.id) AS undone FROM cloth_move m';
const moveFrom = (row: MoveRow): KeptClothMove => ({
  ...row,
  undone: row.undone === 1,
  cuts: JSON.parse(row.cuts) as ClothCut[],
  changes: JSON.parse(row.changes) as ClothMove['changes'],
});

/** Changes of the store, newest first: so many at the most, or all of them. */
export const listClothMoves = (database: Database, most = -1): KeptClothMove[] =>
  database.prepare<[number], MoveRow>(`${MOVES} ORDER BY m.rowid DESC LIMIT ?`).all(most).map(moveFrom);

/** A move by its id; null where there is none. */
export function findClothMove(database: Database, id: string): KeptClothMove | null {
  const row = database.prepare<[string], MoveRow>(`${MOVES} WHERE m.id = ?`).get(id);
  return row ? moveFrom(row) : null;
}

/** A cloth as it lies there, whether it is gone or not; null where there never was one. */
export function findCloth(database: Database, id: string): (StoredCloth & { gone: boolean }) | null {
  const row = database.prepare<[string], Row>('SELECT * FROM cloth_sheet WHERE id = ?').get(id);
  return row ? { ...fromRow(row), gone: row.gone === 1 } : null;
}

/** Puts a cloth that is still as it was seen back to what it was before, or takes it out. */
export const putClothBack = (database: Database, { id, lengthMm, flaws }: StockCloth, gone: boolean): void => {
  database
    .prepare('UPDATE cloth_sheet SET length_mm = ?, flaws = ?, gone = ?, revision = revision + 1 WHERE id = ?')
    .run(lengthMm, JSON.stringify(flaws), gone ? 1 : 0, id);
};

export interface JobCut extends ClothCut {
  at: string;
}

/** The last piece that was cut for a job; null where none was. */
export function cutOfJob(database: Database, jobId: string): JobCut | null {
  const row = database
    .prepare<[string], { at: string; cut: string }>('SELECT at, cut FROM cloth_cut WHERE job_id = ? ORDER BY move DESC LIMIT 1')
    .get(jobId);
  return row ? { at: row.at, ...(JSON.parse(row.cut) as ClothCut) } : null;
}

/** What the piece of a job took of the cloth it was cut from, waste shared by area; null where none was cut. */
export function moveOfCut(database: Database, jobId: string): { alongMm: number; rollWidthMm: number; offcut: boolean } | null {
  const row = database
    .prepare<[string], { cut: string; cuts: string; changes: string }>(
      `SELECT c.cut, m.cuts, m.changes FROM cloth_cut c JOIN cloth_move m ON m.rowid = c.move
       WHERE c.job_id = ? ORDER BY c.move DESC LIMIT 1`,
    )
    .get(jobId);
  if (!row) return null;
  const cut = JSON.parse(row.cut) as ClothCut;
  const { before, after } = JSON.parse(row.changes) as ClothMove['changes'];
  const sheet = before.find(({ tag }) => tag === cut.tag);
  if (!sheet) return null;
  const areaOf = ({ acrossMm, alongMm }: ClothCut) => acrossMm * alongMm;
  const areas = (JSON.parse(row.cuts) as ClothCut[])
    .filter(({ tag }) => tag === cut.tag)
    .reduce((sum, one) => sum + areaOf(one), 0);
  const offcut = sheet.kind === 'offcut';
  // Of an offcut its own cloth is paid for, of a roll the whole width as far as it was cut.
  const usedMm = offcut ? areas / sheet.widthMm : sheet.lengthMm - (after.find(({ tag }) => tag === cut.tag)?.lengthMm ?? 0);
  return { alongMm: (usedMm * areaOf(cut)) / areas, rollWidthMm: sheet.widthMm, offcut };
}
