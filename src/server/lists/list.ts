/* What a list is: the file it is written as, and what a file that comes back would do. */
import type { HouseRules } from '@/core/house/houseRules';
import type { FileUnit, Tape } from '@/core/units/length';
import type { Outcome } from '../write/outcome';
import type { Workshop } from '../workshop';

/** What one line of a file does. */
export interface ListChange {
  /** The line of the file; null for what is not in it any more. */
  line: number | null;
  what: 'new' | 'changed' | 'gone' | 'same';
  says: string;
}

/** What a file would do, and how it is done: by the same writes as by hand, in this order. */
export interface ListPlan {
  changes: ListChange[];
  /** Names on top that nothing is read from. */
  ignored: string[];
  acts: { line: number | null; act: () => Outcome<unknown> }[];
  /** Nothing that is written meanwhile changes what this does; else it is worked out anew when it is done. */
  stands?: boolean;
}

/** Who reads a file in, and how it is told. */
export interface ListReader {
  rules: HouseRules;
  tape: Tape;
  maker: string;
}

/** Reads a file in steps, so that others are served meanwhile. */
type ReadList = (workshop: Workshop, text: string, reader: ListReader) => Generator<undefined, Outcome<ListPlan>>;

export interface List {
  /** The file, in pieces: a long log does not fit into one. */
  write: (workshop: Workshop, unit: FileUnit) => Iterable<string>;
  /** Null where a list is only written. */
  read: ReadList | null;
}

/** What is read in no time. */
export const atOnce = (read: (...of: Parameters<ReadList>) => Outcome<ListPlan>): ReadList =>
  function* (...of) {
    yield undefined;
    return read(...of);
  };

/** The ids of lists, in the order they are shown in. */
export const LIST_IDS = [
  'jobs',
  'bars',
  'woods',
  'cloths',
  'prices',
  'rack',
  'rolls',
  'grounds',
  'store',
  'toBuy',
  'air',
  'log',
] as const;
export type ListId = (typeof LIST_IDS)[number];
