/* The tests that watch the stages, for the mutants: those of the stages and of whole plans, so that a mutant takes seconds. */
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    environment: 'node',
    include: [
      'src/core/stages/**/*.test.ts',
      'src/core/painting/*.test.ts',
      'src/core/case/{beyondBelief,paintedRun,plan,seenFromBack}.test.ts',
    ],
    testTimeout: 20_000,
    isolate: false,
  },
});
