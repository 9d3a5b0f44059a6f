import { describe, expect, it } from 'vitest';
import { besselJ0 } from './besselJ0';
import { sagUnder, sagsAlike, tensionFromSag } from './weightTest';

const DISC = { weightG: 200, discMm: 60 };

describe('the weight test', () => {
  it.each([
    [300, 400, 5.6, 2.8, 1.9],
    [500, 700, 7.2, 3.6, 2.4],
    [1000, 1500, 9.4, 4.7, 3.1],
  ])('sags as known on %i × %i at 100, 200 and 300 N/m', (widthMm, heightMm, ...sags) => {
    sags.forEach((sag, index) => expect(sagUnder({ widthMm, heightMm }, DISC, 100 * (index + 1))).toBeCloseTo(sag, 1));
  });

  it('agrees with a disc on a round sheet: F / (2 π T) · ln(R / r) with R near 0.6 of the shorter side', () => {
    for (const side of [400, 800]) {
      const sag = sagUnder({ widthMm: side, heightMm: side }, DISC, 200);
      const round = (1.96133 / (2 * Math.PI * 0.2)) * Math.log((0.54 * side) / 30);
      expect(sag / round).toBeCloseTo(1, 1);
    }
  });

  it('is read backwards, with an error that grows as the sag gets small', () => {
    const span = { widthMm: 500, heightMm: 700 };
    const read = tensionFromSag(span, DISC, sagUnder(span, DISC, 237), 0.2);
    expect(read.tensionNPerM).toBeCloseTo(237, 6);
    const part = ({ tensionNPerM, sdNPerM }: typeof read) => sdNPerM / tensionNPerM;
    expect(part(tensionFromSag(span, DISC, 4.5, 0.2))).toBeCloseTo(Math.hypot(0.2 / 4.5, 0.05), 9);
    expect(part(tensionFromSag(span, DISC, 1, 0.2))).toBeGreaterThan(0.2);
    expect(() => tensionFromSag(span, DISC, 0, 0.2)).toThrow(/above 0 mm, got 0/);
    expect(() => sagUnder({ widthMm: 50, heightMm: 700 }, DISC, 200)).toThrow(/does not lie inside/);
  });

  it('tells cloth that stretches: twice the weight, less than twice the sag', () => {
    expect(sagsAlike({ weightG: 100, sagMm: 2 }, { weightG: 200, sagMm: 4 })).toBe(1);
    expect(sagsAlike({ weightG: 100, sagMm: 2 }, { weightG: 200, sagMm: 3.4 })).toBeCloseTo(0.85, 12);
  });
});

it('J0 has its known values and zeros', () => {
  expect(besselJ0(0)).toBe(1);
  expect(besselJ0(1)).toBeCloseTo(0.7651976866, 7);
  expect(besselJ0(-5)).toBeCloseTo(-0.1775967713, 7);
  expect(besselJ0(50)).toBeCloseTo(0.0558123277, 7);
  for (const zero of [2.404825557695773, 5.520078110286311, 8.653727912911013])
    expect(Math.abs(besselJ0(zero))).toBeLessThan(1e-7);
});
