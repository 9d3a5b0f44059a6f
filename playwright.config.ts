import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS, chromiumPath } from './scripts/chromium.mjs';

/** The real interface in Debian's Chromium; every worker starts servers of its own (see e2e/test.ts). */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/globalSetup.ts',
  // A whole job takes half a minute here; a busy machine takes three times that.
  timeout: 120_000,
  expect: { timeout: 15_000 },
  workers: 2,
  // What listens to a microphone in real time runs last, with the machine to itself.
  projects: [
    { name: 'pages', testIgnore: 'tune.spec.ts' },
    { name: 'taps', testMatch: 'tune.spec.ts', dependencies: ['pages'] },
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
