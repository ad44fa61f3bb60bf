import { entryAt } from '../entryAt.ts';
import { type Guess, guesses } from './labelWords.ts';
import type { RowWord } from './recogniser.ts';

/** One thing that a row says, with the stretch it was read from. */
export interface Saying {
  readonly text: string;
  /** The nearest first. */
  readonly guesses: readonly Guess[];
  /** The least of its words' confidences. */
  readonly confidence: number;
  readonly from: number;
  readonly to: number;
}

/** Words that may belong together: `CFexpress 4.0`, `R 800 MB/s`, `VPG 4 00`. */
const MOST_JOINED = 4;

/** Cost at which one of two ways to cut a row is the better: every word left over costs more than a doubtful one. */
const LEFT_OVER = 1.1;

/** What joining two words costs: a stray sign beside a word is not taken into it for nothing. */
const JOINED = 0.12;

interface Cut {
  readonly cost: number;
  readonly says: readonly Saying[];
}

const isBusAlone = (say: Saying): boolean => say.guesses[0]?.told === 'bus' && say.guesses[0].word.length <= 3;

/** A numeral by itself is a bus only where it stands after a family: elsewhere it may be a stroke of anything. */
function withoutStrayNumerals(says: readonly Saying[]): readonly Saying[] {
  return says.filter((say, at) => {
    const before = says[at - 1]?.guesses[0];
    return !isBusAlone(say) || before?.told === 'family' || (say.guesses[0]?.cost === 0 && say.text.length > 1);
  });
}

/** Cuts a row into what it says: the way that leaves the least over and changes the fewest characters. */
export function rowSays(words: readonly RowWord[]): readonly Saying[] {
  const best: Cut[] = [{ cost: 0, says: [] }];
  for (let end = 1; end <= words.length; end += 1) {
    const skipped = entryAt(best, end - 1);
    let own: Cut = { cost: skipped.cost + LEFT_OVER, says: skipped.says };
    for (let start = Math.max(0, end - MOST_JOINED); start < end; start += 1) {
      const part = words.slice(start, end);
      const text = part.map((word) => word.text).join(' ');
      const found = guesses(text);
      const [first] = found;
      const before = best[start];
      if (!first || !before) continue;
      const cost = before.cost + first.cost + 0.05 + JOINED * (part.length - 1);
      if (cost >= own.cost) continue;
      own = {
        cost,
        says: [
          ...before.says,
          {
            text,
            guesses: found,
            confidence: Math.min(...part.map(({ confidence }) => confidence)),
            from: part[0]?.from ?? 0,
            to: part.at(-1)?.to ?? 0,
          },
        ],
      };
    }
    best.push(own);
  }
  return withoutStrayNumerals(best.at(-1)?.says ?? []);
}

const NUMERALS = ['I', 'II', 'III'] as const;
/** Letters that a single upright stroke is read for. */
const STROKES_ONLY = /^[1Il|!iJjTt\][/\\]{1,4}$/;

/** A numeral held against the strokes that stand in the picture: where both say the same it is read, else it is asked. */
export function counted(say: Saying, strokes: number): Saying {
  const text = say.text.replace(/\s+/g, '');
  if (say.guesses[0]?.told !== 'bus' || !STROKES_ONLY.test(text)) return say;
  const numeral = NUMERALS[strokes - 1];
  if (numeral === undefined)
    return { ...say, guesses: say.guesses.map((guess) => ({ ...guess, cost: Math.max(0.4, guess.cost) })) };
  const agrees = text.length === strokes;
  const others = NUMERALS.filter((one) => one !== numeral && (say.guesses.some(({ word }) => word === one) || !agrees));
  return {
    ...say,
    guesses: [
      { told: 'bus', word: numeral, cost: agrees ? 0 : 0.4 },
      ...others.slice(0, 2).map((word) => ({ told: 'bus' as const, word, cost: 0.45 })),
    ],
    confidence: agrees ? Math.max(say.confidence, COUNTED) : say.confidence,
  };
}

/** How far a count of strokes that agrees with the text is trusted. */
const COUNTED = 0.6;

/** What stands in a frame: the digits of a grade in a bowl, of a class in a ring. Each is printed three times over. */
export function framedSays(kind: 'bowl' | 'ring', words: readonly RowWord[]): readonly Saying[] {
  const text = words.map((word) => word.text).join('');
  if (text === '') return [];
  const marks = kind === 'bowl' ? ['1', '3'] : ['2', '4', '6', '10'];
  const counts = marks
    .map((digits) => ({ digits, count: text.split(digits).length - 1 }))
    .sort((a, b) => b.count - a.count);
  const [first] = counts;
  if (!first || first.count === 0) return [];
  const isPlain = text === first.digits.repeat(3);
  return [
    {
      text: text.slice(0, first.digits.length),
      guesses: [
        {
          told: kind === 'bowl' ? 'grade' : 'class',
          word: `${kind === 'bowl' ? 'U' : 'C'}${first.digits}`,
          cost: isPlain ? 0 : 0.4,
        },
      ],
      confidence: Math.min(...words.map(({ confidence }) => confidence)),
      from: 0,
      to: Infinity,
    },
  ];
}
