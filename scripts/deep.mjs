// The random cases in their large numbers: for the end of a piece of work. `npm run deep -- rotation` runs what a name fits.

import { join } from 'node:path';
import { ensureBuild, ensureDebian, ensurePackages, ROOT, run } from './lib.mjs';

ensurePackages();
ensureDebian({ ffmpeg: 'ffmpeg' });
await ensureBuild();
const { status } = run(join(ROOT, 'node_modules', '.bin', 'vitest'), ['run', ...process.argv.slice(2)], {
  env: { DEEP: '1' },
});
process.exitCode = status ?? 1;
