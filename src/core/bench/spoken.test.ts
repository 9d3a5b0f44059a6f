import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inWords } from '../units/inWords';
import { parseLength } from '../units/length';
import { spoken } from './spoken';

describe('what is said to the bench', () => {
  it.each([
    ['Next.', { kind: 'next' }],
    ['go back', { kind: 'back' }],
    ['Again', { kind: 'again' }],
    ['Note: the cloth has a Slub', { kind: 'note', text: 'the cloth has a Slub' }],
    ['yes', { kind: 'yes' }],
    ['1,264', { kind: 'reading', typed: '1264' }],
    ['812.5mm', { kind: 'reading', typed: '812.5 mm' }],
    ['49 13/16 inches', { kind: 'reading', typed: '49 13/16 in' }],
    ['twelve hundred', { kind: 'reading', typed: '1200' }],
    ['twenty hundred', null],
    ['three quarters of an inch', { kind: 'reading', typed: '3/4 in' }],
    ['twenty-four and a half inches', { kind: 'reading', typed: '24 1/2 in' }],
    ['six hundred and five point two five', { kind: 'reading', typed: '605.25' }],
    ['seventeen sixteenths', null],
    ['eight twelve', null],
    ['one hundred and', null],
    ['five point', null],
    ['note', null],
    ['hand me the pliers', null],
    ['', null],
  ])('%s', (heard, expected) => {
    expect(spoken(heard)).toEqual(expected);
  });

  it('knows every whole number below a hundred thousand by its words', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999 }), (value) => {
        expect(spoken(inWords(value))).toEqual({ kind: 'reading', typed: String(value) });
      }),
    );
  });

  it('whatever is said, a reading is one that the field can read, or no length at all', () => {
    const words = fc.constantFrom(
      'zero',
      'one',
      'seven',
      'twelve',
      'twenty',
      'ninety',
      'hundred',
      'thousand',
      'and',
      'point',
      'half',
      'sixteenths',
      'inches',
      'mm',
      '7',
      '.',
    );
    fc.assert(
      fc.property(fc.array(words, { maxLength: 7 }), (said) => {
        const heard = spoken(said.join(' '));
        if (heard?.kind !== 'reading') return;
        const read = parseLength(heard.typed, 'mm');
        const mm = Number.parseFloat(heard.typed) * (heard.typed.endsWith('in') ? 25.4 : 1);
        expect(read.ok || mm > 100_000 || /\.\d{3}$/.test(heard.typed)).toBe(true);
        expect(heard.typed).toMatch(/^[\d./ ]+( (mm|in))?$/);
      }),
      { numRuns: 2000 },
    );
  });
});
