import type { Database } from 'better-sqlite3';

export const ROLES = ['maker', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

/** A device in the house that is signed in: a maker’s writes, a viewer’s looks on and ticks. */
export interface Device {
  id: string;
  name: string;
  role: Role;
  /** Where it spoke from when it signed in. */
  address: string;
  signedInAt: string;
  seenAt: string;
  endsAt: string;
}

const COLUMNS = 'id, name, role, address, signed_in_at AS signedInAt, seen_at AS seenAt, ends_at AS endsAt';

/** Those that are signed in at a moment, the last one seen first. */
export const listDevices = (database: Database, at: string): Device[] =>
  database.prepare<[string], Device>(`SELECT ${COLUMNS} FROM device WHERE ends_at > ? ORDER BY seen_at DESC, name`).all(at);

/** The device whose cookie has this hash, while it is signed in; or null. */
export const deviceByToken = (database: Database, tokenHash: string, at: string): Device | null =>
  database
    .prepare<[string, string], Device>(`SELECT ${COLUMNS} FROM device WHERE token_hash = ? AND ends_at > ?`)
    .get(tokenHash, at) ?? null;

export const findDevice = (database: Database, id: string, at: string): Device | null =>
  database.prepare<[string, string], Device>(`SELECT ${COLUMNS} FROM device WHERE id = ? AND ends_at > ?`).get(id, at) ?? null;

export function insertDevice(database: Database, device: Device, tokenHash: string): void {
  database
    .prepare(
      `INSERT INTO device (id, name, role, token_hash, address, signed_in_at, seen_at, ends_at)
       VALUES (@id, @name, @role, @tokenHash, @address, @signedInAt, @seenAt, @endsAt)`,
    )
    .run({ ...device, tokenHash });
}

export const deviceSeen = (database: Database, id: string, at: string): void =>
  void database.prepare('UPDATE device SET seen_at = ? WHERE id = ?').run(at, id);

/** @returns whether there is such a device */
export const setDeviceRole = (database: Database, id: string, role: Role): boolean =>
  database.prepare('UPDATE device SET role = ? WHERE id = ?').run(role, id).changes === 1;

/** Ends what is signed in: one device, or all; what has run out goes with it. @returns whether one was ended */
export function endDevices(database: Database, id: string | null, at: string): boolean {
  database.prepare('DELETE FROM device WHERE ends_at <= ?').run(at);
  return database.prepare('DELETE FROM device WHERE ? IS NULL OR id = ?').run(id, id).changes > 0;
}
