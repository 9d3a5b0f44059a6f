import type { Database } from 'better-sqlite3';
import type { Device } from '@/db/devices';

/** What a use case works with: the file, a clock and a source of ids, so that tests can hold all three. */
export interface Workshop {
  database: Database;
  now: () => Date;
  newId: () => string;
  /** The device in the house that asks; none where it is the machine that the workshop runs on. */
  device?: Device;
}

/** What is written on a record: the device it was made at, empty for the machine itself. */
export const deviceName = ({ device }: Workshop): string => device?.name ?? '';
