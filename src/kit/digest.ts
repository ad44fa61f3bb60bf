import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { stableText } from './stableText.ts';

/** The key under which a kit file carries the digest of all else in it. */
export const DIGEST = 'digest';

/**
 * The digest of a kit's content: SHA-256 over its JSON with keys in one order, whatever its line ends and indents are. The
 * browser's own is there over HTTPS alone.
 */
export const digestOf = (content: object): string =>
  bytesToHex(sha256(utf8ToBytes(stableText(JSON.parse(JSON.stringify(content))))));

/** Content with its digest behind it. */
export const withDigest = <T extends object>(content: T): T & { readonly [DIGEST]: string } => ({
  ...content,
  [DIGEST]: digestOf(content),
});

/** A file's content, and whether it is as it was written; null where it carries no digest. */
export function checkDigest(file: Readonly<Record<string, unknown>>): {
  readonly content: Readonly<Record<string, unknown>>;
  readonly isWhole: boolean | null;
} {
  const { [DIGEST]: told, ...content } = file;
  return { content, isWhole: typeof told === 'string' ? told === digestOf(content) : null };
}
