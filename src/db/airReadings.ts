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

/** Adds readings; a moment that was read already stays as it is. Returns how many were new. */
export function insertAir(database: Database, readings: readonly AirReading[], source: string): number {
  const insert = database.prepare('INSERT OR IGNORE INTO air_reading (at, celsius, rh, source) VALUES (?, ?, ?, ?)');
  return readings.reduce((added, { at, celsius, rh }) => added + insert.run(at, celsius, rh, source).changes, 0);
}

/** Takes everything that was simulated out again; returns how many readings that were. */
export const removeSimulatedAir = (database: Database): number =>
  database.prepare('DELETE FROM air_reading WHERE source = ?').run(SIMULATED_AIR).changes;
