import { describe, expect, it } from 'vitest';
import { length } from '@/core/units/length';
import { readLength, readNumber } from './readField';

const MM = { unit: 'mm', stepMm: 1 } as const;
const INCH = { unit: 'in', stepMm: 25.4 / 16 } as const;
const bounds = { leastMm: 100, mostMm: 4000 };

describe('a length typed over another', () => {
  it.each([
    ['36', null, MM, /below 100 mm/],
    ['36', null, INCH, 914.4],
    ['36', length(900, 'in'), MM, 914.4],
    ['36', length(900, 'ft'), MM, 914.4],
    ['916', length(915), INCH, 916],
    ['91.6', length(915, 'cm'), INCH, 916],
    ['916 mm', length(914.4, 'in'), INCH, 916],
    ['3', null, INCH, /below 3 15\/16 in.*Type 3 15\/16 in to 157 7\/16 in/],
    ['1.200', null, MM, /two ways/],
  ] as const)('%s over %o is in the unit of what stood there', (typed, value, tape, wanted) => {
    const read = readLength(typed, value, tape, bounds);
    if (typeof wanted === 'number') expect(read).toMatchObject({ ok: true, value: { mm: expect.closeTo(wanted, 9) as number } });
    else expect(read.ok ? '' : read.error).toMatch(wanted);
  });
});

describe('a number', () => {
  const field = { unit: 'ml', least: 0, most: 200_000, mayBeEmpty: false };
  it.each([
    ['250', 250],
    ['250 ml', 250],
    ['0,5', 0.5],
    ['1,200', /two ways.*Write 1200 or 1\.2/],
    ['250 g', /not a number/],
    ['', /not a number/],
    ['-3', /not a number/],
    ['300000', /out of range/],
  ] as const)('%s', (typed, wanted) => {
    const read = readNumber(typed, field);
    if (typeof wanted === 'number') expect(read).toEqual({ ok: true, value: wanted });
    else expect(read.ok ? '' : read.error).toMatch(wanted);
  });

  it('of a small range is read the one way that it can be', () => {
    expect(readNumber('1.125', { ...field, most: 10 })).toEqual({ ok: true, value: 1.125 });
  });
});
