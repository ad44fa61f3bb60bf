// A typed line of 50 and of 200 characters answered, beside one JSON round trip of what it was answered, in one run.

import { askLine } from '../src/core/match/ask/askLine.ts';
import { DEFAULT_POLICY } from '../src/core/match/policy.ts';
import { few } from './few.mjs';

const SHORT = 'is 600 Mb/s safe on 256GB V90 UHS-II for 90 minutes';
const LONG =
  'Tomorrow we film a wedding in the old harbour and my camera will record 400 Mb/s Long GOP at 50p onto two 256GB SDXC V60 UHS-II cards mirrored for one hour and 45 minutes, is that safe or do we need more?';

/** Median time of a task in ms, after a warm-up. */
function median(task: () => unknown): number {
  for (let run = 0; run < few(20, 1); run += 1) task();
  const times = Array.from({ length: few(200, 3) }, () => {
    const start = performance.now();
    task();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)] ?? Number.NaN;
}

for (const line of [SHORT, LONG]) {
  const asked = askLine(line, DEFAULT_POLICY);
  const told = asked.ok ? asked.value.kind : asked.error.code;
  const answer = median(() => askLine(line, DEFAULT_POLICY));
  const json = median(() => JSON.parse(JSON.stringify(asked)));
  console.log(
    `line of ${line.length} characters (${told}): ${answer.toFixed(2)} ms (aim under 5), ${(answer / json).toFixed(0)} times a JSON round trip of its answer`,
  );
}
