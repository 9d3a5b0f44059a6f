/* The tests that watch the stages, for the mutants: those of the core, without the long ones of the solvers. */
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    environment: 'node',
    include: ['src/core/{stages,diagnosis}/**/*.test.ts', 'src/core/case/{plan,progress,seenFromBack}.test.ts'],
    testTimeout: 20_000,
  },
});
