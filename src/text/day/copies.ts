import { assertNever } from '../../core/result.ts';
import type { CopiesCompared } from '../../core/rotation/copyLists.ts';
import type { ChecksumProblem } from '../../reading/day/checksumList.ts';

/** Why a file is no list of checksums, and what to do. */
export function checksumProblemText(problem: ChecksumProblem, name: string): string {
  switch (problem.code) {
    case 'empty':
      return `${name} lists no file. Choose the list that your checksum program wrote of a copy.`;
    case 'not-a-line':
      return `${name}, line ${problem.line} is no “sum  path”: “${problem.text}”. Choose a list as md5sum, sha256sum or xxhsum write it.`;
    case 'mixed':
      return `${name}, line ${problem.line} has another kind of sum than the lines before it. Make the list with one program.`;
    case 'twice':
      return `${name}, line ${problem.line} lists ${problem.path} a second time with another sum. Make the list anew.`;
    default:
      return assertNever(problem);
  }
}

const files = (count: number): string => (count === 1 ? '1 file' : `${count.toLocaleString('en')} files`);

/** What comparing two copies found, in a sentence. */
export function comparedText({ isEqual, same, different, missing, extra, otherKind }: CopiesCompared): string {
  if (otherKind)
    return 'The two lists hold sums of different kinds, which cannot be compared. Make both with one program.';
  if (isEqual) return `The copies are equal: ${files(same)}, every sum the same.`;
  const found = [
    different.length > 0 ? `${files(different.length)} differ${different.length === 1 ? 's' : ''}` : '',
    missing.length > 0 ? `${files(missing.length)} missing in the second` : '',
    extra.length > 0 ? `${files(extra.length)} only in the second` : '',
  ].filter(Boolean);
  return `The copies are not equal: ${found.join(', ')}. Nothing is verified.`;
}
