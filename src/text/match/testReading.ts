import type { Misfit } from '../../core/match/misfit.ts';
import type { TestReading } from '../../core/match/testReading.ts';
import { assertNever } from '../../core/result.ts';
import { MBpsText, plain } from '../quantity.ts';

/** The likely reason why the numbers of a test cannot all be true. */
export function misfitText(misfit: Misfit): string {
  switch (misfit.code) {
    case 'no-time':
      return 'No length is given.';
    case 'outlasts':
      return 'The card would have been full before: another card, another mode, or a slip in the time?';
    case 'clock':
      return misfit.too === 'short'
        ? 'Sixty times too fast: hours typed as minutes, or minutes as seconds?'
        : 'Sixty times too slow: minutes typed as hours, or seconds as minutes?';
    case 'bits-or-bytes':
      return 'Eight times off: bits or bytes in the rate of the mode?';
    case 'split':
      return `A share of the rate: split over ${misfit.cards} cards?`;
    case 'ratio':
      return `As ${misfit.ratio}:1 would write: recorded at another ratio than this mode?`;
    case 'capture-speed':
      return 'Off by the slow motion: is the rate that of the captured speed?';
    case 'not-empty':
      return 'Was the card empty, and is the time right?';
    case 'other-rate':
      return 'Another mode, a rate that varies, or a slip in the time?';
    default:
      return assertNever(misfit);
  }
}

/** What a test says that cannot be true, asked before it is kept; null where its numbers fit. */
export function misfitQuestion({ implied, average, misfit }: TestReading): string | null {
  if (misfit === null) return null;
  if (implied === null || average === null) return `These numbers do not fit. ${misfitText(misfit)}`;
  const times = plain(implied / average, implied / average < 0.1 ? 3 : 2);
  return `These numbers do not fit: they say ${MBpsText(implied)}, ${times} times what the mode writes (${MBpsText(average)}). ${misfitText(misfit)}`;
}
