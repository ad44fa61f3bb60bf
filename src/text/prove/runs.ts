import type { Card } from '../../core/kit/model.ts';
import type { BenchRow, Span } from '../../core/prove/benchTable.ts';
import type { Run } from '../../core/prove/runs.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { cardPromise } from '../match/cell.ts';
import { clockText, plain } from '../quantity.ts';
import { END_WORD, PROGRAM_WORDS } from './log.ts';

/** What the marks of the table mean. */
export const EQUAL_RUNS_TEXT =
  'Each run with its length and end. Runs of one mode and length that wrote the same bytes lost nothing: a constant rate writes the same again.';

/** How long a run was and how it ended. */
export const runText = ({ seconds, end }: Run): string => `${clockText(seconds as Seconds)} ${END_WORD[end]}`;

/** Its bytes, and what they say beside others of its length; empty where none were noted. */
export function runNote({ GB, isEqual, lessBy }: Run): string {
  if (GB === null) return '';
  const size = `${plain(GB, 2)}\u00a0GB`;
  if (lessBy !== null) return `${size}, ${plain(lessBy * 100, lessBy < 0.1 ? 1 : 0)}\u00a0% less than another`;
  return isEqual ? `${size}, equal: nothing was lost` : size;
}

/** What the table of bench results says first. */
export const BENCH_TABLE_TEXT =
  'A computer is no camera: none of this proves a take. What is above all that the card can pass came from the memory of the computer, and is struck out.';

/** Which program, in which reader. */
export const benchRowName = ({ program, reader }: BenchRow): string =>
  [PROGRAM_WORDS[program], reader].filter(Boolean).join(', ');

/** From worst to best, one figure where they are one; a dash where nothing was noted. */
export function spanText(span: Span | null): string {
  if (span === null) return '—';
  const [least, most] = [plain(span.least, 0), plain(span.most, 0)];
  return least === most ? `${least}\u00a0MB/s` : `${least} to ${most}\u00a0MB/s`;
}

/** What is printed on a card of its speed: its best mark, and its peaks. */
export const printedText = (card: Card): string =>
  [
    cardPromise(card),
    card.readMBps === null ? null : `reads ${plain(card.readMBps, 0)}`,
    card.writeMBps === null ? null : `writes ${plain(card.writeMBps, 0)}`,
  ]
    .filter((part): part is string => part !== null)
    .join(', ');
