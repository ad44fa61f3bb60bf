// Figures that matter, as ratios within one run. Not a test: nothing here passes or fails.
import { ensureBuild, ensureDebian, ensurePackages, run, runBin } from './lib.mjs';

ensurePackages();
ensureDebian({ chromium: 'chromium', chromedriver: 'chromium-driver' });
ensureBuild();
runBin('tsx', ['bench/board.ts']);
runBin('tsx', ['bench/counter.ts']);
runBin('tsx', ['bench/evidence.ts']);
runBin('esbuild', [
  'bench/writepath.ts',
  '--bundle',
  '--format=esm',
  '--platform=node',
  '--log-level=warning',
  '--outfile=.cache/bench/writepath.mjs',
]);
run(process.execPath, ['.cache/bench/writepath.mjs']);
run(process.execPath, ['bench/heat.mjs']);
run(process.execPath, ['bench/size.mjs']);
run(process.execPath, ['bench/scroll.mjs']);
run(process.execPath, ['bench/load.mjs']);
run(process.execPath, ['bench/interface.mjs']);
run(process.execPath, ['bench/server.mjs']);
