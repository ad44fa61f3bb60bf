import { readLabel, type Unread } from '../../core/cards/readLabel.ts';
import type { Token } from '../../core/cards/token.ts';
import { tokenize } from '../../core/cards/tokenize.ts';
import type { Card } from '../../core/kit/model.ts';
import { finish, type Steps } from '../../core/steps.ts';
import { newId } from '../../kit/newId.ts';
import { cardOfLabel } from './labelCard.ts';

/** Most cards read at once; more are refused, not cut. */
export const MAX_PASTED_CARDS = 1000;

export type PastedCard =
  | { readonly ok: true; readonly card: Card }
  | {
      readonly ok: false;
      readonly line: number;
      readonly problem: 'no-label' | 'no-capacity' | 'no-form' | 'not-understood';
      readonly text: string;
    };

export type PastedCards =
  | { readonly code: 'too-many'; readonly lines: number; readonly max: number }
  | { readonly code: 'read'; readonly cards: readonly PastedCard[] };

/** Separators of spreadsheets and lists become blanks; quotes around a cell go. */
const tidy = (line: string): string =>
  line
    .replace(/["']/g, '')
    // A comma within a number with a unit is none between cells.
    .replace(/(?<=\b\d{1,3}),(?=\d{3}\s?[MG]B)/gi, '')
    .replace(/[\t;,]+/g, ' ')
    .trim();

/** Words of a print that no label of one's own begins with: `C-10` and `V60-2` are labels, `XQD` and `14 x` are none. */
const PRINT_KINDS: ReadonlySet<Token['kind']> = new Set(['form', 'family', 'capacity', 'count']);

/** A line with the person's own label in front taken off; null where it begins with what is printed. */
function withoutOwn(line: string): { readonly own: string; readonly print: string } | null {
  const [first] = tokenize(line);
  if (first && PRINT_KINDS.has(first.kind) && /^\s|^$/.test(line.slice(first.end))) return null;
  const [own = '', ...rest] = line.split(/\s+/);
  return { own, print: rest.join(' ') };
}

/** Most cards that a line counts. */
const MOST_ALIKE = 99;

/**
 * One line: the person's own label first, then what is printed. One without a label, or that counts several cards of one
 * print, gives cards that are named by whoever adds them.
 */
function cardsOfLine(text: string, line: number): readonly PastedCard[] {
  const split = withoutOwn(tidy(text));
  const read = cardOfLine(text, line, split ?? { own: '', print: tidy(text) });
  if (!read.ok || split !== null) return [read];
  const count = tokenize(tidy(text)).find((token) => token.kind === 'count')?.value ?? 1;
  return Array.from({ length: Math.min(count, MOST_ALIKE) }, () => ({
    ok: true as const,
    card: { ...read.card, id: newId() },
  }));
}

function cardOfLine(
  text: string,
  line: number,
  { own, print }: { readonly own: string; readonly print: string },
): PastedCard {
  const label = readLabel(print);
  const refused = (problem: Exclude<PastedCard, { ok: true }>['problem'], what = text): PastedCard => ({
    ok: false,
    line,
    problem,
    text: what,
  });
  if (print === '') return refused('no-label');
  // A word that says nothing here (a maker's, a colour) is no reason to lose a card; one that may be a mark is asked about.
  const isWord = ({ problem }: Unread): boolean => problem.code === 'unknown';
  const asked = label.unread.find((one) => !isWord(one));
  if (asked) return refused('not-understood', asked.text);
  const note = label.unread.map((one) => one.text).join(' ');
  if (label.capacity === null) return refused('no-capacity');
  const card = cardOfLabel(label);
  const more = note === '' ? {} : { note };
  return card ? { ok: true, card: { ...card, ...more, label: own.slice(0, 80) } } : refused('no-form');
}

/**
 * Reads cards from lines such as `C-01 256GB SDXC II U3 V90` or `14 x 128GB SD V60 II`, whose cards come without a label; a line that is not understood is told, never guessed. Words
 * that mean nothing on a label are kept as the card's note.
 */
export function* cardSteps(text: string): Steps<PastedCards> {
  const lines = text.replace(/^\ufeff/, '').split(/\r?\n/);
  const filled = lines.flatMap((line, at) => (/\S/.test(line) && tidy(line) !== '' ? [{ line, number: at + 1 }] : []));
  if (filled.length > MAX_PASTED_CARDS) return { code: 'too-many', lines: filled.length, max: MAX_PASTED_CARDS };
  const cards: PastedCard[] = [];
  for (const [at, { line, number }] of filled.entries()) {
    yield at / filled.length;
    cards.push(...cardsOfLine(line, number));
  }
  return { code: 'read', cards };
}

/** The same at once. */
export const readCards = (text: string): PastedCards => finish(cardSteps(text));
