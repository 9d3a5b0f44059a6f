import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, assumed } from '../house/houseRules';
import { type JobInputs, newInputs } from '../job/job';
import { SIDES } from '../job/sides';
import { length } from '../units/length';
import { offeredSizes } from './offeredSizes';

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
});
