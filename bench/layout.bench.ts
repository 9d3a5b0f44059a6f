import { expect, test } from '@playwright/test';
import { randomInt, randomLcg } from 'd3-random';
import { layRoll } from '../src/core/cloth/layout/layRoll';
import { layoutViolations } from '../src/core/cloth/layout/layoutViolations';
import type { ClothPiece, ClothSheet, RollLayout } from '../src/core/cloth/layout/rollLayout';

const SHEET: ClothSheet = { width: 2080, flaws: [], tear: 5 };
const TIMES_MS = [300, 1000, 3000];
const INSTANCES = 4;

/** Faces that are often stretched, mm. */
const FACES = [
  [250, 200],
  [300, 240],
  [400, 300],
  [500, 400],
  [600, 500],
  [700, 500],
  [800, 600],
  [900, 700],
  [1000, 800],
  [1200, 900],
] as const;

/** Pieces as a workshop has them: ordinary faces with their margins, some alike; every other one may turn. */
function pieces(count: number, seed: number): ClothPiece[] {
  const pick = randomInt.source(randomLcg(seed))(FACES.length);
  return Array.from({ length: count }, (_, index) => {
    const [long, short] = FACES[pick()]!;
    const upright = index % 3 === 0;
    return {
      id: `${index}`,
      w: (upright ? short : long) + 158,
      h: (upright ? long : short) + 158,
      mayTurn: index % 2 === 0,
      flawRule: 'piece',
      margin: [79, 79, 79, 79],
    };
  });
}

/** Best layout at each of the times, and when the first one came. */
function watched(asked: ClothPiece[], sheet: ClothSheet): { at: (RollLayout | null)[]; firstMs: number } {
  const from = performance.now();
  const steps = layRoll(asked, sheet, randomLcg(0.5), Infinity);
  const at: (RollLayout | null)[] = TIMES_MS.map(() => null);
  let best: RollLayout | null = null;
  let firstMs = 0;
  for (;;) {
    const step = steps.next();
    const now = performance.now() - from;
    if (step.value) {
      best = step.value;
      firstMs ||= now;
    }
    TIMES_MS.forEach((ms, index) => {
      if (step.done || now < ms) at[index] = best;
    });
    if (step.done || now >= TIMES_MS.at(-1)!) return { at, firstMs };
  }
}

/** A roll with knots and slubs near its beginning. */
const flawed = (seed: number): ClothSheet => {
  const random = randomLcg(seed);
  const flaws = Array.from({ length: 3 }, () => ({
    x: Math.floor(random() * 1900),
    y: Math.floor(random() * 2500),
    w: 60 + Math.floor(random() * 80),
    h: 40 + Math.floor(random() * 80),
  }));
  return { ...SHEET, flaws };
};

for (const [name, counts, sheetOf] of [
  ['plain cloth', [8, 12, 20, 30, 50], () => SHEET],
  ['three flaws', [6, 8, 12, 20, 30], flawed],
] as const)
  test(`the roll, ${name}: length over the lower bound`, () => {
    test.setTimeout(300_000);
    console.log(`\n${name}; pieces   over the bound at 0.3 s, 1 s, 3 s (mean of ${INSTANCES}), proven, first layout`);
    for (const count of counts) {
      const runs = Array.from({ length: INSTANCES }, (_, index) => {
        const asked = pieces(count, (index + 1) / 7);
        const sheet = sheetOf((index + 1) / 9);
        const run = watched(asked, sheet);
        expect(layoutViolations(asked, sheet, run.at.at(-1)!.placed)).toEqual([]);
        return run;
      });
      const mean = (index: number) =>
        runs.reduce((sum, { at }) => sum + (at[index] ? at[index].length / at[index].bound - 1 : NaN), 0) / INSTANCES;
      const proven = runs.filter(({ at }) => at.at(-1)!.proven).length;
      const first = Math.max(...runs.map(({ firstMs }) => firstMs));
      console.log(
        `${String(count).padStart(6)}   ${TIMES_MS.map((_, index) => `${(mean(index) * 100).toFixed(2)} %`).join(', ')}   ${proven} of ${INSTANCES}   ${(first / 10).toFixed(2)} of 10 ms`,
      );
    }
  });
