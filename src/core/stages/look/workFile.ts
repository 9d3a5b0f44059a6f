/*
 * The file of a painting: what was seen and decided when it was looked at, and everything that was added since, in its order.
 * What is added is a note of the log, dated and by whoever wrote it; taking the note back takes it out of the file.
 */
import type { LogEntry } from '../../log/logEntry';
import { standingEntries } from '../../log/jobHistory';
import { asksFor } from './care';
import { CONDITIONS, type ConditionId } from './conditions';
import { DECISIONS, type LookInputs } from './lookInputs';

export type DecisionId = (typeof DECISIONS)[number]['id'];

/** What is added to the file: a condition that was found, or what was decided about the work. */
export type Finding = { condition: ConditionId } | { decided: DecisionId };

/**
 * What a note is of that adds to the file.
 *
 * @example findingId({ condition: 'tear' }) // 'condition:tear'
 */
export const findingId = (finding: Finding): string =>
  'condition' in finding ? `condition:${finding.condition}` : `decision:${finding.decided}`;

/** Whether what a note is of is an addition to the file. */
export const isFindingId = (of: string): boolean => findingOf({ kind: 'note', of }) !== null;

/** What a note adds to the file; null for any other note. */
function findingOf({ kind, of }: Pick<LogEntry, 'kind' | 'of'>): Finding | null {
  if (kind !== 'note') return null;
  const condition = CONDITIONS.find(({ id }) => of === findingId({ condition: id }));
  if (condition) return { condition: condition.id };
  const decision = DECISIONS.find(({ id }) => of === findingId({ decided: id }));
  return decision ? { decided: decision.id } : null;
}

/**
 * What is known of a painting now: what was looked at first and everything added since. What asks for a conservator and was found
 * after a decision is not covered by it.
 *
 * @param log entries of the job, oldest first
 */
export function lookNow(look: LookInputs, log: readonly LogEntry[]): LookInputs {
  return standingEntries(log).reduce((known, entry): LookInputs => {
    const finding = findingOf(entry);
    if (!finding) return known;
    if ('decided' in finding)
      return { ...known, decided: finding.decided, decidedBy: entry.note, decidedOn: entry.at.slice(0, 10) };
    const seen = { kind: finding.condition, at: null, note: entry.note.slice(0, 200) };
    if (known.decided === 'nobody' || !asksFor(finding.condition, known.value))
      return { ...known, conditions: [...known.conditions, seen] };
    // What a conservator has treated is not there any more.
    const before =
      known.decided === 'treated' ? known.conditions.filter(({ kind }) => !asksFor(kind, known.value)) : known.conditions;
    return { ...known, conditions: [...before, seen], decided: 'nobody', decidedBy: '', decidedOn: null };
  }, look);
}
