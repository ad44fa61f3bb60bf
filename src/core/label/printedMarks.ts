import { isMark, type Mark } from '../standards/marks.ts';

const parsed = new WeakMap<readonly string[], { readonly all: readonly string[]; readonly speed: readonly Mark[] }>();

/** One spelling for each printed mark: capitals, no blanks or hyphens (`vpg-400` is VPG400, `Class 10` is C10). */
export const markSpelling = (text: string): string =>
  text
    .toUpperCase()
    .replace(/[\s_-]/g, '')
    .replace(/^CLASS(?=\d)/, 'C');

function read(marks: readonly string[]) {
  const known = parsed.get(marks);
  if (known) return known;
  const all = marks.map(markSpelling);
  const result = { all, speed: all.filter(isMark) };
  parsed.set(marks, result);
  return result;
}

/** Everything printed, in one spelling. */
export const printedMarks = (marks: readonly string[]): readonly string[] => read(marks).all;

/** The write-speed marks among what is printed. */
export const speedMarks = (marks: readonly string[]): readonly Mark[] => read(marks).speed;
