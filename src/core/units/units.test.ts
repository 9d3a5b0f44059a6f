import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  gsmFromDuckNumber,
  gsmFromOuncesPerSquareYard,
  ouncesPerSquareYardFromGsm,
  parseClothWeight,
  printClothWeight,
} from './clothWeight';
import { printed } from '../quantities/printed';
import { printDuration } from './duration';
import {
  type LengthUnit,
  type Tape,
  SIXTEENTH_MM,
  THIRTYSECOND_MM,
  parseLength,
  printFine,
  printLength,
  printNumber,
  printSize,
  printTyped,
  roundToStep,
} from './length';
import { parseMass } from './mass';
import { parsed } from './result';
import { parseMoney, printMoney } from './money';
import { celsiusFromFahrenheit, fahrenheitFromCelsius, parseTemperature } from './temperature';

const MM: Tape = { unit: 'mm', stepMm: 1 };
const INCH: Tape = { unit: 'in', stepMm: SIXTEENTH_MM };
const tapes: Tape[] = [
  MM,
  { unit: 'mm', stepMm: 0.5 },
  { unit: 'cm', stepMm: 1 },
  { unit: 'cm', stepMm: 0.5 },
  INCH,
  { unit: 'in', stepMm: THIRTYSECOND_MM },
];

describe('reading lengths', () => {
  it.each<[string, LengthUnit, number, LengthUnit]>([
    ['615', 'mm', 615, 'mm'],
    ['61.5', 'cm', 615, 'cm'],
    ['61,5 cm', 'mm', 615, 'cm'],
    ['1.2m', 'mm', 1200, 'm'],
    ['1.2 m', 'in', 1200, 'm'],
    ['.5', 'cm', 5, 'cm'],
    ['24 3/16', 'in', 614.3625, 'in'],
    ['24-3/16"', 'mm', 614.3625, 'in'],
    ['24 3⁄16 inches', 'mm', 614.3625, 'in'],
    ['½', 'in', 12.7, 'in'],
    ['24½', 'in', 622.3, 'in'],
    ['7/8 in', 'mm', 22.225, 'in'],
    ['2\' 0 3/16"', 'mm', 614.3625, 'ft'],
    ["2'3", 'mm', 685.8, 'ft'],
    ['2 ft 3 in', 'mm', 685.8, 'ft'],
    ["3'", 'mm', 914.4, 'ft'],
    ["2' 3''", 'mm', 685.8, 'ft'],
    ['  640 MM ', 'in', 640, 'mm'],
    ['1200', 'mm', 1200, 'mm'],
    ['0,250', 'm', 250, 'm'],
    ['0', 'mm', 0, 'mm'],
  ])('%s in %s is %d mm', (typed, bare, mm, unit) => {
    expect(parseLength(typed, bare)).toEqual({ ok: true, value: { mm, unit } });
  });

  it.each([
    ['', /is empty.*Type a length such as/],
    ['abc', /“abc” is not a length.*24 3\/16"/],
    ['12 apples', /is not a length/],
    ['-5', /below zero/],
    ['−5 mm', /below zero/],
    ['1,200', /two ways.*Write 1200 or 1\.2\./],
    ['1.200', /two ways.*Write 1200 or 1\.2\./],
    ['1.200 cm', /two ways/],
    ['24 17/16"', /is not a length/],
    ['24 16/16"', /is not a length/],
    ['5/0', /is not a length/],
    ['2\' 13"', /is not a length/],
    ['1.2.3', /is not a length/],
    ['1e3', /is not a length/],
    ['NaN', /is not a length/],
    ['200 m', /longer than 100 m.*unit/],
    ['9'.repeat(400), /longer than 100 m/],
  ])('%s is refused and says what would do', (typed, says) => {
    const result = parseLength(typed, 'mm');
    expect(result.ok ? '' : result.error).toMatch(says);
  });

  it('never throws, whatever is pasted, and never answers NaN', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.string({ unit: 'binary' }), fc.stringMatching(/^[\d '"/.,-]{0,9}$/)), (typed) => {
        const result = parseLength(typed, 'mm');
        return result.ok ? Number.isFinite(result.value.mm) && result.value.mm >= 0 : result.error.length > 10;
      }),
      { seed: 7, numRuns: 1500 },
    );
  });
});

describe('printing lengths', () => {
  it('is stable: what is printed reads back to itself, within the step', () => {
    fc.assert(
      fc.property(fc.constantFrom(...tapes), fc.double({ min: 0, max: 20_000, noNaN: true }), (tape, mm) => {
        const text = printLength(mm, tape);
        const back = parseLength(text, 'mm');
        if (!back.ok) return (text === 'under 1/64 in' && mm < 25.4 / 64) || (text === 'under 0.1 mm' && mm < 0.05);
        return Math.abs(back.value.mm - mm) <= tape.stepMm / 2 + 1e-6 && printLength(back.value.mm, tape) === text;
      }),
      { seed: 11, numRuns: 2000 },
    );
  });

  it('shows no float dust on any tape', () => {
    fc.assert(
      fc.property(fc.constantFrom(...tapes), fc.double({ min: 0, max: 5000, noNaN: true }), (tape, mm) =>
        /^\d+( \d+\/\d+|\.\d{1,2})? (mm|cm|in)$|^(under )?\d+\/\d+ in$|^under 0\.1 mm$/.test(printLength(mm, tape)),
      ),
      { seed: 3, numRuns: 1500 },
    );
  });

  it('says far lengths in metres or feet, rounded the way that is asked', () => {
    expect(printLength(197_853, MM)).toBe('197.853 m');
    expect(printLength(197_852.2, MM, 'up')).toBe('197.853 m');
    expect(printLength(9999, MM)).toBe('9999 mm');
    expect(printLength(15_240, INCH, 'down')).toBe('50 ft');
    expect(printLength(197_853, INCH)).toBe('649 ft 1 1/2 in');
  });

  it('keeps what was typed, to the letter of its value, in the unit typed', () => {
    const units: LengthUnit[] = ['mm', 'cm', 'm', 'in', 'ft'];
    fc.assert(
      fc.property(fc.constantFrom(...units), fc.integer({ min: 1, max: 64 * 150 }), (unit, parts) => {
        const typed = unit === 'in' || unit === 'ft' ? `${Math.floor(parts / 64)} ${parts % 64}/64 in` : `${parts / 4} mm`;
        const first = parseLength(typed, 'mm');
        if (!first.ok) return false;
        const again = parseLength(printTyped({ ...first.value, unit }), 'mm');
        return again.ok && Math.abs(again.value.mm - first.value.mm) < 1e-6 && again.value.unit === unit;
      }),
      { seed: 5, numRuns: 1000 },
    );
  });

  it.each([
    [614.3625, INCH, '24 3/16'],
    [12.7, INCH, '1/2'],
    [25.4, INCH, '1'],
    [0, INCH, '0'],
    [614.3625, MM, '614'],
    [614.5, { unit: 'mm', stepMm: 0.5 } as Tape, '614.5'],
    [615, { unit: 'cm', stepMm: 1 } as Tape, '61.5'],
    [-12.7, INCH, '-1/2'],
  ])('%d mm on %o reads %s', (mm, tape, text) => expect(printNumber(mm, tape)).toBe(text));

  it('rounds a cut size up, but not by a step for dust', () => {
    expect(roundToStep(830.0000000001, 1, 'up')).toBe(830);
    expect(roundToStep(830.1, 1, 'up')).toBe(831);
    expect(printSize(1054.2, 800, INCH, 'up')).toBe('41 9/16 × 31 1/2 in');
  });

  it('prints small lengths finer than the tape, and refuses a tape of 51sts', () => {
    expect(printFine(1.44, MM)).toBe('1.4 mm');
    expect(printFine(2.4, INCH)).toBe('3/32 in');
    expect(() => printLength(10, { unit: 'in', stepMm: 0.5 })).toThrow(/halves to 64ths/);
  });
});

describe('cloth weights', () => {
  it('knows numbered duck: ounces of 22 × 36 in are 19 less the number', () => {
    expect(gsmFromDuckNumber(10)).toBeCloseTo((9 * 28.349523125) / (22 * 36 * 0.00064516), 6);
    expect(gsmFromDuckNumber(12)).toBeLessThan(gsmFromDuckNumber(8));
    expect(() => gsmFromDuckNumber(13)).toThrow(/1 to 12, got 13/);
  });

  it.each([
    ['340', 340],
    ['340 g/m²', 340],
    ['10 oz', 339.057],
    ['12 oz/yd2', 406.869],
    ['#8', gsmFromDuckNumber(8)],
    ['no. 10 duck', gsmFromDuckNumber(10)],
  ])('%s', (typed, gsm) => expect(parseClothWeight(typed)).toMatchObject({ ok: true, value: expect.closeTo(gsm, 2) as number }));

  it.each(['', 'heavy', '#14', '1,200'])('refuses %s', (typed) => expect(parseClothWeight(typed).ok).toBe(false));

  it('converts there and back', () => {
    expect(ouncesPerSquareYardFromGsm(gsmFromOuncesPerSquareYard(12))).toBeCloseTo(12, 9);
    expect(printClothWeight(340)).toBe('340 g/m² (10 oz)');
  });
});

describe('money, temperature, time, mass', () => {
  it('keeps money whole', () => {
    expect(parseMoney('12.5')).toEqual({ ok: true, value: 1250 });
    expect(printMoney(-5, '€')).toBe('-€0.05');
    expect(() => printMoney(12.5, '€')).toThrow(/whole minor units/);
    for (const typed of ['', '12.345', '1 000', '-3', 'free']) expect(parseMoney(typed).ok).toBe(false);
  });

  it('reads degrees both ways', () => {
    expect(parseTemperature('64 °F', MM)).toEqual({ ok: true, value: celsiusFromFahrenheit(64) });
    expect(fahrenheitFromCelsius(celsiusFromFahrenheit(64))).toBe(64);
    expect(parseTemperature('68', INCH)).toEqual({ ok: true, value: 20 });
    expect(parseTemperature('20', MM)).toEqual({ ok: true, value: 20 });
    expect([printed('temperature', 18.25, MM), printed('temperature', 18.25, INCH)]).toEqual(['18.3 °C', '65 °F']);
    for (const typed of ['warm', '']) expect(parseTemperature(typed, MM).ok).toBe(false);
  });

  it('says time as a clock is read', () => {
    expect([12, 60, 130, 47 * 60, 72 * 60].map(printDuration)).toEqual(['12 min', '1 h', '2 h 10 min', '47 h', '3 days']);
    expect(printed('mass', 1.849, MM)).toBe('1.85 kg');
    expect(printed('mass', 1, INCH)).toBe('2.2 lb');
    expect([parseMass('2,5', MM), parseMass('850 g', INCH)]).toEqual([parsed(2.5), parsed(0.85)]);
    const pounds = parseMass('2.2', INCH);
    expect(pounds.ok && printed('mass', pounds.value, INCH)).toBe('2.2 lb');
    for (const typed of ['', 'light', '-1', 'kg', '1.2.3', '4 stone']) expect(parseMass(typed, MM).ok).toBe(false);
  });
});
