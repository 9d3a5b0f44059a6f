/* Everything that must hold before a change lands: lint, format, types, layers, unit tests, build, browser tests. */
import { platform } from 'node:process';
import { spawnSync } from 'node:child_process';
import { install, run, tool } from './bootstrap.mjs';
import { findChromium } from './chromium.mjs';

/** Debian's Chromium, installed when this machine lets us. */
function needChromium() {
  if (findChromium()) return;
  const root = platform === 'linux' && process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0;
  if (!root) {
    console.error(
      'Browser tests need Chromium: install the package chromium (apt install chromium), or set CHROMIUM to its path.',
    );
    process.exit(1);
  }
  run('apt-get', ['update', '-q']);
  run('apt-get', ['install', '-y', '-q', '--no-install-recommends', 'chromium']);
}

const step = (name, act) => {
  console.log(`\n== ${name}`);
  act();
};

step('packages', install);
step('lint', () => tool('eslint/bin/eslint.js', ['--max-warnings', '0', '.']));
step('format', () => tool('prettier/bin/prettier.cjs', ['--check', '--log-level', 'warn', '.']));
step('layers', () => tool('dependency-cruiser/bin/dependency-cruise.mjs', ['--config', '.dependency-cruiser.mjs', 'src']));
step('unit tests', () => tool('vitest/vitest.mjs', ['run']));
const { build } = await import('./build.mjs');
step('build', build);
step('types', () => tool('typescript/bin/tsc', ['--noEmit', '-p', '.']));
step('chromium', needChromium);
step('browser tests', () => tool('@playwright/test/cli.js', ['test']));
