import type { Verdict } from '../../core/match/verdict.ts';
import { ASSUMED_WORDS } from '../assumed.ts';

/** The word that always stands beside a verdict's glyph. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  guaranteed: 'Guaranteed',
  tight: 'Tight',
  proven: 'Test passed',
  claimed: 'Maker’s claim only',
  held: 'Part-tested',
  uncovered: 'Not covered',
  drops: 'Drops',
  locked: 'Locked out',
  unfit: 'Won’t fit',
};

/** The same where a cell has little room; read aloud it is said in full. */
export const CELL_WORDS: Readonly<Record<Verdict, string>> = { ...VERDICT_WORDS, claimed: 'Maker’s claim' };

/** What each verdict means, for a legend and the guide. */
export const VERDICT_MEANINGS: Readonly<Record<Verdict, string>> = {
  guaranteed:
    'A written promise that counts in this slot covers the rate and your headroom: a speed mark, a minimum its maker states, or the approval of the body’s maker.',
  tight: 'A written promise (mark, maker’s minimum, approval) covers the rate, and not your headroom.',
  proven: 'No mark promises it; your own test on this body filled a card with it.',
  claimed: `Only the maker’s sustained figure, less ${ASSUMED_WORDS.derating}, reaches it.`,
  held: 'Nothing promises it; your own takes held it without a lost frame for as long as they lasted. Beyond that nothing is known.',
  uncovered: 'Nothing known reaches the rate. That is unknown, not zero.',
  drops: 'The bus or the body is slower than the stream, or your own test dropped frames.',
  locked: 'The body refuses this mode without a mark this card lacks.',
  unfit: 'Shape, protocol or capacity family do not match.',
};
