import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Beam, bowAt, greatestBow, inertiaInPlane } from './bow';

const beam = (spans: number, lengthMm = 1000): Beam => ({
  lengthMm,
  spans,
  loadNPerMm: 0.25,
  eNPerMm2: 9000,
  inertiaMm4: 120_000,
});
const unit = ({ lengthMm, spans, loadNPerMm, eNPerMm2, inertiaMm4 }: Beam) =>
  (loadNPerMm * (lengthMm / spans) ** 4) / (eNPerMm2 * inertiaMm4);

describe('bow of a bar', () => {
  it('is 5 w L⁴ / 384 E I for one span, at its middle', () => {
    const one = beam(1);
    expect(greatestBow(one)).toBeCloseTo((5 / 384) * unit(one), 12);
    expect(bowAt(one, 500)).toBeCloseTo((5 / 384) * unit(one), 12);
  });

  it('matches the closed forms of two, three and four equal spans', () => {
    // Two: y = w x (s³ − 3 s x² + 2 x³) / 48 E I, greatest at x = (1 + √33)/16 s.
    const x = (1 + Math.sqrt(33)) / 16;
    expect(greatestBow(beam(2)) / unit(beam(2))).toBeCloseTo((x * (1 - 3 * x ** 2 + 2 * x ** 3)) / 48, 12);
    expect(greatestBow(beam(2)) / unit(beam(2))).toBeCloseTo(1 / 184.6, 5);
    expect(greatestBow(beam(3)) / unit(beam(3))).toBeCloseTo(0.00688, 4);
    expect(greatestBow(beam(4)) / unit(beam(4))).toBeCloseTo(0.00651, 4);
  });

  it('is nothing at corners and braces, symmetric, and smooth over a brace', () => {
    for (const spans of [1, 2, 3, 4]) {
      const one = beam(spans);
      for (let brace = 0; brace <= spans; brace += 1) expect(bowAt(one, (1000 * brace) / spans)).toBeCloseTo(0, 12);
      expect(bowAt(one, 130)).toBeCloseTo(bowAt(one, 870), 12);
    }
    const slope = (at: number) => (bowAt(beam(3), at + 0.01) - bowAt(beam(3), at - 0.01)) / 0.02;
    expect(slope(1000 / 3 - 0.05)).toBeCloseTo(slope(1000 / 3 + 0.05), 5);
  });

  it('is nowhere greater than its greatest, grows with the fourth power, and a brace always helps', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), fc.double({ min: 0, max: 1, noNaN: true }), (spans, part) => {
        const one = beam(spans);
        return bowAt(one, part * 1000) <= greatestBow(one) * (1 + 1e-9) && greatestBow(beam(spans + 1)) < greatestBow(one);
      }),
      { seed: 2 },
    );
    expect(greatestBow(beam(2, 2000)) / greatestBow(beam(2, 1000))).toBeCloseTo(16, 9);
  });

  it('counts the width to the third power, since the bar bends in the plane of the canvas', () => {
    expect(inertiaInPlane(60, 20)).toBe(8 * inertiaInPlane(30, 20));
    expect(inertiaInPlane(30, 40)).toBe(2 * inertiaInPlane(30, 20));
  });

  it.each([
    [{ lengthMm: 0 }, /lengthMm must be above 0, got 0/],
    [{ lengthMm: NaN }, /lengthMm/],
    [{ eNPerMm2: -1 }, /eNPerMm2/],
    [{ inertiaMm4: Infinity }, /inertiaMm4/],
    [{ spans: 1.5 }, /whole number from 1, got 1.5/],
    [{ loadNPerMm: -0.1 }, /0 or more/],
  ])('refuses %o', (wrong, says) => {
    expect(() => greatestBow({ ...beam(1), ...wrong })).toThrow(says);
  });
});
