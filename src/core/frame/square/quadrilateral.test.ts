import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { normal } from '../../normal';
import { practiceFrame, pressed, readGaps, readPractice } from './practiceTape';
import { barsAtLean, pressPlan } from './press';
import { CORNERS, type TapeName, cornerOver, lengthsOf, goesRound } from './corners';
import { type CornerGaps, type Knowledge, NO_GAPS, type TapeReadings } from './readings';
import { type Quadrilateral, fitQuadrilateral } from './quadrilateral';

const KNOWN: Knowledge = { tapeMm: 0.5, pairMm: 0.5, nominalMm: 1, gapMm: 0.2, bladeMm: 300 };
const TAPE_ALONE: Knowledge = { ...KNOWN, pairMm: Infinity, nominalMm: Infinity };
const NOMINAL = { widthMm: 900, heightMm: 600 };
const NOTHING: TapeReadings = { top: null, right: null, bottom: null, left: null, down: null, up: null };

function fitted(readings: Partial<TapeReadings>, gaps: CornerGaps = NO_GAPS, known = KNOWN, nominal = NOMINAL): Quadrilateral {
  const result = fitQuadrilateral({ ...NOTHING, ...readings }, gaps, nominal, known);
  if (result.kind !== 'fitted') throw new Error(`expected a fit, got ${JSON.stringify(result)}`);
  return result;
}

/** What an exact tape reads on bars put together at a lean. */
const truth = (top: number, right: number, bottom: number, left: number, lean: number): TapeReadings =>
  lengthsOf(barsAtLean({ top, right, bottom, left }, lean));

describe('quadrilateral from exact readings', () => {
  it('is the rectangle of a rectangle, and recovers size, lean and its side of any parallelogram', () => {
    for (const lean of [0, 0.004, -0.011]) {
      const fit = fitted(truth(900, 600, 900, 600, lean));
      expect(fit.skewDegrees.value).toBeCloseTo((lean * 180) / Math.PI, 6);
      expect(fit.slideMm.value).toBeCloseTo(600 * Math.sin(lean), 5);
      expect([fit.widthMm.value, fit.heightMm.value]).toEqual([expect.closeTo(900, 6), expect.closeTo(600, 6)]);
      expect(fit.agreement).toMatchObject({ agrees: true, freedom: 5 });
      expect(fit.fitted.down ** 2 - fit.fitted.up ** 2).toBeCloseTo(4 * 900 * 600 * Math.sin(lean), 2);
      expect(fit.cornersDegrees.bottomLeft.value).toBeCloseTo(fit.skewDegrees.value, 6);
      expect(fit.cornersDegrees.bottomRight.value).toBeCloseTo(-fit.skewDegrees.value, 6);
    }
  });

  it('sees the trapezium that equal diagonals hide, once the tape alone is trusted', () => {
    const keystone = pressedTrapezium();
    const fit = fitted(keystone, NO_GAPS, TAPE_ALONE);
    expect(fit.difference.value).toBeCloseTo(0, 5);
    expect(fit.taperWidthMm.value).toBeCloseTo(-12, 3);
    expect(fit.agreement.agrees).toBe(true);
    expect(fit.skewDegrees.value).toBeCloseTo(0, 5);
    // Under the knowledge that bars are pairs it is the bars that are doubted, not the tape.
    const known = fitted(keystone);
    expect(known.doubt).toMatchObject({ kind: 'pair', pair: 'width', offMm: expect.closeTo(-12, 0) });
  });

  /** A frame whose bottom is 12 mm longer than its top, symmetric. */
  function pressedTrapezium(): TapeReadings {
    const slant = Math.hypot(6, 600);
    const diagonal = Math.hypot(600, 900);
    return { top: 894, right: slant, bottom: 906, left: slant, down: diagonal, up: diagonal };
  }

  it('takes a frame of another size for what it is, and keeps the planned size when no side was read', () => {
    expect(fitted(truth(908, 600, 908, 600, 0)).doubt).toMatchObject({
      kind: 'size',
      pair: 'width',
      offMm: expect.closeTo(8, 0),
    });
    const blind = fitted({ down: 1083, up: 1080 });
    expect(blind.widthMm.value).toBeCloseTo(900, 0);
    expect(blind).toMatchObject({ sidesRead: false, diagonalsRead: true });
  });

  it('works from diagonals alone, one diagonal, or a set square alone, each with its honest error', () => {
    const exact = truth(900, 600, 900, 600, 0.005);
    const all = fitted(exact).skewDegrees;
    const diagonals = fitted({ down: exact.down, up: exact.up });
    const one = fitted({ down: exact.down });
    const gap = fitted({}, { ...NO_GAPS, bottomLeft: 0.005 * 300 });
    for (const fit of [diagonals, one, gap]) expect(fit.skewDegrees.value).toBeCloseTo(all.value, 1);
    expect(diagonals.skewDegrees.sd).toBeLessThan(1.1 * all.sd);
    expect(one.skewDegrees.sd).toBeGreaterThan(1.8 * all.sd);
    // 0.2 mm over a blade of 300 mm, and what the bars may be unlike.
    expect(gap.skewDegrees.sd).toBeGreaterThan((0.2 / 300) * (180 / Math.PI));
    expect(fitQuadrilateral({ ...NOTHING, top: 900, left: 600 }, NO_GAPS, NOMINAL, KNOWN)).toEqual({ kind: 'missing' });
  });

  it.each<[Partial<TapeReadings>, TapeName, RegExp]>([
    [{ down: 1500, up: 1000 }, 'down', /shorter than two sides together/],
    [{ down: 1080, up: 250 }, 'up', /longer than the difference/],
    [{ top: 0, down: 1080, up: 1080 }, 'top', /above 0/],
    [{ left: -4 }, 'left', /above 0/],
    [{ left: NaN }, 'left', /above 0/],
    [{ top: 90, down: 1080, up: 1080 }, 'top', /a unit may have slipped/],
    [{ down: 1350, up: 700 }, 'down', /more than 30 degrees/],
  ])('refuses %o and names the reading', (readings, reading, because) => {
    const result = fitQuadrilateral({ ...NOTHING, ...readings }, NO_GAPS, NOMINAL, KNOWN);
    expect(result).toMatchObject({ kind: 'impossible', reading });
    expect(result.kind === 'impossible' ? result.because : '').toMatch(because);
  });
});

describe('quadrilateral from a noisy tape: 2,000 frames', () => {
  const CASES = 2000;
  const random = randomLcg(0.2471);
  const counts = { covered: 0, alarms: 0, sideNamed: 0, diagonalSeen: 0, eitherSaid: 0, squareNames: 0 };
  for (let index = 0; index < CASES; index += 1) {
    const nominal = { widthMm: 300 + ((index * 37) % 1500), heightMm: 300 + ((index * 53) % 900) };
    const frame = practiceFrame(nominal, KNOWN, 4, random);
    const real = (cornerOver(frame.corners, 'bottomLeft') + cornerOver(frame.corners, 'topRight')) * (90 / Math.PI);
    const read = Object.fromEntries(
      Object.entries(frame.truth).map(([name, mm]) => [name, mm + normal(random, KNOWN.tapeMm)]),
    ) as unknown as TapeReadings;
    const wrong = (name: TapeName, gaps = NO_GAPS) =>
      fitted({ ...read, [name]: read[name]! + (index % 8 < 4 ? 5 : -5) }, gaps, KNOWN, nominal).doubt;
    const good = fitted(read, NO_GAPS, KNOWN, nominal);
    const side = (['top', 'right', 'bottom', 'left'] as const)[index % 4]!;
    const diagonal = (['down', 'up'] as const)[index % 2]!;
    const gaps = readGaps(frame, KNOWN.bladeMm, KNOWN.gapMm, random);
    const ofSide = wrong(side);
    const ofDiagonal = wrong(diagonal);
    const squared = wrong(diagonal, { ...NO_GAPS, topLeft: gaps.topLeft, bottomLeft: gaps.bottomLeft });
    counts.covered += Number(Math.abs(good.skewDegrees.value - real) <= 1.96 * good.skewDegrees.sd);
    counts.alarms += Number(!good.agreement.agrees);
    counts.sideNamed += Number(ofSide?.kind === 'side' && ofSide.name === side);
    counts.diagonalSeen += Number(ofDiagonal !== null);
    counts.eitherSaid += Number(ofDiagonal?.kind === 'diagonals');
    counts.squareNames += Number(squared?.kind === 'diagonal' && squared.name === diagonal);
  }
  const percent = (count: number) => (100 * count) / CASES;

  it('recovers the skew within its stated error in 95 % of them, ± 2 points', () => {
    expect(Math.abs(percent(counts.covered) - 95)).toBeLessThanOrEqual(2);
  });
  it('alarms falsely in the stated 5 %', () => {
    expect(Math.abs(percent(counts.alarms) - 5)).toBeLessThanOrEqual(1.2);
  });
  it('names a side misread by 5 mm in at least 95 %', () => {
    expect(percent(counts.sideNamed)).toBeGreaterThanOrEqual(95);
  });
  it('notices a diagonal misread by 5 mm, says it is one of the two, and names it with a set square', () => {
    expect(percent(counts.diagonalSeen)).toBeGreaterThanOrEqual(99.5);
    expect(percent(counts.eitherSaid)).toBeGreaterThanOrEqual(95);
    expect(percent(counts.squareNames)).toBeGreaterThanOrEqual(95);
  });
});

it('says of a misread diagonal what would fit exactly, also where it is far off', () => {
  const { down, up, ...sides } = truth(900, 600, 900, 600, 0.01);
  for (const off of [8, 60, 150]) {
    const { doubt } = fitted(
      { ...sides, down: down! + off, up },
      { ...NO_GAPS, topLeft: 0.01 * KNOWN.bladeMm * -1, bottomLeft: 0.01 * KNOWN.bladeMm },
    );
    expect(doubt).toMatchObject({ kind: 'diagonal', name: 'down', likelyMm: expect.closeTo(down!, 0) as number });
  }
  // Without a set square it may be either; each is told as it would have to be read.
  const { doubt } = fitted({ ...sides, down: down! + 60, up });
  const likely = doubt?.kind === 'diagonals' ? doubt.likelyMm : null;
  expect(likely!.down).toBeCloseTo(down!, 0);
  expect(likely!.up ** 2 + (down! + 60) ** 2).toBeCloseTo(2 * (900 ** 2 + 600 ** 2), -3);
});

it('the readings of a frame seen in the mirror agree, and are doubted, as the frame’s own', () => {
  const random = randomLcg(0.617);
  const mirrored = ({ top, right, bottom, left, down, up }: TapeReadings) => ({
    top,
    right: left,
    bottom,
    left: right,
    down: up,
    up: down,
  });
  const kinds = new Set<string>();
  for (let index = 0; index < 300; index += 1) {
    const frame = practiceFrame(NOMINAL, KNOWN, 4, random);
    const blunder =
      index % 3 === 0 ? null : { name: (['down', 'up', 'top', 'left'] as const)[index % 4]!, offMm: index % 2 ? 2 : -2 };
    const read = readPractice(frame, KNOWN.tapeMm, random, blunder);
    const gaps = readGaps(frame, KNOWN.bladeMm, KNOWN.gapMm, random);
    const held = { ...NO_GAPS, topLeft: index % 2 ? gaps.topLeft : null, bottomRight: index % 5 ? null : gaps.bottomRight };
    const [own, other] = [
      fitted(read, held),
      fitted(mirrored(read), {
        topLeft: held.topRight,
        topRight: held.topLeft,
        bottomLeft: held.bottomRight,
        bottomRight: held.bottomLeft,
      }),
    ];
    expect(other.agreement.chiSquare).toBeCloseTo(own.agreement.chiSquare, 6);
    expect([other.agreement.agrees, other.doubt?.kind]).toEqual([own.agreement.agrees, own.doubt?.kind]);
    kinds.add(own.doubt?.kind ?? 'agrees');
  }
  expect(kinds.size).toBeGreaterThan(2);
});

describe('pressing to square', () => {
  it('a parallelogram comes square: both diagonals read √((d₁² + d₂²) / 2), nothing is left', () => {
    const plan = pressPlan(barsAtLean({ top: 900, right: 600, bottom: 900, left: 600 }, 0.008));
    expect(plan.longer).toBe('down');
    expect(plan.bothMm).toBeCloseTo(Math.hypot(900, 600), 6);
    expect(plan.left.gapMm).toBeCloseTo(0, 6);
  });

  it('a long bar stays a fault however it is pressed', () => {
    const plan = pressPlan(barsAtLean({ top: 906, right: 600, bottom: 900, left: 600 }, 0.01));
    expect(plan.left.degrees).toBeCloseTo((Math.asin(3 / 600) * 180) / Math.PI, 2);
    expect(plan.left.gapMm).toBeCloseTo(3, 1);
  });

  it('refuses bars that do not meet', () => {
    expect(() => barsAtLean({ top: 100, right: 100, bottom: 900, left: 100 }, 0)).toThrow(/do not meet/);
  });
});

describe('practice tape', () => {
  it('gives the same frame and readings for a seed, and one misread on demand', () => {
    const read = (seed: number, blunder: { name: TapeName; offMm: number } | null = null) => {
      const random = randomLcg(seed);
      return readPractice(practiceFrame(NOMINAL, KNOWN, 4, random), 0.5, random, blunder);
    };
    expect(read(0.3)).toEqual(read(0.3));
    expect(read(0.3)).not.toEqual(read(0.31));
    expect(read(0.3, { name: 'left', offMm: 6 }).left! - read(0.3).left!).toBe(6);
  });

  it('a frame pressed by its slide stands square', () => {
    const frame = practiceFrame(NOMINAL, { pairMm: 0, nominalMm: 1 }, 5, randomLcg(0.9));
    const fit = fitted(frame.truth, NO_GAPS, TAPE_ALONE);
    const after = fitted(pressed(frame, fit.slideMm.value).truth, NO_GAPS, TAPE_ALONE);
    expect(Math.abs(fit.slideMm.value)).toBeGreaterThan(1);
    expect(after.slideMm.value).toBeCloseTo(0, 2);
    expect(CORNERS.every((corner) => Math.abs(after.cornersDegrees[corner].value) < 0.01)).toBe(true);
  });
});

describe('a frame', () => {
  const at = (x: number, y: number) => ({ x, y });
  const square = { bottomLeft: at(0, 0), bottomRight: at(900, 0), topRight: at(900, 600), topLeft: at(0, 600) };

  it('goes round once, however it leans', () => {
    expect(goesRound(square)).toBe(true);
    expect(goesRound({ ...square, topLeft: at(-200, 560), topRight: at(700, 560) })).toBe(true);
  });

  it('that crosses itself, is turned inside out or has a corner pushed in is none', () => {
    expect(goesRound({ ...square, topLeft: at(900, 600), topRight: at(0, 600) })).toBe(false);
    expect(
      goesRound({ ...square, bottomLeft: at(900, 0), bottomRight: at(0, 0), topLeft: at(900, 600), topRight: at(0, 600) }),
    ).toBe(false);
    expect(goesRound({ ...square, topRight: at(200, 100) })).toBe(false);
  });
});
