import { defineConfig } from 'vitest/config';

/** The core's own tests and the published checks: quick enough to be run once a mutant. */
export default defineConfig({
  test: {
    include: ['src/core/**/*.test.ts', 'tests/published/published.test.ts'],
    environment: 'node',
    testTimeout: 20_000,
  },
});
