/* The tests that watch the stages, for the mutants: those of the stages alone, so that a mutant takes seconds. */
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    environment: 'node',
    include: ['src/core/stages/**/*.test.ts', 'src/core/case/seenFromBack.test.ts'],
    testTimeout: 20_000,
    isolate: false,
  },
});
