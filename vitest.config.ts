import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['src/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts', 'scenes/**/*.test.ts'],
    environment: 'node',
    setupFiles: ['vitest.setup.ts'],
    testTimeout: 30_000,
  },
});
