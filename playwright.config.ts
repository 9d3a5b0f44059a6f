import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS, chromiumPath } from './scripts/chromium.mjs';

/** The real interface in Debian's Chromium; every worker has servers of its own (see e2e/test.ts). */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: join(import.meta.dirname, 'e2e', 'globalSetup.ts'),
  // A whole job takes half a minute here; a busy machine takes many times that, and no test waits for time.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  // A test that holds only at its second try is told as flaky at the end, and is a fault to be mended.
  retries: 1,
  // While one waits for a page, two others use both cores.
  workers: 3,
  // Every test has a workshop of its own: none waits for its neighbour in the file.
  fullyParallel: true,
  // What listens to a microphone in real time runs last, with the machine to itself.
  projects: [
    { name: 'pages', grepInvert: /@microphone/ },
    { name: 'microphone', grep: /@microphone/, dependencies: ['pages'], fullyParallel: false },
  ],
  reporter: [['list']],
  use: {
    // Nothing fades or slides while a test waits for it.
    contextOptions: { reducedMotion: 'reduce' },
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    trace: 'off',
    launchOptions: { executablePath: chromiumPath(), args: CHROMIUM_ARGS },
  },
});
