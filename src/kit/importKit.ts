import { type ParseError, parse } from 'jsonc-parser';
import { err, ok, type Result } from '../core/result.ts';
import { withBenchFaults } from './benchFaults.ts';
import { FORMAT, type Kit } from './kit.ts';
import { isReadVersion, migrate } from './migrations.ts';
import { type Problem, problemsOf } from './problems.ts';
import { kitSchema } from './schema.ts';

/**
 * Largest file read and written, characters: an export above it would be a file nobody can open again. A kit of a hundred
 * cards is under 100 kB. Earlier states that the app keeps for itself have no such limit.
 */
export const MAX_FILE = 100_000_000;
/** Deepest nesting read; a kit needs 7. */
const MAX_DEPTH = 32;
/** Most problems told at once; the rest are counted. */
const MAX_PROBLEMS = 20;

export type KitRefusal =
  | { readonly code: 'too-large'; readonly length: number; readonly max: number }
  | { readonly code: 'too-deep'; readonly max: number }
  | { readonly code: 'not-json'; readonly line: number; readonly column: number; readonly near: string }
  | { readonly code: 'not-a-kit' }
  | { readonly code: 'other-version'; readonly version: unknown }
  | { readonly code: 'newer-version'; readonly version: number }
  | { readonly code: 'forbidden-key'; readonly path: string; readonly key: string }
  /** The reader itself stopped: the file is larger than this device can unfold. */
  | { readonly code: 'unread' }
  | { readonly code: 'invalid'; readonly problems: readonly Problem[]; readonly more: number };

const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype']);

/** Deepest bracket outside strings; counted before parsing, so that a bomb is never unfolded. */
export function nesting(text: string): number {
  let depth = 0;
  let deepest = 0;
  let inString = false;
  for (let at = 0; at < text.length; at += 1) {
    const char = text.charCodeAt(at);
    if (inString) {
      if (char === 92) at += 1;
      else if (char === 34) inString = false;
    } else if (char === 34) inString = true;
    else if (char === 123 || char === 91) {
      depth += 1;
      if (depth > deepest) deepest = depth;
    } else if (char === 125 || char === 93) depth -= 1;
  }
  return deepest;
}

export function forbiddenKey(value: unknown, path: string): KitRefusal | null {
  if (value === null || typeof value !== 'object') return null;
  for (const key of Object.keys(value)) {
    const here = Array.isArray(value) ? `${path}[${key}]` : path ? `${path}.${key}` : key;
    if (FORBIDDEN.has(key)) return { code: 'forbidden-key', path: here, key };
    const deeper = forbiddenKey((value as Record<string, unknown>)[key], here);
    if (deeper) return deeper;
  }
  return null;
}

/**
 * Where JSON stopped making sense. The engines' own messages differ and may name no place, so a parser that does is
 * asked, and only then.
 */
export function jsonRefusal(text: string): KitRefusal {
  const errors: ParseError[] = [];
  parse(text, errors, { disallowComments: true, allowTrailingComma: false });
  const at = errors[0]?.offset ?? text.length;
  const before = text.slice(0, at);
  const line = before.split('\n').length;
  const column = at - before.lastIndexOf('\n');
  return { code: 'not-json', line, column, near: text.slice(Math.max(0, at - 12), at + 12) };
}

/** A kit that was read, and the version it had. */
export interface ReadKit {
  readonly kit: Kit;
  readonly version: number;
  /** Whether the content is what was written, by the digest that the file carries; null where it carries none. */
  readonly isWhole: boolean | null;
}

/**
 * Reads a kit from parsed JSON, of any version up to the one written. Unknown keys are kept; missing optional ones become
 * null. What a bench found wrong with a card is noted on the card, where it is not.
 *
 * @returns the kit as it is after migration; or a refusal with the place in the file. Nothing is repaired silently.
 */
export async function readKit(value: unknown): Promise<Result<ReadKit, KitRefusal>> {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) return err({ code: 'not-a-kit' });
  const forbidden = forbiddenKey(value, '');
  if (forbidden) return err(forbidden);
  const { format, version, digest } = value as { format?: unknown; version?: unknown; digest?: unknown };
  if (format !== FORMAT) return err({ code: 'not-a-kit' });
  if (!isReadVersion(version)) {
    const isNewer = typeof version === 'number' && Number.isInteger(version) && version > 0;
    return err(isNewer ? { code: 'newer-version', version } : { code: 'other-version', version });
  }
  const file = value as Readonly<Record<string, unknown>>;
  const { content, isWhole } =
    typeof digest === 'string' ? (await import('./digest.ts')).checkDigest(file) : { content: file, isWhole: null };
  const { kit, placeInFile } = migrate(content, version);
  const schema = await kitSchema();
  const checked = schema.validate(kit, { abortEarly: false, convert: false });
  if (!checked.error) return ok({ kit: withBenchFaults(checked.value), version, isWhole });
  const problems = problemsOf(checked.error).map((problem) => ({ ...problem, path: placeInFile(problem.path) }));
  return err({
    code: 'invalid',
    problems: problems.slice(0, MAX_PROBLEMS),
    more: Math.max(0, problems.length - MAX_PROBLEMS),
  });
}

/**
 * Reads a kit file's text.
 *
 * @param most - characters read at the most; infinite for states that the app wrote itself
 */
export async function parseKit(text: string, most: number = MAX_FILE): Promise<Result<ReadKit, KitRefusal>> {
  if (text.length > most) return err({ code: 'too-large', length: text.length, max: most });
  if (nesting(text) > MAX_DEPTH) return err({ code: 'too-deep', max: MAX_DEPTH });
  const withoutMark = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
  let value: unknown;
  try {
    value = JSON.parse(withoutMark);
  } catch {
    return err(jsonRefusal(withoutMark));
  }
  return readKit(value);
}
