import { randomLcg, randomUniform } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { CORNERS, type Corner, type Point2 } from '../frame/square/corners';
import { UNPLACED, areCorners, laidFlat, straightened } from './straightened';

describe('a photograph laid flat', () => {
  it('is the same canvas from wherever it was taken: a mark lies where it lies on the face', () => {
    const random = randomLcg(0.71);
    const between = (from: number, to: number) => randomUniform.source(random)(from, to)();
    for (let round = 0; round < 200; round += 1) {
      const [width, height] = [between(200, 2000), between(200, 2000)];
      // A camera two to four metres off that looks askew, as a pinhole.
      const [lean, turn, off] = [between(-0.4, 0.4), between(-0.4, 0.4), between(2000, 4000)];
      const photographed = ({ x, y }: Point2): Point2 => {
        const [u, v] = [x - width / 2, y - height / 2];
        const depth = off + u * Math.sin(turn) + v * Math.sin(lean);
        return { x: 1000 + (1500 * u * Math.cos(turn)) / depth, y: 800 + (1500 * v * Math.cos(lean)) / depth };
      };
      const face = (corner: Corner): Point2 => ({
        x: corner.endsWith('Right') ? width : 0,
        y: corner.startsWith('bottom') ? height : 0,
      });
      const corners = Object.fromEntries(CORNERS.map((corner) => [corner, photographed(face(corner))])) as Record<Corner, Point2>;
      const map = straightened(corners, { width, height })!;
      const mark = { x: between(0, width), y: between(0, height) };
      const found = laidFlat(map, photographed(mark));
      expect(found.x).toBeCloseTo(mark.x, 6);
      expect(found.y).toBeCloseTo(mark.y, 6);
    }
  });

  it('asks for four corners in their order: crossed, folded or flat ones make no image', () => {
    expect(areCorners(UNPLACED)).toBe(true);
    const { topLeft, topRight, bottomRight, bottomLeft } = UNPLACED;
    expect(areCorners({ topLeft: topRight, topRight: topLeft, bottomRight, bottomLeft })).toBe(false);
    expect(areCorners({ ...UNPLACED, topLeft: { x: 0.8, y: 0.8 } })).toBe(false);
    expect(areCorners({ ...UNPLACED, bottomLeft: topLeft, bottomRight: topRight })).toBe(false);
    const line = { topLeft: { x: 0, y: 0 }, topRight: { x: 1, y: 0 }, bottomRight: { x: 2, y: 0 }, bottomLeft: { x: 3, y: 0 } };
    expect(straightened(line, { width: 10, height: 10 })).toBeNull();
  });
});
