// Figures that matter, as ratios within one run. Not a test: nothing here passes or fails.
import { ensureBuild, ensureDebian, ensurePackages, run, runBin } from './lib.mjs';

ensurePackages();
ensureDebian({ chromium: 'chromium', chromedriver: 'chromium-driver', ffmpeg: 'ffmpeg' });
await ensureBuild();
runBin('tsx', ['bench/board.ts']);
runBin('tsx', ['bench/counter.ts']);
runBin('tsx', ['bench/evidence.ts']);
runBin('tsx', ['bench/day.ts']);
runBin('tsx', ['bench/shop.ts']);
runBin('tsx', ['bench/learn.ts']);
runBin('tsx', ['bench/photo.ts']);
// What is timed by the row is bundled first, as it is shipped.
for (const name of ['writepath', 'trace', 'clips']) {
  runBin('esbuild', [
    `bench/${name}.ts`,
    '--bundle',
    '--format=esm',
    '--platform=node',
    '--log-level=warning',
    `--outfile=.cache/bench/${name}.mjs`,
  ]);
  run(process.execPath, [`.cache/bench/${name}.mjs`]);
}
run(process.execPath, ['bench/heat.mjs']);
run(process.execPath, ['bench/size.mjs']);
run(process.execPath, ['bench/scroll.mjs']);
run(process.execPath, ['bench/load.mjs']);
run(process.execPath, ['bench/interface.mjs']);
run(process.execPath, ['bench/server.mjs']);
run(process.execPath, ['bench/opfs.mjs']);
