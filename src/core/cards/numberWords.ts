const UNITS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'] as const;
const TEENS = 'ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(' ');
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');

const VALUES: Readonly<Record<string, number>> = Object.fromEntries([
  ...UNITS.map((word, at) => [word, at + 1] as const),
  ...TEENS.map((word, at) => [word, at + 10] as const),
  ...TENS.map((word, at) => [word, (at + 2) * 10] as const),
]);

const UNIT = UNITS.join('|');
const BELOW_HUNDRED = `(?:(?:${TENS.join('|')})(?:[\\s-]+(?:${UNIT}))?|${TEENS.join('|')}|${UNIT})`;
const HUNDREDS = `(?:(?:${UNIT}|an?)\\s+)?hundred(?:\\s+(?:and\\s+)?${BELOW_HUNDRED})?`;
/** Numbers that have a name of their own: `a couple of hours`, `half a dozen cards`. */
const NAMED: readonly (readonly [source: string, value: number])[] = [
  ['half\\s+a\\s+dozen', 6],
  ['(?:a\\s+)?dozen', 12],
  ['(?:an?\\s+)?(?:couple|pair)\\s+of', 2],
  ['an?\\s+couple', 2],
];

/** Number words from one to nine hundred and ninety-nine, as the source of a pattern without groups. */
const NUMBER_WORDS = `(?:${NAMED.map(([source]) => source).join('|')}|${HUNDREDS}|${BELOW_HUNDRED})`;

const AT = new RegExp(`${NUMBER_WORDS}(?![\\w-])`, 'iuy');

/**
 * The value of number words: `eighty five`, `one hundred and twenty`, `a couple of`.
 *
 * @returns 1 to 999; null where a word is none
 */
function numberOfWords(text: string): number | null {
  const named = NAMED.find(([source]) => new RegExp(`^${source}$`, 'i').test(text));
  if (named) return named[1];
  let sum = 0;
  for (const word of text.toLowerCase().split(/[\s-]+/)) {
    if (word === 'hundred') sum = Math.max(1, sum) * 100;
    else if (VALUES[word] !== undefined) sum += VALUES[word];
    else if (!['a', 'an', 'and'].includes(word)) return null;
  }
  return sum > 0 ? sum : null;
}

/** The number words that begin at a place; null where none do. */
export function numberWordsAt(text: string, start: number): { readonly end: number; readonly value: number } | null {
  AT.lastIndex = start;
  const found = AT.exec(text)?.[0];
  const value = found === undefined ? null : numberOfWords(found);
  return found === undefined || value === null ? null : { end: start + found.length, value };
}
