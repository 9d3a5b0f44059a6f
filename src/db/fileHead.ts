/* What the first bytes of a file tell of it, before anything is read as a workshop. */
import { closeSync, existsSync, openSync, readSync, statSync } from 'node:fs';
import SQLite from 'better-sqlite3';

const HEADER = 'SQLite format 3\u0000';

/** The first bytes of a file. */
function headOf(path: string, bytes: number): string {
  const file = openSync(path, 'r');
  try {
    const head = Buffer.alloc(bytes);
    return head.subarray(0, readSync(file, head, 0, bytes, 0)).toString('latin1');
  } finally {
    closeSync(file);
  }
}

/** Whether a file begins as a file of SQLite does. */
export const isSqliteFile = (path: string): boolean => headOf(path, HEADER.length) === HEADER;

/** Whether a file begins as lines of JSON do. */
export const beginsAsLines = (path: string): boolean => /^(?:\u00ef\u00bb\u00bf)?\s*\{/.test(headOf(path, 20));

/** Whether a file was copied without the log that lay beside it: it says that it has one, none is there, and it holds nothing. */
export function lacksItsLog(path: string): boolean {
  if (!existsSync(path) || statSync(path).size === 0 || existsSync(`${path}-wal`) || !isSqliteFile(path)) return false;
  // Bytes 18 and 19 of the header are 2 in a file that is written by way of a log (sqlite.org/fileformat2.html, 1.3.3).
  if (headOf(path, 20).slice(18) !== '\u0002\u0002') return false;
  const database = new SQLite(path, { readonly: true, fileMustExist: true });
  try {
    return database.prepare('SELECT 1 FROM sqlite_master').get() === undefined;
  } catch {
    // Cut off or damaged: that is found, and told, where it is read.
    return false;
  } finally {
    database.close();
  }
}

/** How such a file came to be, and what would do: the end of a sentence. */
export const WITHOUT_LOG =
  'was copied without the file ending in “-wal” that lay beside it. Stop the application before you copy the file, or use a backup.';
