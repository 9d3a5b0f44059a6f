/*
 * Everything that must hold before a change lands: lint, format, layers, build, types, unit tests, browser tests, each with the
 * time it took, and the ten slowest tests.
 */
import { platform } from 'node:process';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { giveUp, install, output, printTimes, step, tool, toolBeside } from './bootstrap.mjs';
import { CHROMIUM_PACKAGE, findChromium, hasBestChromium } from './chromium.mjs';

/** Debian’s light Chromium, installed where this machine lets us; where it does not, any Chromium will do, at twice the time. */
async function needChromium() {
  if (hasBestChromium()) return;
  const root = platform === 'linux' && process.getuid?.() === 0 && spawnSync('apt-get', ['--version']).status === 0;
  const apt = (...args) => (root ? output('apt-get', ['-q', ...args]) : { code: 1, text: '' });
  let { code, text } = await apt('update');
  if (code === 0) ({ code, text } = await apt('install', '-y', '--no-install-recommends', CHROMIUM_PACKAGE));
  if (code === 0) return;
  const help = `apt install ${CHROMIUM_PACKAGE}`;
  if (!findChromium()) giveUp(`${text}Browser tests need Chromium: ${help}, or set CHROMIUM to its path.`);
  console.log(`Browser tests run in ${findChromium()}; they take half the time after ${help}.`);
}

const results = mkdtempSync(join(tmpdir(), 'keen-batten-tests-'));
process.once('exit', () => rmSync(results, { recursive: true, force: true }));
const UNIT = join(results, 'unit.json');
const BROWSER = join(results, 'browser.json');

/** Tests of both kinds, as [ms, name]. */
function everyTest() {
  const unit = JSON.parse(readFileSync(UNIT, 'utf8')).testResults.flatMap(({ name, assertionResults }) =>
    assertionResults.map(({ duration, fullName }) => [duration ?? 0, `${name.replace(process.cwd(), '.')} › ${fullName}`]),
  );
  const inSuite = ({ suites = [], specs = [] }) => [
    ...specs.flatMap(({ file, title, tests }) =>
      tests.map(({ results: tries }) => [Math.max(...tries.map(({ duration }) => duration)), `./e2e/${file} › ${title}`]),
    ),
    ...suites.flatMap(inSuite),
  ];
  return [...unit, ...inSuite(JSON.parse(readFileSync(BROWSER, 'utf8')))];
}

let bindingThere;
const chromium = needChromium();
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
await step('unit tests', () =>
  tool('vitest/vitest.mjs', ['run', '--reporter=default', '--reporter=json', `--outputFile=${UNIT}`]),
);
await chromium;
await step('browser tests', () =>
  tool('@playwright/test/cli.js', ['test', '--reporter=list,json'], { PLAYWRIGHT_JSON_OUTPUT_NAME: BROWSER }),
);
console.log('\n== the ten slowest tests');
for (const [ms, name] of everyTest()
  .sort(([one], [other]) => other - one)
  .slice(0, 10))
  console.log(`${(ms / 1000).toFixed(1).padStart(7)} s  ${name}`);
printTimes();
