/**
 * Characters that a recogniser takes for each other on small print, in groups: any of a group for any other. From what a
 * recogniser of characters made of drawn labels; no published table is followed.
 */
const ALIKE: readonly string[] = [
  '0OoeQD@Ø©®°C(',
  '1Il|!i][jJtT7/\\',
  '5S$s',
  '8B&3E',
  'Bs',
  '9gqaoI',
  '6GbeE',
  '2Zz?',
  'Cc(¢<{€G',
  'UuJLV',
  'VvYyWw',
  'AaR4',
  'MmNWH',
  'Xx×%K',
  'PpF',
  'Hh',
  'ERB',
  'Ff',
  '/:;1lI|[',
  '-—–_~',
];

const pairs = new Set(
  ALIKE.flatMap((group) => [...group].flatMap((one) => [...group].map((other) => `${one}${other}`))),
);

/** Signs that print leaves behind and that are no letters: dropping one costs little. */
const STRAY = /[.,'"‘’“”`´:;|_~\-—–=+*^<>()[\]{}\\!]/;

/** What one character costs when it was read for another, 0 to 1. */
function costOf(read: string, meant: string): number {
  if (read === meant) return 0;
  if (read.toLowerCase() === meant.toLowerCase()) return 0;
  return pairs.has(`${read}${meant}`) ? 0.3 : 1;
}

/**
 * How far a read text is from a word, in characters: 0 where they are the same but for case, about a third for each
 * character that is easily taken for another, 1 for each that is not.
 *
 * @param limit - beyond it the exact distance does not matter; Infinity is returned
 */
export function distance(read: string, meant: string, limit: number): number {
  if (Math.abs(read.length - meant.length) > limit / 0.35) return Infinity;
  let row = Array.from({ length: meant.length + 1 }, (_, at) => at);
  let before = '';
  for (const letter of read) {
    // A stroke that was read twice is one letter.
    const dropped = STRAY.test(letter) || costOf(letter, before) < 1 ? 0.35 : 1;
    before = letter;
    const next = [(row[0] ?? 0) + dropped];
    let least = next[0] ?? 0;
    for (let at = 1; at <= meant.length; at += 1) {
      const cost = Math.min(
        (row[at - 1] ?? 0) + costOf(letter, meant[at - 1] ?? ''),
        (row[at] ?? 0) + dropped,
        (next[at - 1] ?? 0) + 1,
      );
      next.push(cost);
      if (cost < least) least = cost;
    }
    if (least > limit) return Infinity;
    row = next;
  }
  const total = row[meant.length] ?? Infinity;
  return total > limit ? Infinity : total;
}

const DIGITS: Readonly<Record<string, string>> = {
  O: '0',
  o: '0',
  Q: '0',
  D: '0',
  '@': '0',
  Ø: '0',
  '©': '0',
  '®': '0',
  '°': '0',
  I: '1',
  l: '1',
  '|': '1',
  '!': '1',
  i: '1',
  ']': '1',
  '[': '1',
  S: '5',
  s: '5',
  $: '5',
  B: '8',
  '&': '8',
  g: '9',
  q: '9',
  G: '6',
  b: '6',
  Z: '2',
  z: '2',
  A: '4',
};

/** A number with letters read for digits put right; null where something else stands in it. */
export function digitsOf(text: string): { readonly digits: string; readonly mended: boolean } | null {
  let digits = '';
  let mended = false;
  for (const letter of text) {
    const digit = /\d/.test(letter) ? letter : DIGITS[letter];
    if (digit === undefined) return null;
    if (digit !== letter) mended = true;
    digits += digit;
  }
  return digits === '' ? null : { digits, mended };
}
