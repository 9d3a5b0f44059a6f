import { stageById } from '@/core/stages/stages';
import type { Refusal } from '@/server/write/outcome';

/** A refusal as a sentence for the screen. */
export function refusalWords(refusal: Refusal): string {
  switch (refusal.kind) {
    case 'stale':
      return 'It was changed elsewhere in between: open it again.';
    case 'locked':
      return `${refusal.stages.map((id) => stageById(id).name).join(', ')} is recorded: undo the record to change it.`;
    case 'invalid':
      return refusalLines(refusal).join('; ');
    case 'refused':
    case 'early':
      return refusal.says;
    case 'here':
      return `This job is here already, as No. ${refusal.number}.`;
    case 'busy':
      return 'Another program holds the workshop’s file. Nothing is lost: try again in a moment.';
  }
}

/** Errors that are read before one gives up. */
const MOST_ERRORS = 6;

/** A refusal as lines, one for each thing that is wrong. */
export function refusalLines(refusal: Refusal): string[] {
  if (refusal.kind !== 'invalid') return [refusalWords(refusal)];
  const [first, others] = [refusal.errors.slice(0, MOST_ERRORS), refusal.errors.length - MOST_ERRORS];
  const said = first.map(({ field, says }) => (['', 'reason', 'rules'].includes(field) ? says : `${field}: ${says}`));
  return others > 0 ? [...said, `and ${others} more`] : said;
}

/** What went wrong in an answer, as a sentence; null when nothing did. */
export const refusalOf = (outcome: { ok: true } | Refusal): string | null => (outcome.ok ? null : refusalWords(outcome));
