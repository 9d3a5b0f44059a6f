import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Squareness, type TapeReadings, rackedCorners, squareness } from './squareness';

const NOMINAL = { widthMm: 900, heightMm: 600 };
const blank: TapeReadings = { top: null, right: null, bottom: null, left: null, down: null, up: null };
const measure = (readings: Partial<TapeReadings>, nominal = NOMINAL) => squareness({ ...blank, ...readings }, nominal, 0.5);

/** Readings of a parallelogram whose top stands `slide` mm to the left. */
function parallelogram(widthMm: number, heightMm: number, slide: number): TapeReadings {
  const rise = Math.sqrt(heightMm ** 2 - slide ** 2);
  return {
    top: widthMm,
    bottom: widthMm,
    left: heightMm,
    right: heightMm,
    down: Math.hypot(widthMm + slide, rise),
    up: Math.hypot(widthMm - slide, rise),
  };
}

const measured = (result: ReturnType<typeof squareness>): Squareness => {
  if (result.kind !== 'measured') throw new Error(`expected a measure, got ${JSON.stringify(result)}`);
  return result;
};

describe('squareness', () => {
  it('is nothing for a rectangle', () => {
    expect(measured(measure(parallelogram(900, 600, 0)))).toMatchObject({
      differenceMm: 0,
      skewDegrees: 0,
      slideMm: 0,
      longer: null,
      taper: { widthMm: 0, heightMm: 0 },
    });
    expect(measured(measure(parallelogram(900, 600, 0))).diagonalsOffMm).toBeCloseTo(0, 9);
  });

  it('recovers the slide, its side and the square diagonal of any parallelogram', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 200, max: 2500, noNaN: true }),
        fc.double({ min: 200, max: 2500, noNaN: true }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        (w, h, slide) => {
          const result = measured(measure(parallelogram(w, h, slide)));
          return (
            Math.abs(result.slideMm - slide) < 1e-6 &&
            Math.abs(result.squareDiagonalMm - Math.hypot(w, h)) < 1e-6 &&
            Math.abs(result.diagonalsOffMm!) < 1e-6 &&
            (Math.abs(slide) < 1e-6 || result.longer === (slide > 0 ? 'down' : 'up'))
          );
        },
      ),
      { seed: 8, numRuns: 400 },
    );
  });

  it('sees the trapezium that equal diagonals hide', () => {
    const diagonal = Math.hypot(900, 600);
    const result = measured(
      measure({ top: 894, bottom: 906, left: Math.hypot(6, 600), right: Math.hypot(6, 600), down: diagonal, up: diagonal }),
    );
    expect(result.differenceMm).toBe(0);
    expect(result.taper!.widthMm).toBe(-12);
    expect(result.diagonalsOffMm).toBeCloseTo(0, 1);
  });

  it('notices diagonals that no frame of these sides has', () => {
    const tapeNotInCorner = measured(measure({ ...parallelogram(900, 600, 0), down: 1090, up: 1090 }));
    expect(tapeNotInCorner.diagonalsOffMm).toBeCloseTo(1090 - Math.hypot(900, 600), 6);
  });

  it('works with diagonals alone, from the nominal size, and says what it lacks', () => {
    const result = measured(measure({ down: 1083, up: 1080 }));
    expect(result).toMatchObject({ sidesRead: false, taper: null, diagonalsOffMm: null, widthMm: 900 });
    expect(result.slideMm).toBeCloseTo((600 * (1083 ** 2 - 1080 ** 2)) / (4 * 900 * 600), 9);
    expect(result.uncertaintyMm).toBeCloseTo(Math.SQRT1_2, 9);
  });

  it('asks for the diagonals when one is missing', () => {
    expect(measure({ top: 900, down: 1080 })).toEqual({ kind: 'missing', needs: 'diagonals' });
  });

  it.each<[Partial<TapeReadings>, keyof TapeReadings, RegExp]>([
    [{ down: 1500, up: 1000 }, 'down', /shorter than two sides together/],
    [{ down: 1080, up: 1600 }, 'up', /shorter than two sides/],
    [{ down: 250, up: 1080 }, 'down', /longer than the difference/],
    [{ top: 0, down: 1080, up: 1080 }, 'top', /above 0/],
    [{ left: -4 }, 'left', /above 0/],
  ])('refuses %o and names the reading', (readings, reading, because) => {
    const result = measure(readings);
    expect(result).toMatchObject({ kind: 'impossible', reading });
    expect(result.kind === 'impossible' ? result.because : '').toMatch(because);
  });

  it('draws corners whose diagonals are the ones read', () => {
    const readings = parallelogram(900, 600, 7);
    const { topLeft, topRight, bottomLeft, bottomRight } = rackedCorners(measured(measure(readings)));
    const apart = (a: { x: number; y: number }, b: { x: number; y: number }) => Math.hypot(a.x - b.x, a.y - b.y);
    expect(apart(topLeft, bottomRight)).toBeCloseTo(readings.down!, 6);
    expect(apart(bottomLeft, topRight)).toBeCloseTo(readings.up!, 6);
    expect(apart(topLeft, bottomLeft)).toBeCloseTo(600, 6);
  });
});
