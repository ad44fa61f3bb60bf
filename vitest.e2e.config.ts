import { defineConfig } from 'vitest/config';

/** The real interface in one headless Chromium at a time: two would share two cores and time each other out. */
export default defineConfig({
  test: {
    include: ['tests/e2e/**/*.test.ts'],
    environment: 'node',
    fileParallelism: false,
    testTimeout: 150_000,
    hookTimeout: 150_000,
    // A shared machine stands still at times; one that had to be tried twice is named so in the report.
    retry: 1,
  },
});
