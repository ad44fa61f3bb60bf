import { shownSpelling } from '../../core/cards/vocabulary.ts';

/** Marks as they were typed, each once and in the spelling of headings: `uhs 2` stands as UHS-II. */
export const oneSpelling = (words: readonly string[]): string[] => [
  ...new Set(words.map((text) => shownSpelling(text.trim()))),
];
