// Figures that matter, as ratios within one run. Not a test: nothing here passes or fails, and a part that breaks is told while
// the others go on. `npm run bench -- load heat` runs those parts alone; BENCH_SMALL=1 runs each on a small case.
import { ensureBuild, ensureDebian, ensurePackages, fail, run, runBin } from './lib.mjs';

/** What is timed by the row is bundled first, as it is shipped. */
function bundled(name) {
  const outfile = `.cache/bench/${name}.mjs`;
  const made = runBin('esbuild', [
    `bench/${name}.ts`,
    '--bundle',
    '--format=esm',
    '--platform=node',
    '--log-level=warning',
    `--outfile=${outfile}`,
  ]);
  return made.status === 0 ? run(process.execPath, [outfile]) : made;
}
const core = (name) => runBin('tsx', [`bench/${name}.ts`]);
const browser = (name) => run(process.execPath, [`bench/${name}.mjs`]);

/** Every part by its name, in the order of a whole run: those of the core first, then those of the built app. */
const PARTS = {
  board: core,
  line: core,
  counter: core,
  evidence: core,
  day: core,
  shop: core,
  best: core,
  learn: core,
  photo: core,
  writepath: bundled,
  trace: bundled,
  clips: bundled,
  heat: browser,
  size: browser,
  scroll: browser,
  load: browser,
  interface: browser,
  tasks: browser,
  server: browser,
  opfs: browser,
};

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !Object.hasOwn(PARTS, name));
if (unknown.length > 0) fail(`There is no bench ${unknown.join(', ')}. There are: ${Object.keys(PARTS).join(', ')}.`);
ensurePackages();
ensureDebian({ chromium: 'chromium', chromedriver: 'chromium-driver', ffmpeg: 'ffmpeg' });
await ensureBuild();
const broken = Object.entries(PARTS)
  .filter(([name]) => wanted.length === 0 || wanted.includes(name))
  .flatMap(([name, start]) => {
    console.log(`\n— ${name}`);
    return start(name).status === 0 ? [] : [name];
  });
if (broken.length > 0) fail(`\nDid not run to its end: ${broken.join(', ')}.`);
