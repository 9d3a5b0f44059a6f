import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Side } from '../../job/sides';
import { halfRow } from '../fastenerPlaces';
import { edgeWeights, linesAlong } from './edgePlaces';
import { FINE_ELEMENTS, PLAY_ELEMENTS, membraneMesh } from './membraneMesh';

const face = { widthMm: 900, heightMm: 600 };
const rows = [halfRow(900, 45, 40), halfRow(600, 45, 40)] as const;

describe('the mesh of a face', () => {
  it('divides the pitch, is its own mirror image, and stays within its number of elements', () => {
    for (const most of [PLAY_ELEMENTS, FINE_ELEMENTS]) {
      const { xs, ys } = membraneMesh(face, rows, most);
      expect((xs.length - 1) * (ys.length - 1)).toBeLessThanOrEqual(most);
      for (const [lines, long, row] of [
        [xs, 900, rows[0]],
        [ys, 600, rows[1]],
      ] as const) {
        expect([lines[0], lines.at(-1)]).toEqual([0, long]);
        lines.forEach((line, index) => expect(line + lines[lines.length - 1 - index]!).toBeCloseTo(long, 9));
        for (const offset of [0, ...row.offsetsMm])
          expect([...lines].some((line) => Math.abs(line - long / 2 - offset) < 1e-9)).toBe(true);
      }
    }
    const fine = membraneMesh(face, rows, FINE_ELEMENTS);
    expect(fine.xs.length).toBeGreaterThan(membraneMesh(face, rows, PLAY_ELEMENTS).xs.length);
  });
});

describe('a load on the edge', () => {
  const mesh = membraneMesh(face, rows, PLAY_ELEMENTS);

  it('is shared out whole among the nodes, and balances about its own middle', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Side>('top', 'right', 'bottom', 'left'),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.constantFrom(6, 12, 25, 55),
        (side, part, wideMm) => {
          const lines = linesAlong(mesh, side);
          const long = lines.at(-1)!;
          const offsetMm = part * (long / 2 - wideMm / 2);
          const weights = edgeWeights(mesh, { side, offsetMm }, wideMm);
          // Clockwise numbers from the top left corner, back to the line of this side.
          const [right, bottom] = [mesh.xs.length - 1, mesh.ys.length - 1];
          const from = { top: 0, right, bottom: right + bottom, left: 2 * right + bottom }[side];
          const count = 2 * (right + bottom);
          const along = (edge: number) =>
            lines[side === 'top' || side === 'right' ? edge - from : lines.length - 1 - ((edge - from + count) % count)]!;
          const whole = weights.reduce((sum, [, share]) => sum + share, 0);
          const middle = weights.reduce((sum, [edge, share]) => sum + share * along(edge), 0);
          return Math.abs(whole - 1) < 1e-9 && Math.abs(middle - long / 2 - offsetMm) < 1e-6;
        },
      ),
      { seed: 5, numRuns: 400 },
    );
  });

  it('is refused beyond the side', () => {
    expect(() => edgeWeights(mesh, { side: 'top', offsetMm: 451 }, 12)).toThrow(/within ±450 mm of the middle, got 451/);
  });
});
