import { rateUnitIn } from '../../../core/units/spelling.ts';
import { isFigure, readPicture, readSpeeds, unitIn } from './cells.ts';

type Row = readonly string[];

/** A speed that says so itself; `1080p` is a picture. */
const SPEED = /^\d{1,3}(?:[.,]\d{1,3})?\s*(?:p|i|fps|hz)$/i;
const BARE_SPEED = /^\d{2,3}(?:[.,]\d{1,3})?$/;
const LINES = new Set(['480', '540', '576', '720', '1080', '1440', '2160', '4320']);
/** What says that bare numbers beside it are speeds. */
const OF_SPEED = /fps|frame|speed|bild(?:rate|frequenz)|cadence|フレーム/i;
const OF_MINUTES = /\bmin(?:ute)?s?\b|recordable|record(?:ing)?\s*time|\bhours?\b/i;
const OF_SIZE = /size|resol|picture|auflösung|サイズ|解像度/i;
/** A cell in which a mode does not exist. */
const ABSENT = /^(?:[-–—―−×x✕✗]|n\/?a|none|not\s+available|no)?$/i;

type Axis = 'fps' | 'size';

const isSpeed = (text: string, bare: boolean): boolean =>
  text.split(/\s*\/\s*/).every((part) => {
    if (LINES.has(/^\d+/.exec(part)?.[0] ?? '')) return false;
    return SPEED.test(part) || (bare && BARE_SPEED.test(part));
  }) && readSpeeds(text, 'point') !== null;
const isSize = (text: string): boolean => readPicture(text) !== null || /^(?:dci\s*)?[4-8]k$/i.test(text);

/** The columns of a line that are speeds, or sizes, and nothing else: at least two, with no other figure beside them. */
export function axisOf(row: Row): { readonly axis: Axis; readonly columns: readonly number[] } | null {
  const isTold = row.some((text) => OF_SPEED.test(text));
  const places = row.map((_, at) => at).filter((at) => row[at] !== '');
  const only = (test: (text: string) => boolean): readonly number[] => places.filter((at) => test(row[at] ?? ''));
  const speeds = only((text) => isSpeed(text, isTold));
  const sizes = only(isSize);
  const [axis, columns] = speeds.length >= sizes.length ? (['fps', speeds] as const) : (['size', sizes] as const);
  const others = places.filter((at) => !columns.includes(at));
  if (columns.length < 2 || others.some((at) => isFigure(row[at] ?? '') || isSize(row[at] ?? ''))) return null;
  return new Set(columns.map((at) => row[at])).size === columns.length ? { axis, columns } : null;
}

const NUMBER = /^[\d.,'’\s]*\d[\d.,'’\s]*/;

/** Whether a cell is a rate, or several, one for each speed of its column. */
const isRate = (text: string): boolean =>
  NUMBER.test(text) && !SPEED.test(text) && !isSize(text) && !/\d\s*[x×*]\s*\d/.test(text);

/** Lines above the heading of a table of two ways that may be its titles. */
const TITLES = 3;

/**
 * A table whose headings are speeds and whose rows are sizes, or the other way about, with a rate in every cell: a row for
 * each rate, as other tables have them. Cells in which a mode does not exist are left out; what is not understood stays, to
 * be asked about in its place.
 *
 * @param rows - as cut, its heading among them
 * @returns null where it is no such table
 */
export function unrolled(rows: readonly Row[]): { readonly head: string[]; readonly rows: string[][] } | null {
  const at = rows.slice(0, TITLES + 1).findIndex((row) => axisOf(row) !== null);
  const heading = rows[at];
  const found = heading ? axisOf(heading) : null;
  if (!heading || !found) return null;
  const { axis, columns } = found;
  const below = rows.slice(at + 1);
  const inColumns = below.flatMap((row) => columns.map((one) => row[one] ?? '')).filter((text) => !ABSENT.test(text));
  if (inColumns.length < 2 || inColumns.filter(isRate).length * 2 <= inColumns.length) return null;
  const others = heading.map((_, one) => one).filter((one) => !columns.includes(one));
  const titles = [...rows.slice(0, at).flat(), ...others.map((one) => heading[one] ?? '')];
  const unit = titles.find((text) => unitIn(text) !== null);
  const name = (text: string, place: number): string => {
    // A corner that names both ways names the rows: "size \ fps".
    const other = axis === 'fps' ? OF_SIZE : OF_SPEED;
    if (other.test(text)) return axis === 'fps' ? 'Size' : 'Frame rate';
    return text === '' || OF_MINUTES.test(text) || OF_SPEED.test(text) || OF_SIZE.test(text) || unitIn(text)
      ? `column ${place + 1}`
      : text;
  };
  const head = [
    ...others.map((one) => name(heading[one] ?? '', one)),
    axis === 'fps' ? 'Frame rate' : 'Size',
    unit ? `Rate ${rateUnitIn(unit) ?? ''}`.trim() : (titles.find((text) => OF_MINUTES.test(text)) ?? 'Rate'),
  ];
  const made = below.flatMap((row): string[][] => {
    const own = others.map((one) => row[one] ?? '');
    const rates = columns.filter((one) => !ABSENT.test(row[one] ?? ''));
    if (rates.length > 0) return rates.map((one) => [...own, heading[one] ?? '', row[one] ?? '']);
    // A title over the rows below it; a row without any mode is none.
    return own.filter(Boolean).length === 1 && columns.every((one) => !row[one]) ? [[...own, '', '']] : [];
  });
  return made.length > 0 ? { head, rows: made } : null;
}
