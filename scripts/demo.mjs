// One command from a clean clone to the running app with the demo kit at first visit.
import { createServer } from 'node:net';
import { ensureBuild, ensurePackages, startServer } from './lib.mjs';

ensurePackages();
await ensureBuild();

const wanted = Number(process.env.PORT || 4321);
const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

const port = (await isFree(wanted)) ? wanted : undefined;
if (!port) console.log(`Port ${wanted} is taken; choosing a free one.`);
const { address, stop } = await startServer({ demo: true, port });
console.log(`Cool Reel is running with the demo kit: ${address}`);
console.log('Stop it with Ctrl+C. A kit that is already in your browser is left as it is.');
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    stop().then(() => process.exit(0));
  });
}
