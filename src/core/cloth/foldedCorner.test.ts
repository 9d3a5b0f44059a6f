import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CORNER_FOLDS, type CornerFold, type CornerFoldId } from './cornerFolds';
import { type CornerPattern, MITRE_OVERLAP_MM, STOPS_MM, TAB_MM, cardPattern, sparePattern, wholeCorner } from './cornerTemplate';
import { type CornerCloth, type FlatPoint, cornerLayers, foldedPoint, layersAt } from './foldedCorner';

const fold = (id: CornerFoldId): CornerFold => CORNER_FOLDS.find((one) => one.id === id)!;
const SIZE = { depthMm: 24, sideMm: 80, endMm: 80 };
const CLOTHS: [CornerFoldId, CornerCloth][] = [
  ['single', wholeCorner(SIZE)],
  ['doublePleat', wholeCorner(SIZE)],
  ['trimmed', sparePattern(SIZE)!],
  ['templated', cardPattern(SIZE)!],
];

/** A grid over a rectangle, away from its very edges. */
const grid = (width: number, height: number, step = 2): [number, number][] => {
  const points: [number, number][] = [];
  for (let p = 0.3; p < width; p += step) for (let q = 0.3; q < height; q += step) points.push([p, q]);
  return points;
};

describe.each(CLOTHS)('the %s corner', (id, cloth) => {
  const { creases } = fold(id);
  const returned = SIZE.sideMm - SIZE.depthMm;

  it('covers both edges and the back as far as the returns reach', () => {
    for (const on of ['side', 'end'] as const)
      for (const [p, q] of grid(120, SIZE.depthMm)) expect(layersAt(creases, { on, p, q }, cloth).length).toBeGreaterThan(0);
    for (const [p, q] of grid(120, 120))
      if (Math.min(p, q) < returned) expect(layersAt(creases, { on: 'back', p, q }, cloth).length).toBeGreaterThan(0);
  });

  it('shows no raw edge: whatever ends on an edge of the frame ends under a flap', () => {
    for (const point of rawEdges(cloth)) {
      const at = foldedPoint(creases, point, SIZE.depthMm);
      expect(at.on).not.toBe('face');
      if (at.on === 'back') continue;
      const [seen] = layersAt(creases, { ...at, p: Math.max(at.p, 1e-6) }, cloth);
      // What is seen is the flap itself, not the corner cloth that ends here.
      expect(at.on === 'side' ? seen!.v <= 0 : seen!.u <= 0).toBe(true);
    }
  });

  it('is an isometry: cloth neither stretches nor tears', () => {
    const near = (point: FlatPoint, du: number, dv: number) => {
      const [a, b] = [
        foldedPoint(creases, point, SIZE.depthMm),
        foldedPoint(creases, { u: point.u + du, v: point.v + dv }, SIZE.depthMm),
      ];
      return a.on === b.on && a.on !== 'face' ? Math.hypot(a.p - b.p, a.q - b.q) : Math.hypot(du, dv);
    };
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 79, noNaN: true }), fc.double({ min: 0.5, max: 79, noNaN: true }), (u, v) => {
        const moved = near({ u, v }, 1e-4, 0);
        // Across a crease the way between two points can only get shorter.
        return moved <= 1e-4 + 1e-9 && near({ u: u + 0.3, v: v + 0.3 }, 0, 1e-4) <= 1e-4 + 1e-9;
      }),
      { seed: 5, numRuns: 300 },
    );
  });
});

/** Points along the raw edges near the corner: the outer edges of the square, or where it was cut. */
function rawEdges(cloth: CornerCloth): FlatPoint[] {
  const pattern = cloth as Partial<CornerPattern>;
  const along = ([from, to]: readonly [FlatPoint, FlatPoint]) =>
    Array.from({ length: 41 }, (_, index) => ({
      u: from.u + ((to.u - from.u) * index) / 40,
      v: from.v + ((to.v - from.v) * index) / 40,
    }));
  if (!pattern.edge)
    return [
      ...along([
        { u: 80, v: 0.01 },
        { u: 80, v: 80 },
      ]),
      ...along([
        { u: 80, v: 80 },
        { u: 0.01, v: 80 },
      ]),
    ];
  const edge = pattern.edge.slice(1).flatMap((to, index) => along([pattern.edge![index]!, to]));
  return [...edge, ...(pattern.slit ? along(pattern.slit) : [])].filter(({ u, v }) => u > 0.005 && v > 0.005);
}

describe('overlaps and cuts', () => {
  const card = cardPattern(SIZE)!;
  const { creases } = fold('templated');

  it('the tab lies under the end flap by its whole width, the mitre overlaps by what is stated', () => {
    const under = (a: number) => layersAt(creases, { on: 'end', p: a, q: 15 }, card).some(({ u, v }) => u > 0 && v > 0 && u > v);
    expect(under(TAB_MM - 0.1)).toBe(true);
    expect(under(TAB_MM + 0.1)).toBe(false);
    // Across the mitre, 30 mm in: both returns lie there over the whole overlap, one alone beyond.
    const both = (off: number) => {
      const [p, q] = [30 + off / Math.SQRT2, 30 - off / Math.SQRT2];
      return layersAt(creases, { on: 'back', p, q }, card).length;
    };
    const half = MITRE_OVERLAP_MM / 2;
    expect([-half - 0.1, -half + 0.1, half - 0.1, half + 0.1].map(both)).toEqual([1, 2, 2, 1]);
  });

  it('no cut comes nearer than 3 mm to the face corner, at any size', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 60 }),
        fc.integer({ min: 5, max: 90 }),
        fc.integer({ min: 5, max: 90 }),
        (depthMm, side, end) => {
          const size = { depthMm, sideMm: depthMm + side, endMm: depthMm + end };
          return [sparePattern(size), cardPattern(size)].every((pattern) => {
            if (!pattern) return true;
            const points = [...pattern.edge, ...(pattern.slit ?? [])].filter(({ u, v }) => u > 0 && v > 0);
            return points.every(({ u, v }) => Math.hypot(u, v) >= STOPS_MM - 1e-9);
          });
        },
      ),
      { seed: 8, numRuns: 300 },
    );
    expect(sparePattern({ depthMm: 40, sideMm: 48, endMm: 48 })).toBeNull();
    expect(cardPattern({ depthMm: 12, sideMm: 60, endMm: 60 })).toBeNull();
  });

  it('layers: a plain fold is thickest, a template thinnest', () => {
    const layers = Object.fromEntries(CLOTHS.map(([id, cloth]) => [id, cornerLayers(fold(id).creases, cloth)]));
    expect(layers.single).toEqual({ edge: 3, back: 4 });
    expect(layers.doublePleat).toEqual({ edge: 3, back: 6 });
    expect(layers.templated!.back).toBeLessThanOrEqual(2);
    expect(layers.trimmed!.back).toBeLessThanOrEqual(layers.single!.back);
  });
});
