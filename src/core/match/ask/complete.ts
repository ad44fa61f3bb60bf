import { tokenize } from '../../cards/tokenize.ts';
import { MARK_KEYS } from '../../standards/marks.ts';
import { all } from './tokensOf.ts';

/** What a line may go on with: the whole line, and the piece that is shown. */
export interface Completion {
  readonly piece: string;
  readonly line: string;
}

/** Most offered at once: more would have to be read. */
const MOST = 6;

/** Forms and arrangements as they are typed. */
const FORMS = ['SD', 'microSD', 'CFexpress A', 'CFexpress B', 'CFexpress C', 'XQD', 'CFast', 'SSD'] as const;
const ARRANGED = ['mirrored', 'relay', 'split'] as const;
const SMALL = ['UHS-I', 'UHS-II'] as const;

const onward = (line: string, from: number, piece: string): Completion => ({
  piece,
  line: `${line.slice(0, from)}${piece} `,
});

/** The units a bare number may have here. */
function unitsFor(before: string): readonly string[] {
  const tokens = tokenize(before);
  const last = tokens.at(-1);
  if (last?.kind === 'word' && last.word === 'for') return ['min', 'h'];
  const hasRate = all(tokens, 'rate').some(({ printed }) => !printed);
  const hasSize = all(tokens, 'capacity').length > 0;
  if (!hasRate) return ['Mb/s', 'MB/s', ...(hasSize ? [] : ['GB'])];
  return hasSize ? ['min', 'h', 'p'] : ['GB', 'TB', 'p'];
}

/**
 * What the last word of a line may become, while it is typed: one's own names, marks, forms, and for a number the units
 * that make sense in its place. Nothing for a line that ends in a blank, or in a word that is whole already.
 *
 * @param names - own bodies, modes and cards, as they are called
 */
export function completions(text: string, names: readonly string[]): readonly Completion[] {
  const found = /(\d[\d.,]*|[\p{L}][\p{L}\p{N}-]*)$/u.exec(text);
  if (!found) return [];
  const [word] = found;
  const from = text.length - word.length;
  if (/^\d/.test(word))
    return unitsFor(text.slice(0, from)).map((unit) => ({ piece: `${word} ${unit}`, line: `${text} ${unit} ` }));
  const typed = word.toLowerCase();
  // An own name may be of several words, of which the first are typed already.
  // Behind `on` a card is named, before it a body and its mode.
  const inOrder = /\bon\b/i.test(text) ? [...names].reverse() : names;
  const own = inOrder.flatMap((name) => {
    const start = startOf(text, name);
    return start === null ? [] : [{ name, start }];
  });
  const words = [...FORMS, ...MARK_KEYS, ...SMALL, ...ARRANGED].filter((one) => {
    const low = one.toLowerCase();
    return low.startsWith(typed) && low !== typed;
  });
  return [
    ...own.map(({ name, start }) => onward(text, start, name)),
    ...words.map((piece) => onward(text, from, piece)),
  ].slice(0, MOST);
}

/** Where the end of a line begins to be a name; null where it does not, or is the whole of it. */
function startOf(text: string, name: string): number | null {
  const [low, line] = [name.toLowerCase(), text.toLowerCase()];
  if (line.endsWith(low)) return null;
  for (let length = Math.min(low.length - 1, line.length); length > 0; length -= 1) {
    const start = line.length - length;
    const isWhole = start === 0 || /[\s,;]/.test(line[start - 1] ?? ' ');
    if (isWhole && low.startsWith(line.slice(start))) return start;
  }
  return null;
}
