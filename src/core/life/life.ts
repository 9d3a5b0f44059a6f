/*
 * The life of a canvas as its log tells it: what was measured and felt, what was done and what happened, where it hung. A canvas
 * that was taken down and stretched again goes on in the log of another job; its life is read from both, one after the other.
 */
import { type TensionReading, historyOf, isStretching, standingEntries } from '../log/jobHistory';
import type { LogEntry } from '../log/logEntry';
import { REMEDIES } from '../tension/remedies';
import type { HangingPlace } from './climates';
import { LIFE_EVENTS } from './lifeEvents';

export interface LifeMark {
  entryId: string;
  at: string;
  /** Its place in the log. */
  order: number;
  kind: 'made' | 'worked' | 'happened' | 'hung' | 'takenDown';
  /** The cloth is not what it was before. */
  moves: boolean;
  /** The cloth gave way, or something was done to it by accident. */
  tells: boolean;
  /** A life begins with it: it was stretched here, or came stretched. */
  begins: boolean;
  says: string;
}

export interface Life {
  /** Oldest first. */
  tensions: TensionReading[];
  marks: LifeMark[];
  /** Where it hangs now, and since when; null where nobody said. */
  hangs: (HangingPlace & { at: string }) | null;
  /** When somebody looked at it last; null before it was fastened. */
  lookedAt: string | null;
  handedOverAt: string | null;
  /** Off its bars. */
  takenDown: boolean;
}

/** Remedies that leave the cloth as tight as it was. */
const MOVES_NOTHING: readonly string[] = ['none', 'air', 'chip', 'conservator'] satisfies (typeof REMEDIES)[number]['id'][];

function markOf(entry: LogEntry): (Pick<LifeMark, 'kind' | 'moves' | 'says'> & Partial<LifeMark>) | null {
  const opened = entry.readings.some(({ quantity }) => quantity === 'opened');
  switch (entry.kind) {
    case 'record':
      if (entry.stage === 'fasten') return { kind: 'made', moves: true, begins: true, says: 'stretched' };
      if (entry.stage === 'prime') return { kind: 'made', moves: true, says: entry.did };
      return entry.stage === 'handover' ? { kind: 'made', moves: false, says: 'handed over' } : null;
    case 'reading':
      return opened ? { kind: 'worked', moves: true, says: 'corners opened' } : null;
    case 'remedy':
      return {
        kind: 'worked',
        moves: !MOVES_NOTHING.includes(entry.of),
        says: REMEDIES.find(({ id }) => id === entry.of)?.name ?? entry.of,
      };
    case 'event': {
      const event = LIFE_EVENTS.find(({ id }) => id === entry.of);
      return { kind: 'happened', moves: event?.moves ?? true, tells: event?.tells ?? true, says: event?.name ?? entry.of };
    }
    case 'hung':
      return { kind: 'hung', moves: false, says: entry.hangs?.place || 'hung' };
    case 'brought':
      return { kind: 'made', moves: true, begins: true, says: 'made elsewhere' };
    case 'takenDown':
      return { kind: 'takenDown', moves: true, says: 'taken down' };
    default:
      return null;
  }
}

/** Entries in which somebody looked at the canvas itself. */
const looked = ({ kind, stage }: LogEntry): boolean =>
  kind === 'reading' ||
  kind === 'remedy' ||
  kind === 'event' ||
  kind === 'takenDown' ||
  kind === 'brought' ||
  (kind === 'record' && ['fasten', 'tune', 'prime', 'handover'].includes(stage));

/** @param log oldest first; of a canvas that was stretched again, the log before it and its own */
export function lifeOf(log: readonly LogEntry[]): Life {
  const entries = standingEntries(log);
  const marks = entries.flatMap((entry): LifeMark[] => {
    const mark = markOf(entry);
    return mark ? [{ tells: false, begins: false, ...mark, entryId: entry.id, at: entry.at, order: log.indexOf(entry) }] : [];
  });
  const hung = entries.findLast(({ kind }) => kind === 'hung');
  const down = entries.findLastIndex(({ kind }) => kind === 'takenDown');
  const stretched = entries.findLastIndex(isStretching);
  return {
    tensions: historyOf(log).tensions,
    marks,
    hangs: hung?.hangs && entries.indexOf(hung) > down ? { ...hung.hangs, at: hung.at } : null,
    lookedAt: entries.findLast(looked)?.at ?? null,
    handedOverAt:
      entries.findLast(({ kind, stage }) => kind === 'brought' || (kind === 'record' && stage === 'handover'))?.at ?? null,
    takenDown: down > stretched,
  };
}

/** Whether the air of this house is that of the canvas: it hangs here, or was never handed over. */
export const isInHouse = ({ hangs, handedOverAt }: Pick<Life, 'hangs' | 'handedOverAt'>): boolean =>
  hangs ? hangs.climate === 'house' : handedOverAt === null;
