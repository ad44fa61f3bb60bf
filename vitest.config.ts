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
    testTimeout: 20_000,
  },
});
