import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { tokenize } from '../../src/core/cards/tokenize.ts';
import { askLine } from '../../src/core/match/ask/askLine.ts';
import { neutralWords } from '../../src/core/match/ask/neutral.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { rankOf, type Verdict } from '../../src/core/match/verdict.ts';
import { IS_DEEP } from '../support/runs.ts';

// Some 275,000 words of English, chosen by nobody here.
const WORDS = JSON.parse(
  readFileSync(createRequire(import.meta.url).resolve('an-array-of-english-words'), 'utf8'),
) as readonly string[];

const QUESTIONS = [
  '400 Mb/s on 128GB V60 II for 2h',
  '600 Mb/s 25p on 256GB V90 II',
  'is V30 enough for 100 Mb/s',
  '200 Mb/s 4K60 on 64GB microSD V30',
  '2 Gb/s on 1TB CFexpress B VPG400',
  '240 Mb/s 24p captured at 120 fps on V90',
  '8192x4320 12bit 3:1 50p on 1TB CFexpress B VPG400',
  '400 Mb/s on 128GB V60 II mirrored',
  '2x128GB V60 at 400 Mb/s',
  '100 Mb/s on 32GB SDHC U3 in SDHC slot',
  '400 Mb/s on V60 in UHS-II slot',
  '160 MB/s on CFast, minimum 200 MB/s',
  '48 MB/s on 128GB V60 II R270 W150',
  '3 Gb/s on 2TB SSD for 1h',
  '75 MB/s on 256GB V90 II relay',
  '400 Mb/s long-GOP on 512GB V60 for 90 min',
  '60 Mb/s on 128GB microSDXC A2',
  '2 GB/min on 512GB V60 II',
  '1,200 Mb/s on CFexpress A VPG200',
  'avg 300 Mb/s on V60 UHS-II',
] as const;

/** The verdict of a line; null where it is asked about. */
function verdictOf(line: string): Verdict | null {
  const found = askLine(line, DEFAULT_POLICY);
  return found.ok && found.value.kind === 'card' ? (found.value.answer.cell?.verdict ?? null) : null;
}

/** A line with a word in front of it, behind it, or between two of its own. */
function withWord(line: string, word: string, place: number): string {
  const own = line.split(' ');
  const at = place % 3 === 0 ? 0 : place % 3 === 1 ? own.length : 1 + (place % (own.length - 1));
  return [...own.slice(0, at), word, ...own.slice(at)].join(' ');
}

/** Places of a word: in front, behind, and in the middle. */
const PLACES = [0, 1, 2, 5, 8, 11];

const neutral = new Set(neutralWords());
const isGrammar = (word: string): boolean => tokenize(word).every(({ kind }) => kind !== 'unread');
const drawn = WORDS.filter((_, at) => IS_DEEP || at % 10 === 3);

describe('any word of English', () => {
  it('that is neither grammar nor known to carry nothing is asked about, wherever it stands', () => {
    const answered: string[] = [];
    drawn.forEach((word, at) => {
      if (neutral.has(word)) return;
      const places = IS_DEEP ? QUESTIONS.map((_, question) => question) : [at];
      for (const place of places) {
        const line = withWord(
          QUESTIONS[place % QUESTIONS.length] ?? '',
          word,
          Math.floor(place / QUESTIONS.length) + place,
        );
        if (askLine(line, DEFAULT_POLICY).ok && !isGrammar(word)) answered.push(line);
      }
    });
    expect(answered).toEqual([]);
  });

  it('that is grammar makes no answer better, but by what it says itself', () => {
    // Split shares the stream out; measured has nothing added to it.
    const own = ['split', 'measured'];
    // What names one of two speeds may name the other one.
    const isSpeed = (word: string): boolean => /^(?:captur|record|play)/.test(word);
    const grammar = drawn.filter((word) => !neutral.has(word) && /^[a-z]{1,14}$/.test(word) && isGrammar(word));
    expect(grammar.length).toBeGreaterThan(IS_DEEP ? 80 : 4);
    expect(grammar.length).toBeLessThan(160);
    for (const word of grammar.filter((one) => !own.includes(one) && !isSpeed(one))) {
      for (const question of QUESTIONS) {
        const base = verdictOf(question);
        for (const place of PLACES) {
          const line = withWord(question, word, place);
          const verdict = verdictOf(line);
          if (verdict !== null && base !== null) expect(rankOf(verdict), line).toBeGreaterThanOrEqual(rankOf(base));
        }
      }
    }
  });
});

describe('every word that carries nothing', () => {
  it('turns no answer, wherever it stands', () => {
    for (const [at, word] of neutralWords().entries()) {
      // All of them in the deep run; every day some for each word.
      const asked = QUESTIONS.filter((_, question) => IS_DEEP || (question + at) % 5 === 0);
      for (const question of asked) {
        const base = verdictOf(question);
        for (const place of [0, 1, 2 + at]) {
          const line = withWord(question, word, place);
          const verdict = verdictOf(line);
          // Put into the middle of a phrase it may take it apart: then the rest is asked about, or answered less well.
          if (verdict !== null && base !== null) expect(rankOf(verdict), line).toBeGreaterThanOrEqual(rankOf(base));
          // Alone before everything `I` may be a bus, `class` before a number names a mark, and a card that is needed is asked about,
          // as is the top of a rate `from` somewhere, and a card that is filled already.
          const names = word === 'i' || word.startsWith('class') || /^(?:needs?|needed|must|from|filled)$/.test(word);
          if (place < 2 && !names) expect(verdict, line).toBe(base);
        }
      }
    }
  });

  it('is a word, and none that denies, compares or counts', () => {
    const turning =
      'least more most over about around per each every all both any slow half less only not no never without except below under above but older used fake proxy';
    for (const word of turning.split(' ')) expect(neutral.has(word), word).toBe(false);
    for (const word of neutral) expect(word, word).toMatch(/^[a-z][a-z'-]*$/);
  });
});
