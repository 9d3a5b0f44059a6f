import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import type { Corner, Point2 } from '../frame/square/corners';
import { SIDES, type Side } from '../job/sides';
import { KEYED_GAP_MM } from './sight';
import type { Around } from './sightForms';
import {
  type CanvasToFit,
  NOTHING_AROUND,
  hiddenBy,
  hiddenOfFace,
  keysRoom,
  leastAround,
  rebateFit,
  rebateToOrder,
} from './rebateFit';

const dice = randomLcg(0.271);
const between = (least: number, most: number) => least + (most - least) * dice();
const rectangle = (width: number, height: number): Record<Corner, Point2> => ({
  topLeft: { x: 0, y: 0 },
  topRight: { x: width, y: 0 },
  bottomRight: { x: width, y: height },
  bottomLeft: { x: 0, y: height },
});
const skewed = (width: number, height: number, by: number): Record<Corner, Point2> =>
  Object.fromEntries(
    Object.entries(rectangle(width, height)).map(([corner, { x, y }]) => [
      corner,
      { x: x + between(-by, by), y: y + between(-by, by) },
    ]),
  ) as Record<Corner, Point2>;
const around = (make: () => number): Around =>
  Object.fromEntries(SIDES.map((side) => [side, { first: make(), second: make() }])) as unknown as Around;
const canvasIn = (width: number, height: number): CanvasToFit => ({
  widthMm: width - between(2, 14),
  heightMm: height - between(2, 14),
  bulkMm: around(() => between(0, 2)),
});

/** The gaps of a canvas put down somewhere, by its corners turned and measured to each side as a line. */
function measured(opening: Record<Corner, Point2>, canvas: CanvasToFit, x: number, y: number, degrees: number): Around {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const names: Corner[] = ['topLeft', 'topRight', 'bottomRight', 'bottomLeft'];
  const middle = {
    x: names.reduce((sum, one) => sum + opening[one].x, 0) / 4,
    y: names.reduce((sum, one) => sum + opening[one].y, 0) / 4,
  };
  const corner = (right: number, down: number): Point2 => {
    const [a, b] = [(right * canvas.widthMm) / 2, (down * canvas.heightMm) / 2];
    return { x: middle.x + x + a * cos - b * sin, y: middle.y + y + a * sin + b * cos };
  };
  const crossOf = (p: Point2, from: Point2, to: Point2) => (to.x - from.x) * (from.y - p.y) - (from.x - p.x) * (to.y - from.y);
  const distance = (p: Point2, from: Point2, to: Point2) =>
    // Outside it is below 0.
    (crossOf(p, from, to) * Math.sign(crossOf(middle, from, to))) / Math.hypot(to.x - from.x, to.y - from.y);
  const { topLeft, topRight, bottomRight, bottomLeft } = opening;
  const { bulkMm } = canvas;
  const ends = (side: Side, from: Point2, to: Point2, one: Point2, other: Point2) => ({
    first: distance(one, from, to) - bulkMm[side].first,
    second: distance(other, from, to) - bulkMm[side].second,
  });
  return {
    top: ends('top', topLeft, topRight, corner(-1, -1), corner(1, -1)),
    right: ends('right', topRight, bottomRight, corner(1, -1), corner(1, 1)),
    bottom: ends('bottom', bottomLeft, bottomRight, corner(-1, 1), corner(1, 1)),
    left: ends('left', topLeft, bottomLeft, corner(-1, -1), corner(-1, 1)),
  };
}

describe('a canvas in its rebate', () => {
  it('lies in the middle of a square one, with half of what is left on each side', () => {
    const fit = rebateFit(rectangle(404, 310), { widthMm: 400, heightMm: 300, bulkMm: NOTHING_AROUND });
    expect(fit.turnDegrees).toBeCloseTo(0, 9);
    for (const [side, gap] of [
      ['top', 5],
      ['bottom', 5],
      ['left', 2],
      ['right', 2],
    ] as const) {
      expect(fit.gaps[side].first).toBeCloseTo(gap, 5);
      expect(fit.gaps[side].second).toBeCloseTo(gap, 5);
    }
    expect(fit.leastMm).toBeCloseTo(2, 9);
  });

  it('of a frame that leans turns with it, and says what is narrow', () => {
    // The top stands 6 mm to the right of the bottom.
    const leaning = { ...rectangle(404, 304), topLeft: { x: 6, y: 0 }, topRight: { x: 410, y: 0 } };
    const fit = rebateFit(leaning, { widthMm: 400, heightMm: 300, bulkMm: NOTHING_AROUND });
    expect(fit.turnDegrees).toBeGreaterThan(0.2);
    expect(fit.leastMm).toBeLessThan(1);
    const worst = leastAround(fit.gaps);
    expect(fit.leastMm - worst.mm).toBeLessThan(0.021);
    // No other place that leaves as much has its widest gap less wide: see sight.test.ts.
    expect(worst.mm).toBeGreaterThan(0);
  });

  it('does not go into one that is smaller, by as much as it is', () => {
    const fit = rebateFit(rectangle(398, 310), { widthMm: 400, heightMm: 300, bulkMm: NOTHING_AROUND });
    expect(fit.leastMm).toBeCloseTo(-1, 9);
    expect(leastAround(fit.gaps).side).toMatch(/left|right/);
  });

  it('over any frames out of square no other place found by a search of its own leaves a wider gap', () => {
    for (let count = 0; count < rounds(250, 1000); count += 1) {
      const [width, height] = [between(150, 2500), between(150, 2500)];
      const opening = skewed(width, height, 4);
      const canvas = canvasIn(width, height);
      const fit = rebateFit(opening, canvas);
      const least = (x: number, y: number, degrees: number) => leastAround(measured(opening, canvas, x, y, degrees)).mm;
      const own = least(fit.shift.x, fit.shift.y, fit.turnDegrees);
      // What it says of its place is so, to the little that a turn bends.
      expect(own).toBeGreaterThan(fit.leastMm - 0.05);
      // Downhill from there, and from the middle unturned, by ever smaller steps.
      for (const start of [
        [fit.shift.x, fit.shift.y, fit.turnDegrees],
        [0, 0, 0],
      ] as const) {
        let [x, y, degrees] = start;
        let best = least(x, y, degrees);
        for (let step = 4; step > 0.02; step /= 2) {
          const turn = (step / Math.max(width, height)) * 57.3;
          for (let tries = 0; tries < 40; tries += 1) {
            const [dx, dy, dt] = [between(-step, step), between(-step, step), between(-turn, turn)];
            const there = least(x + dx, y + dy, degrees + dt);
            if (there > best) [x, y, degrees, best] = [x + dx, y + dy, degrees + dt, there];
          }
        }
        expect(best).toBeLessThan(fit.leastMm + 0.05);
      }
    }
  });

  it('over any frames a corner may be opened until the gap that keys must leave, and no further', () => {
    for (let count = 0; count < rounds(250, 1000); count += 1) {
      const [width, height] = [between(150, 2500), between(150, 2500)];
      const opening = skewed(width, height, 2);
      const canvas = canvasIn(width, height);
      const now = rebateFit(opening, canvas).leastMm;
      const corner = keysRoom(opening, canvas);
      // Each corner moves out both ways, so a side grows by twice as much.
      const left = (by: number) =>
        rebateFit(opening, { ...canvas, widthMm: canvas.widthMm + 2 * by, heightMm: canvas.heightMm + 2 * by }).leastMm;
      if (corner === null) expect(now).toBeLessThan(KEYED_GAP_MM + 1e-6);
      else {
        expect(left(corner)).toBeGreaterThan(KEYED_GAP_MM - 0.01);
        expect(left(corner + 0.02)).toBeLessThan(KEYED_GAP_MM);
      }
      // The rebate to order for it holds it, grown as it was asked for, with the gap on each side.
      const gap = between(0, 4);
      const growth = { widthMm: between(0, 6), heightMm: between(0, 6) };
      const order = rebateToOrder(canvas, gap, growth);
      const whole = { ...canvas, widthMm: canvas.widthMm + growth.widthMm, heightMm: canvas.heightMm + growth.heightMm };
      expect(rebateFit(rectangle(order.widthMm, order.heightMm), whole).leastMm).toBeGreaterThan(gap - 1e-6);
    }
  });
});

describe('what the lip hides', () => {
  const fit = rebateFit(rectangle(404, 310), { widthMm: 400, heightMm: 300, bulkMm: NOTHING_AROUND });
  const lips = { top: 6, right: 6, bottom: 4, left: 1.5 };

  it('is the lip less the gap; a lip narrower than the gap lets light through', () => {
    const hidden = hiddenBy(lips, fit);
    expect([hidden.top.first, hidden.right.second, hidden.bottom.first, hidden.left.first]).toEqual([
      expect.closeTo(1, 5),
      expect.closeTo(4, 5),
      expect.closeTo(-1, 5),
      expect.closeTo(-0.5, 5),
    ]);
  });

  it('reaches less far over the face of the bars than over the cloth that stands out beyond it', () => {
    const bulk = { ...NOTHING_AROUND, right: { first: 0.6, second: 0.8 } };
    const face = hiddenOfFace(hiddenBy(lips, fit), bulk);
    expect(face.right.first).toBeCloseTo(3.4, 5);
    expect(face.right.second).toBeCloseTo(3.2, 5);
    expect(face.top.first).toBeCloseTo(1, 5);
  });
});
