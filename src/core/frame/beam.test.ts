import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Beam, beamEnergy, deflectionAt, inertiaInPlane, momentAt, solveBeam, spanBows } from './beam';

const [L, E, I, W] = [1000, 9000, 120_000, 0.25];
const beam = (parts: number[] = [], patch: Partial<Beam> = {}): Beam => ({
  lengthMm: L,
  eNPerMm2: E,
  inertiaMm4: I,
  loadNPerMm: [W, W],
  supports: parts.map((part) => ({ atMm: part * L, stiffnessNPerMm: Infinity })),
  endFixity: 0,
  ...patch,
});
const unit = (spanMm: number) => (W * spanMm ** 4) / (E * I);
const greatest = (one: Beam) => Math.max(...spanBows(solveBeam(one)).map((span) => span.bowMm));

describe('beam against closed forms', () => {
  it('one span: 5 w L⁴ / 384 E I, moment w L² / 8, corners w L / 2', () => {
    const one = solveBeam(beam());
    expect(deflectionAt(one, L / 2)).toBeCloseTo((5 / 384) * unit(L), 9);
    expect(greatest(beam())).toBeCloseTo((5 / 384) * unit(L), 9);
    expect(momentAt(one, L / 2)).toBeCloseTo((W * L ** 2) / 8, 9);
    expect(one.reactionsN).toEqual([expect.closeTo((W * L) / 2, 9), expect.closeTo((W * L) / 2, 9)]);
    // y = w x (L³ − 2 L x² + x³) / 24 E I everywhere.
    for (const x of [1, 137, 480, 999])
      expect(deflectionAt(one, x)).toBeCloseTo((W * x * (L ** 3 - 2 * L * x ** 2 + x ** 3)) / (24 * E * I), 9);
  });

  it('one brace in the middle: y = w x (s³ − 3 s x² + 2 x³) / 48 E I, it carries 5/4 w s', () => {
    const s = L / 2;
    const x = ((1 + Math.sqrt(33)) / 16) * s;
    const two = solveBeam(beam([0.5]));
    expect(greatest(beam([0.5]))).toBeCloseTo((W * x * (s ** 3 - 3 * s * x ** 2 + 2 * x ** 3)) / (48 * E * I), 9);
    expect(two.reactionsN[1]).toBeCloseTo(1.25 * W * s, 9);
    expect(momentAt(two, s)).toBeCloseTo(-(W * s ** 2) / 8, 9);
  });

  it('two and three even braces: moments and reactions of the three-moment theorem', () => {
    const s = L / 3;
    const three = solveBeam(beam([1 / 3, 2 / 3]));
    expect(momentAt(three, s)).toBeCloseTo(-(W * s ** 2) / 10, 9);
    expect(three.reactionsN.map((force) => force / (W * s))).toEqual([0.4, 1.1, 1.1, 0.4].map((part) => expect.closeTo(part, 9)));
    const q = L / 4;
    const four = solveBeam(beam([0.25, 0.5, 0.75]));
    expect(four.reactionsN.map((force) => (force * 28) / (W * q))).toEqual(
      [11, 32, 26, 32, 11].map((part) => expect.closeTo(part, 9)),
    );
    expect(momentAt(four, L / 2)).toBeCloseTo((-2 * W * q ** 2) / 28, 9);
  });

  it('unequal spans: the middle moment is −w (a³ + b³) / 8 (a + b)', () => {
    const [a, b] = [370, 630];
    expect(momentAt(solveBeam(beam([0.37])), 370)).toBeCloseTo((-W * (a ** 3 + b ** 3)) / (8 * (a + b)), 9);
  });

  it('a load that rises from nothing: w L⁴ / (153.3 E I), corners w L / 6 and w L / 3', () => {
    const rising = solveBeam(beam([], { loadNPerMm: [0, W] }));
    // y = w x (7 L⁴ − 10 L² x² + 3 x⁴) / 360 E I L.
    for (const x of [100, 519.3, 900])
      expect(deflectionAt(rising, x)).toBeCloseTo(
        (W * x * (7 * L ** 4 - 10 * L ** 2 * x ** 2 + 3 * x ** 4)) / (360 * E * I * L),
        9,
      );
    expect(rising.reactionsN).toEqual([expect.closeTo((W * L) / 6, 9), expect.closeTo((W * L) / 3, 9)]);
  });

  it('an elastic brace in the middle carries what compatibility asks', () => {
    const k = 40;
    const rigidless = (5 / 384) * unit(L);
    const force = rigidless / (1 / k + L ** 3 / (48 * E * I));
    const soft = solveBeam(beam([], { supports: [{ atMm: L / 2, stiffnessNPerMm: k }] }));
    expect(soft.reactionsN[1]).toBeCloseTo(force, 9);
    expect(deflectionAt(soft, L / 2)).toBeCloseTo(force / k, 9);
  });

  it('corners partly fixed lie between a pin and a wall: end moment w L² / 12 · 3r / (2 + r)', () => {
    for (const r of [0, 0.3, 0.8]) {
      const fixed = solveBeam(beam([], { endFixity: r }));
      expect(momentAt(fixed, 0)).toBeCloseTo(((-W * L ** 2) / 12) * ((3 * r) / (2 + r)), 8);
    }
    expect(greatest(beam([], { endFixity: 1 - 1e-9 }))).toBeCloseTo(unit(L) / 384, 6);
  });
});

describe('beam in general', () => {
  const places = fc.uniqueArray(fc.integer({ min: 60, max: 940 }), { maxLength: 4, selector: (at) => Math.round(at / 40) });
  const any = fc.record({
    places,
    stiffness: fc.constantFrom(Infinity, 30, 4000),
    load: fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0.01, max: 1, noNaN: true })),
    endFixity: fc.double({ min: 0, max: 0.95, noNaN: true }),
  });
  const made = ({
    places: at,
    stiffness,
    load,
    endFixity,
  }: {
    places: number[];
    stiffness: number;
    load: [number, number];
    endFixity: number;
  }) => beam([], { supports: at.map((atMm) => ({ atMm, stiffnessNPerMm: stiffness })), loadNPerMm: load, endFixity });

  it('stores what the load puts in, and its supports carry the whole load', () => {
    fc.assert(
      fc.property(any, (one) => {
        const solved = solveBeam(made(one));
        const { storedNmm, workNmm } = beamEnergy(solved);
        const carried = solved.reactionsN.reduce((sum, force) => sum + force, 0);
        const load = ((one.load[0] + one.load[1]) / 2) * L;
        return Math.abs(storedNmm - workNmm) <= 1e-9 * workNmm && Math.abs(carried - load) <= 1e-9 * load;
      }),
      { seed: 31, numRuns: 300 },
    );
  });

  it('is linear in the load, mirrors with the bar, and no place bows more than its span says', () => {
    fc.assert(
      fc.property(any, fc.double({ min: 0, max: 1, noNaN: true }), (one, part) => {
        const there = solveBeam(made(one));
        const mirrored = solveBeam(made({ ...one, places: one.places.map((at) => L - at), load: [one.load[1], one.load[0]] }));
        const double = solveBeam(made({ ...one, load: [2 * one.load[0], 2 * one.load[1]] }));
        const y = deflectionAt(there, part * L);
        const top = Math.max(...spanBows(there).map((span) => span.bowMm));
        return (
          Math.abs(y - deflectionAt(mirrored, L - part * L)) < 1e-9 * (1 + top) &&
          Math.abs(2 * y - deflectionAt(double, part * L)) < 1e-9 * (1 + top) &&
          Math.abs(y) <= top * (1 + 1e-6) + 1e-12
        );
      }),
      { seed: 32, numRuns: 200 },
    );
  });

  it('counts the width to the third power, since the bar bends in the plane of the canvas', () => {
    expect(inertiaInPlane(60, 20)).toBe(8 * inertiaInPlane(30, 20));
    expect(inertiaInPlane(30, 40)).toBe(2 * inertiaInPlane(30, 20));
  });

  it.each<[Partial<Beam>, RegExp]>([
    [{ lengthMm: 0 }, /lengthMm must be above 0, got 0/],
    [{ eNPerMm2: NaN }, /eNPerMm2/],
    [{ inertiaMm4: Infinity }, /inertiaMm4/],
    [{ loadNPerMm: [-0.1, 0] }, /0 or more, got -0.1/],
    [{ endFixity: 1 }, /from 0 to below 1, got 1/],
    [{ supports: [{ atMm: 1000, stiffnessNPerMm: 5 }] }, /inside 0 to 1000, got 1000/],
    [{ supports: [{ atMm: 400, stiffnessNPerMm: 0 }] }, /above 0, got 0/],
  ])('refuses %o', (wrong, says) => {
    expect(() => solveBeam(beam([], wrong))).toThrow(says);
  });
});
