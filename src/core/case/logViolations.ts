/* Whether a log could have come about: what a workshop refuses to write, it refuses to take in. */
import type { JobInputs } from '../job/job';
import { isStretching, standingEntries } from '../log/jobHistory';
import type { LogEntry } from '../log/logEntry';
import { type StageId, runOf, stageById } from '../stages/stages';
import { type Progress, missingBefore, progressOf } from './progress';

/**
 * What could not have happened in a log, entry by entry, oldest first: a stage recorded twice or before the ones it stands on,
 * a coat out of turn, a measurement of a cloth that is not fastened, a withdrawal of what does not stand.
 *
 * @param inputs what is typed for the job; entries with a plan are judged by the inputs they were recorded with
 * @returns the place of the entry in the log and what is wrong with it; none where all of it could have happened
 */
export function logViolations(inputs: JobInputs, log: readonly LogEntry[]): { index: number; says: string }[] {
  return log.flatMap((entry, index) => {
    const says = violation(inputs, log.slice(0, index), entry);
    return says === null ? [] : [{ index, says }];
  });
}

function violation(inputs: JobInputs, before: readonly LogEntry[], entry: LogEntry): string | null {
  if (before.some(({ id }) => id === entry.id)) return `two entries are called ${entry.id}`;
  const { name } = stageById(entry.stage);
  const progress = progressOf(entry.plan?.inputs ?? inputs, before);
  switch (entry.kind) {
    case 'withdrawal':
      return withdrawalViolation(before, entry);
    case 'record': {
      if (entry.corrects !== null) return 'a record takes nothing back';
      if (progress.done.has(entry.stage)) return `${name} is recorded already`;
      if (isTakenDown(before)) return `${name} is recorded after the canvas was taken down`;
      const missing = missingInAnyRun(entry.stage, progress);
      if (missing.length > 0) return `${name} is recorded before ${missing.map((id) => stageById(id).name).join(', ')}`;
      if (entry.stage === 'prime' && (entry.step ?? 0) !== progress.coatsDone)
        return `coat ${(entry.step ?? 0) + 1} is recorded where coat ${progress.coatsDone + 1} comes next`;
      return null;
    }
    case 'brought':
      return before.length === 0 ? null : 'a canvas that was made elsewhere begins with that';
    case 'event':
    case 'hung':
    case 'reading':
    case 'remedy':
      if (entry.corrects !== null) return 'a measurement takes nothing back';
      return progress.done.has('fasten') ? null : 'it is measured or treated before the cloth is fastened';
    case 'takenDown':
      if (!progress.done.has('fasten')) return 'it is taken down before it was stretched';
      return isTakenDown(before) ? 'it is taken down twice' : null;
    case 'rehearsal':
    case 'note':
      return entry.corrects === null ? null : `a ${entry.kind} takes nothing back`;
  }
}

/** What is missing before a stage; paintings were once worked in the order of blank cloth, and such logs stand. */
function missingInAnyRun(stage: StageId, progress: Progress): readonly StageId[] {
  const lacks = [progress.run, runOf(false)]
    .filter((run) => run.includes(stage))
    .map((run) => missingBefore(stage, { ...progress, run }));
  // What is a stage of neither run stands on nothing that could have come before it.
  return lacks.find((missing) => missing.length === 0) ?? lacks[0] ?? progress.run;
}

/** Why a canvas cannot be said to hang somewhere; null where it can. */
export const cannotHang = (log: readonly LogEntry[]): string | null => {
  if (isTakenDown(log)) return 'was taken down: it hangs nowhere';
  return standingEntries(log).some(isStretching) ? null : 'is not stretched yet: it cannot hang';
};

/** Off its bars: nothing is recorded on it any more. */
export const isTakenDown = (log: readonly LogEntry[]): boolean => standingEntries(log).some(({ kind }) => kind === 'takenDown');

function withdrawalViolation(before: readonly LogEntry[], { corrects }: LogEntry): string | null {
  if (corrects === null) return 'a withdrawal names no entry';
  const standing = standingEntries(before);
  const target = standing.find(({ id }) => id === corrects);
  if (!target) return `there is no standing entry ${corrects} before it`;
  const later = standing.slice(standing.indexOf(target) + 1).find(({ kind }) => kind === 'record');
  if (target.kind === 'brought') return 'where a canvas was made is not taken back';
  if (target.kind === 'takenDown') return 'what came off its bars is not put back by taking a record back';
  return target.kind === 'record' && later ? `${stageById(later.stage).name} still stands on what it takes back` : null;
}
