/* What must hold of the frame’s solvers on any input: symmetry, order, independent methods. */
import { randomLcg } from 'd3-random';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { momentAt, solveBeam } from './beam';
import { cutTimber } from './sawing/cutTimber';
import type { TimberStock } from './sawing/timberStock';
import { barsAtLean, pressPlan } from './square/press';
import { type Knowledge, NO_GAPS, type TapeReadings } from './square/readings';
import { type Quadrilateral, fitQuadrilateral } from './square/quadrilateral';

/** Moments over rigid braces by Clapeyron’s theorem of three moments for unequal spans: another method altogether. */
function threeMoments(places: number[], lengthMm: number, load: number): number[] {
  const spans = [0, ...places, lengthMm].slice(1).map((at, index) => at - [0, ...places, lengthMm][index]!);
  const rows = places.map((_at, index) => ({
    left: spans[index]!,
    own: 2 * (spans[index]! + spans[index + 1]!),
    right: spans[index + 1]!,
    known: -(load * (spans[index]! ** 3 + spans[index + 1]! ** 3)) / 4,
  }));
  for (let index = 1; index < rows.length; index += 1) {
    const factor = rows[index]!.left / rows[index - 1]!.own;
    rows[index]!.own -= factor * rows[index - 1]!.right;
    rows[index]!.known -= factor * rows[index - 1]!.known;
  }
  const moments = new Array<number>(rows.length).fill(0);
  for (let index = rows.length - 1; index >= 0; index -= 1)
    moments[index] = (rows[index]!.known - rows[index]!.right * (moments[index + 1] ?? 0)) / rows[index]!.own;
  return moments;
}

describe('beam', () => {
  it('agrees with three moments for any rigid braces', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 19 }), { minLength: 1, maxLength: 5 }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (steps, load) => {
          const places = [...steps].sort((a, b) => a - b).map((step) => step * 60);
          const solved = solveBeam({
            lengthMm: 1200,
            eNPerMm2: 9000,
            inertiaMm4: 90_000,
            loadNPerMm: [load, load],
            supports: places.map((atMm) => ({ atMm, stiffnessNPerMm: Infinity })),
            endFixity: 0,
          });
          const expected = threeMoments(places, 1200, load);
          return places.every((at, index) => Math.abs(momentAt(solved, at) - expected[index]!) < 1e-7 * load * 1200 ** 2);
        },
      ),
      { seed: 51, numRuns: 200 },
    );
  });

  it('a stiffer brace carries more and the bar bows less there, up to the rigid one', () => {
    const at = (stiffnessNPerMm: number) => {
      const { deflections, reactionsN } = solveBeam({
        lengthMm: 1000,
        eNPerMm2: 9000,
        inertiaMm4: 90_000,
        loadNPerMm: [0.3, 0.3],
        supports: [{ atMm: 400, stiffnessNPerMm }],
        endFixity: 0,
      });
      return { bow: deflections[1]!, force: reactionsN[1]! };
    };
    const rising = [1, 10, 100, 1e4, Infinity].map(at);
    rising.slice(1).forEach((one, index) => {
      expect(one.bow).toBeLessThan(rising[index]!.bow);
      expect(one.force).toBeGreaterThan(rising[index]!.force);
    });
  });
});

describe('buying plan', () => {
  const lengths = fc.array(fc.integer({ min: 200, max: 1300 }), { minLength: 2, maxLength: 9 });
  const parts = (list: number[]) => list.map((lengthMm, index) => ({ label: `p${index}`, lengthMm }));
  const stock = (lengthMm: number, priceMinor: number, available: number | null = null): TimberStock => ({
    id: `${lengthMm} ${available}`,
    lengthMm,
    priceMinor,
    available,
  });
  const price = (list: number[], stocks: TimberStock[], kerf = 3): number => {
    const plan = cutTimber(parts(list), stocks, kerf, randomLcg(0.5));
    if (plan.kind !== 'plan') throw new Error('expected a plan');
    return plan.priceMinor;
  };
  const LIST = [stock(1800, 700), stock(2600, 960)];

  it('is no dearer with more to choose from or a bar on the rack, no cheaper with a wider cut or one part more', () => {
    fc.assert(
      fc.property(lengths, fc.integer({ min: 150, max: 1700 }), (list, mm) => {
        const now = price(list, LIST);
        return (
          price(list, [...LIST, stock(3900, 1500)]) <= now &&
          price(list, [...LIST, stock(mm, 0, 1)]) <= now &&
          price(list, LIST, 6) >= now &&
          price([...list, Math.min(mm, 1300)], LIST) >= now
        );
      }),
      { seed: 52, numRuns: 60 },
    );
  });

  it('does not depend on the order in which parts and lengths are given', () => {
    fc.assert(
      fc.property(lengths, (list) => price([...list].reverse(), [...LIST].reverse()) === price(list, LIST)),
      { seed: 53, numRuns: 40 },
    );
  });

  it('among equal prices leaves long lengths whole', () => {
    const plan = cutTimber(parts([900]), [stock(3900, 500), stock(1800, 500)], 3, randomLcg(0.5));
    expect(plan).toMatchObject({ bars: [{ stock: { lengthMm: 1800 } }] });
  });
});

describe('fit of the readings', () => {
  const KNOWN: Knowledge = { tapeMm: 0.5, pairMm: 0.5, nominalMm: 1, gapMm: 0.2, bladeMm: 300 };
  const fit = (readings: TapeReadings, widthMm: number, heightMm: number, known = KNOWN) =>
    fitQuadrilateral(readings, NO_GAPS, { widthMm, heightMm }, known) as Quadrilateral;
  const noisy = fc.record({
    w: fc.integer({ min: 300, max: 2000 }),
    h: fc.integer({ min: 300, max: 2000 }),
    off: fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 6, maxLength: 6 }),
  });
  const readings = ({ w, h, off }: { w: number; h: number; off: number[] }): TapeReadings => ({
    top: w + off[0]!,
    right: h + off[1]!,
    bottom: w + off[2]!,
    left: h + off[3]!,
    down: Math.hypot(w, h) + off[4]!,
    up: Math.hypot(w, h) + off[5]!,
  });

  it('mirrored left to right the skew changes its sign; laid on its side the frame is the same', () => {
    fc.assert(
      fc.property(noisy, (one) => {
        const read = readings(one);
        const { top, right, bottom, left, down, up } = read;
        const straight = fit(read, one.w, one.h);
        const mirrored = fit({ top, bottom, right: left, left: right, down: up, up: down }, one.w, one.h);
        // A quarter turn clockwise: the left bar becomes the top, the diagonals change names.
        const turned = fit({ top: left, right: top, bottom: right, left: bottom, down: up, up: down }, one.h, one.w);
        const near = (a: number, b: number) => Math.abs(a - b) < 1e-5;
        return (
          near(straight.skewDegrees.value, -mirrored.skewDegrees.value) &&
          near(straight.skewDegrees.sd, mirrored.skewDegrees.sd) &&
          near(straight.skewDegrees.value, -turned.skewDegrees.value) &&
          near(straight.agreement.chiSquare, mirrored.agreement.chiSquare) &&
          near(straight.agreement.chiSquare, turned.agreement.chiSquare)
        );
      }),
      { seed: 54, numRuns: 120 },
    );
  });

  it('lengths of the fitted frame are those of its corners, its angles make 360°, and more readings mean less error', () => {
    fc.assert(
      fc.property(noisy, (one) => {
        const read = readings(one);
        const whole = fit(read, one.w, one.h);
        const part = fit({ ...read, top: null, left: null }, one.w, one.h);
        const { topLeft, bottomRight } = whole.corners;
        if (whole.doubt || part.doubt) return true;
        const sum = Object.values(whole.cornersDegrees).reduce((total, corner) => total + corner.value, 0);
        return (
          Math.abs(Math.hypot(topLeft.x - bottomRight.x, topLeft.y - bottomRight.y) - whole.fitted.down) < 1e-9 &&
          Math.abs(sum) < 1e-6 &&
          part.widthMm.sd >= 0.99 * whole.widthMm.sd &&
          part.skewDegrees.sd >= 0.99 * whole.skewDegrees.sd
        );
      }),
      { seed: 55, numRuns: 120 },
    );
  });

  it('believing the tape alone, six readings leave one degree of freedom, five none', () => {
    const alone = { ...KNOWN, pairMm: Infinity, nominalMm: Infinity };
    const read = readings({ w: 900, h: 600, off: [0, 1, 0, -1, 0.5, 0] });
    expect(fit(read, 900, 600, alone).agreement.freedom).toBe(1);
    expect(fit({ ...read, top: null }, 900, 600, alone).agreement).toMatchObject({ freedom: 0, agrees: true });
  });
});

describe('pressing', () => {
  it('ends with equal diagonals between the two it began with, and a frame that stands square needs none', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 2000 }),
        fc.integer({ min: 300, max: 2000 }),
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.double({ min: -0.02, max: 0.02, noNaN: true }),
        (w, h, longer, lean) => {
          const bars = { top: w + longer, right: h, bottom: w, left: h };
          const plan = pressPlan(barsAtLean(bars, lean));
          const again = pressPlan(barsAtLean(bars, 0));
          const within = plan.byMm >= -1e-9 && plan.left.gapMm <= 2 * Math.abs(longer) + 1e-6;
          return within && Math.abs(plan.bothMm - again.bothMm) < 1e-6;
        },
      ),
      { seed: 56, numRuns: 200 },
    );
  });
});
