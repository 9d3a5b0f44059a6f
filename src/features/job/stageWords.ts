/* Short words for the run of stages and for what holds a record back. */
import { format } from 'date-fns';
import { STAGE_IDS, type StageId, stageActs } from '@/core/stages/stages';
import type { Plan } from '@/core/case/planJob';
import { isTakenDown } from '@/core/case/logViolations';
import type { LogEntry } from '@/core/log/logEntry';
import type { NextStep } from '@/core/case/nextStep';
import { type Progress, missingBefore } from '@/core/case/progress';
import type { StageMark } from './header/StageRun';

/** Something for every stage. */
export const perStage = <T>(of: (id: StageId) => T) =>
  Object.fromEntries(STAGE_IDS.map((id) => [id, of(id)])) as Record<StageId, T>;

/** The mark of every stage; a stop counts only when it rests on a measure. */
export function stageMarks(progress: Progress, next: NextStep, stopped: boolean): Record<StageId, StageMark> {
  return perStage((id) => {
    if (progress.done.has(id)) return 'done';
    if (id !== progress.now) return 'later';
    if (next.state === 'waiting') return 'waiting';
    return stopped ? 'stopped' : 'now';
  });
}

/** A note under each stage: when it was done, or what is planned. */
export function stageNotes(progress: Progress, plan: Plan, next: NextStep): Record<StageId, string> {
  const planned: Partial<Record<StageId, string>> = {
    prime: plan.prime.coats.length === 0 ? 'no coats' : `${progress.coatsDone} of ${plan.prime.coats.length} coats`,
    bars: plan.bars.answer,
    fasten: plan.fasten.answer,
    cloth: plan.cloth.answer,
    look: progress.painted ? plan.look.answer : '',
    handover: plan.handover.answer,
  };
  return perStage((id) => {
    const record = progress.records.findLast((entry) => entry.stage === id);
    if (progress.done.has(id) && record) return format(new Date(record.at), 'EEE d MMM');
    if (id === progress.now && next.state === 'waiting' && id !== 'prime')
      return next.clock?.stage === 'bars' ? 'glue sets' : 'coat dries';
    return planned[id] ?? '';
  });
}

/** Why a stage cannot be recorded yet, or null. */
export function earlyWords(progress: Progress, open: StageId): string | null {
  const missing = missingBefore(open, progress);
  if (missing.length > 0)
    return `First record ${missing.map((id) => stageActs(id, progress.painted).name.toLowerCase()).join(', ')}. You can look and plan ahead here.`;
  return null;
}

/** Why a record cannot be taken back, or null. */
export function keepsWords({ records, painted }: Progress, open: StageId): string | null {
  const later = records[records.findLastIndex((entry) => entry.stage === open) + 1];
  return later ? `${stageActs(later.stage, painted).name} was recorded after it: take that back first.` : null;
}

/** Why nothing of a job is recorded any more, or null. */
export function closedWords(log: readonly LogEntry[], archived: boolean, looksOn: boolean): string | null {
  if (looksOn) return 'This device is view only: try any number; what is recorded is recorded at a maker’s device.';
  if (isTakenDown(log)) return 'It was taken down. The painting is stretched again as a job of its own, from the store.';
  return archived ? 'It is archived: bring it back to go on.' : null;
}

/** Who did it, and at which device of the house; the machine itself is not named. */
export const byWords = ({ maker, device }: Pick<LogEntry, 'maker' | 'device'>): string =>
  device === '' ? maker : `${maker}, at ${device}`;
