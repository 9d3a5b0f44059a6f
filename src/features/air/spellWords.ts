import { printed } from '@/core/quantities/printed';
import type { DampSpell } from '@/core/tension/clothWeather';

/** The warning of a damp spell, or null when there is none. */
export function spellWords(spell: DampSpell): string | null {
  if (spell.kind === 'none') return null;
  return spell.kind === 'now'
    ? `Damp: ${printed('humidity', spell.rh)} over the last day; cloth slackens, coats dry late.`
    : `Damp is coming: about ${printed('humidity', spell.rh)} tomorrow if it goes on so.`;
}
