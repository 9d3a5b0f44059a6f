/*
 * Mutants of the plans and verdicts of the stages: each line is broken in turn, and a test has to fail. Words are left
 * alone: another wording is no fault. `npm run mutants`; part of it: `npm run mutants -- --mutate "src/core/stages/bars/*.ts"`.
 */
const config = {
  testRunner: 'vitest',
  vitest: { configFile: 'vitest.mutants.config.mjs' },
  mutate: ['src/core/stages/*/plan*.ts', 'src/core/stages/*/*Verdicts.ts', '!src/core/stages/**/*.test.ts'],
  mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
  coverageAnalysis: 'perTest',
  concurrency: 2,
  timeoutMS: 60_000,
  reporters: ['clear-text', 'json', 'progress-append-only'],
  clearTextReporter: { allowColor: false, reportTests: false, logTests: false },
  jsonReporter: { fileName: 'test-results/mutants.json' },
  tempDirName: '.stryker-tmp',
  thresholds: { high: 90, low: 80, break: 80 },
  ignorePatterns: ['.next', 'data', 'docs', 'e2e', 'test-results'],
};

export default config;
