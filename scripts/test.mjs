// Everything that is checked, from a clean clone: installs what is missing, then types, lint and layers beside the build, unit
// and published checks, and the real interface. At its end: the time of each stage, the ten slowest files, what passed only at
// its second try and what failed, each with what it said first. The last line is `N passed, N failed`.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { ensureBuild, ensureDebian, ensurePackages, ROOT, runBin } from './lib.mjs';

ensurePackages();
ensureDebian({ chromium: 'chromium', chromedriver: 'chromium-driver', ffmpeg: 'ffmpeg' });

let passed = 0;
let failed = 0;
const stages = [];
const files = [];
const retried = [];
const broken = [];
const CODES = new RegExp(`${String.fromCharCode(27)}\\[[0-9;]*m`, 'g');
/** The first lines of what a test said, enough to know it again where only the end of a run is kept. */
const saidFirst = (message) => message.replaceAll(CODES, '').split('\n').slice(0, 2).join(' ').slice(0, 240);

/** One stage, with its time. */
async function stage(name, work) {
  const start = performance.now();
  await work();
  stages.push([name, (performance.now() - start) / 1000]);
}

/** Runs a program of the project to its end, beside others. */
const running = (bin, args) =>
  new Promise((resolve) => {
    const child = spawn(join(ROOT, 'node_modules', '.bin', bin), args, { cwd: ROOT });
    let output = '';
    child.stdout.on('data', (chunk) => (output += chunk));
    child.stderr.on('data', (chunk) => (output += chunk));
    child.once('error', (error) => resolve({ status: 1, output: String(error) }));
    child.once('close', (status) => resolve({ status, output }));
  });

/** One command that either holds or does not. */
async function check(name, bin, args) {
  const { status, output } = await running(bin, args);
  if (status === 0) passed += 1;
  else {
    failed += 1;
    broken.push(name);
  }
  console.log(status === 0 ? `✓ ${name}` : `✗ ${name}\n${output}`);
}

/** Checks one after another: they share a core with nothing but the build. */
async function checks() {
  await check('types of the app', 'tsc', ['-p', 'tsconfig.json']);
  await check('types of the core, without DOM or Node', 'tsc', ['-p', 'src/core/tsconfig.json']);
  await check('types of the service worker', 'tsc', ['-p', 'src/offline/tsconfig.json']);
  await check('lint and format', 'biome', ['check', '.']);
  await check('sizes from the tokens', 'stylelint', ['src/**/*.css']);
  await check('no export, file or package that nothing uses', 'knip', []);
  await check('layers', 'depcruise', ['src', '--config', '.dependency-cruiser.cjs']);
}

/** One run of the test runner; a run that ends without a report counts as one failure. */
function suite(config) {
  const folder = mkdtempSync(join(tmpdir(), 'cool-reel-test-'));
  const report = join(folder, 'report.json');
  const { status } = runBin('vitest', [
    'run',
    '--config',
    config,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ]);
  try {
    const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(
      readFileSync(report, 'utf8'),
    );
    passed += numPassedTests;
    failed += numFailedTests;
    // A file that broke before its first test has no failed test to count.
    if (status !== 0 && numFailedTests === 0) failed += Math.max(1, numFailedTestSuites);
    for (const { name, startTime, endTime, assertionResults } of testResults) {
      const path = relative(ROOT, name);
      files.push([path, (endTime - startTime) / 1000]);
      for (const { status: ended, fullName, failureMessages = [] } of assertionResults)
        if (failureMessages.length > 0)
          (ended === 'passed' ? retried : broken).push(`${path}: ${fullName}\n      ${saidFirst(failureMessages[0])}`);
    }
  } catch {
    failed += 1;
  }
  rmSync(folder, { recursive: true, force: true });
}

const began = performance.now();
runBin('astro', ['sync'], { capture: true });
await stage('types, lint and build', () => Promise.all([checks(), ensureBuild()]));
console.log('\nUnit and published checks');
await stage('units', () => suite('vitest.config.ts'));
console.log('\nEnd to end, in Chromium');
await stage('interface', () => suite('vitest.e2e.config.ts'));

const clock = (seconds) => `${Math.floor(seconds / 60)}:${String(Math.round(seconds % 60)).padStart(2, '0')}`;
console.log('\nStages');
for (const [name, seconds] of [...stages, ['all', (performance.now() - began) / 1000]])
  console.log(`  ${clock(seconds).padStart(6)}  ${name}`);
console.log('The ten slowest files');
for (const [name, seconds] of files.sort(([, a], [, b]) => b - a).slice(0, 10))
  console.log(`  ${clock(seconds).padStart(6)}  ${name}`);
if (retried.length > 0) console.log(`Passed only at the second try\n  ${retried.join('\n  ')}`);
if (broken.length > 0) console.log(`Failed\n  ${broken.join('\n  ')}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
