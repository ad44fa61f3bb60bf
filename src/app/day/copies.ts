import { err, ok, type Result } from '../../core/result.ts';
import { type CopiesCompared, compareCopies } from '../../core/rotation/copyLists.ts';
import { readChecksumList } from '../../reading/day/checksumList.ts';
import { checksumProblemText } from '../../text/day/copies.ts';

/** Largest list read, bytes: a million files. */
const MOST = 200_000_000;

/** Compares the lists of two copies; or says which of them is none, and why. */
export async function compareLists(first: File, second: File): Promise<Result<CopiesCompared, string>> {
  const lists = [];
  for (const file of [first, second]) {
    if (file.size > MOST) return err(`${file.name} is larger than 200 MB: that is no list of checksums.`);
    const read = readChecksumList(await file.text());
    if (!read.ok) return err(checksumProblemText(read.error, file.name));
    lists.push(read.value);
  }
  const [a, b] = lists;
  // Two lists were asked for and both were read.
  if (!a || !b) return err('Two lists are needed.');
  return ok(compareCopies(a, b));
}
