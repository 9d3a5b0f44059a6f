/* Every way to frame a canvas is what it is told to be, by the calculation that judges frames and by one of its own. */
import { randomLcg, randomUniform } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { UNSEEN_MM } from '../cloth/registration';
import { CORNERS, type Corner, type Point2 } from '../frame/square/corners';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { type JobInputs, newInputs } from '../job/job';
import { SIDES, everySide } from '../job/sides';
import { length } from '../units/length';
import { wholeDepth } from './canvasDepth';
import { FRAMING_WAYS, type FramingWay, framingWays } from './framingWays';
import { framingWayWords } from './framingWayWords';
import { planRebate } from './planRebate';
import { atPlace } from './sight';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') } as Parameters<typeof planRebate>[1];

interface Drawn {
  room: number;
  lean: number;
  lip: number;
  bare: number;
  depth: number | null;
}

/** A canvas of 500 × 400 in a leaning frame, with the image so far within its face. */
function framed({ room, lean, lip, bare, depth }: Drawn): { inputs: JobInputs; image: Record<Corner, Point2> } {
  const fresh = newInputs('Study', length(500), length(400));
  const [wide, high] = [500 + room, 400 + room];
  const rebate = {
    ...fresh.brief.rebate,
    top: length(wide),
    bottom: length(wide),
    left: length(Math.hypot(high, lean)),
    right: length(Math.hypot(high, lean)),
    down: length(Math.hypot(wide + lean, high)),
    up: length(Math.hypot(wide - lean, high)),
    lip: everySide(() => length(lip)),
    depth: depth === null ? null : length(depth),
  };
  const off = (corner: Corner) => ({ x: corner.endsWith('Left') ? bare : -bare, y: corner.startsWith('top') ? bare : -bare });
  const image = Object.fromEntries(CORNERS.map((corner) => [corner, off(corner)])) as Record<Corner, Point2>;
  return { inputs: { ...fresh, brief: { ...fresh.brief, edges: 'rebate', rebate } }, image };
}

function waysOf(drawn: Drawn): FramingWay[] {
  const { inputs, image } = framed(drawn);
  const rebate = planRebate(inputs, context)!;
  return rebate.kind === 'measured' ? framingWays(rebate.plan, inputs, context, image) : [];
}
const ids = (ways: FramingWay[]) => ways.map(({ id }) => id);

describe('ways to frame a canvas', () => {
  it('leaves in peace what shows nothing wherever it slides, and packs what does not', () => {
    expect(ids(waysOf({ room: 5, lean: 0, lip: 8, bare: 0, depth: null }))).toEqual(['free', 'packed']);
    const [first, second] = waysOf({ room: 12, lean: 0, lip: 8, bare: 0, depth: null });
    // Twelve of room less the cloth: it slides out of a lip of 8, and does not when it is held in the middle.
    expect([first!.id, second!.id, first!.covers, second!.covers]).toEqual(['packed', 'slipFree', true, true]);
    const words = framingWayWords(first!, context.tape);
    const { left } = first!.at.gaps;
    expect(words).toMatch(/^cork or card: top [\d.]+ mm.*, left [\d.]+ mm/);
    expect(left.first).toBeCloseTo(first!.at.gaps.right.first, 2);
  });

  it('covers what is larger than the image by a slip, which takes its thickness of the depth', () => {
    const ways = waysOf({ room: 6, lean: 0, lip: 6, bare: 7, depth: 25 });
    const packed = ways.find(({ id }) => id === 'packed')!;
    expect(packed.covers).toBe(false);
    for (const id of ['buildOut', 'slip'] as const) {
      const way = ways.find((one) => one.id === id)!;
      expect(way.covers).toBe(true);
      expect(ways.indexOf(way)).toBeLessThan(ways.indexOf(packed));
      expect(way.proudMm! - packed.proudMm!).toBeCloseTo(3, 9);
    }
    const { inputs } = framed({ room: 6, lean: 0, lip: 6, bare: 7, depth: 25 });
    expect(packed.proudMm).toBeCloseTo(wholeDepth(inputs, DEFAULT_RULES).cornerMm - 25, 9);
  });

  it('widens the rebate or takes another face where it does not go in, and says by how much', () => {
    const ways = waysOf({ room: -1, lean: 0, lip: 8, bare: 0, depth: null });
    expect(new Set(ids(ways))).toEqual(new Set(['eased', 'face']));
    const eased = ways.find(({ id }) => id === 'eased')!;
    // The step that was too near leaves the house’s gap then; the lip ends where it ended.
    expect(Math.min(...SIDES.flatMap((side) => [eased.at.gaps[side].first, eased.at.gaps[side].second]))).toBeCloseTo(1.5, 1);
    expect(eased.sight.lips.top).toBeCloseTo(8 + eased.easedMm, 9);
    expect(framingWayWords(eased, context.tape)).toMatch(/ off every step; cork or card/);
    const { face } = ways.find(({ id }) => id === 'face')!;
    expect(face!.widthMm).toBeLessThan(500);
  });

  it('compares nothing until every lip is read', () => {
    const { inputs, image } = framed({ room: 5, lean: 0, lip: 8, bare: 0, depth: null });
    const rebate = planRebate(
      {
        ...inputs,
        brief: { ...inputs.brief, rebate: { ...inputs.brief.rebate, lip: { ...inputs.brief.rebate.lip, top: null } } },
      },
      context,
    )!;
    expect(rebate.kind === 'measured' && framingWays(rebate.plan, inputs, context, image)).not.toEqual([]);
    const unread = { ...inputs, brief: { ...inputs.brief, rebate: { ...inputs.brief.rebate, lip: everySide(() => null) } } };
    expect(rebate.kind === 'measured' && framingWays(rebate.plan, unread, context, image)).toEqual([]);
  });

  it('always has a way that covers, and what it says covers does, held or sliding', () => {
    const random = randomLcg(0.4129);
    const between = (from: number, to: number) => randomUniform.source(random)(from, to)();
    for (let round = 0; round < rounds(40, 1000); round += 1) {
      const drawn = {
        room: between(-4, 14),
        lean: between(-3, 3),
        lip: between(3, 14),
        bare: between(-4, 9),
        depth: round % 2 ? between(12, 40) : null,
      };
      const ways = waysOf(drawn);
      const what = JSON.stringify(drawn);
      expect(ways[0]?.covers, what).toBe(true);
      expect(new Set(ids(ways)).size, what).toBe(ways.length);
      for (const way of ways) {
        const { at, place, sight } = way;
        const there = atPlace(sight, place);
        for (const side of SIDES) {
          expect(Math.min(there.gaps[side].first, there.gaps[side].second), `${what} ${way.id}`).toBeGreaterThan(-0.01);
          if (way.covers) expect(there.seen[side], `${what} ${way.id}`).toBeLessThanOrEqual(UNSEEN_MM);
          // Left free it shows at least what it shows where it lies.
          expect(at.seen[side]).toBeGreaterThan(there.seen[side] - 0.03);
        }
        expect(framingWayWords(way, context.tape)).not.toMatch(/undefined|NaN|-\d|−/);
      }
      const order = ways.filter(({ covers }) => covers).map(({ id }) => FRAMING_WAYS.findIndex((one) => one.id === id));
      expect(order, what).toEqual([...order].sort((one, other) => one - other));
    }
  });
});
