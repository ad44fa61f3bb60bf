// The board of this tree beside that of another revision, in one run: node bench/compareBoard.mjs [REVISION].
// Each is bundled from its own sources and asked the same kit in turn, so that both meet the same machine.
import { execFileSync } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';

const revision = process.argv[2] ?? 'HEAD~1';
const work = resolve('.cache/compare');
rmSync(work, { recursive: true, force: true });
mkdirSync(join(work, 'before'), { recursive: true });
execFileSync('sh', [
  '-c',
  `git archive ${JSON.stringify(revision)} src tests/support | tar -x -C ${join(work, 'before')}`,
]);

const ENTRY = `export { board } from '%/src/core/match/board.ts';
export { DEFAULT_POLICY } from '%/src/core/match/policy.ts';
`;

async function bundled(name, root) {
  const entry = join(work, `${name}.ts`);
  writeFileSync(entry, ENTRY.replaceAll('%', root));
  const outfile = join(work, `${name}.mjs`);
  await build({ entryPoints: [entry], bundle: true, format: 'esm', platform: 'node', outfile, logLevel: 'warning' });
  return import(pathToFileURL(outfile).href);
}

async function kitText() {
  const entry = join(work, 'kit.ts');
  writeFileSync(entry, `export { largeKit } from '${resolve('.')}/tests/support/largeKit.ts';\n`);
  const outfile = join(work, 'kit.mjs');
  await build({ entryPoints: [entry], bundle: true, format: 'esm', platform: 'node', outfile, logLevel: 'warning' });
  const { largeKit } = await import(pathToFileURL(outfile).href);
  return JSON.stringify(largeKit(200, 200));
}

const timed = ({ board, DEFAULT_POLICY }, text) => {
  const kit = JSON.parse(text);
  const start = performance.now();
  board(kit, DEFAULT_POLICY);
  return performance.now() - start;
};
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

const text = await kitText();
const sides = { before: await bundled('before', join(work, 'before')), now: await bundled('now', resolve('.')) };
const first = { before: timed(sides.before, text), now: timed(sides.now, text) };
const times = { before: [], now: [] };
for (let run = 0; run < 40; run += 1)
  for (const name of run % 2 === 0 ? ['before', 'now'] : ['now', 'before']) times[name].push(timed(sides[name], text));
const [before, now] = [median(times.before.slice(5)), median(times.now.slice(5))];
console.log(`board 200 × 200, this tree beside ${revision}, in turn:`);
console.log(`  first run  before ${first.before.toFixed(0)} ms, now ${first.now.toFixed(0)} ms`);
console.log(
  `  median     before ${before.toFixed(1)} ms, now ${now.toFixed(1)} ms → ${(now / before).toFixed(2)} times`,
);
