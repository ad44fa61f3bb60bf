// The board from nothing, beside one JSON round trip of the same kit, in one run.

import { board, createBoardKeeper } from '../src/core/match/board.ts';
import { DEFAULT_POLICY } from '../src/core/match/policy.ts';
import { largeKit } from '../tests/support/largeKit.ts';
import { few } from './few.mjs';

const kit = largeKit(few(200, 10), few(200, 10));

/** Median time of a task in ms, after a warm-up. */
function median(task: () => unknown, runs = few(25, 2)): number {
  for (let run = 0; run < 5; run += 1) task();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    task();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[Math.floor(runs / 2)] ?? Number.NaN;
}

// A structure of its own each time: nothing remembered from the run before.
const text = JSON.stringify(kit);
const first = performance.now();
const cold = board(JSON.parse(text), DEFAULT_POLICY);
const coldColumns = cold.columns;
const coldMs = performance.now() - first;
const cells = coldColumns.flat();
const whole = median(() => board(JSON.parse(text), DEFAULT_POLICY).columns);
const json = median(() => JSON.parse(JSON.stringify(kit)));

const keep = createBoardKeeper();
keep(kit, DEFAULT_POLICY).columns.length;
let flip = false;
const column = median(
  () => {
    flip = !flip;
    const cards = kit.cards.map((card, at) => (at === 7 ? { ...card, usableGB: flip ? 200 : 201 } : card));
    return keep({ ...kit, cards }, DEFAULT_POLICY).columns;
  },
  few(200, 3),
);

const fixed = (value: number): string => value.toFixed(value < 10 ? 2 : 0);
const findings = cells.reduce((sum, cell) => sum + cell.findings.length, 0);
console.log(`board 200 × 200: ${cells.length} cells, ${findings} findings`);
console.log(`  from nothing, first time    ${fixed(coldMs)} ms (aim under 60)`);
console.log(`  from nothing, median        ${fixed(whole)} ms`);
console.log(`  JSON round trip of the kit  ${fixed(json)} ms → the board takes ${fixed(whole / json)} times as long`);
console.log(
  `  one card changed            ${fixed(column)} ms → ${fixed(whole / column)} times quicker than the whole`,
);
