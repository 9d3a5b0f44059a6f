import { spawnSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { expect, it } from 'vitest';

it('the benchmark can be loaded, and every file of it is found', () => {
  const { stdout, stderr, status } = spawnSync(
    process.execPath,
    ['node_modules/@playwright/test/cli.js', 'test', '-c', 'bench/playwright.config.ts', '--list', '--reporter=list'],
    { encoding: 'utf8' },
  );
  expect(stderr + stdout, stderr).toContain('Listing tests');
  expect(status).toBe(0);
  const files = readdirSync('bench').filter((name) => name.endsWith('.bench.ts'));
  expect(files.length).toBeGreaterThan(5);
  for (const file of files) expect(stdout).toContain(file);
});
