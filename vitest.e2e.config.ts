import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

/** The longest files by their measured time, first: begun last, one of them keeps one core waiting for minutes. */
const LONGEST = [
  'handAndEye',
  'picture',
  'heat',
  'measure',
  'prove',
  'asUsed',
  'learn',
  'day',
  'full-match',
  'kit',
  'shop',
];

class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const place = ({ moduleId }: TestSpecification): number => {
      const at = LONGEST.findIndex((name) => moduleId.endsWith(`/${name}.test.ts`));
      return at < 0 ? LONGEST.length : at;
    };
    return [...files].sort((a, b) => place(a) - place(b));
  }
}

/** The real interface, each file in a headless Chromium of its own; three at a time, since each waits a third of its time. */
export default defineConfig({
  test: {
    include: ['tests/e2e/**/*.test.ts'],
    environment: 'node',
    globalSetup: 'tests/e2e/setup.ts',
    maxWorkers: 3,
    sequence: { sequencer: LongestFirst },
    testTimeout: 150_000,
    hookTimeout: 150_000,
    // A shared machine stands still at times; one that had to be tried twice is named so in the report.
    retry: 1,
  },
});
