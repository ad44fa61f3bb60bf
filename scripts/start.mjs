// Serves the built app. HOST and PORT are taken from the environment; the default stays on this machine.
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const entry = new URL('../dist/server/entry.mjs', import.meta.url);
process.env.HOST ||= '127.0.0.1';
process.env.PORT ||= '4321';
process.env.ASTRO_TELEMETRY_DISABLED = '1';

if (!existsSync(fileURLToPath(entry))) {
  console.error('Nothing is built yet. Run "npm run build" first, or "npm run demo" for everything at once.');
  process.exit(1);
}

process.on('uncaughtException', (error) => {
  if (error.code === 'EADDRINUSE') {
    console.error(`Port ${process.env.PORT} is taken. Choose another: PORT=4322 npm start`);
  } else {
    console.error(error);
  }
  process.exit(1);
});

await import(entry);
