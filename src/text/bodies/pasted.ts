import { ASSUMED, COUNTER_USABLE } from '../../core/standards/assumptions.ts';
import type { ModeColumn } from '../../reading/bodies/paste/columns.ts';
import type { RowAs } from '../../reading/bodies/paste/rows.ts';
import type { RowProblem } from '../../reading/bodies/pasteModes.ts';
import { plain } from '../quantity.ts';

/** What a column of a pasted table is, as its menu says it. */
export const COLUMN_WORDS: Readonly<Record<ModeColumn, string>> = {
  skip: 'ignore',
  name: 'name',
  size: 'size',
  width: 'width, px',
  height: 'height, px',
  fps: 'fps recorded',
  capture: 'fps captured',
  rate: 'rate',
  minutes: 'minutes on a card',
  asks: 'asks for',
  codec: 'codec',
};

export const ROW_WORDS: Readonly<Record<RowAs, string>> = {
  mode: 'a mode',
  joins: 'more of the row above',
  heads: 'title of the rows below',
  out: 'left out',
};

export const PROBLEM_WORDS: Readonly<Record<RowProblem, string>> = {
  fps: 'no frame rate: type it in',
  rate: 'no rate that can be read: type it in',
  size: 'size not understood: type it, or empty it',
  asked: 'waits for an answer above',
  minutes: 'no minutes that can be read: type them in, as 75 or 1:15',
  cap: 'at least that: the counter shows no more, and no rate comes of it',
  bucket: 'the counter shows the same for several modes, and no rate comes of it',
  odd: 'its sizes exclude each other: one of them is a slip',
  asks: 'what it asks for is not understood: type the marks, or empty it',
  long: 'name too long: shorten it to 80 letters',
};

export const modesText = (count: number): string => `${count} ${count === 1 ? 'mode' : 'modes'}`;

/** What is not yet a mode, and so would be missing. */
export const missingText = (rows: number): string =>
  rows === 1
    ? 'One row is not read yet and would be left out.'
    : `${rows} rows are not read yet and would be left out.`;

/** Readings that are left out of a mode, since its counter shows them for several modes alike; empty where none is. */
export const asideText = (aside: readonly { readonly minutes: number; readonly capacityGB: number }[]): string =>
  aside.length === 0
    ? ''
    : `Set aside, one value for several modes: ${aside.map(({ minutes, capacityGB }) => `${plain(minutes)} min on ${plain(capacityGB)} GB`).join(', ')}`;

/** A column that is left out, and what stands in it. */
export const ignoredText = ({ title, cells }: { readonly title: string; readonly cells: readonly string[] }): string =>
  `${title || 'A column'} (${cells.join(', ')})`;

/**
 * The rate that minutes leave open: the widest, with 80 to 100 % of a card usable, and what the usable share that is assumed
 * elsewhere comes to.
 */
export function counterRateText({
  lowMbps,
  highMbps,
}: {
  readonly lowMbps: number;
  readonly highMbps: number;
}): string {
  const share = ASSUMED.usableFraction.value;
  const [low, high] = [(lowMbps / COUNTER_USABLE.low) * share, highMbps * share];
  return `${plain(lowMbps, 0)} to ${plain(highMbps, 0)} Mb/s, the highest counts; ${plain(low, 0)} to ${plain(high, 0)} if ${plain(share * 100)} % is usable`;
}
