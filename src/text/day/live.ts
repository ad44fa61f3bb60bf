import type { CardState } from '../../core/kit/model.ts';
import { assertNever } from '../../core/result.ts';
import type { PressDoubt } from '../../core/rotation/states.ts';

/** Where a card stands, on the day. */
export const LIVE_STATES: Readonly<Record<CardState, string>> = {
  free: 'free',
  'in-body': 'recording',
  full: 'full',
  copying: 'copying',
  'copied-once': 'copied once',
  verified: 'verified',
};

/** What the one press of a card says: where it goes next. */
export const PRESS_WORDS: Readonly<Record<CardState, string>> = {
  'in-body': 'In a body',
  full: 'Full',
  copying: 'Copying',
  'copied-once': 'Copied once',
  verified: 'Verified',
  free: 'Free it',
};

/** How a state reads: what may not be wiped is hot or warm. */
export const LIVE_TONES: Readonly<Record<CardState, 'cool' | 'warm' | 'hot' | 'mute'>> = {
  free: 'mute',
  'in-body': 'cool',
  full: 'hot',
  copying: 'warm',
  'copied-once': 'hot',
  verified: 'cool',
};

/** What stands against a press, as it is said before it is overridden, and as it is kept with it. */
export function doubtText(doubt: PressDoubt, card: string, to: CardState): string {
  switch (doubt.code) {
    case 'not-safe': {
      const have = doubt.have === 0 ? 'No verified copy' : `Only ${doubt.have} of ${doubt.need} verified copies`;
      const then = to === 'free' ? 'Once it is free it may be wiped' : 'It is wiped when it is formatted in the body';
      return `${have} of what is on ${card} exists by what was pressed. ${then}, and then that is lost.`;
    }
    case 'out-of-order':
      return `${card} is ${LIVE_STATES[doubt.state]}: ${LIVE_STATES[to]} does not follow from that.`;
    default:
      return assertNever(doubt);
  }
}
