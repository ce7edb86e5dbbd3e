import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['src/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts', 'scenes/**/*.test.ts', 'fuzz/**/*.test.ts'],
    environment: 'node',
    setupFiles: ['vitest.setup.ts'],
    testTimeout: 30_000,
    // Every core: one long test (the model of the book) would else hold up all the others.
    maxWorkers: '100%',
  },
});
