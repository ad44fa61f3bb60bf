import type { Misfit, TestReading } from '../core/match/testReading.ts';
import { assertNever } from '../core/result.ts';
import { MBpsText, plain } from './quantity.ts';

/** The likely reason why the numbers of a test cannot all be true. */
export function misfitText(misfit: Misfit): string {
  switch (misfit.code) {
    case 'no-time':
      return 'no length is given.';
    case 'clock':
      return misfit.too === 'short'
        ? 'sixty times too fast: hours typed as minutes, or minutes as seconds?'
        : 'sixty times too slow: minutes typed as hours, or seconds as minutes?';
    case 'bits-or-bytes':
      return 'eight times off: bits or bytes in the rate of the mode?';
    case 'split':
      return `a share of the rate: split over ${misfit.cards} cards?`;
    case 'ratio':
      return `as ${misfit.ratio}:1 would write: recorded at another ratio than this mode?`;
    case 'capture-speed':
      return 'off by the slow motion: is the rate that of the captured speed?';
    case 'not-empty':
      return 'faster than the mode writes: was the card empty, is the time right?';
    case 'other-rate':
      return 'slower than the mode writes: another mode, a rate that varies, or is the time right?';
    default:
      return assertNever(misfit);
  }
}

/** What a test says that cannot be true, asked before it is kept; null where its numbers fit. */
export function misfitQuestion({ implied, average, misfit }: TestReading): string | null {
  if (misfit === null) return null;
  if (implied === null || average === null) return `These numbers do not fit: ${misfitText(misfit)}`;
  const times = plain(implied / average, implied / average < 0.1 ? 3 : 2);
  return `These numbers do not fit: they say ${MBpsText(implied)}, ${times} times what the mode writes (${MBpsText(average)}). Likely ${misfitText(misfit)}`;
}
