import { type Frame, fitted, type Gray, sampled } from './gray.ts';
import { inked, surroundings } from './ink.ts';
import { type Letters, lettersIn, type PrintFound, printAt } from './lines.ts';
import { around, LOOKED_AT } from './readCard.ts';
import type { RecognisedWord, Recogniser } from './recogniser.ts';
import { type Piece, pieceOf } from './rows.ts';

/** A cell of a photographed table, or a stretch of a photographed screen. */
export interface TextCell {
  readonly text: string;
  /** What the other reading says where it says something else; null where both agree. */
  readonly other: string | null;
  /** Whether a figure in it is asked about. */
  readonly isDoubtful: boolean;
  readonly piece: Piece;
}

/** Rows of a photographed page or screen, from its top. */
export interface TextReading {
  readonly rows: readonly (readonly TextCell[])[];
  readonly angle: number;
}

/** Height of letters in the first and the second reading, pixels. */
const TALLS = [30, 24] as const;
/** Longest side of a straightened page, pixels. */
const LONGEST = 2600;
/** Gap between two cells, in heights of letters. */
const CELL_GAP = 1.3;
/** Confidence below which a figure is asked about. */
const CONFIDENT = 0.6;
/** Digits that a zero with a bar or a dot is read for, whatever the recogniser's confidence. */
const BARRED = /[68]/;
/** How strongly ink is set off from what is around it. */
const STRENGTH = 3.2;

const middleOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** The straightened page: all print of a picture upright, dark on white, at one height of letters. */
function pageOf(whole: Gray, print: PrintFound, scale: number, tall: number): { gray: Gray; frame: Frame } | null {
  const lines = print.lines.filter(({ letters }) => letters.length > 1);
  if (lines.length === 0) return null;
  const usual = middleOf(lines.flatMap((line) => line.letters.map(() => line.tall)));
  const pad = usual * 1.2;
  const [from, to] = [
    Math.min(...lines.map((line) => line.from)) - pad,
    Math.max(...lines.map((line) => line.to)) + pad,
  ];
  const [top, base] = [
    Math.min(...lines.map((line) => line.top)) - pad,
    Math.max(...lines.map((line) => line.base)) + pad,
  ];
  const step = Math.max(usual / tall, (to - from) / LONGEST, (base - top) / LONGEST);
  const [cos, sin] = [Math.cos(print.angle), Math.sin(print.angle)];
  const frame: Frame = {
    x: (from * cos - top * sin) / scale,
    y: (from * sin + top * cos) / scale,
    across: [(cos * step) / scale, (sin * step) / scale],
    down: [(-sin * step) / scale, (cos * step) / scale],
    width: Math.max(16, Math.round((to - from) / step)),
    height: Math.max(16, Math.round((base - top) / step)),
  };
  const gray = sampled(whole, frame);
  const light = lines
    .filter(({ polarity }) => polarity === 'light')
    .reduce((sum, { letters }) => sum + letters.length, 0);
  const all = lines.reduce((sum, { letters }) => sum + letters.length, 0);
  const sign = light > all / 2 ? -1 : 1;
  const around = surroundings(gray, tall);
  const data = gray.data.map((shade, at) => {
    const out = 236 + (shade - (around[at] ?? 0)) * sign * STRENGTH;
    return Math.max(0, Math.min(255, out));
  });
  return { gray: { ...gray, data }, frame };
}

interface Word extends RecognisedWord {
  readonly middle: number;
}

/** Words of one line, those of a cell together. */
function cellsOf(words: readonly Word[], tall: number): readonly (readonly Word[])[] {
  const cells: Word[][] = [];
  for (const word of [...words].sort((a, b) => a.left - b.left)) {
    const cell = cells.at(-1);
    const last = cell?.at(-1);
    if (cell && last && word.left - last.right < CELL_GAP * tall) cell.push(word);
    else cells.push([word]);
  }
  return cells;
}

/** Words in lines, from the top. */
function linesOf(words: readonly RecognisedWord[], tall: number): readonly (readonly Word[])[] {
  const placed = words
    .filter(({ text }) => /[\p{L}\p{N}]/u.test(text))
    .map((word) => ({ ...word, middle: (word.top + word.bottom) / 2 }))
    .sort((a, b) => a.middle - b.middle);
  const lines: Word[][] = [];
  for (const word of placed) {
    const line = lines.at(-1);
    if (line && word.middle - middleOf(line.map(({ middle }) => middle)) < tall * 0.6) line.push(word);
    else lines.push([word]);
  }
  return lines;
}

const textOf = (words: readonly RecognisedWord[]): string => words.map(({ text }) => text).join(' ');

/** What the second reading has in the place of a cell of the first. */
function inPlace(cell: readonly Word[], second: readonly RecognisedWord[], ratio: number): string {
  const [left, right] = [Math.min(...cell.map((word) => word.left)), Math.max(...cell.map((word) => word.right))];
  const [top, bottom] = [Math.min(...cell.map((word) => word.top)), Math.max(...cell.map((word) => word.bottom))];
  const own = second.filter((word) => {
    const [x, y] = [((word.left + word.right) / 2) * ratio, ((word.top + word.bottom) / 2) * ratio];
    return x > left - 3 && x < right + 3 && y > top && y < bottom;
  });
  return textOf([...own].sort((a, b) => a.left - b.left));
}

const figures = (text: string): string => text.replace(/\s+/g, '').replace(/[.,]$/, '');

async function readAt(
  whole: Gray,
  letters: Letters,
  { angle, scale }: { readonly angle: number; readonly scale: number },
  recognise: Recogniser,
): Promise<{
  readonly words: readonly RecognisedWord[];
  readonly print: PrintFound;
  readonly frame: Frame;
  readonly sense: number;
}> {
  const print = printAt(letters, angle);
  const page = pageOf(whole, print, scale, TALLS[0]);
  if (!page)
    return { words: [], print, frame: { x: 0, y: 0, across: [1, 0], down: [0, 1], width: 1, height: 1 }, sense: 0 };
  const words = await recognise(page.gray);
  const [well, all] = words.reduce(
    ([good, sum], { text, confidence }) => [good + (confidence > 0.7 ? text.length : 0), sum + text.length],
    [0, 0],
  );
  const sense = all === 0 ? 0 : well / all;
  return { words, print, frame: page.frame, sense };
}

/** Share of letters read well above which no other turn is tried. */
const ENOUGH = 0.7;

/**
 * Reads the rows of a table or a screen in a picture, at any turn. Twice, at two sizes: a figure that the two give otherwise
 * is doubtful.
 *
 * @throws what the recogniser throws
 */
export async function readText(whole: Gray, recognise: Recogniser): Promise<TextReading> {
  const { gray, scale } = fitted(whole, LOOKED_AT);
  const letters = lettersIn(inked(gray, around(gray)));
  let best = await readAt(whole, letters, { angle: letters.angle, scale }, recognise);
  for (const turn of [2, 1, 3]) {
    if (best.sense >= ENOUGH) break;
    const other = await readAt(whole, letters, { angle: letters.angle + (turn * Math.PI) / 2, scale }, recognise);
    if (other.sense > best.sense) best = other;
  }
  const { words, print, frame } = best;
  const again = pageOf(whole, print, scale, TALLS[1]);
  const second = again ? await recognise(again.gray) : [];
  const ratio = again ? Math.hypot(...again.frame.across) / Math.hypot(...frame.across) : 1;
  const [tall] = TALLS;
  const rows = linesOf(words, tall).map((line) =>
    cellsOf(line, tall).map((cell): TextCell => {
      const text = textOf(cell);
      const other = inPlace(cell, second, ratio);
      const agrees = figures(other) === figures(text);
      const least = Math.min(...cell.map(({ confidence }) => confidence));
      const edge = 6;
      return {
        text,
        other: agrees || other === '' ? null : other,
        isDoubtful: /\d/.test(text + other) && (!agrees || least < CONFIDENT || BARRED.test(text)),
        piece: pieceOf(
          {
            frame: {
              ...frame,
              x: frame.x + frame.down[0] * (Math.min(...cell.map(({ top }) => top)) - edge),
              y: frame.y + frame.down[1] * (Math.min(...cell.map(({ top }) => top)) - edge),
              height:
                Math.max(...cell.map(({ bottom }) => bottom)) - Math.min(...cell.map(({ top }) => top)) + 2 * edge,
            },
          },
          Math.min(...cell.map(({ left }) => left)) - edge,
          Math.max(...cell.map(({ right }) => right)) + edge,
        ),
      };
    }),
  );
  return { rows, angle: print.angle };
}
