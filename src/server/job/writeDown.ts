import type { LogEntry } from '@/core/log/logEntry';
import { insertLogEntry } from '@/db/logEntries';
import { type Workshop, deviceName } from '../workshop';

type Said = Pick<LogEntry, 'stage' | 'kind' | 'maker' | 'did'> & Partial<LogEntry>;

/** What an entry is where nothing else is said. */
export const EMPTY_ENTRY = {
  step: null,
  of: '',
  device: '',
  note: '',
  reason: '',
  corrects: null,
  readyAt: null,
  readings: [],
  hangs: null,
  plan: null,
} satisfies Partial<LogEntry>;

/** Writes an entry of this moment and this device into the log of a job; what is not said is empty. Answers its id. */
export function writeDown(workshop: Workshop, jobId: string, said: Said): string {
  const entry: LogEntry = {
    ...EMPTY_ENTRY,
    id: workshop.newId(),
    at: workshop.now().toISOString(),
    device: deviceName(workshop),
    ...said,
    note: (said.note ?? '').trim(),
    did: said.did.slice(0, 300),
  };
  insertLogEntry(workshop.database, jobId, entry);
  return entry.id;
}
