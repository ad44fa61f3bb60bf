// JavaScript the browser must fetch before Match is shown: the page's module scripts and all they import statically.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { ROOT, startServer } from '../scripts/lib.mjs';

const { address, stop } = await startServer();
const html = await (await fetch(address)).text();
stop();
const entries = [...html.matchAll(/(?:component-url|renderer-url|src)="(\/_astro\/[^"]+\.js)"/g)].map(
  (match) => match[1],
);
const seen = new Map();
const visit = (url) => {
  if (seen.has(url)) return;
  const code = readFileSync(join(ROOT, 'dist', 'client', url), 'utf8');
  seen.set(url, gzipSync(code).length);
  for (const [, path] of code.matchAll(/(?:import|from)\s*"(\.\/[^"]+\.js)"/g))
    visit(new URL(path, `http://x${url}`).pathname);
};
entries.forEach(visit);
const total = [...seen.values()].reduce((sum, size) => sum + size, 0);
console.log(`JavaScript for Match: ${(total / 1000).toFixed(1)} kB gzip in ${seen.size} files (aim under 250)`);
for (const [url, size] of [...seen].sort((a, b) => b[1] - a[1]))
  console.log(`  ${(size / 1000).toFixed(1).padStart(6)} kB  ${url}`);
