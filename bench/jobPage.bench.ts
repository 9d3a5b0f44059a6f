import { gzipSync } from 'node:zlib';
import type { Page } from '@playwright/test';
import { expect, stage, test } from '../e2e/test';

const FRAME_MS = 1000 / 60;
const KEYS = 120;

/** One field of each stage, and what is typed over and over into it. */
const FIELDS: [stage: string, label: string, values: [string, string]][] = [
  ['Brief', 'Face width', ['912', '913']],
  ['Bars', 'Cloth tension', ['250', '251']],
  ['Square', 'Diagonal, top left down', ['1105', '1106']],
  ['Cloth', 'Roll width, usable', ['2100', '900']],
  ['Fasten', 'Spacing, at most', ['45', '25']],
  ['Prime', 'Mixed', ['200', '210']],
  ['Prime', 'Humidity', ['55', '75']],
  ['Hand over', 'On the scale', ['1.5', '3']],
];

/** Milliseconds from the input event to the slip laid out again, and to the drawing, where it changes. */
async function keystrokes(page: Page, label: string, values: [string, string]): Promise<{ slip: number[]; drawing: number[] }> {
  return page.getByLabel(label, { exact: true }).evaluate(
    async (field: HTMLInputElement, { texts, count }) => {
      const write = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
      const [slip, drawing]: [number[], number[]] = [[], []];
      for (let key = 0; key < count; key += 1) {
        await new Promise((resolve) => requestAnimationFrame(resolve));
        let redrawn = false;
        let watcher!: MutationObserver;
        const drawn = new Promise<void>((resolve) => {
          watcher = new MutationObserver(() => {
            redrawn = true;
            document.body.getBoundingClientRect();
            resolve();
          });
          watcher.observe(document.querySelector('.draw svg')!, {
            subtree: true,
            childList: true,
            attributes: true,
            characterData: true,
          });
        });
        const from = performance.now();
        write.call(field, texts[key % 2]!);
        field.dispatchEvent(new Event('input', { bubbles: true }));
        await Promise.resolve();
        document.body.getBoundingClientRect();
        slip.push(performance.now() - from);
        await Promise.race([drawn, new Promise((resolve) => setTimeout(resolve, 80))]);
        if (redrawn) drawing.push(performance.now() - from);
        watcher.disconnect();
      }
      return { slip, drawing };
    },
    { texts: values, count: KEYS },
  );
}

const at = (times: number[], part: number) => [...times].sort((a, b) => a - b)[Math.floor(part * (times.length - 1))]!;

test('keystroke to redrawn verdict, as a part of one frame', async ({ page, emptyServer }) => {
  await page.goto(emptyServer.url);
  await page.getByRole('button', { name: 'New canvas' }).first().click();
  await page.getByLabel('Title').fill('Bench');
  await page.getByLabel('Face width').fill('912');
  await page.getByLabel('Face height').fill('615');
  await page.getByRole('button', { name: 'Start the job' }).click();
  console.log(
    `\nkeystroke to verdicts laid out again, and to the drawing; ${KEYS} keys a stage, 1.00 = one frame of ${FRAME_MS.toFixed(1)} ms`,
  );
  for (const [name, label, values] of FIELDS) {
    await stage(page, name).click();
    await keystrokes(page, label, values);
    const { slip, drawing } = await keystrokes(page, label, values);
    await page.getByLabel(label, { exact: true }).fill(values[0]);
    const frames = (times: number[], part: number) => (times.length === 0 ? '   –' : (at(times, part) / FRAME_MS).toFixed(2));
    console.log(
      `  ${name.padEnd(10)} slip: median ${frames(slip, 0.5)}, p95 ${frames(slip, 0.95)}; drawing: median ${frames(drawing, 0.5)}, p95 ${frames(drawing, 0.95)} frames`,
    );
  }
});

/** Milliseconds from a move of the pointer to slip and drawing laid out with the brace in its new place. */
const drags = (page: Page): Promise<number[]> =>
  page.getByRole('slider', { name: 'Upright brace 1, middle from the left' }).evaluate(async (brace, count) => {
    const box = brace.getBoundingClientRect();
    const at = (x: number) => ({ bubbles: true, pointerId: 1, clientX: box.x + box.width / 2 + x, clientY: box.y + 40 });
    brace.setPointerCapture = () => undefined;
    brace.dispatchEvent(new PointerEvent('pointerdown', at(0)));
    const times: number[] = [];
    for (let move = 1; move <= count; move += 1) {
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const before = brace.getAttribute('d');
      const from = performance.now();
      brace.dispatchEvent(new PointerEvent('pointermove', at((move % 2 ? 1 : -1) * (20 + (move % 17)))));
      while (brace.getAttribute('d') === before && performance.now() - from < 200)
        await new Promise((resolve) => setTimeout(resolve, 0));
      document.body.getBoundingClientRect();
      times.push(performance.now() - from);
    }
    brace.dispatchEvent(new PointerEvent('pointerup', at(0)));
    return times;
  }, KEYS);

test('a brace dragged on the drawing, as a part of one frame', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/job/demo-132`);
  await stage(page, 'Bars').click();
  await page.getByLabel('Braces, upright').selectOption('1');
  for (const tab of ['Choose', 'Bow along the bars']) {
    await page.getByRole('tab', { name: tab }).click();
    await drags(page);
    const times = await drags(page);
    console.log(
      `\nbrace dragged, ${tab.toLowerCase()} open: median ${(at(times, 0.5) / FRAME_MS).toFixed(2)}, p95 ${(at(times, 0.95) / FRAME_MS).toFixed(2)} frames`,
    );
  }
});

test('script that the job page loads, gzipped', async ({ page, demoServer }) => {
  const scripts: number[] = [];
  page.on('response', async (response) => {
    if (response.request().resourceType() === 'script') scripts.push(gzipSync(await response.body()).length);
  });
  await page.goto(`${demoServer.url}/job/demo-128`);
  await page.waitForLoadState('networkidle');
  expect(scripts.length).toBeGreaterThan(3);
  console.log(
    `\nscript of the job page: ${(scripts.reduce((sum, size) => sum + size, 0) / 1024).toFixed(1)} KB gzipped in ${scripts.length} files, budget 220 KB`,
  );
});
