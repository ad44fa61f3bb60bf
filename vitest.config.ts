import { defineConfig } from 'vitest/config';

/** Long enough for thousands of random cases on a slow machine with other work; a hang is still one. */
const testTimeout = Number(process.env.DEEP === '1' ? 900_000 : 120_000);
/** Files that replace a module, or keep something in the process, run in a process of their own. */
const ALONE = [
  'tests/structure/new*.test.ts',
  'src/{store,kit,app,workers,server,offline}/**/*.test.{ts,tsx}',
  'tests/{api,agreement}/**/*.test.{ts,tsx}',
];

export default defineConfig({
  test: {
    // Both cores: by itself the runner leaves one of two idle.
    maxWorkers: 2,
    testTimeout,
    hookTimeout: testTimeout,
    projects: [
      {
        extends: true,
        test: {
          name: 'alone',
          environment: 'node',
          include: ALONE,
        },
      },
      {
        extends: true,
        test: {
          // Parts of views, drawn without a browser.
          name: 'views',
          environment: 'happy-dom',
          include: ['tests/views/**/*.test.tsx'],
          setupFiles: ['tests/views/setup.ts'],
        },
      },
      {
        extends: true,
        test: {
          // What only computes shares a process: it need not be loaded a hundred times.
          name: 'shared',
          environment: 'node',
          isolate: false,
          include: ['src/**/*.test.ts', 'tests/{published,structure}/**/*.test.ts'],
          exclude: ALONE,
        },
      },
    ],
  },
});
