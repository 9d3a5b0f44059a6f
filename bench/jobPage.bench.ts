import { gzipSync } from 'node:zlib';
import type { Page } from '@playwright/test';
import { expect, newCanvas, settled, stage, test } from '../e2e/test';
import { PLACES } from './places';

const FRAME_MS = 1000 / 60;
const KEYS = 60;

/** One field of each stage, and what is typed over and over into it. */
const FIELDS: [stage: string, label: string, values: [string, string]][] = [
  ['Bars', 'Cloth tension', ['250', '251']],
  ['Square', 'Diagonal, top left down', ['1105', '1106']],
  ['Cloth', 'Roll width, usable', ['2100', '900']],
  ['Fasten', 'Spacing, at most', ['45', '25']],
  ['Prime', 'Mixed', ['200', '210']],
  ['Prime', 'Humidity', ['55', '75']],
  ['Hand over', 'On the scale', ['1.5', '3']],
];

/** The same of a painting. */
const PAINTED: typeof FIELDS = [
  ['Measure', 'Image, top', ['742', '743']],
  ['Measure', 'Top left to bottom right', ['930', '931']],
  ['Place', 'Rebate clearance, in all', ['4', '6']],
  ['Square', 'Diagonal, top left down', ['930', '931']],
  ['Clamp', 'Spacing, at most', ['45', '25']],
];

interface Keystrokes {
  /** Milliseconds from the input event to the slip laid out again. */
  slip: number[];
  /** And to the first change of the drawing, for keys that change it. */
  drawing: number[];
  /** Keys after which no drawing changed within `LONGEST_MS`. */
  still: number;
}
const LONGEST_MS = 200;

const keystrokes = (page: Page, label: string, values: [string, string]): Promise<Keystrokes> =>
  page.getByLabel(label, { exact: true }).evaluate(
    async (field: HTMLInputElement, { texts, count, longestMs }) => {
      const write = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
      const told: Keystrokes = { slip: [], drawing: [], still: 0 };
      for (let key = 0; key < count; key += 1) {
        await new Promise((resolve) => requestAnimationFrame(resolve));
        // A stage may have no drawing, or put it there later.
        const drawings = document.querySelectorAll('.draw svg');
        let changedAt: number | null = null;
        const from = performance.now();
        const watcher = new MutationObserver(() => {
          document.body.getBoundingClientRect();
          changedAt ??= performance.now();
        });
        for (const one of drawings)
          watcher.observe(one, { subtree: true, childList: true, attributes: true, characterData: true });
        write.call(field, texts[key % 2]!);
        field.dispatchEvent(new Event('input', { bubbles: true }));
        await Promise.resolve();
        document.body.getBoundingClientRect();
        told.slip.push(performance.now() - from);
        while (drawings.length > 0 && changedAt === null && performance.now() - from < longestMs)
          await new Promise((resolve) => setTimeout(resolve, 0));
        if (changedAt === null) told.still += 1;
        else told.drawing.push(changedAt - from);
        watcher.disconnect();
      }
      return told;
    },
    { texts: values, count: KEYS, longestMs: LONGEST_MS },
  );

const at = (times: number[], part: number) => [...times].sort((a, b) => a - b)[Math.floor(part * (times.length - 1))]!;

/** Types over and over into one field of each stage, and prints what each key took. */
async function typeInto(page: Page, fields: typeof FIELDS): Promise<void> {
  for (const [name, label, values] of fields) {
    await stage(page, name).click();
    await keystrokes(page, label, values);
    const { slip, drawing, still } = await keystrokes(page, label, values);
    await page.getByLabel(label, { exact: true }).fill(values[0]);
    const frames = (times: number[], part: number) => (times.length === 0 ? '   –' : (at(times, part) / FRAME_MS).toFixed(2));
    const unmoved = still === 0 ? '' : `, ${still} of ${KEYS} keys changed no drawing within ${LONGEST_MS} ms`;
    console.log(
      `  ${`${name}, ${label.toLowerCase()}`.padEnd(34)} slip: median ${frames(slip, 0.5)}, p95 ${frames(slip, 0.95)}; drawing: median ${frames(drawing, 0.5)}, p95 ${frames(drawing, 0.95)} frames${unmoved}`,
    );
  }
}

const heading = (what: string) =>
  console.log(
    `\nkeystroke to verdicts laid out again, and to the drawing, ${what}; ${KEYS} keys a field, 1.00 = one frame of ${FRAME_MS.toFixed(1)} ms`,
  );

for (const [width, height, braces, spacing] of [
  ['912', '615', 0, 50],
  ['3000', '2000', 2, 50],
  ['3000', '2000', 2, 25],
] as const)
  test(`keystroke to redrawn verdict on ${width} × ${height} mm at ${spacing} mm, as a part of one frame`, async ({
    page,
    emptyServer,
  }) => {
    test.setTimeout(300_000);
    await newCanvas(page, emptyServer.url, `Bench ${width}`, width, height);
    if (braces > 0) {
      await stage(page, 'Bars').click();
      await page.getByLabel('Braces, upright').selectOption(String(braces));
      await page.getByLabel('Braces, level').selectOption(String(braces));
    }
    await stage(page, 'Fasten').click();
    await page.getByLabel('Spacing, at most').fill(String(spacing));
    heading(`${width} × ${height} mm with ${2 * braces} braces, fastened each ${spacing} mm`);
    const spaced = ['Fasten', 'Spacing, at most', [String(spacing), String(spacing + 8)]] as (typeof FIELDS)[number];
    await typeInto(page, [
      ['Brief', 'Face width', [width, String(Number(width) + 1)]],
      ...FIELDS.map((one) => (one[0] === 'Fasten' ? spaced : one)),
    ]);
  });

test('keystroke to redrawn verdict of a painting, as a part of one frame', async ({ page, demoServer }) => {
  test.setTimeout(300_000);
  await page.goto(`${demoServer.url}/job/demo-135`);
  await stage(page, 'Place').click();
  await page.getByLabel('Edges').selectOption({ label: 'In a rebate' });
  heading('a painting in a rebate');
  await typeInto(page, PAINTED);
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

/** Of a job, and of any other page. */
const [JOB_KB, OTHER_KB] = [200, 140];
const SCRIPTED = [
  '/job/demo-128',
  '/job/demo-131',
  '/job/demo-128/bench?stage=fasten',
  '/job/demo-128/slip',
  '/job/demo-128/cost',
  '/job/demo-57/life',
  '/job/demo-132/whatif',
  '/network',
  ...PLACES,
];

test('script that each page loads, gzipped, against its budget', async ({ browser, demoServer }) => {
  console.log('\nscript of a page before anything is touched, KB gzipped, of its budget');
  const over: string[] = [];
  for (const path of SCRIPTED) {
    const budget = /^\/job\/[^/]+$/.test(path) ? JOB_KB : OTHER_KB;
    const page = await browser.newPage();
    const scripts: Promise<number>[] = [];
    page.on('response', (response) => {
      if (response.request().resourceType() === 'script') scripts.push(response.body().then((body) => gzipSync(body).length));
    });
    await page.goto(demoServer.url + path);
    await settled(page);
    const sizes = await Promise.all(scripts);
    expect(sizes.length).toBeGreaterThan(3);
    const kb = sizes.reduce((sum, size) => sum + size, 0) / 1024;
    if (kb > budget) over.push(path);
    console.log(
      `  ${path.padEnd(34)} ${kb.toFixed(0).padStart(4)} of ${budget}${kb > budget ? `, OVER by ${(kb - budget).toFixed(0)}` : ''}, ${sizes.length} files`,
    );
    await page.close();
  }
  console.log(over.length > 0 ? `  goals missed: ${over.join('; ')}` : '  every page keeps its budget');
});
