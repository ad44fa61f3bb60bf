/** What the rest of a line comes to, where words of it may change the answer. */
export const withoutWords = (words: readonly string[], rest: string): string =>
  `Without ${words.map((word) => `“${word}”`).join(' and ')}: ${rest}`;
