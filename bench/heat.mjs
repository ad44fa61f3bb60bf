// The worker as the page has it: risk runs asked of it in the real browser, and the heat marks of a 50 × 30 board while the
// page draws frames.

import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { openBrowser } from '../scripts/browser.mjs';
import { ROOT, startServer } from '../scripts/lib.mjs';
import { few } from './few.mjs';

const assets = join(ROOT, 'dist', 'client', '_astro');
const worker = readdirSync(assets).find((file) => /^computation\.worker.*\.js$/.test(file));
if (!worker) throw new Error('the worker is not in the build');
const outfile = join(ROOT, '.cache', 'bench', 'requests.mjs');
await build({ entryPoints: ['bench/heatRequests.ts'], bundle: true, format: 'esm', platform: 'node', outfile });
const { riskRequest, marksRequest } = await import(outfile);

/** Speaks to the worker as the page's own client does, and notes the longest wait between two frames meanwhile. */
const ASK = `
  const [path, task, request, done] = arguments;
  window.heat ??= new Worker(path, { type: 'module' });
  const { port1, port2 } = new MessageChannel();
  const raw = (value) => ({ type: 'RAW', value });
  let gap = 0;
  let last = performance.now();
  let running = true;
  const frame = (now) => { gap = Math.max(gap, now - last); last = now; if (running) requestAnimationFrame(frame); };
  requestAnimationFrame(frame);
  port1.onmessage = ({ data }) => port1.postMessage({ id: data.id, type: 'RAW', value: undefined });
  const start = performance.now();
  const heard = ({ data }) => {
    if (data.id !== 'bench') return;
    window.heat.removeEventListener('message', heard);
    running = false;
    done({ ms: performance.now() - start, gap });
  };
  window.heat.addEventListener('message', heard);
  window.heat.postMessage(
    { id: 'bench', type: 'APPLY', path: ['run'],
      argumentList: [raw(1), raw(task), raw(request), { type: 'HANDLER', name: 'proxy', value: port2 }] },
    [port2],
  );`;

const { address, stop } = await startServer({ demo: true });
const { driver, close } = await openBrowser();
try {
  await driver.manage().setTimeouts({ script: 60_000 });
  await driver.get(`${address}/heat`);
  await driver.sleep(3000);
  const ask = (task, request) => driver.executeAsyncScript(ASK, `/_astro/${worker}`, task, request);
  await ask('risk', riskRequest(200));
  for (const runs of few([1000, 10_000, 100_000], [100])) {
    const { ms, gap } = await ask('risk', riskRequest(runs));
    const aim = runs === 10_000 ? ' (aim under 1000)' : '';
    console.log(`in the worker, ${runs} risk runs: ${ms.toFixed(0)} ms${aim}; longest frame ${gap.toFixed(0)} ms`);
  }
  const { ms, gap } = await ask('marks', marksRequest());
  console.log(
    `in the worker, heat marks 50 × 30: ${ms.toFixed(0)} ms (aim under 1000); longest frame ${gap.toFixed(0)} ms`,
  );
} finally {
  await close();
  stop();
}
