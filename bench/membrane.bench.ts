import { expect, test } from '@playwright/test';
import { type Membrane, condensedMembrane } from '../src/core/fasten/membrane/membrane';
import type { MembraneCloth } from '../src/core/fasten/membrane/membraneCloth';
import { guessedCloths } from '../src/core/fasten/membrane/workedPulls';
import { pullBounds, pullPlan } from '../src/core/stages/fasten/pullPlan';
import { simulateRoute } from '../src/core/fasten/membrane/simulateRoute';
import { DEFAULT_RULES } from '../src/core/house/houseRules';
import { newInputs } from '../src/core/job/job';
import { stapleModel } from '../src/core/stages/fasten/stapleModel';
import { toEnd } from '../src/core/toEnd';
import { length } from '../src/core/units/length';
import { newCanvas, stage, test as browserTest } from '../e2e/test';

/** Time the handbook of the simulation allows a whole route, s. */
const ALLOWED = { play: 0.3, fine: 2 };

test('a whole route on the simulated cloth, as a part of the time allowed', () => {
  console.log('\nwhole route, cloth condensed and every event worked out; 1.00 = the time allowed (0.3 s to play, 2 s fine)');
  for (const [width, height] of [
    [900, 600],
    [1500, 1200],
    [3000, 2000],
  ] as const) {
    const inputs = newInputs('bench', length(width), length(height));
    inputs.fasten.spacing = length(50);
    inputs.fasten.lastFromCorner = length(50);
    for (const mesh of ['play', 'fine'] as const) {
      const model = stapleModel(inputs, DEFAULT_RULES, mesh);
      const times = Array.from({ length: 7 }, () => {
        const from = performance.now();
        const membrane = toEnd(condensedMembrane(model.mesh, model.cloth));
        toEnd(simulateRoute(membrane, model));
        return (performance.now() - from) / 1000;
      }).sort((a, b) => a - b);
      const elements = `${model.mesh.xs.length - 1} × ${model.mesh.ys.length - 1}`;
      console.log(
        `  ${width} × ${height} mm, ${mesh.padEnd(4)} ${elements.padEnd(8)} ${String(model.places.length).padStart(3)} places: median ${(times[3]! / ALLOWED[mesh]).toFixed(2)}, most ${(times[6]! / ALLOWED[mesh]).toFixed(2)}`,
      );
    }
  }
});

browserTest('the page goes on while the cloth is worked out: tasks over 50 ms', async ({ page, emptyServer }) => {
  await newCanvas(page, emptyServer.url, 'Bench', '1500', '1200');
  await stage(page, 'Fasten').click();
  await page.getByRole('tab', { name: 'Route', exact: true }).waitFor();
  await page.waitForTimeout(1500);
  await page.evaluate(() => {
    const tasks: number[] = [];
    Object.assign(globalThis, { longTasks: tasks });
    new PerformanceObserver((list) => list.getEntries().forEach((entry) => tasks.push(entry.duration))).observe({
      type: 'longtask',
    });
  });
  await page.getByRole('tab', { name: 'Cloth', exact: true }).click();
  await expect(page.getByLabel('The simulated cloth')).toHaveAttribute('aria-busy', 'false', { timeout: 30_000 });
  await page.getByRole('button', { name: 'What to set again?' }).click();
  await page.getByText(/^Draw and set again/).waitFor({ timeout: 60_000 });
  await page.getByRole('tab', { name: 'Pulls', exact: true }).click();
  await page.getByText('In short:').waitFor({ timeout: 60_000 });
  await page.getByRole('tab', { name: 'Compare routes' }).click();
  await page.getByText('most even').waitFor({ timeout: 60_000 });
  await page.getByText(/no order tried/).waitFor({ timeout: 120_000 });
  const tasks = await page.evaluate(() => (globalThis as unknown as { longTasks: number[] }).longTasks);
  console.log(
    `\ntasks over 50 ms in the page while four solves ran: ${tasks.length}${tasks.length > 0 ? `, longest ${Math.max(...tasks).toFixed(0)} ms` : ''}`,
  );
  expect(tasks).toEqual([]);
});

/** Time that pulls are allowed after the mesh, s. */
const PULLS_ALLOWED = [
  [600, 450, 'standard', 45, 0.25],
  [2100, 1500, 'heavy', 60, 1.5],
] as const;

test('pulls worked out on six cloths after the mesh, as a part of the time allowed', () => {
  console.log('\npulls of an order, cloths condensed before; 1.00 = the time allowed');
  for (const [width, height, profile, spacing, allowed] of PULLS_ALLOWED) {
    const inputs = newInputs('bench', length(width), length(height));
    inputs.bars.profile = profile;
    inputs.fasten.spacing = length(spacing);
    const model = stapleModel(inputs, DEFAULT_RULES);
    const bounds = pullBounds(inputs, DEFAULT_RULES, null);
    const kept = new Map<string, Membrane>();
    const cloths = guessedCloths(model).map(({ cloth }) => cloth);
    for (const cloth of cloths) {
      const key = JSON.stringify(cloth);
      if (!kept.has(key)) kept.set(key, toEnd(condensedMembrane(model.mesh, cloth)));
    }
    const membraneOf = function* (cloth: MembraneCloth): Generator<undefined, Membrane> {
      yield undefined;
      return kept.get(JSON.stringify(cloth))!;
    };
    const times = Array.from({ length: 7 }, () => {
      const from = performance.now();
      toEnd(pullPlan(membraneOf, model, bounds, 4));
      return (performance.now() - from) / 1000;
    }).sort((a, b) => a - b);
    console.log(
      `  ${width} × ${height} mm, ${model.places.length} places: median ${(times[3]! / allowed).toFixed(2)}, most ${(times[6]! / allowed).toFixed(2)}`,
    );
  }
});
