import { copyFile, mkdir, readdir, readFile, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, extname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import type { AstroIntegration } from 'astro';
import { build } from 'esbuild';
import { RECOGNISER_FILES, RECOGNISER_FOLDER } from '../src/reading/photo/recogniserFiles.ts';
import { withPolicy } from './policy.ts';

const asBrotli = promisify(brotliCompress);
const asGzip = promisify(gzip);

const COMPRESSED = new Set(['.html', '.js', '.css', '.json', '.svg', '.wasm', '.webmanifest']);
/** Below this a file is sent as it is, bytes. */
const WORTH_IT = 1000;
/** Above this the last per cent is not worth the seconds it takes, bytes. */
const LARGE = 1_000_000;

async function filesBelow(folder: URL): Promise<readonly string[]> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true });
  return entries.filter((entry) => entry.isFile()).map((entry) => join(entry.parentPath, entry.name));
}

const STATIC_IMPORT = /(?:\bfrom|\bimport)\s*"\.\/([^"]+\.js)"/g;
const ISLAND_SCRIPT = /(?:component|renderer)-url="\/_astro\/([^"]+\.js)"/g;

/** A script and all that it imports before it can run. */
async function withImports(names: readonly string[], folder: string): Promise<ReadonlySet<string>> {
  const found = new Set<string>();
  const add = async (name: string): Promise<void> => {
    if (found.has(name)) return;
    found.add(name);
    const text = await readFile(join(folder, name), 'utf8');
    for (const [, next = ''] of text.matchAll(STATIC_IMPORT)) await add(next);
  };
  for (const name of names) await add(name);
  return found;
}

/** Names a page's scripts in its head: the browser fetches them at once, not one after another as each is read. */
async function withPreloads(html: string, folder: string): Promise<string> {
  const roots = [...html.matchAll(ISLAND_SCRIPT)].map(([, name = '']) => name);
  const links = [...(await withImports(roots, folder))].map(
    (name) => `<link rel="modulepreload" href="/_astro/${name}">`,
  );
  return html.replace('</head>', `${links.join('')}</head>`);
}

/** Puts its policy and what it needs first into every page. Before the service worker is made: that names the pages by what is in them. */
export const finishedPages = (): AstroIntegration => ({
  name: 'finished-pages',
  hooks: {
    'astro:build:done': async ({ dir }) => {
      const scripts = join(fileURLToPath(dir), '_astro');
      for (const file of await filesBelow(dir)) {
        if (extname(file) !== '.html') continue;
        await writeFile(file, withPolicy(await withPreloads(await readFile(file, 'utf8'), scripts)));
      }
    },
  },
});

async function compress(file: string): Promise<void> {
  const content = await readFile(file);
  const { byteLength } = content;
  if (byteLength < WORTH_IT) return;
  const { BROTLI_PARAM_QUALITY: quality, BROTLI_PARAM_SIZE_HINT: hint } = constants;
  const params = { [quality]: byteLength > LARGE ? 8 : 11, [hint]: byteLength };
  await Promise.all([
    asBrotli(content, { params }).then((small) => writeFile(`${file}.br`, small)),
    asGzip(content, { level: 9 }).then((small) => writeFile(`${file}.gz`, small)),
  ]);
}

/** Writes every file once more as brotli and gzip, beside itself: the server sends what the browser takes. */
export const compressed = (): AstroIntegration => ({
  name: 'compressed',
  hooks: {
    'astro:build:done': async ({ dir }) => {
      const files = (await filesBelow(dir)).filter((file) => COMPRESSED.has(extname(file)));
      await Promise.all(files.map(compress));
    },
  },
});

/** Puts the recogniser of characters, from its packages, where pages find it: fetched when a picture is read first. */
export const recogniser = (): AstroIntegration => ({
  name: 'recogniser',
  hooks: {
    'astro:build:done': async ({ dir }) => {
      const { resolve } = createRequire(import.meta.url);
      const folder = (name: string): string => dirname(resolve(`${name}/package.json`));
      const { worker, core, wasm } = RECOGNISER_FILES;
      const from: Readonly<Record<keyof typeof RECOGNISER_FILES, string>> = {
        worker: join(folder('tesseract.js'), 'dist', worker),
        core: join(folder('tesseract.js-core'), core),
        wasm: join(folder('tesseract.js-core'), wasm),
        language: join(folder('@tesseract.js-data/eng'), '4.0.0_best_int', 'eng.traineddata.gz'),
      };
      const to = join(fileURLToPath(dir), RECOGNISER_FOLDER);
      await mkdir(to, { recursive: true });
      for (const [key, name] of Object.entries(RECOGNISER_FILES)) {
        await copyFile(from[key as keyof typeof from], join(to, name));
      }
    },
  },
});

/** Bundles the HTTP server and its worker beside Astro's handler; packages stay where they are installed. */
export const httpServer = (): AstroIntegration => {
  let server: URL | null = null;
  return {
    name: 'http-server',
    hooks: {
      'astro:config:done': ({ config }) => {
        server = config.build.server;
      },
      'astro:build:done': async () => {
        if (!server) return;
        await build({
          entryPoints: { main: 'src/server/http/main.ts', worker: 'src/server/heavy/worker.ts' },
          bundle: true,
          splitting: true,
          packages: 'external',
          platform: 'node',
          target: 'node20',
          format: 'esm',
          outdir: fileURLToPath(server),
          outExtension: { '.js': '.mjs' },
          chunkNames: 'http/[name].[hash]',
        });
      },
    },
  };
};
