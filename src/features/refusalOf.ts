import type { Outcome, Refusal } from '@/server/outcome';

/** Why a write to the store was refused, as a sentence; null when it was done. Nothing is lost when the server is away. */
export async function refusalOf(act: Promise<Outcome<unknown>>): Promise<string | null> {
  const outcome = await act.catch(() => null);
  if (outcome === null) return 'The server does not answer. Nothing is lost: try again.';
  return outcome.ok ? null : words(outcome);
}

function words(refusal: Refusal): string {
  if (refusal.kind === 'invalid') return refusal.errors.map(({ field, says }) => `${field}: ${says}`).join('; ');
  return refusal.kind === 'refused' ? refusal.says : 'It was changed elsewhere in between: open it again.';
}
