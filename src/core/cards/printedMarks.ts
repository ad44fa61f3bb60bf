import type { AppClass, Mark } from '../standards/marks.ts';
import { type LabelWord, readWord } from './vocabulary.ts';

interface Printed {
  readonly words: readonly (LabelWord | null)[];
  readonly speed: readonly Mark[];
  readonly apps: readonly AppClass[];
}

const parsed = new WeakMap<readonly string[], Printed>();

function read(marks: readonly string[]): Printed {
  const known = parsed.get(marks);
  if (known) return known;
  const words = marks.map(readWord);
  const result: Printed = {
    words,
    speed: words.flatMap((word) => (word?.kind === 'mark' ? [word.mark] : [])),
    apps: words.flatMap((word) => (word?.kind === 'app' ? [word.app] : [])),
  };
  parsed.set(marks, result);
  return result;
}

/** What each printed word means, in the order printed; null where it is not understood. */
export const printedWords = (marks: readonly string[]): readonly (LabelWord | null)[] => read(marks).words;

/** The write-speed marks among what is printed. */
export const speedMarks = (marks: readonly string[]): readonly Mark[] => read(marks).speed;

/** The application classes among what is printed. */
export const appMarks = (marks: readonly string[]): readonly AppClass[] => read(marks).apps;
