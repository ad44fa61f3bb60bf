import { BUS_KEYS, bus } from '../../core/standards/buses.ts';
import { APP_KEYS, MARK_KEYS } from '../../core/standards/marks.ts';
import { APP_MEANING, markMeaning } from '../cards/label.ts';
import { capital, joined, plain } from '../quantity.ts';
import type { GuideEntry } from './entry.ts';
import { GLOSSARY, VERDICT_ENTRIES } from './glossary.ts';
import { PICTURES } from './pictures.ts';
import { RULE_ENTRIES } from './rules.ts';

const sentence = (text: string): string => `${capital(text)}.`;

const MARK_ENTRIES: readonly GuideEntry[] = [
  ...MARK_KEYS.map((key) => ({ id: key.toLowerCase(), title: key, text: [sentence(markMeaning(key))], met: [key] })),
  ...APP_KEYS.map((key) => ({ id: key.toLowerCase(), title: key, text: [sentence(APP_MEANING)], met: [key] })),
];

const BUS_ENTRIES: readonly GuideEntry[] = BUS_KEYS.map((key) => {
  const { name, ceilingMBps } = bus(key);
  const figure = typeof ceilingMBps === 'number' ? plain(ceilingMBps) : Object.values(ceilingMBps).join(' / ');
  return {
    id: key,
    title: name,
    text: [
      `A bus: at most ${joined({ figure, unit: 'MB/s' })} pass${typeof ceilingMBps === 'number' ? '' : ', by form A / B / C'}. It is no promise of what a card writes.`,
    ],
    met: [name],
  };
});

/** Everything that opens in place where it is met: words, answers, rules, marks, buses. */
export const TERMS: readonly GuideEntry[] = [
  ...GLOSSARY,
  ...VERDICT_ENTRIES,
  ...RULE_ENTRIES,
  ...MARK_ENTRIES,
  ...BUS_ENTRIES,
  ...PICTURES,
];

const BY_ID: ReadonlyMap<string, GuideEntry> = new Map(TERMS.map((entry) => [entry.id, entry]));

/** The entry at an address; null where there is none that opens in place. */
export const termAt = (id: string): GuideEntry | null => BY_ID.get(id) ?? null;

const SPELLINGS: ReadonlyMap<string, string> = new Map(
  TERMS.flatMap(({ id, met = [] }) => met.map((word) => [word, id] as const)),
);

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Longest first, so that `UHS-II` is not met in `UHS-III`, nor `UHS-I` in either. */
const PATTERN = new RegExp(
  `(?<![\\p{L}\\p{N}-])(${[...SPELLINGS.keys()]
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join('|')})(?![\\p{L}\\p{N}])`,
  'gu',
);

/** A stretch of a text, and the entry it opens; null where it is only text. */
export interface TextPiece {
  readonly text: string;
  readonly term: string | null;
}

/** A text cut at the words that the guide explains, each where it is met first. */
export function termsIn(text: string): readonly TextPiece[] {
  const pieces: TextPiece[] = [];
  const seen = new Set<string>();
  let from = 0;
  for (const match of text.matchAll(PATTERN)) {
    const [word] = match;
    const id = SPELLINGS.get(word);
    if (id === undefined || seen.has(id)) continue;
    seen.add(id);
    if (match.index > from) pieces.push({ text: text.slice(from, match.index), term: null });
    pieces.push({ text: word, term: id });
    from = match.index + word.length;
  }
  if (from < text.length) pieces.push({ text: text.slice(from), term: null });
  return pieces;
}
