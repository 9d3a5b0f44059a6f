import { randomLcg, randomUniform } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { SIDES, type Side } from '../job/sides';
import { bestFace, offeredFaces } from './bestFace';
import { type EndMargins, centring } from './centring';
import { type PaintedImage, type Priorities, type Registration, register } from './registration';

const NO_BOW: PaintedImage['bow'] = { top: 0, right: 0, bottom: 0, left: 0 };
const USUAL: Priorities = { keep: ['top', 'left', 'right'], mostWrapMm: 12, mayBare: true, way: 'leastSquares' };

/** A painted quadrilateral by its corners, turned clockwise and moved. */
function image(corners: [number, number][], degrees = 0, bow: Partial<PaintedImage['bow']> = {}): PaintedImage {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const [topLeft, topRight, bottomRight, bottomLeft] = corners.map(([x, y]) => ({
    x: 70 + c * x - s * y,
    y: 40 + s * x + c * y,
  }));
  return {
    corners: { topLeft: topLeft!, topRight: topRight!, bottomRight: bottomRight!, bottomLeft: bottomLeft! },
    bow: { ...NO_BOW, ...bow },
  };
}
const rectangle = (w: number, h: number): [number, number][] => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
];
const wavers = ({ sides }: Registration, side: Side) => sides[side].mostMm - sides[side].leastMm;

describe('registration', () => {
  it('finds a true rectangle wherever it lies, exactly', () => {
    const random = randomLcg(0.31);
    const turn = randomUniform.source(random)(-3, 3);
    for (let time = 0; time < 60; time += 1) {
      const degrees = turn();
      for (const way of ['leastSquares', 'leastMost'] as const) {
        const found = register(image(rectangle(900, 600), degrees), { widthMm: 900, heightMm: 600 }, { ...USUAL, way });
        expect(found.turnDegrees).toBeCloseTo(degrees, 4);
        for (const side of SIDES) expect(Math.abs(found.sides[side].mostMm)).toBeLessThan(0.01);
      }
    }
  });

  it('a larger image goes round all edges alike, a smaller one leaves bare only when it may', () => {
    const round = register(
      image(rectangle(908, 606), 1.2),
      { widthMm: 900, heightMm: 600 },
      { ...USUAL, keep: SIDES, mayBare: false },
    );
    expect(round.sides.left.middleMm).toBeCloseTo(4, 3);
    expect(round.sides.bottom.middleMm).toBeCloseTo(3, 3);
    expect(round).toMatchObject({ holds: true });
    const small = register(image(rectangle(896, 600)), { widthMm: 900, heightMm: 600 }, { ...USUAL, mayBare: false });
    expect(small.holds).toBe(false);
    expect(small.mostBareMm).toBeCloseTo(2, 3);
  });

  it('shares what the image is larger by, whatever must stay parallel', () => {
    for (const keep of [['top'], ['top', 'left', 'right'], ['bottom'], SIDES] as const)
      for (const way of ['leastSquares', 'leastMost'] as const) {
        const { sides } = register(image(rectangle(906, 606)), { widthMm: 900, heightMm: 600 }, { ...USUAL, keep, way });
        for (const side of SIDES) expect(sides[side].middleMm).toBeCloseTo(3, 2);
      }
  });

  it('of a trapezium keeps the top, the sides share its error, the bottom takes its own', () => {
    // The bottom is 8 mm shorter, the same on both sides.
    const trapezium = image(
      [
        [0, 0],
        [900, 0],
        [896, 600],
        [4, 600],
      ],
      0.7,
    );
    const found = register(trapezium, { widthMm: 896, heightMm: 600 }, USUAL);
    expect(found.turnDegrees).toBeCloseTo(0.7, 4);
    expect(found.sides.left.firstMm).toBeCloseTo(found.sides.right.firstMm, 4);
    expect(found.sides.left.firstMm).toBeCloseTo(2, 2);
    expect(found.sides.left.secondMm).toBeCloseTo(-2, 2);
    expect(found.corners.topLeft.x).toBeCloseTo(-2, 2);
    expect(found.corners.bottomRight.x).toBeCloseTo(-2, 2);
  });

  it('priorities move the error to where they say', () => {
    // The bottom runs off by 10 mm from left to right; the rest is square.
    const skewed = image(
      [
        [0, 0],
        [800, 0],
        [800, 610],
        [0, 600],
      ],
      -0.4,
    );
    const face = { widthMm: 800, heightMm: 600 };
    const top = register(skewed, face, USUAL);
    expect(top.turnDegrees).toBeCloseTo(-0.4, 1);
    expect(wavers(top, 'top')).toBeLessThan(0.4);
    expect(wavers(top, 'bottom')).toBeGreaterThan(9.5);
    const bottom = register(skewed, face, { ...USUAL, keep: ['bottom'] });
    expect(wavers(bottom, 'bottom')).toBeLessThan(wavers(bottom, 'top'));
    expect(wavers(bottom, 'bottom')).toBeLessThan(1.5);
    const all = register(skewed, face, { ...USUAL, keep: SIDES });
    expect(wavers(all, 'bottom')).toBeGreaterThan(wavers(bottom, 'bottom'));
    expect(wavers(all, 'bottom')).toBeLessThan(wavers(top, 'bottom'));
  });

  it('the least of the worst is never worse at its worst than least squares, on random images', () => {
    const source = randomLcg(0.77);
    const off = randomUniform.source(source)(-6, 6);
    for (let time = 0; time < 40; time += 1) {
      const corners = rectangle(700, 500).map(([x, y]): [number, number] => [x + off(), y + off()]);
      const one = image(corners, off() / 4, { top: off() / 3, left: off() / 3 });
      const options = { ...USUAL, keep: SIDES, mostWrapMm: 100 };
      const worst = (way: Priorities['way']) => {
        const { sides } = register(one, { widthMm: 700, heightMm: 500 }, { ...options, way });
        return Math.max(...SIDES.flatMap((side) => [Math.abs(sides[side].leastMm), Math.abs(sides[side].mostMm)]));
      };
      expect(worst('leastMost')).toBeLessThanOrEqual(worst('leastSquares') + 0.02);
    }
  });

  it('no place near the one found is better: least squares against a search of its own', () => {
    const one = image(
      [
        [0, 3],
        [902, 0],
        [897, 604],
        [2, 600],
      ],
      1.1,
      { top: 2, right: -1 },
    );
    const found = register(one, { widthMm: 905, heightMm: 608 }, { ...USUAL, mostWrapMm: 100 });
    const cost = (dx: number, dy: number, turn: number) => {
      const [c, s] = [Math.cos(turn), Math.sin(turn)];
      const moved = (x: number, y: number) => ({
        x: c * (x - 447) + s * (y - 299) + 447 + dx,
        y: c * (y - 299) - s * (x - 447) + 299 + dy,
      });
      const mean = (side: Side) => {
        const squares = found.outline[side].map(({ x, y }) => {
          const at = moved(x, y);
          return { top: at.y, left: at.x, right: at.x - 905, bottom: at.y - 608 }[side] ** 2;
        });
        return squares.reduce((sum, value) => sum + value, 0) / squares.length;
      };
      return mean('top') + mean('left') + mean('right') + 0.02 * mean('bottom');
    };
    const best = cost(0, 0, 0);
    for (const [dx, dy, turn] of [
      [0.05, 0, 0],
      [-0.05, 0, 0],
      [0, 0.05, 0],
      [0, -0.05, 0],
      [0, 0, 2e-4],
      [0, 0, -2e-4],
    ] as const)
      expect(cost(dx, dy, turn)).toBeGreaterThan(best);
  });

  it('a bowed edge stands off where it bows', () => {
    const bowed = register(
      image(rectangle(900, 600), 0, { top: 3 }),
      { widthMm: 900, heightMm: 600 },
      { ...USUAL, mayBare: false },
    );
    expect(bowed.sides.top.middleMm - bowed.sides.top.firstMm).toBeCloseTo(3, 3);
    expect(bowed.sides.top.leastMm).toBeGreaterThanOrEqual(-1e-6);
  });
});

describe('the best face', () => {
  it('is the largest the image fills, and placed there nothing is bare', () => {
    const one = image(
      [
        [0, 2],
        [905, 0],
        [898, 611],
        [3, 605],
      ],
      0.9,
      { bottom: -2 },
    );
    const size = bestFace(one, { keep: ['top', 'left', 'right'], mayBare: false });
    const fits = register(one, size, { ...USUAL, mayBare: false, mostWrapMm: 50 });
    expect(fits.mostBareMm).toBeLessThan(0.2);
    const larger = register(
      one,
      { widthMm: size.widthMm + 1, heightMm: size.heightMm + 1 },
      { ...USUAL, mayBare: false, mostWrapMm: 50 },
    );
    expect(larger.holds).toBe(false);
  });

  it('is offered exact, round, and from bars that are sold', () => {
    expect(offeredFaces({ widthMm: 803.4, heightMm: 611.2 }, [500, 600, 800], 1)).toEqual([
      { widthMm: 803, heightMm: 611, why: 'exact' },
      { widthMm: 800, heightMm: 610, why: 'round' },
      { widthMm: 800, heightMm: 600, why: 'bars' },
    ]);
    expect(offeredFaces({ widthMm: 400, heightMm: 300 }, [500], 1)).toEqual([{ widthMm: 400, heightMm: 300, why: 'exact' }]);
  });
});

describe('the centring check', () => {
  const face = { widthMm: 900, heightMm: 600 };
  const wanted: EndMargins = { top: [80, 80], right: [80, 80], bottom: [80, 80], left: [80, 80] };
  /** Margins of a frame that lies off by this much, near the ends of its sides. */
  const lying = (right: number, down: number, turn: number): EndMargins => ({
    top: [80 + down - 0.45 * 900 * turn, 80 + down + 0.45 * 900 * turn],
    bottom: [80 - down + 0.45 * 900 * turn, 80 - down - 0.45 * 900 * turn],
    left: [80 + right + 0.45 * 600 * turn, 80 + right - 0.45 * 600 * turn],
    right: [80 - right - 0.45 * 600 * turn, 80 - right + 0.45 * 600 * turn],
  });

  it('says how to move the frame back', () => {
    const move = centring(lying(6, -3, 0.004), wanted, face)!;
    expect([move.rightMm, move.downMm]).toEqual([expect.closeTo(-6, 9), expect.closeTo(3, 9)]);
    expect(move.clockwiseDegrees).toBeCloseTo((-0.004 * 180) / Math.PI, 9);
    expect(move.leftOverMm).toBeCloseTo(0, 9);
    expect(move.endsMoveMm).toBeCloseTo(-1.8, 9);
  });

  it('does not mind cloth that is larger, also when margins are missing, and says what moving cannot mend', () => {
    const larger: EndMargins = { top: [95, 95], right: [88, 88], bottom: [95, 95], left: [88, 88] };
    const still = {
      rightMm: expect.closeTo(0, 9) as number,
      downMm: expect.closeTo(0, 9) as number,
      offMm: expect.closeTo(0, 9) as number,
    };
    expect(centring(larger, wanted, face)).toMatchObject(still);
    expect(centring({ ...larger, left: [88, null], bottom: [null, 95] }, wanted, face)).toMatchObject(still);
    const skewed: EndMargins = { ...wanted, top: [76, 84], bottom: [76, 84] };
    expect(centring(skewed, wanted, face)!.leftOverMm).toBeGreaterThan(3);
  });

  it('needs a margin on every side to tell', () => {
    const some: EndMargins = { top: [80, 80], right: [null, null], bottom: [80, 80], left: [80, 80] };
    expect(centring(some, wanted, face)).toBeNull();
    expect(centring({ ...some, right: [80, null] }, wanted, face)).not.toBeNull();
  });
});
