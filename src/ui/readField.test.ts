import { describe, expect, it } from 'vitest';
import { length } from '@/core/units/length';
import { readLength, readNumber } from './readField';

const MM = { unit: 'mm', stepMm: 1 } as const;
const CM = { unit: 'cm', stepMm: 1 } as const;
const INCH = { unit: 'in', stepMm: 25.4 / 16 } as const;
const bounds = { leastMm: 100, mostMm: 4000 };

describe('a length typed over another', () => {
  it.each([
    ['36', null, MM, /below 100 mm/],
    ['36', null, INCH, 914.4],
    ['36', length(900, 'in'), MM, 914.4],
    ['36', length(900, 'ft'), MM, 914.4],
    ['916', length(915), INCH, 916],
    ['91.6', length(915, 'cm'), MM, 916],
    ['150', length(915, 'cm'), MM, /two ways.*Write 150 mm or 150 cm/],
    ['15', length(140), CM, 150],
    ['150', length(140), CM, /two ways.*Write 150 cm or 150 mm/],
    ['916 mm', length(914.4, 'in'), INCH, 916],
    ['24 3/16', length(900), MM, /fraction without a unit.*Write 24 3\/16 in/],
    ['24 3/16', length(900), INCH, 614.3625],
    ['24 3/16 in', length(900), MM, 614.3625],
    ['3', null, INCH, /below 3 15\/16 in.*Type 3 15\/16 in to 157 7\/16 in/],
    ['1.200', null, MM, /two ways/],
    ['9oo', length(900), MM, /not a length/],
  ] as const)('%s over %o is read the one way it can be, or asked', (typed, value, tape, wanted) => {
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
