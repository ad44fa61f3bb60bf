import { RATE_UNIT } from '../../../core/units/spelling.ts';
import { namesMark, readAsks } from './asks.ts';
import { isFigure, unitIn } from './cells.ts';
import { isMinutes, readMinutes, sizeIn } from './minutes.ts';
import { readNumber } from './numbers.ts';

/** What a column of a pasted table can be. Several may be parts of the name, or minutes of several sizes. */
export const MODE_COLUMNS = [
  'skip',
  'name',
  'size',
  'width',
  'height',
  'fps',
  'capture',
  'rate',
  'minutes',
  'asks',
  'codec',
] as const;
export type ModeColumn = (typeof MODE_COLUMNS)[number];

const HEADINGS: readonly (readonly [RegExp, ModeColumn])[] = [
  [/\bcards?\b|\bmedia\b|requir|recommend|speed\s*class|\bclass\b/i, 'asks'],
  [/bit\s*depth|colou?r|chroma|sampling|sound|audio/i, 'skip'],
  [/size|resol|picture|auflösung|サイズ|解像度/i, 'size'],
  [/width/i, 'width'],
  [/height/i, 'height'],
  [/capt|slow|s&q|sensor|shoot/i, 'capture'],
  [/\bmin(?:ute)?s?\b|recordable|record(?:ing)?\s*time|\bhours?\b|\btime\b/i, 'minutes'],
  [/fps|frame|speed|p$|bildrate|bildfrequenz|cadence|フレーム/i, 'fps'],
  [/[kmg]b|rate|bit|débit|ビット/i, 'rate'],
  [/codec|comp|type/i, 'codec'],
  [/name|mode|modus|format|モード|方式/i, 'name'],
];

/** A heading holds no figure of a row, and a word that names a column or no digit at all. */
export const isHeading = (row: readonly string[]): boolean =>
  row.some(Boolean) &&
  !row.some(isFigure) &&
  (row.some((text) => HEADINGS.some(([pattern]) => pattern.test(text))) || !row.some((text) => /\d/.test(text)));

/** A line that names two columns or more: a heading without cells. */
export const namesColumns = (line: string): boolean =>
  !/\d/.test(line) && HEADINGS.filter(([pattern]) => line.split(/\s+/).some((word) => pattern.test(word))).length > 1;

const UNIT_ALONE = new RegExp(String.raw`^[([]?\s*(?:px|pixels?|fps|p|hz|${RATE_UNIT})\s*[)\]]?$`, 'iu');

/** A second line of a heading: units in brackets or alone, and nothing else. */
export const isUnitRow = (row: readonly string[]): boolean =>
  row.some(Boolean) && row.every((text) => text === '' || UNIT_ALONE.test(text));

const SIZE_NAME = /^(?:dci\s*)?(?:[4568]k|c4k|uhd|fhd|full\s*hd|hd|2160p|1080[pi]|720p)(?:\s*(?:uhd|dci|16:9|17:9))?$/i;
const SIZE_FIGURES = /\d{3,5}\s*[x×*]\s*\d{3,5}/;

function mostly(cells: readonly string[], test: (text: string) => boolean): boolean {
  const filled = cells.filter(Boolean);
  return filled.length > 0 && filled.filter(test).length * 2 > filled.length;
}

/** What a column without a telling heading holds, by its cells. */
function byCells(cells: readonly string[]): ModeColumn | null {
  const filled = cells.filter(Boolean);
  const most = (test: (text: string) => boolean): boolean => mostly(cells, test);
  if (most((text) => SIZE_NAME.test(text))) return 'size';
  if (most(namesMark)) return 'asks';
  if (most(isMinutes)) return 'minutes';
  if (most((text) => isFigure(text) && unitIn(text) !== null)) return 'rate';
  if (most((text) => /^[\d.,\s]+\s*(?:p|fps)|\d\s*(?:p|fps)?\s*(?:\/|→|->)\s*\d/i.test(text))) return 'fps';
  if (most((text) => /^[\d.,'’\s]+$/.test(text))) {
    const values = filled.map((text) => readNumber(text, 'point'));
    return values.every((value) => value <= 240) ? 'fps' : 'rate';
  }
  return most((text) => /^(?:raw|.*intra|all-?i|long-?gop|ipb)$/i.test(text)) ? 'codec' : null;
}

/** A heading that is a card's size alone, over figures: the minutes on such a card. */
const isOfSize = (title: string, cells: readonly string[]): boolean =>
  sizeIn(title) !== null && mostly(cells, (text) => readMinutes(text) !== null);

/** A first guess at what each column is, by its heading, else by what stands in it; each meaning once. */
export function guessColumns(table: {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}): readonly ModeColumn[] {
  const { head, rows } = table;
  const taken = new Set<ModeColumn>();
  const take = (column: ModeColumn | null | undefined): ModeColumn | null => {
    if (!column || taken.has(column)) return null;
    if (column !== 'skip' && column !== 'minutes') taken.add(column);
    return column;
  };
  const cellsAt = (at: number): readonly string[] => rows.map((row) => row[at] ?? '');
  const sizedAt = head.findIndex((_, at) => mostly(cellsAt(at), (text) => SIZE_FIGURES.test(text)));
  // A picture size, and a mark, is known by its look, whatever the heading above it is called.
  if (sizedAt >= 0) taken.add('size');
  const asksAt = head.findIndex((_, at) => mostly(cellsAt(at), namesMark));
  if (asksAt >= 0) taken.add('asks');
  const named = head.map((title, at) =>
    at === sizedAt
      ? 'size'
      : at === asksAt
        ? 'asks'
        : unitIn(title) !== null
          ? take('rate')
          : isOfSize(title, cellsAt(at))
            ? 'minutes'
            : take(HEADINGS.find(([pattern, column]) => pattern.test(title) && !taken.has(column))?.[1]),
  );
  // A heading may name a class of something else: what is not understood at all is no lock.
  const isLock = (at: number): boolean => cellsAt(at).some((text) => text !== '' && readAsks(text, 'refuses') !== null);
  const told = named.map((column, at) =>
    column === 'asks' && !isLock(at) ? 'skip' : (column ?? take(byCells(cellsAt(at)))),
  );
  return told.map((column, at) => {
    if (column !== null) return column;
    const isText = rows.some((row) => /[a-z]/i.test(row[at] ?? ''));
    return (isText ? take('name') : null) ?? 'skip';
  });
}
