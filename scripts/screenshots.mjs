/* Pictures of every main view from the demo workshop, for the README; or of those that are named behind the command. */
import { mkdtempSync, rmSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './bootstrap.mjs';
import { ready } from './build.mjs';
import { CHROMIUM_ARGS, chromiumPath } from './chromium.mjs';

const PORT = 3477;
const URL = `http://localhost:${PORT}`;
const OUT = join(ROOT, 'docs', 'screenshots');

await ready();
const { chromium } = await import('@playwright/test');
const folder = mkdtempSync(join(tmpdir(), 'keen-batten-shots-'));
const server = spawn(
  process.execPath,
  [join(ROOT, 'node_modules/next/dist/bin/next'), 'start', '-p', String(PORT), '-H', '127.0.0.1'],
  { stdio: 'ignore', env: { ...process.env, KEEN_BATTEN_DB: join(folder, 'demo.sqlite'), KEEN_BATTEN_DEMO: '1' } },
);
const browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS });

const wanted = process.argv.slice(2);

async function shoot(name, path, { stage, theme = 'linen', unit = 'mm', viewport = { width: 1280, height: 800 }, before } = {}) {
  if (wanted.length > 0 && !wanted.includes(name)) return;
  const context = await browser.newContext({ viewport, locale: 'en-GB' });
  // Whoever looks at the pictures has met every stage before.
  await context.addInitScript(() => {
    for (const stage of ['brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'prime', 'handover'])
      localStorage.setItem(`keen-batten.hint.${stage}`, 'seen');
  });
  await context.addCookies([
    { name: 'theme', value: theme, url: URL },
    { name: 'unit', value: unit, url: URL },
  ]);
  const page = await context.newPage();
  for (let tries = 0; tries < 60; tries += 1) {
    const answered = await page.goto(URL + path, { waitUntil: 'load' }).catch(() => null);
    if (answered) break;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  // A page of a job listens for as long as it is open: it is never idle.
  await page.locator('[data-awake=true]').waitFor({ state: 'attached' });
  await page.waitForTimeout(1200);
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
  await shoot('job-bars', '/job/demo-138', { before: (page) => page.getByRole('tab', { name: 'Bow along the bars' }).click() });
  await shoot('job-square', '/job/demo-130');
  await shoot('job-cloth', '/job/demo-129');
  await shoot('look', '/job/demo-131', { stage: 'Look' });
  await shoot('job-painting', '/job/demo-131', { before: (page) => page.getByRole('tab', { name: 'Frame' }).click() });
  await shoot('job-fasten', '/job/demo-134', {
    before: async (page) => {
      await page.getByRole('tab', { name: 'Pulls', exact: true }).click();
      await page.getByText('In short:').waitFor();
    },
  });
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
  await shoot('set', '/set/demo-set-three-moons?stage=square');
  await shoot('cost', '/job/demo-132/cost');
  await shoot('cloth-roll', '/cloth', {
    before: async (page) => {
      await page.getByLabel(/No\. 130/).check();
      await page.waitForTimeout(1200);
    },
  });
  await shoot('variants', '/job/demo-132/whatif', {
    before: (page) => page.getByTestId('unevenness').nth(2).getByText('to').waitFor(),
  });
  await shoot('life', '/job/demo-57/life');
  await shoot('week', '/week', { theme: 'slate', before: (page) => page.waitForTimeout(5000) });
  const fourteenth = async (page) => {
    await page.keyboard.press('Shift+ArrowRight');
    for (let step = 0; step < 14; step += 1) await page.keyboard.press('PageDown');
  };
  await shoot('at-bench', '/job/demo-134/bench', { before: fourteenth });
  await shoot('phone', '/job/demo-130/bench', {
    theme: 'slate',
    viewport: { width: 390, height: 844 },
    before: (page) => page.keyboard.type('1264'),
  });
  await shoot('printed', '/job/demo-127/slip', {
    viewport: { width: 1000, height: 820 },
    // As they come out of the printer.
    before: async (page) => {
      const svg = async (path) => (await page.request.get(URL + path)).text();
      const label = await svg('/job/demo-126/label?size=middle&format=svg');
      const strip = await svg('/job/demo-134/strip?format=svg');
      await page.setContent(
        `<body style="margin:24px;background:#fff;overflow:hidden">${label}<div style="margin-top:36px">${strip}</div></body>`,
      );
    },
  });
} finally {
  await browser.close();
  server.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
}
