// Everything that is checked, from a clean clone: installs what is missing, then types, lint, layers, unit, published
// and end-to-end tests. The last line is `N passed, N failed`.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensureDebian, ensurePackages, runBin } from './lib.mjs';

ensurePackages();
ensureDebian({ chromium: 'chromium', chromedriver: 'chromium-driver', ffmpeg: 'ffmpeg' });

let passed = 0;
let failed = 0;

/** One command that either holds or does not. */
function check(name, bin, args) {
  const { status, stdout, stderr } = runBin(bin, args, { capture: true });
  if (status === 0) {
    passed += 1;
    console.log(`✓ ${name}`);
  } else {
    failed += 1;
    console.log(`✗ ${name}\n${stdout}${stderr}`);
  }
}

/** One run of the test runner; a run that ends without a report counts as one failure. */
function suite(name, config) {
  const folder = mkdtempSync(join(tmpdir(), 'cool-reel-test-'));
  const report = join(folder, 'report.json');
  console.log(`\n${name}`);
  const { status } = runBin('vitest', [
    'run',
    '--config',
    config,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ]);
  try {
    const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(report, 'utf8'));
    passed += numPassedTests;
    failed += numFailedTests;
    // A file that broke before its first test has no failed test to count.
    if (status !== 0 && numFailedTests === 0) failed += Math.max(1, numFailedTestSuites);
  } catch {
    failed += 1;
  }
  rmSync(folder, { recursive: true, force: true });
}

runBin('astro', ['sync'], { capture: true });
check('types of the app', 'tsc', ['-p', 'tsconfig.json']);
check('types of the core, without DOM or Node', 'tsc', ['-p', 'src/core/tsconfig.json']);
check('types of the service worker', 'tsc', ['-p', 'src/offline/tsconfig.json']);
check('lint and format', 'biome', ['check', '.']);
check('sizes from the tokens', 'stylelint', ['src/**/*.css']);
check('no export, file or package that nothing uses', 'knip', []);
check('layers', 'depcruise', ['src', '--config', '.dependency-cruiser.cjs']);
ensureBuild();
suite('Unit and published checks', 'vitest.config.ts');
suite('End to end, in Chromium', 'vitest.e2e.config.ts');

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
