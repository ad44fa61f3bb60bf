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
  drops: 'Drops frames',
  locked: 'Camera refuses',
  unfit: 'Won’t fit',
};

/** The same where a cell has little room; read aloud it is said in full. */
export const CELL_WORDS: Readonly<Record<Verdict, string>> = {
  ...VERDICT_WORDS,
  claimed: 'Maker’s claim',
  locked: 'Refused',
};

/** What each verdict means, for a legend and the guide. */
export const VERDICT_MEANINGS: Readonly<Record<Verdict, string>> = {
  guaranteed:
    'A written promise that counts in this slot (speed mark, maker’s minimum or approval) covers the rate with your headroom.',
  tight: 'A written promise that counts in this slot covers the rate, but not your headroom on top.',
  proven:
    'No written promise covers the rate, but this card passed your own test in this camera, for as long as the test ran. Not a guarantee.',
  claimed: `Only the maker’s stated sustained speed, less ${ASSUMED_WORDS.derating}, reaches the rate. Nobody guarantees it.`,
  held: 'No written promise covers the rate. Your own takes were stopped by hand and lost no frame until then; nothing is known beyond.',
  uncovered:
    'No written promise, test of yours or maker’s figure covers the rate. Whether it is fast enough is not known.',
  drops: 'The slot or the camera is slower than the rate, or this card dropped frames in your own test.',
  locked: 'The camera refuses this mode unless the card carries a certain mark, and this card does not.',
  unfit: 'The card’s shape, connection (protocol) or capacity type does not match the slot.',
};
