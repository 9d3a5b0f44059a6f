import type { Refusal } from '@/server/outcome';

/** A refusal of the store as a sentence. */
export function refusalText(refusal: Refusal): string {
  if (refusal.kind === 'invalid') return refusal.errors.map(({ field, says }) => `${field}: ${says}`).join('; ');
  return refusal.kind === 'refused' ? refusal.says : 'It was changed elsewhere in between: open it again.';
}
