// Serves the built app. HOST and PORT are taken from the environment; the default stays on this machine.
//   --lan    phones and tablets in the same network can open it too (the same as HOST=0.0.0.0)
//   --https  with a certificate made on the spot, for what browsers allow over HTTPS alone
//   --quiet  no line of log for each request
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { fail, ROOT } from './lib.mjs';

const OPTIONS = { lan: { type: 'boolean' }, https: { type: 'boolean' }, quiet: { type: 'boolean' } };

function wanted() {
  try {
    return parseArgs({ options: OPTIONS }).values;
  } catch (error) {
    return fail(`${error.message.split('. ')[0]}. What there is: --lan, --https, --quiet.`);
  }
}

const { lan = false, https = false, quiet = false } = wanted();
const entry = pathToFileURL(join(process.env.COOL_REEL_DIST || join(ROOT, 'dist'), 'server', 'main.mjs'));
const port = Number(process.env.PORT || 4321);
const host = process.env.HOST || '127.0.0.1';

if (!existsSync(fileURLToPath(entry))) {
  fail('Nothing is built yet. Run "npm run build" first, or "npm run demo" for everything at once.');
}
if (!Number.isInteger(port) || port < 0 || port > 65_535) {
  fail(`PORT is ${process.env.PORT}; it must be a whole number from 0 to 65535.`);
}

const { serve } = await import(entry.href);
const serving = await serve({
  host: lan ? '0.0.0.0' : host,
  port,
  demo: process.env.COOL_REEL_DEMO === '1',
  https,
  log: !quiet,
  keep: join(ROOT, '.cache'),
}).catch((error) => {
  if (error.code === 'EADDRINUSE') fail(`Port ${port} is taken. Choose another: PORT=4322 npm start`);
  if (error.code === 'EACCES') fail(`Port ${port} is not for everybody. Choose one above 1023: PORT=4321 npm start`);
  if (error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND') fail(`This machine has no address ${host}.`);
  console.error(error);
  process.exit(1);
});

console.log(`Cool Reel is running: ${serving.addresses.join('  ')}`);
if (serving.fingerprint) {
  console.log(
    `Nobody vouches for this certificate, so the browser warns ("not private", "not secure"). Look at the certificate it
shows: where its SHA-256 fingerprint is the one below, it is this machine, and going on is safe. Where it is another, stop.
  ${serving.fingerprint}
Until the certificate is trusted on a device, its browser keeps nothing for use without a network there.`,
  );
  if (!lan && host === '127.0.0.1')
    console.log('Only this machine can open it. For phones too: npm start -- --lan --https');
} else if (lan || host !== '127.0.0.1') {
  console.log(
    'Over plain HTTP other devices work as long as this machine can be reached. For the rest: npm start -- --lan --https',
  );
}

let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    if (stopping) process.exit(1);
    stopping = true;
    serving.stop().then(() => process.exit(0));
  });
}
