import { entryAt } from '../../core/entryAt.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { type CopiesCompared, compareCopies } from '../../core/rotation/copyLists.ts';
import { readChecksumList } from '../../reading/day/checksumList.ts';
import { checksumProblemText } from '../../text/day/copies.ts';

/** Largest list read, bytes: a million files. */
const MOST = 200_000_000;

/** One file chosen twice: its list would agree with itself, and prove nothing. */
const isSameFile = (a: File, b: File): boolean =>
  a.name === b.name && a.size === b.size && a.lastModified === b.lastModified;

/** Lists wanted before a card counts as verified: one a copy, two at the least. */
export const listsWanted = (copies: number): number => Math.max(2, copies);

/**
 * Compares the lists of all copies with the first of them; or says which of them is none, and why. What differs is told of the
 * first copy that does.
 */
export async function compareLists(files: readonly File[]): Promise<Result<CopiesCompared, string>> {
  const twice = files.find((file, at) => files.slice(0, at).some((other) => isSameFile(file, other)));
  if (twice) return err(`${twice.name} is here twice: a list always agrees with itself. Choose that of another copy.`);
  const lists = [];
  for (const file of files) {
    if (file.size > MOST) return err(`${file.name} is larger than 200 MB: that is no list of checksums.`);
    const read = readChecksumList(await file.text());
    if (!read.ok) return err(checksumProblemText(read.error, file.name));
    lists.push(read.value);
  }
  const [first, ...others] = lists;
  if (!first || others.length === 0) return err('Two lists are needed.');
  const compared = others.map((other) => compareCopies(first, other));
  return ok(compared.find(({ isEqual }) => !isEqual) ?? entryAt(compared, 0));
}
