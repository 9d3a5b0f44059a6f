/*
 * What a job’s log tells about its cloth: every tension that was measured, how far the corners were opened, what was done
 * about slackness, how much ground lies on it.
 */
import { CORNERS } from '../frame/square/corners';
import type { LogEntry, Reading } from './logEntry';
import type { ReadingId } from './readingKinds';
import { NOT_OPENED, type Openings, eachCorner } from '../tension/openCorners';

export type TensionTool = 'tap' | 'weight' | 'hand';

export interface TensionReading {
  at: string;
  tool: TensionTool;
  nPerM: number;
  sdNPerM: number;
  /** Along the width and along the height, N/m; null where one number was had. */
  across: number | null;
  down: number | null;
  rh: number | null;
  entryId: string;
  /** Its place in the log: clocks can be set back, the log cannot. */
  order: number;
}

export interface RemedyDone {
  at: string;
  order: number;
  /** Its id in the table of remedies. */
  remedy: string;
  /** The tension measured last before, and first after. */
  before: TensionReading | null;
  after: TensionReading | null;
}

export interface JobHistory {
  /** Oldest first. */
  tensions: TensionReading[];
  /** Opened in all, mm. */
  opened: Openings;
  turns: { at: string; order: number; opened: Openings }[];
  remedies: RemedyDone[];
  /** What was brushed on and dried, g/m². */
  dryGroundGPerM2: number;
}

export const NO_HISTORY: JobHistory = { tensions: [], opened: NOT_OPENED, turns: [], remedies: [], dryGroundGPerM2: 0 };

const TOOLS: readonly (readonly [quantity: ReadingId, tool: TensionTool])[] = [
  ['tensionByTap', 'tap'],
  ['tensionByWeight', 'weight'],
  ['tensionByHand', 'hand'],
];

type ValueOf = (entry: LogEntry, quantity: ReadingId, of?: string) => number | null;

/** Entries that stand: records, readings and remedies not taken back, in the order of the log. */
export function standingEntries(log: readonly LogEntry[]): LogEntry[] {
  const withdrawn = new Set(log.map((entry) => entry.corrects));
  return log.filter(({ id, kind }) => kind !== 'withdrawal' && kind !== 'rehearsal' && !withdrawn.has(id));
}

/** The cloth goes on its bars: here, or in the workshop that it was brought from. */
export const isStretching = ({ kind, stage }: Pick<LogEntry, 'kind' | 'stage'>): boolean =>
  kind === 'brought' || (kind === 'record' && stage === 'fasten');

export function historyOf(log: readonly LogEntry[]): JobHistory {
  const entries = standingEntries(log);
  const value: ValueOf = ({ readings }, quantity, of = '') =>
    readings.find((one) => one.quantity === quantity && one.of === of)?.value ?? null;
  const orderOf = (entry: LogEntry) => log.indexOf(entry);
  const tensions = entries.flatMap((entry): TensionReading[] =>
    TOOLS.flatMap(([quantity, tool]) => {
      const reading = entry.readings.find((one) => one.quantity === quantity);
      return reading ? [tensionOf(entry, orderOf(entry), reading, tool, value)] : [];
    }).slice(0, 1),
  );
  const turns = entries.flatMap((entry) => {
    const opened = eachCorner((corner) => value(entry, 'opened', corner) ?? 0);
    return CORNERS.some((corner) => opened[corner] !== 0) ? [{ at: entry.at, order: orderOf(entry), opened }] : [];
  });
  return {
    tensions,
    turns,
    opened: turns.reduce((sum, { opened }) => eachCorner((corner) => sum[corner] + opened[corner]), NOT_OPENED),
    remedies: entries
      .filter(({ kind }) => kind === 'remedy')
      .map((entry) => {
        const order = orderOf(entry);
        return {
          at: entry.at,
          order,
          remedy: entry.of,
          before: tensions.findLast((one) => one.order < order) ?? null,
          after: tensions.find((one) => one.order > order) ?? null,
        };
      }),
    dryGroundGPerM2: entries.reduce((sum, entry) => sum + (value(entry, 'dryGround') ?? 0), 0),
  };
}

function tensionOf(entry: LogEntry, order: number, reading: Reading, tool: TensionTool, value: ValueOf): TensionReading {
  return {
    at: entry.at,
    tool,
    nPerM: reading.value,
    sdNPerM: reading.precision ?? 0,
    across: value(entry, 'tensionAcross'),
    down: value(entry, 'tensionDown'),
    rh: value(entry, 'roomHumidity'),
    entryId: entry.id,
    order,
  };
}

/** The tension that is believed now: the last one that was measured, or felt where nothing was measured. */
export const lastTension = ({ tensions }: Pick<JobHistory, 'tensions'>): TensionReading | null =>
  tensions.findLast(({ tool }) => tool !== 'hand') ?? tensions.at(-1) ?? null;

/** Rise measured over the rise foretold must be told apart from none by this many standard deviations. */
const TOLD_APART = 1;

/**
 * How stiff this cloth turned out, in parts of what its table says: the rise of tension that was measured over what
 * opening the corners foretold, by the same tool before and after. Null where no such pair was measured, or it is too
 * uncertain to tell.
 *
 * @param risePerMm rise of the mean tension foretold for an opening of 1 mm at all four corners, N/m
 */
export function stiffnessFound({ tensions, turns }: JobHistory, risePerMm: number): number | null {
  const after = tensions.findLast(({ tool }) => tool !== 'hand');
  const before = after && tensions.findLast((one) => one.tool === after.tool && one.order < after.order);
  if (!after || !before) return null;
  const between = turns.filter(({ order }) => order > before.order && order <= after.order);
  const meanMm = between.reduce((sum, { opened }) => sum + CORNERS.reduce((all, corner) => all + opened[corner], 0) / 4, 0);
  const foretold = meanMm * risePerMm;
  const rise = after.nPerM - before.nPerM;
  if (!(foretold > 0) || rise < TOLD_APART * Math.hypot(after.sdNPerM, before.sdNPerM)) return null;
  const factor = rise / foretold;
  return factor >= 0.1 && factor <= 3 ? factor : null;
}
