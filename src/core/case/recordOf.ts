import type { LogEntry, Reading } from '../log/logEntry';
import { type StageId, stageActs } from '../stages/stages';
import type { JobCase } from './jobCase';

/** What is said with a record: by whom, where, and why a stop was gone over. */
export interface RecordSaid {
  stage: StageId;
  maker: string;
  device: string;
  note: string;
  reason: string;
  /** The air that a tension was read in. */
  air: Reading[];
}

/**
 * The record of a stage as its case stands: what was done, the frozen plan, the clock it starts.
 *
 * @param here the case at the moment it was done, read from where its words are to name left and right
 */
export function recordOf(
  here: JobCase,
  { stage, maker, device, note, reason, air }: RecordSaid,
  { id, at }: { id: string; at: Date },
): LogEntry {
  const { answer, answerNote, setsMinutes, readings } = here.plan[stage];
  const { coatsDone } = here.progress;
  const coat = stage === 'prime' ? here.plan.prime.coats[coatsDone] : undefined;
  return {
    id,
    stage,
    step: coat ? coatsDone : null,
    kind: 'record',
    of: '',
    at: at.toISOString(),
    maker,
    device,
    did: coat ? coat.name : `${stageActs(stage, here.progress.painted).name}: ${answer}`,
    note: note.trim(),
    reason: reason.trim(),
    corrects: null,
    readyAt: setsMinutes === null ? null : new Date(at.getTime() + setsMinutes * 60_000).toISOString(),
    readings: [...readings, ...air],
    hangs: null,
    plan: {
      answer,
      answerNote,
      verdicts: here.verdictsOf(stage),
      inputs: here.job.inputs,
      rules: here.house.rules,
      taught: here.taught,
      view: here.viewOf(stage),
    },
  };
}
