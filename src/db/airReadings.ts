import type { Database } from 'better-sqlite3';
import type { AirReading } from '@/core/tension/clothWeather';

/** What the simulated hygrometer’s readings say of where they come from. */
export const SIMULATED_AIR = 'simulated hygrometer';

/** A reading of the air as it is kept: told by a device, or simulated. */
export interface StoredAir extends AirReading {
  simulated: boolean;
}

/** Air of the workshop since a moment, oldest first. */
export const listAir = (database: Database, sinceIso: string): StoredAir[] =>
  database
    .prepare<[string, string], AirReading & { simulated: 0 | 1 }>(
      'SELECT at, celsius, rh, source = ? AS simulated FROM air_reading WHERE at >= ? ORDER BY at',
    )
    .all(SIMULATED_AIR, sinceIso)
    .map((row) => ({ ...row, simulated: row.simulated === 1 }));

/** Readings after a moment with where they came from, oldest first. */
export const airAfter = (database: Database, at: string, most: number): (AirReading & { source: string })[] =>
  database
    .prepare<[string, number], AirReading & { source: string }>(
      'SELECT at, celsius, rh, source FROM air_reading WHERE at > ? ORDER BY at LIMIT ?',
    )
    .all(at, most);

/**
 * Adds readings. A moment that was read already stays as it is, unless it was simulated and this is real: then the simulated
 * one is put by.
 *
 * @returns how many were new, and how many took the place of simulated ones
 */
export function insertAir(
  database: Database,
  readings: readonly AirReading[],
  source: string,
): { added: number; replaced: number } {
  const insert = database.prepare('INSERT OR IGNORE INTO air_reading (at, celsius, rh, source) VALUES (?, ?, ?, ?)');
  const putBy = database.prepare(
    'INSERT INTO air_replaced (at, celsius, rh, source, replaced_by) SELECT at, celsius, rh, source, ? FROM air_reading WHERE at = ? AND source = ?',
  );
  const overwrite = database.prepare('UPDATE air_reading SET celsius = ?, rh = ?, source = ? WHERE at = ?');
  let [added, replaced] = [0, 0];
  for (const { at, celsius, rh } of readings) {
    if (insert.run(at, celsius, rh, source).changes === 1) added += 1;
    else if (source !== SIMULATED_AIR && putBy.run(source, at, SIMULATED_AIR).changes === 1) {
      overwrite.run(celsius, rh, source, at);
      replaced += 1;
    }
  }
  return { added, replaced };
}

/** Takes everything that was simulated out again; returns how many readings that were. */
export const removeSimulatedAir = (database: Database): number =>
  database.prepare('DELETE FROM air_reading WHERE source = ?').run(SIMULATED_AIR).changes;
