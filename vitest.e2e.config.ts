import { defineConfig } from 'vitest/config';

/** The real interface, each file in a headless Chromium of its own; two at a time, since one alone mostly waits. */
export default defineConfig({
  test: {
    include: ['tests/e2e/**/*.test.ts'],
    environment: 'node',
    maxWorkers: 2,
    testTimeout: 150_000,
    hookTimeout: 150_000,
    // A shared machine stands still at times; one that had to be tried twice is named so in the report.
    retry: 1,
  },
});
