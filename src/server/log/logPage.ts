import type { LogEntry } from '@/core/log/logEntry';
import type { ReadingId } from '@/core/log/readingKinds';
import { isPainted } from '@/core/house/schools';
import { stageActs } from '@/core/stages/stages';
import { photographedOf } from '@/db/photographs';
import { type LogOrder, type PlottedReading, countEntries, listEntries, plottedReadings } from '@/db/logEntries';
import type { Workshop } from '../workshop';

export interface LogRow extends Omit<LogEntry, 'plan'> {
  seq: number;
  jobId: string;
  jobNumber: number;
  jobTitle: string;
  /** What the stage is called on this canvas. */
  stageName: string;
  withdrawn: boolean;
}

export interface LogPage {
  rows: LogRow[];
  /** Entries that have a photograph. */
  photographs: string[];
  /** What was looked for. */
  find: string;
  /** How many entries there are, and how many have all the words; `foundMore` where they were not counted to the end. */
  entries: number;
  found: number;
  foundMore: boolean;
  order: LogOrder;
  /** Entries go on from this number, without it; null on the last page. */
  next: number | null;
  first: boolean;
}

const LOG_ROWS = 60;
/** Found entries are counted so far. */
const MOST_FOUND = 1000;

/** The words of a search: letters and figures, whatever stands between them. */
const wordsOf = (find: string): string[] =>
  find
    .toLowerCase()
    .match(/[\p{L}\p{N}]+/gu)
    ?.slice(0, 12) ?? [];

/** A page of everything that was done and measured, by the order it was written in. */
export function logPage(
  { database }: Workshop,
  { find = '', from = null, order = 'newest' }: { find?: string; from?: number | null; order?: LogOrder } = {},
): LogPage {
  const words = wordsOf(find);
  const listed = listEntries(database, { words, from, order, most: LOG_ROWS + 1 });
  const rows = listed
    .slice(0, LOG_ROWS)
    .map(({ entry: { plan: _plan, ...entry }, jobUse, ...of }): LogRow => ({
      ...entry,
      ...of,
      stageName: stageActs(entry.stage, isPainted(jobUse)).name,
    }));
  const entries = countEntries(database, [], MOST_FOUND);
  const found = words.length === 0 ? entries : countEntries(database, words, MOST_FOUND);
  return {
    rows,
    photographs: photographedOf(
      database,
      rows.map(({ id }) => id),
    ),
    find,
    entries,
    found,
    foundMore: words.length > 0 && found >= MOST_FOUND,
    order,
    next: listed.length > LOG_ROWS ? rows.at(-1)!.seq : null,
    first: from === null,
  };
}

/** Dots of a plot at the most. */
const MOST_DOTS = 120;

/** The readings of one kind that are plotted, of entries that have the words. */
export const plotOf = ({ database }: Workshop, quantity: ReadingId, of: string, find = ''): PlottedReading[] =>
  plottedReadings(database, quantity, of, wordsOf(find), MOST_DOTS);
