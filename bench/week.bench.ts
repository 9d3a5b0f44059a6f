import type { Page } from '@playwright/test';
import { randomLcg } from 'd3-random';
import SQLite from 'better-sqlite3';
import { toEnd } from '../src/core/toEnd';
import { searchSchedule } from '../src/core/schedule/searchSchedule';
import { SCHEDULE_CASES, shopOf } from '../src/core/schedule/testShops';
import { startServer } from '../e2e/server';
import { expect, test } from '../e2e/test';

const FRAME_MS = 1000 / 60;
const OPEN = 60;

test('known cases: how much of a second to what is known of them', () => {
  for (const one of SCHEDULE_CASES) {
    const shop = shopOf(one);
    const [wanted] = one.tardinessFirst;
    const from = performance.now();
    let at: number | null = null;
    for (const plan of searchSchedule(shop, { goal: ['dates', 'makespan'], rounds: 1e9, random: randomLcg(0.42) })) {
      const spent = performance.now() - from;
      if (plan && plan.tardiness <= wanted * 1.02 && plan.makespan <= one.tardinessFirst[1] * 1.02) at ??= spent;
      if (at !== null || spent > 1000) break;
    }
    console.log(`${one.id}, ${shop.tasks.length} tasks: ${at === null ? 'not within 1.00' : (at / 1000).toFixed(3)} s`);
  }
  expect(
    toEnd(searchSchedule(shopOf(SCHEDULE_CASES[0]!), { goal: ['dates', 'makespan'], rounds: 50, random: randomLcg(0.4) }))
      .tardiness,
  ).toBe(8);
});

/** Milliseconds between frames while something goes on. */
const frames = (page: Page, forMs: number): Promise<number[]> =>
  page.evaluate(async (length) => {
    const times: number[] = [];
    let last = performance.now();
    const until = last + length;
    while (last < until) {
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const now = performance.now();
      times.push(now - last);
      last = now;
    }
    return times;
  }, forMs);

const part = (times: number[], of: number) => [...times].sort((a, b) => a - b)[Math.floor(of * (times.length - 1))]!;
const share = (times: number[]) =>
  `median ${(part(times, 0.5) / FRAME_MS).toFixed(2)}, p95 ${(part(times, 0.95) / FRAME_MS).toFixed(2)} of a frame`;

test(`the week with ${OPEN} canvases open: searched, dragged`, async ({ page }) => {
  test.setTimeout(300_000);
  const server = await startServer({ demo: true });
  try {
    // Canvases alike to one of the demo, taken in as a list.
    const database = new SQLite(server.database);
    const [row] = database.prepare("SELECT * FROM job WHERE id = 'demo-139'").all() as Record<string, unknown>[];
    const next = database.prepare('SELECT max(number) + 1 FROM job').pluck().get() as number;
    const columns = Object.keys(row!);
    const insert = database.prepare(
      `INSERT INTO job (${columns.join(', ')}) VALUES (${columns.map((name) => `@${name}`).join(', ')})`,
    );
    for (let index = 0; index < OPEN - 20; index += 1)
      insert.run({ ...row, id: `bench-${index}`, number: next + index, set_id: null });
    database.close();
    for (let turn = 0; turn < 12; turn += 1) await page.request.get(`${server.url}/api/week/facts`);
    const from = Date.now();
    const view = (await (await page.request.get(`${server.url}/api/week/facts`)).json()) as { facts: { jobs: unknown[] } };
    console.log(`\n${view.facts.jobs.length} canvases; facts and the plan that stands: ${Date.now() - from} ms`);
    await page.goto(`${server.url}/week`);
    await page.getByRole('button', { name: 'Four weeks' }).click();
    await expect(page.getByRole('button', { name: 'Stop looking' })).toBeVisible();
    console.log(`frames while it searches: ${share(await frames(page, 4000))}`);
    const blocks = page.locator('svg [data-task]');
    console.log(`${await blocks.count()} pieces of work drawn`);
    const box = (await blocks.nth(40).boundingBox())!;
    await page.mouse.move(box.x + 1, box.y + 10);
    await page.mouse.down();
    await page.mouse.move(box.x + 30, box.y + 10);
    const spent = await page.evaluate(
      async ({ x, y }) => {
        const target = document.querySelector('svg[role=group]')!;
        const times: number[] = [];
        let last = performance.now();
        for (let step = 0; step < 120; step += 1) {
          target.dispatchEvent(
            new PointerEvent('pointermove', { bubbles: true, clientX: x + 30 + step * 4, clientY: y + (step % 40) }),
          );
          await new Promise((resolve) => requestAnimationFrame(resolve));
          const now = performance.now();
          times.push(now - last);
          last = now;
        }
        return times;
      },
      { x: box.x, y: box.y + 10 },
    );
    console.log(`frames while a piece is dragged: ${share(spent)}`);
    await page.goto('about:blank');
  } finally {
    await server.remove();
  }
});
