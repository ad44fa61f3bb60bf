import type { PastedCard } from '../../reading/cards/pasteCards.ts';

type Problem = Extract<PastedCard, { readonly ok: false }>;

const PROBLEM_WORDS: Readonly<Record<Problem['problem'], string>> = {
  'no-label': 'your own label first, then what is printed',
  'no-capacity': 'no capacity',
  'no-form': 'the form is not told',
  'not-understood': 'not understood',
};

/** A line that was left out, and why. */
export const pastedProblemText = ({ line, problem, text }: Problem): string =>
  `line ${line}: ${PROBLEM_WORDS[problem]} (“${text}”), left out`;

/** Words of a line that mean nothing on a label. */
export const keptAsNoteText = (note: string): string => `kept as a note: “${note}”`;

/** More cards than are read at once. */
export const tooManyCardsText = (lines: number, most: number): string =>
  `${lines.toLocaleString('en')} cards; ${most.toLocaleString('en')} are read at once. Paste fewer. Nothing was added.`;
