/*
 * How far a job is, read from its log alone: which stages stand recorded, how many coats are on, what may still change.
 */
import type { JobInputs } from '../job/job';
import type { LogEntry } from '../log/logEntry';
import { byId } from '../house/schools';
import { STAGES, STAGE_IDS, type StageId } from '../stages/stages';
import { SYSTEMS } from '../prime/grounds';

/** Records that have not been taken back, in the order of the log. */
export function standingRecords(log: readonly LogEntry[]): LogEntry[] {
  const withdrawn = new Set(log.map((entry) => entry.corrects));
  return log.filter((entry) => entry.kind === 'record' && !withdrawn.has(entry.id));
}

export interface Progress {
  records: LogEntry[];
  done: ReadonlySet<StageId>;
  coatsDone: number;
  /** The first stage not done, or null when the job is finished. Square is passed over once the cloth was cut without it. */
  now: StageId | null;
}

/** A stage is done when it has a standing record; priming when it has one for every coat. */
export function progressOf(inputs: JobInputs, log: readonly LogEntry[]): Progress {
  const records = standingRecords(log);
  const coats = records.filter((entry) => entry.stage === 'prime');
  const coatsWanted = Math.max(1, byId(SYSTEMS, inputs.prime.system).coats.length);
  const done = new Set(
    STAGE_IDS.filter((id) => (id === 'prime' ? coats.length >= coatsWanted : records.some((entry) => entry.stage === id))),
  );
  const passed = (id: StageId) => id === 'square' && done.has('cloth');
  return { records, done, coatsDone: coats.length, now: STAGE_IDS.find((id) => !done.has(id) && !passed(id)) ?? null };
}

/** Stages that must stand recorded before this one; squareness can be passed over with a reason, see `gateVerdicts`. */
export const missingBefore = (stage: StageId, { done }: Progress): StageId[] =>
  STAGE_IDS.slice(0, STAGE_IDS.indexOf(stage)).filter((id) => !done.has(id) && id !== 'square');

/** Tuning goes on as long as the canvas lives: what is typed for it stays free after its record. */
export const staysOpen = (stage: StageId): boolean => stage === 'tune';

/** What of priming may not change between its coats: all but the room and the pot of the next coat. */
function coatInputs({ prime: { system, edges, back, wetFirst, over } }: JobInputs) {
  return { system, edges, back, wetFirst, over };
}

/**
 * Stages whose recorded inputs a save would change: a finished step keeps what it was done by.
 * The room climate, the pot and, before the first coat, the whole priming stage stay free.
 */
export function lockedChanges(before: JobInputs, after: JobInputs, progress: Progress): StageId[] {
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
  return STAGES.map((stage) => stage.id).filter((id) => {
    if (id === 'prime') {
      if (progress.coatsDone === 0) return false;
      return !same(coatInputs(before), coatInputs(after));
    }
    return progress.done.has(id) && !staysOpen(id) && !same(before[id], after[id]);
  });
}
