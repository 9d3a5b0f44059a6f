import { defineConfig } from '@playwright/test';
import browserTests from '../playwright.config';

/** The benchmark runs alone, one page at a time. */
export default defineConfig({
  ...browserTests,
  testDir: '.',
  projects: [{ name: 'bench', testMatch: '*.bench.ts' }],
  workers: 1,
  timeout: 180_000,
  reporter: [['line']],
});
