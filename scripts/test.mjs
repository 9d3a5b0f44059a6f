/*
 * Everything that must hold before a change lands: lint, format, layers, build, types, unit tests, browser tests, each with the
 * time it took.
 */
import { platform } from 'node:process';
import { spawnSync } from 'node:child_process';
import { install, run, step, tool, toolBeside } from './bootstrap.mjs';
import { CHROMIUM_PACKAGE, findChromium } from './chromium.mjs';

/** Debian's Chromium, installed when this machine lets us. */
function needChromium() {
  if (findChromium()) return;
  const root = platform === 'linux' && process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0;
  if (!root) {
    console.error(`Browser tests need Chromium: install it (apt install ${CHROMIUM_PACKAGE}), or set CHROMIUM to its path.`);
    process.exit(1);
  }
  run('apt-get', ['update', '-q']);
  run('apt-get', ['install', '-y', '-q', '--no-install-recommends', CHROMIUM_PACKAGE]);
}

let bindingThere;
await step('packages', async () => (bindingThere = await install()));
const { build } = await import('./build.mjs');
// Two lanes beside the compiler: what is built, then typed against it, and what is only read.
const lint = async () => {
  await toolBeside('lint', 'eslint/bin/eslint.js', ['--max-warnings', '0', '.']);
  await toolBeside('format', 'prettier/bin/prettier.cjs', ['--check', '--log-level', 'warn', '.']);
  await toolBeside('layers', 'dependency-cruiser/bin/dependency-cruise.mjs', ['--config', '.dependency-cruiser.mjs', 'src']);
};
const compile = async () => {
  await build();
  await toolBeside('types', 'typescript/bin/tsc', ['--noEmit', '-p', '.']);
};
console.log('\n== lint, format and layers beside build and types');
await Promise.all([lint(), compile()]);
await step('database', () => bindingThere());
await step('unit tests', () => tool('vitest/vitest.mjs', ['run']));
await step('chromium', needChromium);
await step('browser tests', () => tool('@playwright/test/cli.js', ['test']));
