import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, assumed } from '../house/houseRules';
import { type JobInputs, newInputs } from '../job/job';
import { SIDES, type Side, everySide } from '../job/sides';
import { length } from '../units/length';
import { SIDE_ENDS } from '../cloth/registration';
import { CORNERS, type Corner, type Point2 } from '../frame/square/corners';
import { rounds } from '@/testRounds';
import { type OfferedSize, offeredSizes } from './offeredSizes';
import { planRebate } from './planRebate';
import { middleOf } from './rebateFit';

const context = { rules: DEFAULT_RULES, tape: { unit: 'mm', stepMm: 1 } } as Parameters<typeof offeredSizes>[1];

const DEFAULT_REBATE_GAP_MM = assumed(DEFAULT_RULES, 'rebateGap');

/** A painting of so much, square, for bars sold every 50 mm. */
function painting(widthMm: number, heightMm: number, change: Partial<JobInputs['brief']> = {}): JobInputs {
  const fresh = newInputs('Old', length(widthMm), length(heightMm));
  const [across, down] = [length(widthMm), length(heightMm)];
  const diagonal = length(Math.hypot(widthMm, heightMm));
  return {
    ...fresh,
    brief: { ...fresh.brief, use: 'finished', ...change },
    cloth: {
      ...fresh.cloth,
      painting: { ...fresh.cloth.painting, top: across, bottom: across, left: down, right: down, down: diagonal, up: diagonal },
    },
  };
}

describe('faces that can be had for a painted image', () => {
  it('are sold and sawn near it, the one that loses least first, each with what every side loses or shows', () => {
    const rows = offeredSizes(painting(612, 508), context);
    expect(rows[0]).toMatchObject({ widthMm: 612, heightMm: 508, across: 'sawn', down: 'sawn', holds: true });
    const sold = rows.find(({ across, down }) => across === 'sold' && down === 'sold')!;
    expect([sold.widthMm, sold.heightMm]).toEqual([600, 500]);
    for (const side of SIDES) expect(sold.sides[side].lostMm).toBeCloseTo(side === 'left' || side === 'right' ? 6 : 4, 6);
    expect(sold.offMm2).toBeCloseTo(2 * 6 * 500 + 2 * 4 * 600, 4);
    const ranks = rows.map(({ holds, offMm2 }) => [holds ? 0 : 1, offMm2]);
    expect(ranks).toEqual([...ranks].sort((a, b) => a[0]! - b[0]! || a[1]! - b[1]!));
    expect(offeredSizes(newInputs('Not read', length(600), length(500)), context)).toEqual([]);
  });

  it('longer bars show bare cloth and are no size to take, unless the lip hides it', () => {
    const shows = offeredSizes(painting(597, 498), context).find(({ widthMm, heightMm }) => widthMm === 600 && heightMm === 500)!;
    expect(shows.holds).toBe(false);
    expect(shows.sides.left.shownMm).toBeCloseTo(1.5, 6);
    const eight = length(8);
    const framed = painting(597, 498, {
      edges: 'rebate',
      rebate: {
        ...newInputs('', length(1), length(1)).brief.rebate,
        top: length(604),
        bottom: length(604),
        left: length(504),
        right: length(504),
        lip: { top: eight, right: eight, bottom: eight, left: eight },
      },
    });
    const hidden = offeredSizes(framed, context).find(({ widthMm, heightMm }) => widthMm === 600 && heightMm === 500)!;
    expect(hidden).toMatchObject({ holds: true, across: 'sold', down: 'sold' });
    expect(hidden.gapMm).toBeGreaterThan(0);
  });

  it('one that does not go into the frame comes last', () => {
    const framed = painting(612, 508, {
      edges: 'rebate',
      rebate: {
        ...newInputs('', length(1), length(1)).brief.rebate,
        top: length(606),
        bottom: length(606),
        left: length(506),
        right: length(506),
      },
    });
    const rows = offeredSizes(framed, context);
    // The face that leaves the clearance is among them, and before those that only just go in.
    expect(rows[0]!.gapMm).toBeGreaterThanOrEqual(DEFAULT_REBATE_GAP_MM);
    const first = rows.findIndex(({ gapMm }) => gapMm! < 0);
    expect(first).toBeGreaterThan(0);
    expect(rows.slice(first).every(({ gapMm }) => gapMm! < 0)).toBe(true);
  });

  it('show bare what a search point by point finds bare and not under the lip, in skewed frames with unequal lips', () => {
    const random = randomLcg(0.61);
    const off = (by: number) => by * (2 * random() - 1);
    let bare = 0;
    for (let turn = 0; turn < rounds(10, 40); turn += 1) {
      const [width, height] = [500 + Math.round(200 * random()), 400 + Math.round(150 * random())];
      const image = painting(width, height);
      const lean = off(3);
      const frame = {
        top: width + 7 + off(2),
        right: height + 7 + off(2),
        bottom: width + 7 + off(2),
        left: height + 7 + off(2),
      };
      const diagonal = Math.hypot((frame.top + frame.bottom) / 2, (frame.left + frame.right) / 2);
      const inputs: JobInputs = {
        ...image,
        brief: {
          ...image.brief,
          edges: 'rebate',
          rebate: {
            ...image.brief.rebate,
            ...everySide((side) => length(frame[side])),
            down: length(diagonal + off(2)),
            lip: everySide(() => length(3 + 5 * random())),
          },
        },
        cloth: {
          ...image.cloth,
          painting: {
            ...image.cloth.painting,
            down: length(Math.hypot(width, height) + lean),
            up: length(Math.hypot(width, height) - lean),
          },
        },
      };
      const rows = offeredSizes(inputs, context);
      const showing = rows.filter(({ registration }) => registration.mostBareMm > 0.5).slice(0, 2);
      for (const row of [rows[0]!, ...showing]) {
        const found = searched(row, inputs);
        for (const side of SIDES) expect(Math.abs(found[side] - row.sides[side].shownMm), `${turn} ${side}`).toBeLessThan(0.35);
        if (SIDES.some((side) => found[side] > 0.5)) bare += 1;
      }
    }
    expect(bare).toBeGreaterThan(0);
  });
});

/** Is a point left of no side of a quadrilateral that goes round clockwise, y down. */
function within(corners: Record<Corner, Point2>, { x, y }: Point2): boolean {
  return CORNERS.every((corner, index) => {
    const [from, to] = [corners[corner], corners[CORNERS[(index + 1) % 4]!]];
    return (to.x - from.x) * (y - from.y) - (to.y - from.y) * (x - from.x) >= 0;
  });
}

/** How wide the bare cloth is that is not under the lip, along each side, found by points a tenth of a millimetre apart. */
function searched({ widthMm: w, heightMm: h, registration }: OfferedSize, inputs: JobInputs): Record<Side, number> {
  const face = { ...inputs, brief: { ...inputs.brief, width: length(w), height: length(h) } };
  const rebate = planRebate(face, context);
  if (rebate?.kind !== 'measured') throw new Error('the frame is measured');
  const { opening, fit } = rebate.plan;
  const own: Record<Corner, Point2> = {
    topLeft: { x: 0, y: 0 },
    topRight: { x: w, y: 0 },
    bottomRight: { x: w, y: h },
    bottomLeft: { x: 0, y: h },
  };
  const painted = Object.fromEntries(
    CORNERS.map((corner) => [
      corner,
      { x: own[corner].x + registration.corners[corner].x, y: own[corner].y + registration.corners[corner].y },
    ]),
  ) as Record<Corner, Point2>;
  const middle = middleOf(opening);
  const [cos, sin] = [Math.cos((fit.turnDegrees * Math.PI) / 180), Math.sin((fit.turnDegrees * Math.PI) / 180)];
  const inFrame = ({ x, y }: Point2): Point2 => {
    const [dx, dy] = [x - w / 2, y - h / 2];
    return { x: middle.x + fit.shift.x + cos * dx - sin * dy, y: middle.y + fit.shift.y + sin * dx + cos * dy };
  };
  /** Under the lip of a side: nearer to its step than the lip reaches. */
  const covered = (point: Point2, side: Side): boolean => {
    const [from, to] = SIDE_ENDS[side].map((corner) => opening[corner]) as [Point2, Point2];
    const long = Math.hypot(to.x - from.x, to.y - from.y);
    const away = Math.abs((to.x - from.x) * (point.y - from.y) - (to.y - from.y) * (point.x - from.x)) / long;
    return away < inputs.brief.rebate.lip[side]!.mm;
  };
  return everySide((side) => {
    let widest = 0;
    for (let at = 0; at <= 40; at += 1) {
      let bare = 0;
      for (let depth = 0.05; depth < 12; depth += 0.1) {
        const along = 0.02 + (0.96 * at) / 40;
        const point = {
          top: { x: along * w, y: depth },
          bottom: { x: along * w, y: h - depth },
          left: { x: depth, y: along * h },
          right: { x: w - depth, y: along * h },
        }[side];
        if (!within(painted, point) && !covered(inFrame(point), side)) bare += 0.1;
      }
      widest = Math.max(widest, bare);
    }
    return widest;
  });
}
