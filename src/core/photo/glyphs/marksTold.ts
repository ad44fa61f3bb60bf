import { MARK_KEYS, type Mark, mark, marksIn } from '../../standards/marks.ts';
import type { Row } from '../rows.ts';
import type { Glyph } from './glyphs.ts';
import { type SignChances, signChances } from './reader.ts';

/** Kinds of marks that are told by their signs. */
export type SignedKind = 'video' | 'grade' | 'class' | 'vpg';

/** A mark told by the signs it is printed with, apart from what a recogniser of text makes of them. */
export interface MarkTold {
  readonly told: SignedKind;
  readonly word: Mark;
  /** 0 to 1: its share of all marks of its series with as many signs. */
  readonly chance: number;
  /** Columns of its row. */
  readonly from: number;
  readonly to: number;
}

const KINDS: Readonly<Record<string, SignedKind>> = { V: 'video', U: 'grade', C: 'class', VPG: 'vpg' };

/** A sign with what it may be. */
export interface Sign extends Omit<Glyph, 'ink'> {
  readonly chances: SignChances;
}

export const signsOf = (glyphs: readonly Glyph[]): readonly Sign[] =>
  glyphs.map(({ ink, ...place }) => ({ ...place, chances: signChances(ink) }));

/** What a zero with a bar, a dot or a stroke in it is taken for: round signs, and what is none of those that were learnt. */
const LIKE_ZERO = ['0', '8', '6', '9', 'D', 'G', 'B', 'C', '?'];
/** Least that a sign has to look like what it is read for. */
const LIKE = 0.5;
/** Gap beside a mark, in heights of its capitals: less, and it is part of a longer word. */
const APART = 0.28;
/** Widest gap within a mark. */
const WITHIN = 0.5;

const SERIES = Object.keys(KINDS) as (keyof typeof KINDS & ('V' | 'U' | 'C' | 'VPG'))[];

/** Whether each sign may be what a text has in its place; a zero after another digit may look like any round sign. */
function fits(text: string, signs: readonly Sign[]): boolean {
  return [...text].every((letter, at) => {
    const own = signs[at]?.chances;
    if (!own) return false;
    const like = letter === '0' && /\d/.test(text[at - 1] ?? '') ? LIKE_ZERO : [letter];
    return like.reduce((sum, one) => sum + own.of(one), 0) >= LIKE;
  });
}

const product = (text: string, signs: readonly Sign[]): number =>
  [...text].reduce((chance, letter, at) => chance * Math.max(1e-6, signs[at]?.chances.of(letter) ?? 0), 1);

/** The likeliest of some texts of one length, and its share of all of them; null where none fits. */
function likeliest(
  texts: readonly string[],
  signs: readonly Sign[],
): { readonly text: string; readonly chance: number } | null {
  const all = texts.map((text) => ({ text, chance: product(text, signs) }));
  const sum = all.reduce((total, { chance }) => total + chance, 0);
  const best = all.reduce((most, one) => (one.chance > most.chance ? one : most), { text: '', chance: -1 });
  if (best.chance <= 0 || !fits(best.text, signs)) return null;
  return { text: best.text, chance: best.chance / sum };
}

const gapAfter = (signs: readonly Sign[], at: number): number => {
  const [a, b] = [signs[at], signs[at + 1]];
  return a && b ? b.from - a.to : Infinity;
};

/** Marks that stand in a line, each by itself. */
function marksTold(signs: readonly Sign[], tall: number): readonly MarkTold[] {
  const found: MarkTold[] = [];
  for (let start = 0; start < signs.length; start += 1) {
    if (gapAfter(signs, start - 1) < APART * tall) continue;
    for (const series of SERIES) {
      for (const long of new Set(marksIn(series).map((key) => key.length))) {
        const own = signs.slice(start, start + long);
        if (own.length < long || gapAfter(signs, start + long - 1) < APART * tall) continue;
        if (own.some((_, at) => at + 1 < long && gapAfter(own, at) > WITHIN * tall)) continue;
        const best = likeliest(
          marksIn(series).filter((key) => key.length === long),
          own,
        );
        const [first, last] = [own[0], own.at(-1)];
        if (!best || !first || !last) continue;
        found.push({
          told: KINDS[series] as SignedKind,
          word: best.text as Mark,
          chance: best.chance,
          from: first.from,
          to: last.to,
        });
      }
    }
  }
  return found;
}

/** Digits of a series' marks, by themselves. */
const digitsIn = (series: 'U' | 'C' | 'VPG'): readonly string[] =>
  marksIn(series).map((key) => key.slice(series.length));

/** The mark of which the digits stand by themselves: in a frame, or under the letters of their series. */
export function digitsTold(series: 'U' | 'C' | 'VPG', signs: readonly Sign[]): MarkTold | null {
  const [first, last] = [signs[0], signs.at(-1)];
  const best = likeliest(
    digitsIn(series).filter((digits) => digits.length === signs.length),
    signs,
  );
  const word = `${series}${best?.text}`;
  if (!best || !first || !last || !(word in KIND_OF)) return null;
  return { told: KINDS[series] as SignedKind, word: word as Mark, chance: best.chance, from: first.from, to: last.to };
}

const KIND_OF: Readonly<Record<string, string>> = Object.fromEntries(MARK_KEYS.map((key) => [key, mark(key).series]));

/** Whether signs are the letters of a series. */
export const isWord = (word: string, signs: readonly Sign[]): boolean =>
  signs.length === word.length && [...word].every((letter, at) => (signs[at]?.chances.of(letter) ?? 0) >= LIKE);

/** What the signs of a row tell: marks of a line, or the digits in a frame. */
export function toldBy(kind: Row['kind'], signs: readonly Sign[], tall: number): readonly MarkTold[] {
  if (kind === 'line') return marksTold(signs, tall);
  const told = digitsTold(kind === 'bowl' ? 'U' : 'C', signs);
  return told ? [told] : [];
}
