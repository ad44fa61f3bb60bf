import { readdirSync, readFileSync } from 'node:fs';
import { join, relative, sep } from 'node:path';

/** A file of the build as it is sent. */
export interface SentFile {
  /** Below the folder of the build. */
  readonly file: string;
  /** The policy that stands in a page; null for what is no page. */
  readonly policy: string | null;
  readonly cacheControl: string;
}

const POLICY = /<meta http-equiv="content-security-policy" content="([^"]*)"/i;

/** File names of the bundler carry a hash of what is in them. */
const FOREVER = 'public, max-age=31536000, immutable';
const ASK_EACH_TIME = 'no-cache';

/** A policy in a page cannot say who may frame it; a header can. */
const policyOf = (html: string): string => `${POLICY.exec(html)?.[1] ?? "default-src 'none'"}; frame-ancestors 'none'`;

/** Addresses of a file: a page answers with and without its slash and its name. */
function addressesOf(file: string): readonly string[] {
  if (file === 'index.html') return ['/', '/index.html'];
  if (!file.endsWith('/index.html')) return [`/${file}`];
  const folder = `/${file.slice(0, -'/index.html'.length)}`;
  return [folder, `${folder}/`, `${folder}/index.html`];
}

/** Every file of a build by its addresses, read once: what is not in the list is not sent. */
export function builtFiles(root: string): ReadonlyMap<string, SentFile> {
  const found = new Map<string, SentFile>();
  for (const entry of readdirSync(root, { recursive: true, withFileTypes: true })) {
    const file = relative(root, join(entry.parentPath, entry.name)).split(sep).join('/');
    if (!entry.isFile() || /\.(br|gz)$/.test(file)) continue;
    const isPage = file.endsWith('.html');
    const sent: SentFile = {
      file,
      policy: isPage ? policyOf(readFileSync(join(root, file), 'utf8')) : null,
      cacheControl: file.startsWith('_astro/') ? FOREVER : ASK_EACH_TIME,
    };
    for (const address of addressesOf(file)) found.set(address, sent);
  }
  return found;
}
