/*
 * What a job’s log tells about its cloth: every tension that was measured, how far the corners were opened, what was done
 * about slackness, how much ground lies on it.
 */
import { CORNERS } from '../frame/corners';
import type { LogEntry, Reading } from '../job/logEntry';
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
}

export interface RemedyDone {
  at: string;
  did: string;
  /** The tension measured last before, and first after. */
  before: TensionReading | null;
  after: TensionReading | null;
}

export interface JobHistory {
  /** Oldest first. */
  tensions: TensionReading[];
  /** Opened in all, mm. */
  opened: Openings;
  turns: { at: string; opened: Openings }[];
  remedies: RemedyDone[];
  /** What was brushed on and dried, g/m². */
  dryGroundGPerM2: number;
}

export const NO_HISTORY: JobHistory = { tensions: [], opened: NOT_OPENED, turns: [], remedies: [], dryGroundGPerM2: 0 };

/** Names of readings that the history is read from. */
export const TENSION_BY_TAP = 'tension by tap';
export const TENSION_BY_WEIGHT = 'tension by weight';
export const TENSION_BY_HAND = 'felt tension, middle of band';
export const ACROSS = `${TENSION_BY_TAP}, across`;
export const DOWN = `${TENSION_BY_TAP}, down`;
export const DRY_GROUND = 'dry ground';
export const openedAt = (corner: keyof Openings): string => `opened, ${corner}`;
/** The note of an entry that tells a remedy begins so. */
export const REMEDY_WORD = 'Remedy: ';

const TOOLS: readonly (readonly [quantity: string, tool: TensionTool])[] = [
  [TENSION_BY_TAP, 'tap'],
  [TENSION_BY_WEIGHT, 'weight'],
  [TENSION_BY_HAND, 'hand'],
];

/** Entries that stand: records and readings not taken back, oldest first. */
export function standingEntries(log: readonly LogEntry[]): LogEntry[] {
  const withdrawn = new Set(log.map((entry) => entry.corrects));
  return log
    .filter((entry) => (entry.kind === 'record' || entry.kind === 'reading') && !withdrawn.has(entry.id))
    .sort((one, other) => one.at.localeCompare(other.at));
}

export function historyOf(log: readonly LogEntry[]): JobHistory {
  const entries = standingEntries(log);
  const value = ({ readings }: LogEntry, quantity: string) => readings.find((one) => one.quantity === quantity)?.value ?? null;
  const tensions = entries.flatMap((entry): TensionReading[] =>
    TOOLS.flatMap(([quantity, tool]) => {
      const reading = entry.readings.find((one) => one.quantity === quantity);
      return reading ? [tensionOf(entry, reading, tool, value)] : [];
    }).slice(0, 1),
  );
  const turns = entries.flatMap((entry) => {
    const opened = eachCorner((corner) => value(entry, openedAt(corner)) ?? 0);
    return CORNERS.some((corner) => opened[corner] !== 0) ? [{ at: entry.at, opened }] : [];
  });
  return {
    tensions,
    turns,
    opened: turns.reduce((sum, { opened }) => eachCorner((corner) => sum[corner] + opened[corner]), NOT_OPENED),
    remedies: entries
      .filter(({ kind, did }) => kind === 'reading' && did.startsWith(REMEDY_WORD))
      .map(({ at, did }) => ({
        at,
        did: did.slice(REMEDY_WORD.length),
        before: tensions.findLast((one) => one.at <= at) ?? null,
        after: tensions.find((one) => one.at > at) ?? null,
      })),
    dryGroundGPerM2: entries.reduce((sum, entry) => sum + (value(entry, DRY_GROUND) ?? 0), 0),
  };
}

function tensionOf(
  entry: LogEntry,
  reading: Reading,
  tool: TensionTool,
  value: (entry: LogEntry, quantity: string) => number | null,
): TensionReading {
  return {
    at: entry.at,
    tool,
    nPerM: reading.value,
    sdNPerM: reading.precision ?? 0,
    across: value(entry, ACROSS),
    down: value(entry, DOWN),
    rh: value(entry, 'room humidity'),
    entryId: entry.id,
  };
}

/** The tension that is believed now: the last one that was measured, or felt where nothing was measured. */
export const lastTension = ({ tensions }: JobHistory): TensionReading | null =>
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
  const before = after && tensions.findLast((one) => one.tool === after.tool && one.at < after.at);
  if (!after || !before) return null;
  const between = turns.filter(({ at }) => at > before.at && at <= after.at);
  const meanMm = between.reduce((sum, { opened }) => sum + CORNERS.reduce((all, corner) => all + opened[corner], 0) / 4, 0);
  const foretold = meanMm * risePerMm;
  const rise = after.nPerM - before.nPerM;
  if (!(foretold > 0) || rise < TOLD_APART * Math.hypot(after.sdNPerM, before.sdNPerM)) return null;
  const factor = rise / foretold;
  return factor >= 0.1 && factor <= 3 ? factor : null;
}
