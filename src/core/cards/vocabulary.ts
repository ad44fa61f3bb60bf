import type { Bus } from '../standards/buses.ts';
import type { Family } from '../standards/families.ts';
import { type Form, form } from '../standards/forms.ts';
import { type AppClass, isMark, type Mark, type Series } from '../standards/marks.ts';

/**
 * What one word of a label, of a requirement or of a quick check means. The one table in which marks, buses, families
 * and forms are spelled: every reader and every heading asks it.
 */
export type LabelWord =
  | { readonly kind: 'mark'; readonly mark: Mark }
  /** A mark's shape with a number no mark has: U2, V4. */
  | { readonly kind: 'no-such-mark'; readonly series: Series; readonly value: number }
  | { readonly kind: 'app'; readonly app: AppClass }
  | { readonly kind: 'family'; readonly family: Family; readonly micro: boolean }
  /** `arabic`: UHS-3 with a digit, which people write for the grade U3 as well as for the bus. */
  | { readonly kind: 'bus'; readonly bus: Bus; readonly arabic: boolean }
  | { readonly kind: 'form'; readonly form: Form }
  | { readonly kind: 'version'; readonly text: string };

interface Spelling {
  /** Source of a pattern without anchors, matched without regard to case. */
  readonly pattern: string;
  readonly read: (match: RegExpExecArray) => LabelWord;
}

const formSpelling = (pattern: string, key: Form): Spelling => ({
  pattern,
  read: () => ({ kind: 'form', form: key }),
});

const busSpelling = (pattern: string, bus: Bus, arabic = false): Spelling => ({
  pattern,
  read: () => ({ kind: 'bus', bus, arabic }),
});

/** A mark by its series and number, or the refusal that names both. */
function markOf(series: Series, value: number): LabelWord {
  const key = `${series}${value}`;
  return isMark(key) ? { kind: 'mark', mark: key } : { kind: 'no-such-mark', series, value };
}

const markSpelling = (pattern: string, series: Series): Spelling => ({
  pattern: `${pattern}\\s?(\\d+)`,
  read: (match) => markOf(series, Number(match[1])),
});

/** In the order in which they are tried: longer spellings before those they begin with. */
export const SPELLINGS: readonly Spelling[] = [
  {
    pattern: String.raw`(micro\s?)?sd\s?(hc|xc|uc)`,
    read: (match) => ({
      kind: 'family',
      family: `sd${(match[2] ?? '').toLowerCase()}` as Family,
      micro: match[1] !== undefined,
    }),
  },
  // With its version between: CFexpress 4.0 Type B.
  formSpelling(String.raw`cf\s?-?express(?=\s+\d\.0\s+(?:type[\s-]*)?a\b)`, 'cfexpress-a'),
  formSpelling(String.raw`cf\s?-?express(?=\s+\d\.0\s+(?:type[\s-]*)?b\b)`, 'cfexpress-b'),
  formSpelling(String.raw`cf\s?-?express\s*(?:type[\s-]*)?a`, 'cfexpress-a'),
  formSpelling(String.raw`cf\s?-?express\s*(?:type[\s-]*)?b`, 'cfexpress-b'),
  formSpelling(String.raw`cf\s?-?express\s*(?:type[\s-]*)?c`, 'cfexpress-c'),
  formSpelling(String.raw`cf[ex][\s-]*a`, 'cfexpress-a'),
  formSpelling(String.raw`cf[ex][\s-]*b`, 'cfexpress-b'),
  formSpelling(String.raw`cf[ex][\s-]*c`, 'cfexpress-c'),
  formSpelling('xqd', 'xqd'),
  formSpelling(String.raw`cfast(?:\s*2(?:\.0)?)?`, 'cfast'),
  formSpelling(String.raw`(?:compact\s?flash|cf)`, 'cf'),
  formSpelling(String.raw`(?:usb\s*)?ssd`, 'usb-ssd'),
  formSpelling('modules?', 'module'),
  formSpelling('tf', 'microsd'),
  formSpelling(String.raw`(?:micro\s?|µ|u)sd(?!\s?(?:hc|xc|uc))`, 'microsd'),
  busSpelling(String.raw`(?:sd\s*)?(?:express|ex)`, 'sd-express-1'),
  // Of a slot alone: on a card the words are praise.
  busSpelling(String.raw`high[\s-]?speed(?=\s+(?:sd\s+)?(?:slot|bus|host|mode))`, 'high-speed'),
  formSpelling(String.raw`sd(?!\s?(?:hc|xc|uc|express|ex))`, 'sd'),
  markSpelling(String.raw`uhs\s?(?:speed\s?)?(?:class|grade)`, 'U'),
  // As it is printed in one with the family: SDXC-II.
  busSpelling('(?<=sd[hxu]c)-iii', 'uhs-iii'),
  busSpelling('(?<=sd[hxu]c)-ii', 'uhs-ii'),
  busSpelling('(?<=sd[hxu]c)-i', 'uhs-i'),
  busSpelling(String.raw`(?:uhs[\s-]*)?iii`, 'uhs-iii'),
  busSpelling(String.raw`(?:uhs[\s-]*)?ii`, 'uhs-ii'),
  busSpelling(String.raw`(?:uhs[\s-]*)?i`, 'uhs-i'),
  ...(['4', '5', '6', '7'] as const).map((digit) => busSpelling(String.raw`udma[\s-]*${digit}`, `udma-${digit}`)),
  busSpelling(String.raw`uhs[\s-]*3`, 'uhs-iii', true),
  busSpelling(String.raw`uhs[\s-]*2`, 'uhs-ii', true),
  busSpelling(String.raw`uhs[\s-]*1`, 'uhs-i', true),
  { pattern: String.raw`[1-9]\.0`, read: (match) => ({ kind: 'version', text: match[0] }) },
  markSpelling(String.raw`vpg[\s-]?`, 'VPG'),
  markSpelling(String.raw`video\s?speed\s?class`, 'V'),
  markSpelling('(?:speed\\s?)?class', 'C'),
  markSpelling('c-?', 'C'),
  markSpelling('u-?', 'U'),
  markSpelling('v-?', 'V'),
  markSpelling('e-?', 'E'),
  { pattern: 'a([12])', read: (match) => ({ kind: 'app', app: match[1] === '1' ? 'A1' : 'A2' }) },
];

const WHOLE = SPELLINGS.map(({ pattern, read }) => ({ whole: new RegExp(`^(?:${pattern})$`, 'i'), read }));

const known = new Map<string, LabelWord | null>();
/** Words remembered: a kit repeats few; a stream of made-up ones must not grow without end. */
const MOST_REMEMBERED = 5000;

/**
 * The meaning of one word by itself, however it was typed; null where it is none of the vocabulary.
 *
 * @example readWord('vpg-400') // => { kind: 'mark', mark: 'VPG400' }
 * @example readWord('uhs 2') // => { kind: 'bus', bus: 'uhs-ii', arabic: true }
 */
export function readWord(text: string): LabelWord | null {
  const found = known.get(text);
  if (found !== undefined) return found;
  const tidy = text.trim();
  let word: LabelWord | null = null;
  for (const { whole, read } of WHOLE) {
    const match = whole.exec(tidy);
    if (match) {
      word = read(match);
      break;
    }
  }
  if (known.size < MOST_REMEMBERED) known.set(text, word);
  return word;
}

/** How a bus is printed on a card; null where it is not printed as a word of its own. */
const BUS_PRINT: Readonly<Partial<Record<Bus, string>>> = {
  'uhs-i': 'I',
  'uhs-ii': 'II',
  'uhs-iii': 'III',
  'sd-express-1': 'EX',
  'udma-4': 'UDMA4',
  'udma-5': 'UDMA5',
  'udma-6': 'UDMA6',
  'udma-7': 'UDMA7',
};

/** The numeral or sign by which a bus is printed on a card: I, II, III, EX; null where it is not printed. */
export const busPrint = (bus: Bus): string | null => BUS_PRINT[bus] ?? null;

/** The one spelling in which a word is kept with a card: V90, II, SDXC, 2.0. Null for a form, which is no mark. */
export function keptSpelling(word: LabelWord): string | null {
  switch (word.kind) {
    case 'mark':
      return word.mark;
    case 'no-such-mark':
      return `${word.series}${word.value}`;
    case 'app':
      return word.app;
    case 'family':
      return word.family.toUpperCase();
    case 'bus':
      return word.arabic && word.bus === 'uhs-iii' ? 'UHS-3' : (BUS_PRINT[word.bus] ?? null);
    case 'version':
      return word.text;
    case 'form':
      return null;
  }
}

/** How a word is shown in a heading, a cell or a sentence: the same everywhere. Text that is no word stands as it is. */
export function shownSpelling(text: string): string {
  const word = readWord(text);
  if (word === null) return text;
  if (word.kind === 'form') return form(word.form).name;
  if (word.kind === 'bus' && word.bus.startsWith('uhs')) return `UHS-${BUS_PRINT[word.bus] ?? ''}`;
  return keptSpelling(word) ?? text;
}

/** Whether two texts are one word, however they are spelled. */
export function isSameWord(a: string, b: string): boolean {
  const [one, other] = [readWord(a), readWord(b)];
  if (!one || !other) return a.trim().toUpperCase() === b.trim().toUpperCase();
  return JSON.stringify({ ...one, arabic: false }) === JSON.stringify({ ...other, arabic: false });
}

/** What a mistyped word is compared with. */
export const SUGGESTED: readonly string[] = [
  'SD',
  'SDHC',
  'SDXC',
  'SDUC',
  'microSD',
  'microSDXC',
  'CFexpress A',
  'CFexpress B',
  'CFexpress C',
  'XQD',
  'CFast',
  'CompactFlash',
  'UHS-I',
  'UHS-II',
  'UHS-III',
  'SD Express',
];
