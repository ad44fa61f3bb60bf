import type { Body, Card, Mode } from '../../core/kit/model.ts';
import type { Cell } from '../../core/match/cell.ts';
import type { Move } from '../../core/match/move.ts';
import { assertNever } from '../../core/result.ts';
import { bus } from '../../core/standards/buses.ts';
import { STATE_WORDS } from '../cards/state.ts';
import { MBpsText, minutesText, plain } from '../quantity.ts';
import { modeSpeed, modeTitle } from './cell.ts';
import { printText } from './toBuy.ts';
import { VERDICT_WORDS } from './verdict.ts';

/** What the ids of a move stand for. */
export interface MoveNames {
  readonly cards: readonly Card[];
  readonly body: Body;
  readonly mode: Mode;
}

/** A move in one line, and what it costs in money, minutes or picture. */
export interface MoveLine {
  readonly text: string;
  readonly cost: string;
}

const leads = ({ verdict, planned }: Move): string =>
  planned === null ? VERDICT_WORDS[verdict] : `${VERDICT_WORDS[verdict]}, ${minutesText(planned)}`;

/** The same for a card that has to be changed: how much of what is wanted it holds. */
function leadsFor(move: Extract<Move, { code: 'owned-card' | 'cheaper-card' }>): string {
  const { verdict, planned, ofMinutes } = move;
  if (ofMinutes == null || planned === null || planned <= 0) return leads(move);
  const changes = Math.ceil(ofMinutes / planned) - 1;
  const what = changes === 1 ? 'one change' : `${plain(changes)} changes`;
  return `${VERDICT_WORDS[verdict]}, ${plain(planned)} of ${minutesText(ofMinutes)}, and ${what}`;
}

const priceText = (price: number | null): string =>
  price === null ? 'yours already' : `yours already (paid ${plain(price, 2)})`;

/** What each bus that a slot may have would lead to. */
const ifTold = ({ answers }: Extract<Move, { code: 'tell-bus' }>): string =>
  answers.map((one) => `${bus(one.bus).name} ${VERDICT_WORDS[one.verdict].toLowerCase()}`).join(' · ');

export function moveLine(move: Move, names: MoveNames): MoveLine {
  switch (move.code) {
    case 'owned-card': {
      const card = names.cards.find(({ id }) => id === move.cardId);
      const cost = move.state
        ? `${STATE_WORDS[move.state]} now: copy, verify and format it first`
        : priceText(move.price);
      return { text: `Use ${card?.label ?? 'another card'}: ${leadsFor(move)}`, cost };
    }
    case 'cheaper-card': {
      const card = names.cards.find(({ id }) => id === move.cardId);
      return {
        text: `${card?.label ?? 'A lesser card'} covers this mode too: ${leads(move)}`,
        cost: 'leaves this card free for a mode that needs it',
      };
    }
    case 'buy':
      return { text: `${printText(move)}: ${leads(move)}`, cost: 'a card to buy' };
    case 'nearest-mode': {
      const mode = names.body.modes.find(({ id }) => id === move.modeId);
      const picture = move.samePicture ? 'same picture size' : 'another picture size';
      const [now, then] = mode ? [modeSpeed(mode), modeSpeed(names.mode)] : ['', ''];
      const speed = now === then ? '' : `${now} instead of ${then}, `;
      return {
        text: `Record ${mode ? modeTitle(mode) : 'another mode'}: ${leads(move)}`,
        cost: `${speed}${picture}, ${MBpsText(move.rate)}`,
      };
    }
    case 'ratio':
      return {
        text: `${plain(move.ratio)}:1 instead of ${plain(move.from)}:1: ${leads(move)}`,
        cost: 'more compression',
      };
    case 'tell-bus': {
      const slot = names.body.slots.find(({ id }) => id === move.slotId)?.name ?? 'the slot';
      return { text: `Enter the bus of ${slot}: ${ifTold(move)}`, cost: 'see the manual' };
    }
    case 'test-it':
      return { text: `Test it: record until the card is full, then: ${VERDICT_WORDS[move.verdict]}`, cost: 'one fill' };
    case 'verify':
      return { text: `Verify the card, then: ${leads(move)}`, cost: 'one fill, read back' };
    case 'drop-proxy':
      return {
        text: `Without the viewing proxy: ${leads(move)}`,
        cost: `saves ${plain(move.savedMbps)} Mb/s, no proxy`,
      };
    case 'split':
      return {
        text: `Split over ${move.cards} cards: ${leads(move)}`,
        cost: `uses ${move.cards} cards`,
      };
    case 'other-school': {
      const name = move.take === 'once' ? 'once-only' : 'repeatable';
      const warmth = {
        cool: 'blue',
        warm: 'yellow',
        hot: 'red',
        mute: 'refused',
        none: 'that of a card that does not fit',
      }[move.tone];
      return { text: `For a ${name} take this answer is ${warmth}`, cost: 'another kind of take' };
    }
    default:
      return assertNever(move);
  }
}

/** What is left where no move leads out. */
export const noWayText = ({ verdict }: Pick<Cell, 'verdict'>): string =>
  verdict === 'drops' || verdict === 'unfit'
    ? 'No card helps here. Look for a mode with a lower rate, or another camera.'
    : 'None of your cards and no speed mark covers this rate here. Look for a mode with a lower rate, or another camera; or record until the card is full, as a test of your own.';

/** What a move that changes a body has changed, in a word or two, for the row that shows it. */
export function triedText(move: Move): string {
  switch (move.code) {
    case 'ratio':
      return `tried at ${plain(move.ratio)}:1`;
    case 'drop-proxy':
      return 'tried without proxy';
    case 'split':
      return 'tried split';
    default:
      return '';
  }
}

export const moveText = (move: Move, names: MoveNames): string => {
  const { text, cost } = moveLine(move, names);
  return `${text} (${cost}).`;
};
