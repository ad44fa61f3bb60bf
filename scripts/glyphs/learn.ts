// Learns the signs of marks from typefaces drawn in many sizes, slants, noises and blurs, and writes what was learnt into
// src/core/photo/glyphs/learnt.ts. The typefaces come from the npm registry, into a folder of the system's own for such things, or one
// that is named. It takes some ten minutes.
//   npm run glyphs [-- folder]
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seeded } from '../../src/core/heat/writepath/random.ts';
import { ROOT } from '../lib.mjs';
import { aDrawnWord, SIGNS } from './draw.ts';
import { learntFaces } from './faces.ts';
import { trained, tried } from './train.ts';

const HIDDEN = 56;
const WORDS = Number(process.env.WORDS ?? 50_000);
const ROUNDS = Number(process.env.ROUNDS ?? 12);
/** Share of the examples that is kept to try what was learnt. */
const KEPT = 0.05;
const FILE = `${ROOT}/src/core/photo/glyphs/learnt.ts`;

const random = seeded(20_260);
const { cuts, packages } = learntFaces(process.argv[2] ?? mkdtempSync(join(tmpdir(), 'typefaces-')));
const words = Array.from({ length: WORDS }, () => aDrawnWord(random, cuts[Math.floor(random() * cuts.length)] ?? ''));
const examples = words.flatMap((word) => word ?? []);
const kept = examples.splice(0, Math.floor(examples.length * KEPT));
console.log(
  `${examples.length} signs in ${cuts.length} cuts; ${words.filter((word) => word === null).length} words ran together`,
);

const { first, second } = trained(
  examples,
  { signs: SIGNS, hidden: HIDDEN, rounds: ROUNDS, random },
  (network, round) => console.log(`round ${round}: ${tried(network, kept)}`),
);

/** A byte for each number, 128 for nought, as two hexadecimal digits. */
function bytes(values: Float32Array): string {
  const scale = Math.max(...values.map(Math.abs)) / 127;
  const text = Buffer.from(Uint8Array.from(values, (value) => Math.round(value / scale) + 128)).toString('hex');
  return `{ scale: ${scale}, text: '${text}' }`;
}

writeFileSync(
  FILE,
  `// Written by scripts/glyphs/learn.ts: do not change by hand.

/** What was learnt from ${examples.length} drawn signs in ${cuts.length} cuts of ${packages} typefaces. */
export const LEARNT = {
  signs: '${SIGNS}',
  hidden: ${HIDDEN},
  first: ${bytes(first)},
  second: ${bytes(second)},
} as const;
`,
);
execFileSync('npx', ['biome', 'check', '--write', FILE], { cwd: ROOT, stdio: 'inherit' });
