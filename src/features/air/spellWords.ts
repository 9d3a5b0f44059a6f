import type { DampSpell } from '@/core/tension/clothWeather';
import { decimal } from '@/core/units/numeral';

/** The warning of a damp spell, or null when there is none. */
export function spellWords(spell: DampSpell): string | null {
  if (spell.kind === 'none') return null;
  return spell.kind === 'now'
    ? `Damp: ${decimal(spell.rh, 0)} % RH over the last day; cloth slackens, coats dry late.`
    : `Damp is coming: about ${decimal(spell.rh, 0)} % RH tomorrow if it goes on so.`;
}
