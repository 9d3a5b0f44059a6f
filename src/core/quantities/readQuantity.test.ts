import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { length, printTyped } from '../units/length';
import { fieldText, unitOf } from './printed';
import { type NumberId, QUANTITIES, type QuantityId, limitsOf, quantity } from './quantities';
import { readLength, readNumber } from './readQuantity';

const MM = { unit: 'mm', stepMm: 1 } as const;
const CM = { unit: 'cm', stepMm: 1 } as const;
const INCH = { unit: 'in', stepMm: 25.4 / 16 } as const;
const bounds = [100, 4000] as const;

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

describe('what stands in a field', () => {
  it('is read back as it stands, in every unit and on every tape', () => {
    const units = ['mm', 'cm', 'm', 'in', 'ft'] as const;
    fc.assert(
      fc.property(
        fc.integer({ min: 400, max: 16_000 }),
        fc.constantFrom(...units),
        fc.constantFrom(MM, CM, INCH),
        (parts, unit, tape) => {
          const value = length(unit === 'in' || unit === 'ft' ? (parts * 25.4) / 64 : parts / 4, unit);
          const read = readLength(printTyped(value), value, tape, [0, 10_000]);
          return read.ok && read.value.unit === unit && Math.abs(read.value.mm - value.mm) < 1e-6;
        },
      ),
      { seed: 8, numRuns: 1000 },
    );
  });

  it('never becomes another length by a bare number without a word: it is the tape’s, the only one that can be, or asked', () => {
    const units = ['mm', 'cm', 'in'] as const;
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4000 }),
        fc.constantFrom(...units),
        fc.constantFrom(MM, CM, INCH),
        (typed, unit, tape) => {
          const read = readLength(String(typed), length(500, unit), tape, bounds);
          const made = (one: 'mm' | 'cm' | 'in') => typed * { mm: 1, cm: 10, in: 25.4 }[one];
          const fits = (one: 'mm' | 'cm' | 'in') => made(one) >= bounds[0] && made(one) <= bounds[1];
          if (unit === tape.unit || !fits(unit)) return read.ok === fits(tape.unit);
          if (fits(tape.unit)) return !read.ok && /two ways/.test(read.error);
          return read.ok && Math.abs(read.value.mm - made(unit)) < 1e-6;
        },
      ),
      { seed: 9, numRuns: 1500 },
    );
  });

  it('takes a thousand odd things without a crash, and every refusal says what was typed and what would do', () => {
    const signs = fc.string({ unit: fc.constantFrom(...'0123456789.,/ -mcinft\'"½e+∞٣x'), maxLength: 12 });
    fc.assert(
      fc.property(signs, fc.constantFrom(MM, CM, INCH), (typed, tape) => {
        const read = readLength(typed, null, tape, bounds);
        if (read.ok) return read.value.mm >= bounds[0] && read.value.mm <= bounds[1];
        return read.error.length > 10 && (typed.trim() === '' || read.error.includes('“'));
      }),
      { seed: 10, numRuns: 1000 },
    );
  });
});

describe('a number', () => {
  it.each([
    ['volume', MM, '250', 250],
    ['volume', MM, '250 ml', 250],
    ['volume', INCH, '8 fl oz', 236.588],
    ['volume', INCH, '250 ml', 250],
    ['volume', MM, '0,5', 0.5],
    ['volume', MM, '1,200', /two ways.*Write 1200 or 1\.2/],
    ['volume', MM, '250 g', /not a number.*Type 0 to 200000 ml/],
    ['volume', MM, '', /not a number/],
    ['volume', MM, '-3', /not a number/],
    ['volume', MM, '300000', /out of range/],
    ['boltTurns', MM, '-0,25', -0.25],
    ['boltTurns', MM, '−2 turns', -2],
    ['stretch', MM, '1.2 %', 0.012],
    ['stretch', MM, '6', /out of range.*Type 0 to 5 %/],
    ['waterParts', MM, '1.125', 1.125],
    ['setUpMinutes', MM, '2.5', /no whole number/],
    ['mass', INCH, '4 lb 8 oz', 2.04117],
    ['mass', MM, '250', /out of range.*Type 0.01 to 200 kg/],
    ['roomTemperature', INCH, '68', 20],
    ['roomTemperature', MM, '64 °F', 17.7778],
    ['scalePull', MM, '1 kg', 9.80665],
    ['clothWeight', MM, '10 oz', 339.057],
    ['tension', MM, '250 N', /not a number/],
  ] as const)('%s on %o: %s', (id, tape, typed, wanted) => {
    const read = readNumber(id, typed, tape);
    if (typeof wanted === 'number') expect(read).toEqual({ ok: true, value: expect.closeTo(wanted, 3) as number });
    else expect(read.ok ? '' : read.error).toMatch(wanted);
  });

  it('is never lost in print: what stands in a field is read back, on either tape', () => {
    const typed = (Object.keys(QUANTITIES) as QuantityId[]).filter((id) => quantity(id).limits && quantity(id).by === 'number');
    for (const id of typed)
      for (const tape of [MM, INCH])
        for (const value of limitsOf(id)) {
          const text = `${fieldText(id, value, tape)} ${unitOf(id, tape)}`.trim();
          const read = readNumber(id as NumberId, text, tape, { range: [-1e9, 1e9] });
          const off = read.ok ? Math.abs(read.value - value) : Infinity;
          expect([id, text, off <= 1e-3 * Math.max(1, Math.abs(value))]).toEqual([id, text, true]);
        }
  });

  it('takes a thousand odd things without a crash, and every refusal says what was typed and what would do', () => {
    const signs = fc.string({ unit: fc.constantFrom(...'0123456789.,/ -−%kgmlN°x'), maxLength: 12 });
    const kinds = fc.constantFrom<NumberId>(
      'tension',
      'mass',
      'stretch',
      'boltTurns',
      'roomTemperature',
      'clothWeight',
      'setUpMinutes',
    );
    fc.assert(
      fc.property(signs, kinds, fc.constantFrom(MM, INCH), (typed, id, tape) => {
        const read = readNumber(id, typed, tape);
        if (read.ok) return read.value >= limitsOf(id)[0] && read.value <= limitsOf(id)[1];
        return read.error.includes('“') && /Type|Write|Canvas weighs|Numbers run|Check/.test(read.error);
      }),
      { seed: 11, numRuns: 1000 },
    );
  });
});
