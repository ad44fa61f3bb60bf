import { err, ok, type Result } from '../../core/result.ts';
import type { CopyList, ListedFile } from '../../core/rotation/copyLists.ts';

/** Why a text is no list of checksums, with the line that tells. */
export type ChecksumProblem =
  | { readonly code: 'empty' }
  | { readonly code: 'not-a-line'; readonly line: number; readonly text: string }
  /** Sums of unlike length: more than one kind in one list. */
  | { readonly code: 'mixed'; readonly line: number }
  /** One path with two sums. */
  | { readonly code: 'twice'; readonly line: number; readonly path: string };

/** Hexadecimal digits of the usual sums: xxh32, xxh64, md5 and xxh128, sha1, sha256, sha512. */
const DIGITS = new Set([8, 16, 32, 40, 64, 128]);

/** `sum  path`, `sum *path` (binary), and with a backslash before it where the path is escaped. */
const PLAIN = /^(\\?)([0-9a-f]+)[ \t]+\*?(.+)$/i;
/** `SHA256 (path) = sum`, as the programs of BSD and `--tag` write. */
const TAGGED = /^(?:[A-Z0-9_/-]+)\s*\((.+)\)\s*=\s*([0-9a-f]+)$/i;

const ESCAPED = { '\\': '\\', n: '\n', r: '\r' } as const;

/** A path as it is compared: whatever system wrote it. */
const plainPath = (path: string, isEscaped: boolean): string => {
  // One pass: what an escaped backslash leaves is no second escape.
  const read = isEscaped ? path.replace(/\\([\\nr])/g, (_, sign) => ESCAPED[sign as keyof typeof ESCAPED]) : path;
  return read
    .replaceAll('\\', '/')
    .replace(/^(?:\.\/)+/, '')
    .normalize('NFC');
};

/**
 * The list that `md5sum`, `sha256sum`, `xxhsum` and their like write, of either line ends and path separators; lines that begin
 * with `#` or `;` are remarks.
 */
export function readChecksumList(text: string): Result<CopyList, ChecksumProblem> {
  const files: ListedFile[] = [];
  const known = new Map<string, string>();
  let digits: number | null = null;
  for (const [at, raw] of text
    .replace(/^\ufeff/, '')
    .split(/\r\n|\n|\r/)
    .entries()) {
    const line = raw.trimEnd();
    if (line.trim() === '' || /^\s*[#;]/.test(line)) continue;
    const tagged = TAGGED.exec(line);
    const plain = tagged ? null : PLAIN.exec(line);
    const sum = (tagged?.[2] ?? plain?.[2] ?? '').toLowerCase();
    const path = tagged
      ? plainPath(tagged[1] as string, false)
      : plain
        ? plainPath(plain[3] as string, plain[1] !== '')
        : '';
    if (path === '' || !DIGITS.has(sum.length))
      return err({ code: 'not-a-line', line: at + 1, text: line.slice(0, 60) });
    if (digits !== null && digits !== sum.length) return err({ code: 'mixed', line: at + 1 });
    digits = sum.length;
    const before = known.get(path);
    if (before !== undefined && before !== sum) return err({ code: 'twice', line: at + 1, path });
    if (before !== undefined) continue;
    known.set(path, sum);
    files.push({ path, sum });
  }
  return digits === null ? err({ code: 'empty' }) : ok({ digits, files });
}
