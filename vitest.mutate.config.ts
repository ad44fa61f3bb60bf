import { defineConfig } from 'vitest/config';

/** Tests beside the files that are mutated, and the published checks: quick enough to be run once a mutant. */
export default defineConfig({
  test: {
    include: ['src/core/{match,cards,bodies,prove}/**/*.test.ts', 'tests/published/published.test.ts'],
    environment: 'node',
    testTimeout: 20_000,
  },
});
