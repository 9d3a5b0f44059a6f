/* Reads a whole file in a thread of its own: others are served meanwhile. It is started with the path, and answers what it found. */
import { parentPort, workerData } from 'node:worker_threads';
import SQLite from 'better-sqlite3';

// Not read-only: then SQLite would pass the checks of the columns by.
const database = new SQLite(workerData, { fileMustExist: true });
try {
  parentPort.postMessage({
    integrity: database.prepare('PRAGMA integrity_check(5)').pluck().all(),
    links: database.prepare('PRAGMA foreign_key_check').all().length,
  });
} finally {
  database.close();
}
