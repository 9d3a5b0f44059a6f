import { describe, expect, it } from 'vitest';
import { strangeValue } from './strangeValue';

const nested = (levels: number) => {
  let value: unknown = 1;
  for (let level = 0; level < levels; level += 1) value = { a: value };
  return value;
};

describe('a value from outside', () => {
  it('of plain JSON is as it should be', () => {
    expect(strangeValue({ a: [1, 'two\n\t', null, { b: false }], 'ä 🎨': -0.5 })).toBeNull();
    expect(strangeValue(nested(40))).toBeNull();
  });

  it.each<[string, unknown, string]>([
    ['a date', { at: new Date(0) }, 'at'],
    ['a map', { of: [new Map()] }, 'of.0'],
    ['a big whole number', { n: 1n }, 'n'],
    ['no number', { n: NaN }, 'n'],
    ['endless', [1, -Infinity], '1'],
    ['nothing', { n: undefined }, 'n'],
    ['a place left out of a list', { rows: Object.assign([1], { 2: 3 }) }, 'rows'],
    ['a name beside the rows of a list', { rows: Object.assign([1], { more: 3 }) }, 'rows'],
    ['a function', { f: () => 1 }, 'f'],
    ['NUL', { title: 'a\u0000b' }, 'title'],
    ['half a letter', { title: '\ud83c' }, 'title'],
    ['a name of every object', JSON.parse('{"a":{"constructor":1}}'), 'a.constructor'],
    ['another', JSON.parse('{"__proto__":{"x":1}}'), '__proto__'],
    ['ten thousand levels', nested(10_000), Array(41).fill('a').join('.')],
  ])('that is %s is refused with where it stands', (_what, value, field) => {
    expect(strangeValue(value)).toMatchObject({ field, says: expect.any(String) as string });
  });
});
