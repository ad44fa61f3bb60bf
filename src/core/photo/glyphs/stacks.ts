import type { RowReading } from '../findings.ts';
import type { RowWord } from '../recogniser.ts';
import { pieceOf, type Row } from '../rows.ts';
import { digitsTold, isWord, type Sign } from './marksTold.ts';

/** Signs of a row that stand together. */
interface Run {
  readonly at: number;
  readonly row: Row;
  readonly signs: readonly Sign[];
  /** Its middle along and across the direction of the print, and its size: pixels of the picture. */
  readonly x: number;
  readonly y: number;
  readonly wide: number;
  readonly tall: number;
}

/** Gap that parts two runs, in heights of capitals. */
const GAP = 0.4;
/** How far apart the middles of a word and of the digits under it may be, as a share of the wider. */
const ASIDE = 0.4;
/** And how far below it they stand, in heights of the digits. */
const BELOW = [0.6, 2.2] as const;

function runOf(at: number, row: Row, signs: readonly Sign[]): Run {
  const piece = pieceOf(row, signs[0]?.from, signs.at(-1)?.to);
  const step = Math.hypot(...row.frame.across);
  const [cos, sin] = [row.frame.across[0] / step, row.frame.across[1] / step];
  const [cx, cy] = [0, 1].map((axis) => piece.reduce((sum, corner) => sum + (corner[axis] ?? 0), 0) / piece.length);
  return {
    at,
    row,
    signs,
    x: (cx ?? 0) * cos + (cy ?? 0) * sin,
    y: (cy ?? 0) * cos - (cx ?? 0) * sin,
    wide: ((signs.at(-1)?.to ?? 0) - (signs[0]?.from ?? 0)) * step,
    tall: row.tall * step,
  };
}

function runsOf(rows: readonly Row[], signs: readonly (readonly Sign[])[]): readonly Run[] {
  return rows.flatMap((row, at) => {
    if (row.kind !== 'line') return [];
    const groups: Sign[][] = [];
    for (const sign of signs[at] ?? []) {
      const group = groups.at(-1);
      const last = group?.at(-1);
      if (group && last && sign.from - last.to < GAP * row.tall) group.push(sign);
      else groups.push([sign]);
    }
    return groups.map((group) => runOf(at, row, group));
  });
}

const isUnder = (digits: Run, word: Run): boolean => {
  const below = (digits.y - word.y) / digits.tall;
  return Math.abs(digits.x - word.x) < ASIDE * Math.max(digits.wide, word.wide) && below > BELOW[0] && below < BELOW[1];
};

/** Gap behind a run, in heights of capitals, within which the next one belongs to it: a unit behind its number. */
const BEHIND = 1.5;

/** Whether nothing stands behind a run that it could belong to: 400 of `400 MB/s` is no guarantee, VPG of `VPG 200` has its digits. */
function standsAlone(run: Run, runs: readonly Run[], rows: readonly Row[]): boolean {
  const end = run.signs.at(-1)?.to ?? 0;
  const isFollowed = runs.some((other) => {
    const gap = (other.signs[0]?.from ?? 0) - end;
    return other.at === run.at && gap > 0 && gap < BEHIND * run.row.tall;
  });
  return !isFollowed && rows.every((other) => other === run.row || other.line !== run.row.line);
}

/** What the recogniser read where a run stands. */
const textIn = (words: readonly RowWord[], { signs }: Run): string => {
  const [from, to] = [signs[0]?.from ?? 0, signs.at(-1)?.to ?? 0];
  return words
    .filter((word) => (word.from + word.to) / 2 > from - 4 && (word.from + word.to) / 2 < to + 4)
    .map(({ text }) => text)
    .join('');
};

/** What a stack costs whose digits were read as others: it is asked about. */
const OTHERWISE = 0.8;

/** Digits of a guarantee in a line of their own, without the letters above them: told, and always asked about. */
function loneDigits(rows: readonly Row[], runs: readonly Run[]): readonly RowReading[] {
  return runs.flatMap((run): RowReading[] => {
    const isAlone = runs.filter((other) => other.at === run.at).length === 1 && standsAlone(run, runs, rows);
    const told = isAlone ? digitsTold('VPG', run.signs) : null;
    return told ? [{ row: run.row, says: [], told: [told] }] : [];
  });
}

/** Guarantees of which the digits stand under their letters, each in a row of its own. */
export function stacksIn(
  rows: readonly Row[],
  signs: readonly (readonly Sign[])[],
  words: readonly (readonly RowWord[])[],
): readonly RowReading[] {
  const runs = runsOf(rows, signs);
  const stacked = runs
    .filter((run) => isWord('VPG', run.signs) && standsAlone(run, runs, rows))
    .flatMap((word) =>
      runs.flatMap((digits): RowReading[] => {
        const isOfIt = digits.at !== word.at && isUnder(digits, word) && standsAlone(digits, runs, rows);
        const told = isOfIt ? digitsTold('VPG', digits.signs) : null;
        if (!told) return [];
        const text = textIn(words[digits.at] ?? [], digits);
        const isSame = `VPG${text}` === told.word;
        return [
          {
            row: digits.row,
            says: [
              {
                text: `VPG ${text}`,
                guesses: [{ told: 'vpg', word: told.word, cost: isSame ? 0 : OTHERWISE }],
                confidence: told.chance,
                from: told.from,
                to: told.to,
              },
            ],
            told: [told],
          },
        ];
      }),
    );
  return stacked.length > 0 ? stacked : loneDigits(rows, runs);
}
