/* Figures of speed and size, printed for the reader; nothing fails by them. Needs Chromium, builds first. */
import { install, tool } from './bootstrap.mjs';
import { build } from './build.mjs';

install();
build();
tool('@playwright/test/cli.js', ['test', '-c', 'bench/playwright.config.ts']);
