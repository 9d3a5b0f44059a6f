/* Figures of speed and size, printed for the reader; nothing fails by them. Needs Chromium, builds first. */
import { tool } from './bootstrap.mjs';
import { ready } from './build.mjs';

await ready();
tool('@playwright/test/cli.js', ['test', '-c', 'bench/playwright.config.ts']);
