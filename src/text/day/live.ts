import type { CardState } from '../../core/kit/model.ts';
import type { Plan, PlanPress } from '../../core/kit/plan.ts';
import { assertNever } from '../../core/result.ts';
import type { PressDoubt } from '../../core/rotation/states.ts';
import { together } from '../quantity.ts';

/** Where a card stands, on the day. */
export const LIVE_STATES: Readonly<Record<CardState, string>> = {
  free: 'free',
  'in-body': 'in a camera',
  full: 'full',
  copying: 'copying',
  'copied-once': 'copied once',
  verified: 'verified',
};

/** What the one press of a card says: where it goes next. */
export const PRESS_WORDS: Readonly<Record<CardState, string>> = {
  'in-body': 'In a camera',
  full: 'Full',
  copying: 'Copying',
  'copied-once': 'Copied once',
  verified: 'Verified',
  free: 'Mark as free',
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

/** What a verified card is verified by: which copies, how, and who said so. */
export function verifiedText({ proof, who }: Pick<PlanPress, 'proof' | 'who'>, copies: number, when: string): string {
  const of = copies === 1 ? '1 copy' : `${copies} copies`;
  const how = proof === 'lists' ? 'checksum lists match' : 'noted by hand; checksum lists not compared';
  return `${of}, ${how}: ${who || 'nobody named'}, ${when}`;
}

/** A card of which the last press and the wallet say two things. */
export const differsText = (pressed: CardState, wallet: CardState): string =>
  `pressed ${LIVE_STATES[pressed]}, and ${LIVE_STATES[wallet]} in your cards: the less safe shows`;

/** How far apart two clocks are. */
export const apartText = (aheadSeconds: number): string =>
  `Their clock is ${minutesApart(Math.abs(aheadSeconds))} ${aheadSeconds > 0 ? 'ahead of' : 'behind'} yours.`;

const minutesApart = (seconds: number): string => {
  const minutes = Math.round(seconds / 60);
  return minutes < 120
    ? `${minutes} min`
    : minutes < 2880
      ? `${Math.round(minutes / 60)} h`
      : `${Math.round(minutes / 1440)} days`;
};

/** What stands against a press, as it is said before it is overridden, and as it is kept with it. */
export function doubtText(doubt: PressDoubt, card: string, to: CardState): string {
  switch (doubt.code) {
    case 'not-safe': {
      const have = doubt.have === 0 ? 'No verified copy' : `Only ${doubt.have} of ${doubt.need} verified copies`;
      const then =
        to === 'free'
          ? 'Once you mark it free, someone may format it'
          : 'It is wiped when it is formatted in the camera';
      return `${have} of ${card} ${doubt.have > 1 ? 'are' : 'is'} noted here. ${then}, and what is on it is lost.`;
    }
    case 'no-copy':
      return `No copy of ${card} was noted. Verified says that ${doubt.need === 1 ? 'its copy is' : `all ${doubt.need} copies are`} made and checked: after that it may be wiped.`;
    case 'out-of-order':
      return `${card} is noted as ${LIVE_STATES[doubt.state]}: ${LIVE_STATES[to]} does not follow from that.`;
    default:
      return assertNever(doubt);
  }
}

/** Of bodies that were to record by now and of which nothing was pressed. */
export const asPlannedText = (bodies: readonly string[]): string =>
  `Nothing was noted for ${bodies.join(', ')}: what went in there is taken as planned, and what came out as not copied.`;

/** Most names of free cards in one line; the rest are counted. */
const FREE_NAMES = 5;

/** Which cards may go in now, and which is next: "Free now: A-02, B-03. Next, once copied twice: B-01, about 11:40." */
export function freeText(
  now: readonly string[],
  next: { readonly card: string; readonly clock: string } | null,
  { count, verify }: Pick<Plan['copies'], 'count' | 'verify'>,
): string {
  const more = now.length > FREE_NAMES ? ` and ${now.length - FREE_NAMES} more` : '';
  const free =
    now.length === 0 ? 'No card is marked free now.' : `Free now: ${now.slice(0, FREE_NAMES).join(', ')}${more}.`;
  if (next === null) return free;
  const times = count === 1 ? '' : count === 2 ? ' twice' : ` ${count} times`;
  return `${free} Next, once copied${times}${verify ? ' and verified' : ''}: ${next.card}, about ${next.clock}.`;
}

/** Where the plan has which card now, where nobody said it: `A-01 in Wherry, Slot 1`. */
export const loadedText = (loaded: readonly { readonly card: string; readonly where: string }[]): string =>
  `By the plan ${together(loaded.map(({ card, where }) => `${card} is in ${where}`))}.`;

/** Of a card that is free by nobody's word and recorded on by the plan. */
export const RECORDED_AS_PLANNED = 'recorded on by the plan, and not noted: look before it goes in';

/** Said in the row of a card with a fault, by what may lie on it. */
export const faultyText = (state: CardState): string =>
  state === 'free'
    ? 'faulty: out of the plan until it is settled under Cards'
    : 'faulty: out of the plan; what is on it still has to be copied and verified';
