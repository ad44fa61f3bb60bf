import { cpSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { ROOT } from '../../scripts/lib.mjs';

const TEXTS = new Set(['.html', '.js', '.css', '.mjs']);
const HEX = '0123456789abcdef';
const SIGNS = `${HEX}ghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ_-`;

/**
 * Another hash, as long: the last sign of it moved on by one, whichever it is. A file that kept its name with other contents would
 * be taken from what the browser has of the older build, as no real build ever asks for.
 */
const moved = (hash: string): string => {
  const signs = /^[0-9a-f]+$/.test(hash) ? HEX : SIGNS;
  return hash.slice(0, -1) + signs[(signs.indexOf(hash.at(-1) ?? '') + 1) % signs.length];
};

/**
 * What the next build of the app would be: the same code, every bundled file under another name, every page with another
 * revision. It lies within the project, so that the server finds its packages.
 */
export function makeNextBuild(): { readonly dist: string; readonly remove: () => void } {
  const dist = mkdtempSync(join(ROOT, '.cache', 'next-build-'));
  cpSync(join(ROOT, 'dist'), dist, { recursive: true });
  const client = join(dist, 'client');
  const bundled = join(client, '_astro');
  const names = readdirSync(bundled).filter((name) => !/\.(br|gz)$/.test(name));
  const renamed = new Map(
    names.flatMap((name) => {
      const [, start = '', hash = '', end = ''] = /^(.*[.-])([\w-]{8})(\.\w+)$/.exec(name) ?? [];
      return hash ? [[name, start + moved(hash) + end] as const] : [];
    }),
  );
  const anyName = new RegExp([...renamed.keys()].map((name) => name.replaceAll('.', '\\.')).join('|'), 'g');
  for (const entry of readdirSync(client, { recursive: true, withFileTypes: true })) {
    const path = join(entry.parentPath, entry.name);
    if (!entry.isFile()) continue;
    if (/\.(br|gz)$/.test(entry.name)) rmSync(path);
    else if (TEXTS.has(extname(path))) {
      const text = readFileSync(path, 'utf8').replace(anyName, (name) => renamed.get(name) ?? name);
      writeFileSync(
        path,
        text.replace(/"?revision"?:"([0-9a-f]{32})"/g, (_all, hash: string) => `revision:"${moved(hash)}"`),
      );
    }
  }
  for (const [from, to] of renamed) renameSync(join(bundled, from), join(bundled, to));
  return { dist, remove: () => rmSync(dist, { recursive: true, force: true }) };
}
