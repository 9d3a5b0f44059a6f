import type { Database } from 'better-sqlite3';
import type { AirReading } from '@/core/tension/clothWeather';

/** Air of the workshop since a moment, oldest first. */
export const listAir = (database: Database, sinceIso: string): AirReading[] =>
  database.prepare<[string], AirReading>('SELECT at, celsius, rh FROM air_reading WHERE at >= ? ORDER BY at').all(sinceIso);

/** Adds readings; a moment that was read already stays as it is. Returns how many were new. */
export function insertAir(database: Database, readings: readonly AirReading[], source: string): number {
  const insert = database.prepare('INSERT OR IGNORE INTO air_reading (at, celsius, rh, source) VALUES (?, ?, ?, ?)');
  return readings.reduce((added, { at, celsius, rh }) => added + insert.run(at, celsius, rh, source).changes, 0);
}
