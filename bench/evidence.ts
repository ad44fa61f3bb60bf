// The board with ten thousand tests beside the same board without any, and the log and map of as many, in one run.

import type { Test, TestEnd } from '../src/core/kit/model.ts';
import { board } from '../src/core/match/board.ts';
import { DEFAULT_POLICY } from '../src/core/match/policy.ts';
import { RETEST } from '../src/core/prove/age.ts';
import { logEntries, shownEntries, WHOLE_LOG } from '../src/core/prove/entries.ts';
import { nextTestSteps } from '../src/core/prove/nextTests.ts';
import { cardBrackets, placed, puzzles } from '../src/core/prove/puzzles.ts';
import { mapBars } from '../src/core/prove/survival.ts';
import { finish } from '../src/core/steps.ts';
import { largeKit, testsFor } from '../tests/support/largeKit.ts';
import { few } from './few.mjs';

const bare = largeKit(few(200, 10), few(200, 10));
const tests: readonly Test[] = testsFor(bare, few(10_000, 100));
const kit = { ...bare, tests };
const ENDS: ReadonlySet<TestEnd> = new Set(tests.map(({ end }) => end));

function median(task: () => unknown, runs = few(11, 2)): number {
  for (let run = 0; run < 2; run += 1) task();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    task();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[Math.floor(runs / 2)] ?? Number.NaN;
}

const fixed = (value: number): string => value.toFixed(value < 10 ? 2 : 0);
const texts = [JSON.stringify(bare), JSON.stringify(kit)] as const;
// Parsed anew each time, so that nothing is remembered; the parsing is taken off.
const parse = texts.map((text) => median(() => JSON.parse(text)));
const [without = 0, with10k = 0] = texts.map(
  (text, at) => median(() => board(JSON.parse(text), DEFAULT_POLICY).columns) - (parse[at] ?? 0),
);
console.log(`board 200 × 200 with ${tests.length} tests (${[...ENDS].join(', ')})`);
console.log(`  without tests  ${fixed(without)} ms`);
console.log(`  with them      ${fixed(with10k)} ms → ${fixed(with10k / without)} times (aim under 1.5)`);
const log = { ...kit, clearings: [], benches: [], reports: [] };
const entries = logEntries(log);
console.log(`log of ${entries.length} entries`);
console.log(`  made           ${fixed(median(() => logEntries(log)))} ms`);
console.log(
  `  searched       ${fixed(median(() => shownEntries(entries, { ...WHOLE_LOG, text: 'x' }, ({ key }) => key)))} ms`,
);
console.log(`  puzzles        ${fixed(median(() => puzzles(kit)))} ms`);
console.log(`  brackets       ${fixed(median(() => cardBrackets(kit)))} ms`);
console.log(`  map bars       ${fixed(median(() => mapBars(placed(kit))))} ms`);
const asked = { ...kit, clearings: [], policy: DEFAULT_POLICY, retest: RETEST, today: '2026-06-01' };
console.log(`  what is next   ${fixed(median(() => finish(nextTestSteps(asked)), 5))} ms, in the worker`);
