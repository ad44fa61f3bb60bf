// A write trace of a million rows read and taken apart, beside papaparse cutting the same text and nothing more, in one run.

import Papa from 'papaparse';
import { factor, seeded } from '../src/core/heat/writepath/random.ts';
import { analyseTrace } from '../src/core/prove/trace/analyse.ts';
import { readWriteTrace } from '../src/reading/prove/writeTrace.ts';
import { few } from './few.mjs';

const ROWS = few(1_000_000, 20_000);
const random = seeded(3);
const level = (row: number): number => (row < 300_000 ? 900 : row % 200_000 < 60_000 ? 210 : 400);
const text = `time (s),MB/s\n${Array.from(
  { length: ROWS },
  (_, row) => `${(row / 1000).toFixed(3)},${(level(row) * factor(random, 0.03)).toFixed(1)}`,
).join('\n')}`;

const median = (times: number[]): number => times.sort((a, b) => a - b)[times.length >> 1] as number;
const timed = (task: () => unknown): number => {
  const start = performance.now();
  task();
  return performance.now() - start;
};
const [alone, read, analysed]: [number[], number[], number[]] = [[], [], []];
for (let run = 0; run < few(5, 1); run += 1) {
  alone.push(timed(() => Papa.parse(text, { delimiter: ',' })));
  let trace: ReturnType<typeof readWriteTrace> | null = null;
  read.push(
    timed(() => {
      trace = readWriteTrace(text);
    }),
  );
  const found = trace as ReturnType<typeof readWriteTrace> | null;
  if (!found?.ok) throw new Error('not read');
  analysed.push(timed(() => analyseTrace(found.value.trace)));
}
const [peer, own, apart] = [median(alone), median(read), median(analysed)];
console.log(`write trace of ${ROWS.toLocaleString('en')} rows, ${(text.length / 1e6).toFixed(0)} MB`);
console.log(`  papaparse alone  ${peer.toFixed(0)} ms`);
console.log(`  read             ${own.toFixed(0)} ms`);
console.log(
  `  taken apart      ${apart.toFixed(0)} ms → ${((own + apart) / peer).toFixed(2)} times papaparse (aim at most 1.8)`,
);
