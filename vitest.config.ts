import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: [
      'src/**/*.test.ts',
      'tests/published/**/*.test.ts',
      'tests/agreement/**/*.test.{ts,tsx}',
      'tests/api/**/*.test.ts',
      'tests/structure/**/*.test.ts',
    ],
    environment: 'node',
    // Both cores: by itself the runner leaves one of two idle.
    maxWorkers: 2,
    // Long enough for thousands of random cases on a slow machine with other work; a hang is still one.
    testTimeout: 90_000,
  },
});
