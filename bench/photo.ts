// Pictures of cards: all labels held apart, beside the recogniser alone on the same pictures, in one run on one core. Counts
// are the measure; times are told with it, and what a device four times slower would take.

import { readLabel } from '../src/core/cards/readLabel.ts';
import { grayOf } from '../src/core/photo/gray.ts';
import { readCard } from '../src/core/photo/readCard.ts';
import { toGigabytes } from '../src/core/units/convert.ts';
import { drawnLabel, HELD, type LabelSet } from '../tests/support/labels/drawn.ts';
import { startedRecogniser } from '../tests/support/labels/recogniser.ts';
import { capacityWord, truthOf } from '../tests/support/labels/truth.ts';
import { few } from './few.mjs';

const COUNT = Number(process.env.LABELS ?? few(HELD, 2));
const SET = (process.env.LABEL_SET ?? 'held') as LabelSet;
const ALONE_EVERY = 6;
const SLOWER = 4;
const KINDS = ['capacity', 'family', 'bus', 'video', 'grade', 'class', 'vpg', 'app', 'version'] as const;

const { recognise, alone, end } = await startedRecogniser();
const times: number[] = [];
const aloneTimes: number[] = [];
const tally: Record<string, Record<string, number>> = {};
const confused: Record<string, number> = {};
let [aloneRight, aloneOf] = [0, 0];

for (let at = 0; at < COUNT; at += 1) {
  const { pixels, truth } = drawnLabel(SET, at);
  const gray = grayOf(pixels);
  const start = performance.now();
  const { findings } = await readCard(gray, recognise);
  times.push(performance.now() - start);
  for (const kind of KINDS) {
    const want = truthOf(truth)[kind] ?? null;
    const found = findings.find(({ told }) => told === kind);
    const what = !found
      ? want === null
        ? 'rightly absent'
        : 'not found'
      : found.doubt === null
        ? found.word === want
          ? 'sure, right'
          : 'SURE, WRONG'
        : found.word === want
          ? 'asked, right first'
          : 'asked, other first';
    tally[kind] ??= {};
    const own = tally[kind];
    own[what] = (own[what] ?? 0) + 1;
    if (found && found.word !== want) {
      const key = `${want ?? 'nothing'} → ${found.word}`;
      confused[key] = (confused[key] ?? 0) + 1;
    }
  }
  if (at % ALONE_EVERY !== 0) continue;
  const begin = performance.now();
  const { capacity } = readLabel((await alone(gray)).replace(/\s+/g, ' ').slice(0, 500));
  aloneTimes.push(performance.now() - begin);
  aloneOf += 1;
  if (capacity !== null && toGigabytes(capacity) === truth.capacityGB && capacityWord(truth.capacityGB))
    aloneRight += 1;
}
await end();

const sorted = (all: number[]): number[] => [...all].sort((a, b) => a - b);
const part = (all: number[], share: number): number => sorted(all)[Math.floor((all.length - 1) * share)] ?? 0;
console.log(`Pictures of cards: ${COUNT} labels of the set "${SET}"`);
console.table(tally);
console.log('  what was taken for what:', confused);
console.log(
  `  a reading: ${part(times, 0.5).toFixed(0)} ms at the middle, ${part(times, 0.95).toFixed(0)} ms at 95 %; four times slower ${((part(times, 0.5) * SLOWER) / 1000).toFixed(1)} s and ${((part(times, 0.95) * SLOWER) / 1000).toFixed(1)} s (aim under 2 s)`,
);
console.log(
  `  the recogniser alone: capacity right in ${aloneRight} of ${aloneOf}, ${(part(aloneTimes, 0.5) / part(times, 0.5)).toFixed(1)} times as long`,
);
