import type { Run } from '../../core/prove/runs.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { clockText, plain } from '../quantity.ts';
import { END_WORD } from './log.ts';

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
