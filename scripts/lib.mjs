// What the set-up scripts share. Plain Node: it runs before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

const quietEnv = { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', npm_config_loglevel: 'error' };

/** Runs a command to its end; output is shown unless `capture`. */
export function run(command, args, { capture = false, env = {} } = {}) {
  return spawnSync(command, args, {
    cwd: ROOT,
    env: { ...quietEnv, ...env },
    stdio: capture ? 'pipe' : 'inherit',
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
}

/** Runs a program from node_modules/.bin. */
export const runBin = (name, args, options) => run(join(ROOT, 'node_modules', '.bin', name), args, options);

/** Installs the npm packages of the lock file where they are missing or older than it. */
export function ensurePackages() {
  const stamp = join(ROOT, 'node_modules', '.package-lock.json');
  const lock = join(ROOT, 'package-lock.json');
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync(lock).mtimeMs) return;
  console.log('Installing npm packages…');
  if (run('npm', ['ci', '--no-audit', '--no-fund']).status !== 0) fail('npm ci failed; see above.');
}

const has = (program) => spawnSync('which', [program]).status === 0;

/** Installs Debian packages whose program is missing. Needs root, or sudo without a password. */
export function ensureDebian(packages) {
  const missing = Object.entries(packages).filter(([program]) => !has(program));
  if (missing.length === 0) return;
  const names = missing.map(([, name]) => name);
  console.log(`Installing from Debian: ${names.join(', ')}…`);
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    return run(command, rest, { env: { DEBIAN_FRONTEND: 'noninteractive' } }).status === 0;
  };
  apt('update', '-qq');
  if (!apt('install', '-y', '-qq', '--no-install-recommends', ...names)) {
    fail(`Could not install ${names.join(', ')}. Install them by hand: apt-get install ${names.join(' ')}`);
  }
}

/** Newest change below the given paths, ms. */
function newest(paths) {
  const files = run('find', [...paths, '-type', 'f', '-printf', '%T@\\n'], { capture: true }).stdout;
  return Math.max(0, ...files.split('\n').filter(Boolean).map(Number)) * 1000;
}

/** Builds the app where the build is missing or older than what it is made from; other work goes on beside it. */
export async function ensureBuild() {
  const entry = join(ROOT, 'dist', 'server', 'main.mjs');
  const sources = ['src', 'public', 'build', 'package-lock.json', 'astro.config.ts'];
  if (existsSync(entry) && statSync(entry).mtimeMs > newest(sources)) return;
  console.log('Building…');
  // Begun from under a test runner, whose mode it would take over, it would bundle React for developers: half again as slow.
  const env = { ...quietEnv, NODE_ENV: 'production' };
  const build = spawn(join(ROOT, 'node_modules', '.bin', 'astro'), ['build'], { cwd: ROOT, env });
  let output = '';
  for (const stream of [build.stdout, build.stderr])
    stream.on('data', (chunk) => {
      output += chunk;
    });
  const status = await new Promise((resolve) => build.once('close', resolve));
  if (status !== 0) {
    console.error(output);
    fail('The build failed; see above.');
  }
}

/** A port nothing listens on. */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

/** Most of the server's log that is kept for whoever started it, characters. */
const KEPT_LOG = 200_000;

/**
 * Starts the built app and waits until it says where it can be reached.
 *
 * @param args - as after `npm start --`
 * @param dist - another build than the one in its usual place
 */
export async function startServer({ demo = true, port, args = [], dist = join(ROOT, 'dist') } = {}) {
  const chosen = port ?? (await freePort());
  const child = spawn(process.execPath, [join(ROOT, 'scripts', 'start.mjs'), ...args], {
    cwd: ROOT,
    env: {
      ...quietEnv,
      HOST: '127.0.0.1',
      PORT: String(chosen),
      COOL_REEL_DEMO: demo ? '1' : '',
      COOL_REEL_DIST: dist,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let log = '';
  const keep = (chunk) => {
    log = (log + chunk).slice(-KEPT_LOG);
  };
  child.stdout.on('data', keep);
  child.stderr.on('data', keep);
  const stopped = new Promise((resolve) => child.once('exit', resolve));
  const stop = () => {
    child.kill('SIGTERM');
    return stopped;
  };
  for (let tries = 0; tries < 1200; tries += 1) {
    if (child.exitCode !== null) throw new Error(`The server stopped:\n${log}`);
    const [, address] = /is running: (\S+)/.exec(log) ?? [];
    if (address) return { address, stop, log: () => log, pid: child.pid };
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  child.kill('SIGTERM');
  throw new Error(`The server did not start within a minute:\n${log}`);
}

export const packageVersion = () => JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')).version;

export function fail(message) {
  console.error(message);
  process.exit(1);
}
