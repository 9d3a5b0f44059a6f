/* What is seen of a canvas in its frame: against answers found by other searches, and against a search of its own. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { CORNERS, type Corner } from '../frame/square/corners';
import { SIDES, type Side } from '../job/sides';
import { rectangleOf } from './rebateFit';
import { atPlace, evenGap, freeSight, keysMost, packedSight } from './sight';
import type { Around, Place, Quad, Sight } from './sightForms';
import { slipWhenFree, slipWhenPacked } from './slip';

type Pairs<K extends string> = Record<K, [number, number]>;
type Each = Record<Side, number>;
interface Slips {
  uniform: { width: number; worstHidden: number };
  perSide: { sum: number; largest: number; worstHidden: number; widths: Each };
}
interface Case {
  id: string;
  rebate: { corners: Pairs<Corner> };
  lips: Each;
  canvas: { corners: Pairs<Corner>; bulk: Pairs<Side> };
  image: { corners: Pairs<Corner> };
  answers: {
    goesIn: boolean;
    widenEachSide: number;
    best: { leastGap: number; largestGap: number; place: Place; gaps: Pairs<Side>; seen: Each; light: Each; hidden: Each };
    packed: { worstSeen: number; worstHidden: number; bestSpare: number } | null;
    free: Record<'seen' | 'light' | 'hidden', Each> | null;
    slip: { packed: Slips; free: Slips } | null;
    keys: { most: number | null };
  };
}
const FILE = join(import.meta.dirname, '../../../golden/sightCases.json.gz');
const { cases } = JSON.parse(gunzipSync(readFileSync(FILE)).toString()) as { cases: Case[] };

const quad = (corners: Pairs<Corner>): Quad =>
  Object.fromEntries(CORNERS.map((corner) => [corner, { x: corners[corner][0], y: corners[corner][1] }])) as unknown as Quad;
const around = (pairs: Pairs<Side>): Around =>
  Object.fromEntries(SIDES.map((side) => [side, { first: pairs[side][0], second: pairs[side][1] }])) as unknown as Around;
const sightOf = ({ rebate, lips, canvas, image }: Case): Sight => ({
  opening: quad(rebate.corners),
  lips,
  canvas: quad(canvas.corners),
  bulkMm: around(canvas.bulk),
  image: quad(image.corners),
});
/** Not under what is asked by more than `under`, nor over it by more than 0.05 mm. */
function near(told: number, asked: number, under: number, what: string) {
  expect(told, what).toBeGreaterThanOrEqual(asked - under);
  expect(told, what).toBeLessThanOrEqual(asked + 0.05);
}

describe('forty frames with known answers', () => {
  it.each(cases.map((one) => [one.id, one] as const))('%s', (_id, one) => {
    const sight = sightOf(one);
    const { best, packed, free, slip, keys, widenEachSide } = one.answers;
    const there = atPlace(sight, best.place);
    for (const side of SIDES) {
      expect(there.gaps[side].first).toBeCloseTo(best.gaps[side][0], 2);
      expect(there.gaps[side].second).toBeCloseTo(best.gaps[side][1], 2);
      for (const what of ['seen', 'light', 'hidden'] as const) expect(there[what][side]).toBeCloseTo(best[what][side], 2);
    }
    const even = evenGap(sight);
    expect(even.leastMm).toBeGreaterThan(best.leastGap - 0.05);
    expect(even.largestMm).toBeLessThan(best.largestGap + 0.05);
    near(Math.max(0, -even.leastMm), widenEachSide, 0.05, 'widened');
    const [held, loose, most] = [packedSight(sight), freeSight(sight), keysMost(sight)];
    expect([held === null, loose === null, most === null]).toEqual([packed === null, free === null, keys.most === null]);
    if (most !== null) {
      expect(most).toBeLessThan(keys.most! + 0.02);
      expect(most).toBeGreaterThan(keys.most! - 0.05);
    }
    if (!held || !loose || !packed || !free || !slip) return;
    near(held.worstSeenMm, packed.worstSeen, 0.02, 'packed, seen');
    expect(held.worstHiddenMm).toBeLessThan(packed.worstHidden + 0.05);
    near(held.spareMm, packed.bestSpare, 0.05, 'spare');
    for (const side of SIDES)
      for (const what of ['seen', 'light', 'hidden'] as const)
        near(loose[what][side], free[what][side], 0.02, `free, ${what} ${side}`);
    const [covered, anywhere] = [slipWhenPacked(sight)!, slipWhenFree(sight)!];
    const sum = ({ widthsMm }: { widthsMm: Each }) => SIDES.reduce((whole, side) => whole + widthsMm[side], 0);
    near(covered.uniform.widthsMm.top, slip.packed.uniform.width, 0.02, 'packed slip');
    near(sum(covered.perSide), slip.packed.perSide.sum, 0.05, 'packed slip, four widths');
    near(
      Math.max(...SIDES.map((side) => covered.perSide.widthsMm[side])),
      slip.packed.perSide.largest,
      0.1,
      'the largest of them',
    );
    expect(covered.uniform.worstHiddenMm).toBeLessThan(slip.packed.uniform.worstHidden + 0.05);
    expect(covered.perSide.worstHiddenMm).toBeLessThan(slip.packed.perSide.worstHidden + 0.05);
    near(anywhere.uniform.widthsMm.top, slip.free.uniform.width, 0.02, 'free slip');
    for (const side of SIDES) near(anywhere.perSide.widthsMm[side], slip.free.perSide.widths[side], 0.02, `free slip, ${side}`);
    near(anywhere.uniform.worstHiddenMm, slip.free.uniform.worstHidden, 0.05, 'free slip, hidden');
    near(anywhere.perSide.worstHiddenMm, slip.free.perSide.worstHidden, 0.05, 'free slip, hidden');
  });
});

describe('any frame', () => {
  const dice = randomLcg(0.2929);
  const between = (least: number, most: number) => least + (most - least) * dice();
  const moved = (shape: Quad, by: number): Quad =>
    Object.fromEntries(
      CORNERS.map((corner) => [corner, { x: shape[corner].x + between(-by, by), y: shape[corner].y + between(-by, by) }]),
    ) as unknown as Quad;
  const each = <T>(make: () => T) => Object.fromEntries(SIDES.map((side) => [side, make()])) as Record<Side, T>;
  const drawn = (): Sight => {
    const [w, h] = [between(150, 1800), between(150, 1800)];
    const lean = dice() < 0.3 ? 0 : between(0, 4);
    return {
      opening: moved(rectangleOf(w, h), lean),
      lips: each(() => between(2, 12)),
      canvas: moved(rectangleOf(w - between(3, 14), h - between(3, 14)), dice() < 0.5 ? 0 : 0.5),
      bulkMm: each(() => ({ first: between(0, 0.8), second: between(0, 0.8) })),
      image: moved(rectangleOf(w - 10, h - 10, between(-6, 4)), 3),
    };
  };

  it('no place of a search of its own has a wider gap, shows less packed, or shows more free; a slip covers them all', () => {
    let tried = 0;
    let shown = 0;
    for (let count = 0; count < rounds(60, 1000); count += 1) {
      const sight = drawn();
      const even = evenGap(sight);
      const [held, loose] = [packedSight(sight), freeSight(sight)];
      expect(held === null).toBe(even.leastMm < 0);
      const laid = slipWhenFree(sight);
      const wide = { ...sight, lips: { ...sight.lips } };
      for (const side of SIDES) wide.lips[side] += laid?.perSide.widthsMm[side] ?? 0;
      const reach = Math.max(1, even.largestMm);
      const turn = (reach / Math.max(sight.opening.topRight.x, sight.opening.bottomLeft.y)) * 57.3;
      for (let tries = 0; tries < 150; tries += 1) {
        const place = {
          x: even.place.x + between(-reach, reach),
          y: even.place.y + between(-reach, reach),
          turnDegrees: even.place.turnDegrees + between(-turn, turn) * (tries % 3 === 0 ? 0.1 : 1),
        };
        const { gaps, seen, hidden } = atPlace(sight, place);
        const least = Math.min(...SIDES.flatMap((side) => [gaps[side].first, gaps[side].second]));
        expect(least).toBeLessThan(even.leastMm + 0.02);
        if (least < 0 || !held || !loose) continue;
        tried += 1;
        expect(Math.max(...SIDES.map((side) => seen[side]))).toBeGreaterThan(held.worstSeenMm - 0.02);
        for (const side of SIDES) {
          expect(seen[side]).toBeLessThan(loose.seen[side] + 0.02);
          expect(hidden[side]).toBeLessThan(loose.hidden[side] + 0.02);
          if (seen[side] > 0) shown += 1;
          expect(atPlace(wide, place).seen[side]).toBeLessThan(0.02);
        }
      }
      if (!held) continue;
      const here = atPlace(sight, held.place);
      expect(Math.max(...SIDES.map((side) => here.seen[side]))).toBeLessThan(held.worstSeenMm + 0.03);
      expect(Math.min(...SIDES.flatMap((side) => [here.gaps[side].first, here.gaps[side].second]))).toBeGreaterThan(-0.001);
    }
    expect(tried).toBeGreaterThan(300);
    expect(shown).toBeGreaterThan(100);
  });
});
