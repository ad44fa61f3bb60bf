// Guide and drill: how soon a search answers beside going through every passage, how soon the index opens, and what a
// question of each kind costs beside the cheapest kind, in one run.

import { indexText, openIndex } from '../src/app/guide/search.ts';
import { difficultyOf } from '../src/core/drill/difficulty.ts';
import { generate } from '../src/core/drill/generate.ts';
import { roundOf } from '../src/core/drill/round.ts';
import { DRILL_KINDS, TOPICS } from '../src/core/drill/topics.ts';
import { passages } from '../src/text/guide/passages.ts';
import { few } from './few.mjs';

const median = (times: number[]): number => times.sort((a, b) => a - b)[times.length >> 1] as number;
const timed = (task: () => unknown): number => {
  const start = performance.now();
  task();
  return performance.now() - start;
};

const all = passages();
const text = indexText(all);
const opening = median(Array.from({ length: 9 }, () => timed(() => openIndex(text))));
const search = openIndex(text);
const QUERIES = [
  'v90',
  'headroom',
  'bits bytes',
  'headrom',
  'what is a floor',
  'write amplification',
  'verified copies',
  'x',
];
const scan = (query: string): readonly unknown[] => {
  const words = query.toLowerCase().split(/\s+/);
  return all.filter(({ title, text: body }) => words.every((word) => `${title} ${body}`.toLowerCase().includes(word)));
};
for (const query of QUERIES) search(query);
const each = QUERIES.map((query) => median(Array.from({ length: 25 }, () => timed(() => search(query)))));
const scanned = QUERIES.map((query) => median(Array.from({ length: 25 }, () => timed(() => scan(query)))));
const slowest = Math.max(...each);
console.log(
  `Guide: ${all.length} passages, index ${(text.length / 1000).toFixed(0)} kB, opened in ${opening.toFixed(1)} ms`,
);
console.log(
  `  a search: ${median([...each]).toFixed(2)} ms, the slowest ${slowest.toFixed(2)} ms (aim under 50), ${(median([...each]) / median([...scanned])).toFixed(1)} times a plain scan, which finds no slip of the finger`,
);

const costs = DRILL_KINDS.filter((kind) => kind !== 'own').map((kind) => {
  const topics = TOPICS.filter((topic) => topic.kind === kind);
  const COUNT = few(600, 5);
  let hard = 0;
  const cost = timed(() => {
    for (let at = 0; at < COUNT; at += 1) {
      const topic = topics[at % topics.length];
      const question = topic && generate({ topic, level: 2, seed: at * 7919, kit: null });
      if (question) hard += difficultyOf(question);
    }
  });
  return { kind, ms: cost / COUNT, hard: hard / COUNT };
});
const least = Math.min(...costs.map(({ ms }) => ms));
console.log('Drill: a question of each kind, times the cheapest, and its difficulty');
for (const { kind, ms, hard } of costs)
  console.log(
    `  ${kind.padEnd(12)} ${(ms / least).toFixed(0).padStart(5)} ×  ${ms.toFixed(2)} ms   ${hard.toFixed(2)}`,
  );
const asked = TOPICS.filter(({ kind }) => kind !== 'own')
  .slice(0, 8)
  .map((topic) => ({ topic, level: 2 as const }));
const rounds = median(
  Array.from({ length: few(15, 2) }, (_, seed) => timed(() => roundOf({ asked, seed, kit: null, wanted: 0.6 }))),
);
console.log(`  a round of eight, each the nearest of three draws: ${rounds.toFixed(1)} ms`);
