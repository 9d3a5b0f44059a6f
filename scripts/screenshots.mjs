/* Pictures of every main view from the demo workshop, for the README. */
import { mkdtempSync, rmSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, install } from './bootstrap.mjs';
import { build } from './build.mjs';
import { CHROMIUM_ARGS, chromiumPath } from './chromium.mjs';

const PORT = 3477;
const URL = `http://localhost:${PORT}`;
const OUT = join(ROOT, 'docs', 'screenshots');

install();
build();
const { chromium } = await import('@playwright/test');
const folder = mkdtempSync(join(tmpdir(), 'keen-batten-shots-'));
const servers = [
  [PORT, '1'],
  [PORT + 1, ''],
].map(([port, demo]) =>
  spawn(process.execPath, [join(ROOT, 'node_modules/next/dist/bin/next'), 'start', '-p', String(port), '-H', '127.0.0.1'], {
    stdio: 'ignore',
    env: { ...process.env, KEEN_BATTEN_DB: join(folder, `${port}.sqlite`), KEEN_BATTEN_DEMO: demo },
  }),
);
const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS });

async function shoot(
  name,
  path,
  { stage, theme = 'linen', unit = 'mm', viewport = { width: 1280, height: 800 }, origin = URL, before } = {},
) {
  const context = await browser.newContext({ viewport, locale: 'en-GB' });
  await context.addCookies([
    { name: 'theme', value: theme, url: origin },
    { name: 'unit', value: unit, url: origin },
  ]);
  const page = await context.newPage();
  for (let tries = 0; tries < 60; tries += 1) {
    const answered = await page.goto(origin + path, { waitUntil: 'networkidle' }).catch(() => null);
    if (answered) break;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  if (stage)
    await page
      .getByRole('navigation', { name: 'Stages' })
      .getByRole('button', { name: new RegExp(`^${stage}`) })
      .click();
  if (before) await before(page);
  await page.waitForTimeout(300);
  await page.screenshot({ path: join(OUT, `${name}.png`) });
  await context.close();
}

try {
  await shoot('bench', '/');
  await shoot('job-brief', '/job/demo-135');
  await shoot('job-bars', '/job/demo-138', { before: (page) => page.getByRole('tab', { name: 'Bow along the bars' }).click() });
  await shoot('job-square', '/job/demo-130');
  await shoot('job-cloth', '/job/demo-129');
  await shoot('job-painting', '/job/demo-131', { before: (page) => page.getByRole('tab', { name: 'Priorities' }).click() });
  await shoot('job-fasten', '/job/demo-134', { before: async (page) => page.getByLabel('Step along the route').fill('11') });
  await shoot('job-tune', '/job/demo-126', {
    stage: 'Tune',
    before: async (page) => {
      await page.getByLabel('Sound from').selectOption('simulated');
      for (const place of ['C', 'X', 'Y']) await page.getByRole('button', { name: `Tap ${place}`, exact: true }).click();
      await page.getByRole('button', { name: 'Keep this reading' }).click();
      await page.getByRole('button', { name: 'Kept in the log' }).waitFor();
    },
  });
  await shoot('ground', '/ground');
  await shoot('air', '/air');
  await shoot('job-prime', '/job/demo-127');
  await shoot('slip', '/job/demo-128/slip', { viewport: { width: 900, height: 1250 } });
  await shoot('bars-rack', '/bars');
  await shoot('bars-series', '/bars?view=series&job=demo-138&job=demo-139&job=demo-140');
  await shoot('cloth-roll', '/cloth', {
    before: async (page) => {
      await page.getByLabel(/No\. 130/).check();
      await page.waitForTimeout(1200);
    },
  });
  await shoot('log', '/log');
  const stretched = (page, name) => page.locator(`[aria-label="${name}"][aria-busy="false"]`).waitFor();
  await shoot('evening', '/job/demo-134', {
    theme: 'slate',
    unit: 'in',
    before: async (page) => {
      await page.getByRole('tab', { name: 'Cloth', exact: true }).click();
      await stretched(page, 'The simulated cloth');
      await page.getByLabel('Step along the route').fill('44');
    },
  });
  await shoot('phone', '/job/demo-134', {
    viewport: { width: 390, height: 844 },
    before: async (page) => {
      await page.getByRole('tab', { name: 'Rehearse' }).click();
      await stretched(page, 'The rehearsal so far');
      for (let moves = 0; moves < 24; moves += 1) await page.getByRole('button', { name: 'Do the hint' }).click();
      await stretched(page, 'The rehearsal so far');
    },
  });
  await shoot('empty', '/', { origin: `http://localhost:${PORT + 1}` });
} finally {
  await browser.close();
  servers.forEach((server) => server.kill('SIGKILL'));
  rmSync(folder, { recursive: true, force: true });
}
