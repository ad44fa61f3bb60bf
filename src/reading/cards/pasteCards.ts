import { readLabel, type Unread } from '../../core/cards/readLabel.ts';
import type { Card } from '../../core/kit/model.ts';
import { finish, type Steps } from '../../core/steps.ts';
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
    .replace(/[\t;,]+/g, ' ')
    .trim();

/** One line: the person's own label first, then what is printed. */
function cardOfLine(text: string, line: number): PastedCard {
  const [own = '', ...rest] = tidy(text).split(/\s+/);
  const label = readLabel(rest.join(' '));
  const refused = (problem: Exclude<PastedCard, { ok: true }>['problem'], what = text): PastedCard => ({
    ok: false,
    line,
    problem,
    text: what,
  });
  if (own === '' || rest.length === 0) return refused('no-label');
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
 * Reads cards from lines such as `C-01 256GB SDXC II U3 V90`; a line that is not understood is told, never guessed. Words
 * that mean nothing on a label are kept as the card's note.
 */
export function* cardSteps(text: string): Steps<PastedCards> {
  const lines = text.replace(/^\ufeff/, '').split(/\r?\n/);
  const filled = lines.flatMap((line, at) => (/\S/.test(line) && tidy(line) !== '' ? [{ line, number: at + 1 }] : []));
  if (filled.length > MAX_PASTED_CARDS) return { code: 'too-many', lines: filled.length, max: MAX_PASTED_CARDS };
  const cards: PastedCard[] = [];
  for (const [at, { line, number }] of filled.entries()) {
    yield at / filled.length;
    cards.push(cardOfLine(line, number));
  }
  return { code: 'read', cards };
}

/** The same at once. */
export const readCards = (text: string): PastedCards => finish(cardSteps(text));
