import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    environment: 'node',
    include: ['src/**/*.test.{ts,tsx}', 'bench/*.test.ts'],
    testTimeout: 180_000,
    maxWorkers: '100%',
    isolate: false,
  },
});
