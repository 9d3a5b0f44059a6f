import type { Page } from '@playwright/test';
import axe, { type RunOptions } from 'axe-core';
import { expect, stage, test } from './test';

declare global {
  interface Window {
    axe: typeof axe;
  }
}

const SERIES = '/bars?view=series&job=demo-138&job=demo-139&job=demo-132';
const PLACES = [
  '/',
  '/bars',
  SERIES,
  '/cloth',
  '/cloth?view=store',
  '/cloth?view=materials',
  '/ground',
  '/air',
  '/log',
  '/rules',
  '/file',
  '/job/demo-127/slip',
  '/set/demo-set-night-school',
  '/set/demo-set-night-school/cost',
  '/store',
  '/store?view=store',
  '/store?view=rates',
  '/week',
  '/week?view=hours',
  '/week/print',
  '/today',
  '/canvases',
  '/job/demo-57/life',
  '/job/demo-41/passport',
  '/job/demo-132/whatif',
  '/job/demo-132/whatif?view=quantity',
  '/set/demo-set-three-moons?stage=square',
];
const STAGES = ['Brief', 'Bars', 'Square', 'Cloth', 'Fasten', 'Tune', 'Prime', 'Hand over'];

/** What changes with a tab; the rest of the page was looked at before. */
const TAB_PARTS = ['[role=tabpanel]', '.draw'];

/** What axe finds wrong with parts of a page, or all of it. The engine stays in the page it was put into. */
async function violations(page: Page, parts: readonly string[], options: RunOptions) {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(
    async ([include, how]) => {
      const found = await window.axe.run(include.length > 0 ? { include: [...include] } : document, how);
      return found.violations;
    },
    [parts, { ...options, resultTypes: ['violations'], preload: false, selectors: false } satisfies RunOptions] as const,
  );
}

/** What scrolls, and has next to no height to be seen in. */
const squeezed = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('body *')]
      .filter((one) => one.clientWidth > 4 && one.clientHeight < 60 && one.scrollHeight > one.clientHeight + 30)
      .filter((one) => ['auto', 'scroll'].includes(getComputedStyle(one).overflowY) && one.checkVisibility())
      .map(
        (one) =>
          `${one.tagName} ${one.getAttribute('aria-label') ?? one.className}: ${one.clientHeight} px of ${one.scrollHeight}`,
      ),
  );

/** Everything in the light theme, or parts of it; then in the dark one what depends on it: contrast. */
async function nothingSerious(page: Page, where: string, parts: readonly string[] = []): Promise<void> {
  expect(await squeezed(page), where).toEqual([]);
  for (const theme of ['linen', 'slate']) {
    await page.evaluate((name) => (document.documentElement.dataset.theme = name), theme);
    const found = await violations(page, parts, theme === 'linen' ? {} : { runOnly: ['color-contrast'] });
    const serious = found.filter((one) => one.impact === 'serious' || one.impact === 'critical');
    expect(serious.map((one) => `${where}, ${theme}: ${one.id} at ${one.nodes.map((node) => node.html).join(', ')}`)).toEqual([]);
  }
}

/** What stands behind the tabs of the stages. */
async function behindTabs(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/job/demo-138`);
  for (const [open, tabs] of [
    ['Bars', ['Bow along the bars', 'Cut list, mitred', 'Put together']],
    ['Square', ['Tries', 'Set square', 'Practice tape']],
    ['Cloth', ['Each side', 'Cutting', 'Corners']],
    ['Fasten', ['Cloth', 'Pulls', 'Rehearse', 'Compare routes', 'Signs', 'Centring', 'Actual fastening']],
  ] as const) {
    await stage(page, open).click();
    for (const name of tabs) {
      await page.getByRole('tab', { name, exact: true }).click();
      // What is worked out in a worker is looked at when it is there.
      await expect(page.locator('[aria-busy="true"]')).toHaveCount(0, { timeout: 60_000 });
      await nothingSerious(page, `${open}, ${name}`, TAB_PARTS);
    }
  }
  await page.goto(`${url}/job/demo-131`);
  await nothingSerious(page, 'a painting with a stop');
  for (const name of ['Placed', 'Frame', 'Sizes', 'Priorities']) {
    await page.getByRole('tab', { name }).click();
    await nothingSerious(page, `a painting, ${name}`, TAB_PARTS);
  }
  await page.goto(`${url}/job/demo-135`);
  await nothingSerious(page, 'a painting that is looked at');
  await page.goto(`${url}/job/demo-131`);
  await stage(page, 'Tune').click();
  for (const name of ['Weight', 'Air', 'Corners']) {
    await page.getByRole('tab', { name }).click();
    await nothingSerious(page, `Tune, ${name}`, TAB_PARTS);
  }
}

test('axe finds nothing serious in any place of the workshop', async ({ page, demoServer, emptyServer }) => {
  for (const path of PLACES) {
    await page.goto(demoServer.url + path);
    if (path === '/cloth') await expect(page.getByRole('button', { name: 'Record the cuts' })).toBeEnabled();
    await nothingSerious(page, path);
  }
  await page.goto(emptyServer.url);
  await nothingSerious(page, 'empty bench');
  await page.getByRole('button', { name: 'New canvas' }).first().click();
  await page.getByRole('button', { name: 'Start the job' }).click();
  await nothingSerious(page, 'new canvas with errors');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Keys' }).click();
  await nothingSerious(page, 'keys');
});

test('axe finds nothing serious at any stage of a job', async ({ page, demoServer }) => {
  await page.goto(`${demoServer.url}/job/demo-128`);
  for (const name of STAGES) {
    await stage(page, name).click();
    await nothingSerious(page, name);
  }
  await behindTabs(page, demoServer.url);
  await page.goto(`${demoServer.url}/job/demo-131`);
  await stage(page, 'Tune').click();
  await page.getByRole('tab', { name: 'Corners' }).click();
  await page.getByLabel('Open top left to').fill('wide');
  await nothingSerious(page, 'a field with an error');
});

test('at the bench every word stands out seven to one', async ({ page, demoServer }) => {
  for (const [path, keys] of [
    ['/job/demo-128/bench?stage=fasten', ['Shift+ArrowRight']],
    ['/job/demo-130/bench?stage=square', ['7']],
    ['/job/demo-127/bench?stage=prime', ['Space', 'Space', 'Space']],
    ['/job/demo-138/bench?stage=tune', ['PageDown', 'PageDown']],
    ['/today', []],
  ] as const) {
    await page.goto(demoServer.url + path);
    for (const key of keys) await page.keyboard.press(key);
    for (const theme of ['linen', 'slate']) {
      await page.evaluate((name) => (document.documentElement.dataset.theme = name), theme);
      const found = await violations(page, ['.bench-mode'], { runOnly: ['color-contrast-enhanced'] });
      const faint = found.flatMap((one) => one.nodes.map((node) => `${path}, ${theme}: ${node.html} ${node.any[0]?.message}`));
      expect(faint).toEqual([]);
    }
  }
});
