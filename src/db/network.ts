import type { Database } from 'better-sqlite3';

/** How the workshop lets in other devices of the house. */
export interface StoredNetwork {
  open: boolean;
  port: number;
  /** Hashes of the passphrases; the second one, of whoever looks on, may be missing. */
  passphrase: string;
  lookingPassphrase: string | null;
  /** How long a device stays signed in. */
  hours: number;
  /** Files of the house’s certificate and its key; empty for plain http. */
  certFile: string;
  keyFile: string;
}

/** Null where it never was open. */
export function readNetwork(database: Database): StoredNetwork | null {
  const row = database
    .prepare<[], Omit<StoredNetwork, 'open'> & { open: 0 | 1 }>(
      `SELECT is_open AS open, port, passphrase, looking_passphrase AS lookingPassphrase, hours, cert_file AS certFile, key_file AS keyFile
       FROM network`,
    )
    .get();
  return row ? { ...row, open: row.open === 1 } : null;
}

export function writeNetwork(database: Database, network: StoredNetwork): void {
  database
    .prepare(
      `INSERT OR REPLACE INTO network (id, is_open, port, passphrase, looking_passphrase, hours, cert_file, key_file)
       VALUES (1, @open, @port, @passphrase, @lookingPassphrase, @hours, @certFile, @keyFile)`,
    )
    .run({ ...network, open: network.open ? 1 : 0 });
}
