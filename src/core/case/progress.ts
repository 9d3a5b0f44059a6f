/*
 * How far a job is, read from its log alone: which stages stand recorded, how many coats are on, what may still change.
 */
import type { JobInputs } from '../job/job';
import type { LogEntry } from '../log/logEntry';
import { USES, byId } from '../house/schools';
import { closedBy } from './closedInputs';
import { STAGE_IDS, type StageId, runOf } from '../stages/stages';
import { primingOf } from '../prime/primingOf';

/** Records that have not been taken back, in the order of the log. */
export function standingRecords(log: readonly LogEntry[]): LogEntry[] {
  const withdrawn = new Set(log.map((entry) => entry.corrects));
  return log.filter((entry) => entry.kind === 'record' && !withdrawn.has(entry.id));
}

export interface Progress {
  /** The stages of this work, in their order. */
  run: readonly StageId[];
  painted: boolean;
  records: LogEntry[];
  done: ReadonlySet<StageId>;
  coatsDone: number;
  /** Not recorded, and no more to be: the work went past it. */
  passed: ReadonlySet<StageId>;
  /** The first stage neither done nor passed, or null when the job is finished. */
  now: StageId | null;
}

/** A stage is done when it has a standing record; priming when it has one for every coat; all of them on a canvas made elsewhere. */
export function progressOf(inputs: JobInputs, log: readonly LogEntry[]): Progress {
  const records = standingRecords(log);
  const coats = records.filter((entry) => entry.stage === 'prime');
  const systemCoats = primingOf(inputs).coats.length;
  const coatsWanted = Math.max(1, systemCoats);
  const { painted } = byId(USES, inputs.brief.use);
  const run = runOf(painted);
  // What was made elsewhere is done, all of it.
  const brought = log.some(({ kind }) => kind === 'brought');
  const done = new Set(
    brought
      ? run
      : STAGE_IDS.filter((id) => (id === 'prime' ? coats.length >= coatsWanted : records.some((entry) => entry.stage === id))),
  );
  const passed = new Set(run.filter((id, index) => !done.has(id) && isPassed(id, run[index + 1], done)));
  return {
    run,
    painted,
    records,
    done,
    coatsDone: brought && !painted ? systemCoats : coats.length,
    passed,
    now: run.find((id) => !done.has(id) && !passed.has(id)) ?? null,
  };
}

/** Square, once the cloth went on without it; a look, where work began before looks were recorded. */
const isPassed = (id: StageId, next: StageId | undefined, done: ReadonlySet<StageId>): boolean =>
  id === 'square' ? next !== undefined && done.has(next) : id === 'look' && done.size > 0;

/** Stages that must stand recorded before this one; squareness can be passed over with a reason, see `gateVerdicts`. */
export const missingBefore = (stage: StageId, { run, done, passed }: Progress): StageId[] =>
  run.slice(0, run.indexOf(stage)).filter((id) => !done.has(id) && !passed.has(id) && id !== 'square');

/** Tuning goes on as long as the canvas lives: what is typed for it stays free after its record. */
export const staysOpen = (stage: StageId): boolean => stage === 'tune';

/** Stages whose plan stands: recorded ones, and of priming the system once a coat is on. */
export const isSettled = (stage: StageId, { done, coatsDone }: Pick<Progress, 'done' | 'coatsDone'>): boolean =>
  (done.has(stage) && !staysOpen(stage)) || (stage === 'prime' && coatsDone > 0);

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
  return STAGE_IDS.filter((id) => {
    if (id === 'prime') {
      if (progress.coatsDone === 0) return false;
      return !same(coatInputs(before), coatInputs(after));
    }
    return progress.done.has(id) && !staysOpen(id) && !same(closedBy(id, before), closedBy(id, after));
  });
}
