import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CORNERS } from '../frame/square/corners';
import { type Opener, NOT_OPENED, allCorners, driveFor, eachCorner, openCorners, openingBy, openingSteps } from './openCorners';

const FACE = { widthMm: 1000, heightMm: 500 };

describe('opening the corners', () => {
  it('all alike it stays square and grows both ways by twice the opening; the shorter side tightens more', () => {
    const opened = openCorners(allCorners(0.75), FACE, [20, 20]);
    expect(opened).toMatchObject({ top: 1.5, left: 1.5, widthMm: 1.5, heightMm: 1.5, skewMm: 0, strainWidth: 0.0015 });
    expect(opened.riseHeightNPerM).toBeCloseTo(2 * opened.riseWidthNPerM, 9);
    expect(openCorners(allCorners(0.75), FACE, [30, 20]).riseWidthNPerM).toBeCloseTo(1.5 * opened.riseWidthNPerM, 9);
  });

  it('one corner alone takes it out of square: its own diagonal grows by g (W + H) / D', () => {
    const skew = (1 * (1000 + 500)) / Math.hypot(1000, 500);
    expect(openCorners({ ...NOT_OPENED, topLeft: 1 }, FACE, [20, 20]).skewMm).toBeCloseTo(skew, 2);
    expect(openCorners({ ...NOT_OPENED, topRight: 1 }, FACE, [20, 20]).skewMm).toBeCloseTo(-skew, 2);
    expect(openCorners({ ...NOT_OPENED, topRight: 1, bottomLeft: 1, topLeft: 1, bottomRight: 1 }, FACE, [20, 20]).skewMm).toBe(0);
    expect(openCorners({ ...NOT_OPENED, topLeft: 1 }, FACE, [20, 20])).toMatchObject({ top: 1, bottom: 0, widthMm: 1 });
  });

  it('more opening never tightens less, at whichever corner', () => {
    const mm = fc.double({ min: 0, max: 6, noNaN: true });
    fc.assert(
      fc.property(mm, mm, mm, mm, fc.constantFrom(...CORNERS), mm, (a, b, c, d, corner, more) => {
        const before = { topLeft: a, topRight: b, bottomRight: c, bottomLeft: d };
        const [was, is] = [before, { ...before, [corner]: before[corner] + more }].map((one) => openCorners(one, FACE, [20, 15]));
        expect(is!.riseWidthNPerM).toBeGreaterThanOrEqual(was!.riseWidthNPerM);
        expect(is!.heightMm).toBeGreaterThanOrEqual(was!.heightMm);
      }),
    );
  });

  it('refuses to close what is closed', () => {
    expect(() => openCorners(allCorners(-1), FACE, [1, 1])).toThrow(/0 mm or more, got -1/);
    expect(() => openCorners(allCorners(1), { widthMm: 0, heightMm: 1 }, [1, 1])).toThrow(/face must be above 0/);
  });
});

describe('wedges and bolts', () => {
  it.each<[Opener, number, number]>([
    [{ kind: 'key', taper: 0.1 }, 0.5, 5],
    [{ kind: 'bolt', pitchMm: 1.25 }, 0.25 * (1.25 / Math.SQRT2), 0.25],
  ])('%o: %d mm of opening', (opener, openingMm, drive) => {
    expect(driveFor(openingMm, opener)).toBeCloseTo(drive, 9);
    expect(openingBy(drive, opener)).toBeCloseTo(openingMm, 9);
  });

  it('goes round the corners a quarter turn at a time and ends where it was wanted', () => {
    const bolt: Opener = { kind: 'bolt', pitchMm: 1 };
    const soFar = { ...allCorners(0.2), topLeft: 0.4 };
    const steps = openingSteps(soFar, allCorners(1), bolt);
    for (const { drive } of steps) for (const corner of CORNERS) expect(drive[corner]).toBeLessThanOrEqual(0.25 + 1e-9);
    const end = steps.reduce((sum, { opens }) => eachCorner((corner) => sum[corner] + opens[corner]), soFar as typeof NOT_OPENED);
    for (const corner of CORNERS) expect(end[corner]).toBeCloseTo(1, 9);
    expect(openingSteps(allCorners(1), allCorners(1), bolt)).toEqual([]);
    expect(() => openingSteps(allCorners(1), allCorners(0.5), bolt)).toThrow(/open by 1 mm already, more than the 0.5 mm/);
  });
});
