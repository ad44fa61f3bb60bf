// The random cases in their large numbers: for the end of a piece of work. `npm run deep -- rotation` runs what a name fits.

import { join } from 'node:path';
import { ensureBuild, ensureDebian, ensurePackages, ROOT, run } from './lib.mjs';

ensurePackages();
ensureDebian({ chromium: 'chromium', chromedriver: 'chromium-driver', ffmpeg: 'ffmpeg' });
await ensureBuild();
const names = process.argv.slice(2);
const vitest = (...args) =>
  run(join(ROOT, 'node_modules', '.bin', 'vitest'), ['run', ...args], { env: { DEEP: '1' } }).status ?? 1;
const KILLS = 'tests/e2e/kills.test.ts';
// A name that fits nothing but the kills is no failure of the rest.
const status = vitest('--passWithNoTests', ...names);
// Of the real interface only what has a large number: browsers that are killed while they save.
const killed =
  names.length === 0 || names.some((name) => KILLS.includes(name))
    ? vitest('--config', 'vitest.e2e.config.ts', KILLS)
    : 0;
// The longest task of each view with the largest kit, as the bench prints it.
const large = names.length === 0 || names.includes('tasks');
const bench = large ? (run(process.execPath, [join(ROOT, 'bench', 'tasks.mjs')]).status ?? 1) : 0;
process.exitCode = status || killed || bench;
