import { describe, expect, it } from 'vitest';
import { TERMS, TERM_PICTURES, termsIn } from './terms';

describe('the words of the trade', () => {
  it('stand once each, with a meaning and a part of a picture; no form is claimed by two', () => {
    const forms = TERMS.flatMap(({ forms: own }) => own);
    expect(new Set(forms).size).toBe(forms.length);
    expect(new Set(TERMS.map(({ id }) => id)).size).toBe(TERMS.length);
    for (const { forms: own, meaning, picture, part } of TERMS) {
      expect(own.every((form) => form === form.toLowerCase())).toBe(true);
      expect(meaning).toMatch(/^[A-Z].+\.$/);
      expect(TERM_PICTURES[picture] as readonly string[]).toContain(part);
    }
  });

  it('are found as whole words, the longest form of all, whatever their case', () => {
    const found = (text: string) => termsIn(text).map(({ term, from, to }) => `${term.id}:${text.slice(from, to)}`);
    expect(found('Slotted mitre, keyed; Bars bow.')).toEqual(['mitre:Slotted mitre', 'key:keyed', 'bar:Bars', 'bow:bow']);
    expect(found('keyboard, barred, sizes, re-keyed, background')).toEqual([]);
    expect(found('The bead strip holds the cloth off the bar')).toEqual(['bead:bead strip', 'bar:bar']);
  });
});
