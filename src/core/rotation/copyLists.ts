/** One file of a copy as a checksum program lists it. */
export interface ListedFile {
  /** Path as it is compared: forward slashes, no leading `./`. */
  readonly path: string;
  /** Lower case, hexadecimal. */
  readonly sum: string;
}

/** The list of one copy. */
export interface CopyList {
  /** Hexadecimal digits of its sums: 8, 16, 32, 40, 64, 128. */
  readonly digits: number;
  readonly files: readonly ListedFile[];
}

/** How two copies compare. */
export interface CopiesCompared {
  /** True only where every file of both is the same: nothing less counts as verified. */
  readonly isEqual: boolean;
  readonly same: number;
  readonly different: readonly string[];
  /** In the first, not in the second. */
  readonly missing: readonly string[];
  /** In the second, not in the first. */
  readonly extra: readonly string[];
  /** Folders that were left off at the front of one of them, so that the same files meet; null where none was. */
  readonly leftOff: { readonly first: string; readonly second: string } | null;
  /** Files whose sums could not be compared, since the lists were made by another kind of sum. */
  readonly otherKind: boolean;
}

/** The folder that all paths begin with, with its slash; empty where there is none. */
function commonFolder(files: readonly ListedFile[]): string {
  const [first, ...rest] = files.map(({ path }) => path.split('/').slice(0, -1));
  if (!first) return '';
  let shared = first.length;
  for (const folders of rest) {
    let at = 0;
    while (at < shared && folders[at] === first[at]) at += 1;
    shared = at;
  }
  return shared === 0 ? '' : `${first.slice(0, shared).join('/')}/`;
}

const byPath = (files: readonly ListedFile[], without: string): ReadonlyMap<string, string> =>
  new Map(files.map(({ path, sum }) => [path.slice(without.length), sum]));

/**
 * Compares the lists of two copies, file by file. Copies lie in folders of their own: what all paths of a list begin with is
 * left off where the lists would not meet otherwise. An empty list equals nothing.
 */
export function compareCopies(first: CopyList, second: CopyList): CopiesCompared {
  const otherKind = first.digits !== second.digits;
  const plainSecond = new Set(second.files.map(({ path }) => path));
  const meets = first.files.some(({ path }) => plainSecond.has(path));
  const leftOff = meets ? null : { first: commonFolder(first.files), second: commonFolder(second.files) };
  const a = byPath(first.files, leftOff?.first ?? '');
  const b = byPath(second.files, leftOff?.second ?? '');
  const both = [...a.keys()].filter((path) => b.has(path));
  const different = otherKind ? [] : both.filter((path) => a.get(path) !== b.get(path));
  const missing = [...a.keys()].filter((path) => !b.has(path));
  const extra = [...b.keys()].filter((path) => !a.has(path));
  const isEqual = !otherKind && a.size > 0 && different.length === 0 && missing.length === 0 && extra.length === 0;
  return {
    isEqual,
    different,
    missing,
    extra,
    otherKind,
    same: otherKind ? 0 : both.length - different.length,
    leftOff: leftOff && (leftOff.first !== '' || leftOff.second !== '') ? leftOff : null,
  };
}
